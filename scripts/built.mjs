// Builds the app when there is no build, or its sources are newer than the last one.
import { execSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { ensureBundles } from './bundles.mjs';

const STAMP = '.next/zephyron-sources';

function* files(path) {
  if (!existsSync(path)) return;
  if (statSync(path).isFile()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* files(join(path, name));
}

export function sourcesHash() {
  const hash = createHash('sha256');
  for (const root of ['src', 'reference', 'next.config.ts', 'package-lock.json', 'tsconfig.json'])
    for (const f of files(root))
      if (!/\.test\.tsx?$/.test(f)) hash.update(f).update(readFileSync(f));
  return hash.digest('hex');
}

export function ensureBuilt() {
  ensureBundles();
  const now = sourcesHash();
  if (existsSync('.next/BUILD_ID') && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now)
    return false;
  console.log('Building the app, about a minute.');
  execSync('npx --no-install next build', {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  writeFileSync(STAMP, now);
  return true;
}
