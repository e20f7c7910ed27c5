/**
 * Bundles the bench as the app itself is bundled, and runs it: a loader that renames functions
 * would measure itself.
 */
import { spawnSync } from 'node:child_process';
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
  await build({
    entryPoints: ['bench/grid.mts', 'bench/index.mts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    packages: 'external',
    alias: { '@': './src' },
    logLevel: 'error',
  });
  const grid = spawnSync(process.execPath, [join(folder, 'grid.mjs')], { stdio: 'inherit' });
  if (grid.status !== 0) throw new Error('the bench of the grid failed');
  await import(pathToFileURL(join(folder, 'index.mjs')).href);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
