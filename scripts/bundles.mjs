// Bundles what runs in threads of its own, and the page's service worker, into dist/: made anew
// when their sources changed.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { buildSync } from 'esbuild';
import { sourcesHash } from './built.mjs';

/** Bundle and the file it starts in. */
const THREADS = {
  'dist/pool.mjs': 'src/server/pool/worker.ts',
  'dist/pdf.mjs': 'src/server/pdf/worker.tsx',
  'dist/store.mjs': 'src/store/thread.ts',
};
export const SERVICE_WORKER = 'dist/sw.js';
const STAMP = 'dist/sources';

const ALIAS = {
  '@': './src',
  '@reference': './reference',
  'server-only': './scripts/empty.cjs',
};

export function ensureBundles() {
  const now = sourcesHash();
  const all = [...Object.keys(THREADS), SERVICE_WORKER];
  if (all.every((f) => existsSync(f)) && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now)
    return false;
  for (const [outfile, entry] of Object.entries(THREADS))
    buildSync({
      entryPoints: [entry],
      outfile,
      bundle: true,
      platform: 'node',
      target: 'node20',
      format: 'esm',
      jsx: 'automatic',
      packages: 'bundle',
      // Native code, and what finds its own files beside it.
      external: ['@libsql/client', 'libsql', '@react-pdf/*', 'pdfkit', 'react'],
      sourcemap: 'inline',
      alias: ALIAS,
      banner: {
        js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
      },
      logLevel: 'warning',
    });
  buildSync({
    entryPoints: ['src/view/offline/sw.ts'],
    outfile: SERVICE_WORKER,
    bundle: true,
    platform: 'browser',
    target: 'es2022',
    format: 'iife',
    define: { 'process.env.NODE_ENV': '"production"' },
    minify: true,
    logLevel: 'warning',
  });
  writeFileSync(STAMP, now);
  return true;
}

/** Jest's global set-up. */
export default function setUp() {
  ensureBundles();
}

if (process.argv[1]?.endsWith('bundles.mjs')) ensureBundles();
