// Bundles the worker of the server's thread pool: dist/pool.mjs, made anew when its sources
// changed.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { buildSync } from 'esbuild';
import { sourcesHash } from './built.mjs';

export const POOL = 'dist/pool.mjs';
const STAMP = 'dist/pool-sources';

export function ensurePool() {
  const now = sourcesHash();
  if (existsSync(POOL) && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now) return false;
  buildSync({
    entryPoints: ['src/server/pool/worker.ts'],
    outfile: POOL,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'bundle',
    sourcemap: 'inline',
    alias: { '@': './src', '@reference': './reference', 'server-only': './scripts/empty.cjs' },
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
    logLevel: 'warning',
  });
  writeFileSync(STAMP, now);
  return true;
}

/** Jest's global set-up. */
export default function setUp() {
  ensurePool();
}

if (process.argv[1]?.endsWith('pool.mjs')) ensurePool();
