/**
 * Bundles the bench as the app itself is bundled, and runs it: a loader that renames functions
 * would measure itself.
 */
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { ensureBuilt } from './built.mjs';

ensureBuilt();

// What a run that was killed left behind.
for (const name of readdirSync(process.cwd()))
  if (name.startsWith('.bench-')) rmSync(name, { recursive: true, force: true });
const folder = mkdtempSync(join(process.cwd(), '.bench-'));
try {
  const outfile = join(folder, 'bench.mjs');
  await build({
    entryPoints: ['bench/index.mts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    packages: 'external',
    alias: { '@': './src' },
    logLevel: 'error',
  });
  await import(pathToFileURL(outfile).href);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
