// A backup put back by another process into another database.
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { App } from './app.mjs';

export async function run(share) {
  const folder = mkdtempSync(join(tmpdir(), 'zephyron-restore-'));
  const app = await new App().start();
  const count = Math.max(3, Math.round(30 * share));
  const ids = [];
  for (let i = 0; i < count; i += 1) {
    const build = await app.newBuild('dawn-chorus-desk', `Kept ${i} ÄÖ → 漢`);
    ids.push(build.id);
    let { revision } = build;
    for (let k = 0; k < 5; k += 1) {
      const document = { ...build.document, name: `Kept ${i}, edit ${k}` };
      ({ revision } = (
        await app.send('PUT', `/api/builds/${build.id}`, { revision, document })
      ).body);
    }
  }
  const textsOf = async (from) => {
    const texts = new Map();
    for (const id of ids) {
      const { body: moments } = await from.ask(`/api/builds/${id}/history`);
      for (const { revision } of moments) {
        const response = await fetch(`${from.address}/api/builds/${id}/history/${revision}`);
        texts.set(`${id}@${revision}`, await response.text());
      }
      texts.set(id, JSON.stringify((await from.ask(`/api/builds/${id}`)).body));
    }
    return texts;
  };
  const before = await textsOf(app);
  await app.kill();
  const zip = join(folder, 'all.zip'),
    other = join(folder, 'other.db');
  const cli = (file, ...args) =>
    execFileSync('node_modules/.bin/tsx', ['src/cli/index.ts', ...args], {
      env: { ...process.env, DATABASE_URL: `file:${file}`, TZ: 'Pacific/Auckland' },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  cli(app.file, 'backup', zip);
  cli(other, 'restore', zip);
  const restored = await new App(other).start();
  const after = await textsOf(restored);
  await restored.kill();
  const differ = [...before].filter(([key, text]) => after.get(key) !== text).length;
  return {
    asks: 'restored by another process: documents the same to the byte',
    figures: `${count} builds, ${before.size} documents with history: ${differ} differ`,
    ok: differ === 0 && before.size === after.size,
  };
}
