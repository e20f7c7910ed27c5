// What a page of the built app names as its script: what is loaded before it can answer.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const PORT = 4397;
const AT = `http://127.0.0.1:${PORT}`;
/** The server comes up within this, ms. */
const LONGEST_MS = 60_000;

/** Serves the built app on a fresh database for as long as `work` takes. */
async function served(work) {
  const folder = mkdtempSync(join(tmpdir(), 'zephyron-sizes-'));
  const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(PORT)], {
    stdio: 'ignore',
    env: { ...process.env, DATABASE_URL: `file:${join(folder, 'sizes.db')}` },
  });
  try {
    await answering(Date.now() + LONGEST_MS);
    return await work();
  } finally {
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function answering(until) {
  const isThere = await fetch(AT).then(
    (r) => r.ok,
    () => false,
  );
  if (isThere) return;
  if (Date.now() > until) throw new Error(`The app does not answer at ${AT}. Is it built?`);
  await new Promise((r) => setTimeout(r, 200));
  await answering(until);
}

/** Files of script a page names, in tags and in what it hands on; none for browsers of old. */
function namedIn(html) {
  const old = new Set(
    [...html.matchAll(/<script[^>]*>/gi)]
      .filter(([tag]) => /nomodule/i.test(tag))
      .flatMap(([tag]) => tag.match(CHUNK) ?? []),
  );
  const named = new Set(html.match(CHUNK));
  return [...named].filter((file) => !old.has(file)).map((file) => `.next/${file}`);
}
const CHUNK = /static\/chunks\/[\w.~-]+\.js/g;

/** Files of script that each of these pages names, as paths in the repository. */
export const firstLoads = (paths) =>
  served(async () => {
    const files = new Map();
    for (const path of paths) {
      const page = await fetch(`${AT}${path}`);
      if (!page.ok) throw new Error(`${path} answers with ${page.status}.`);
      const html = await page.text();
      files.set(path, namedIn(html));
    }
    return files;
  });
