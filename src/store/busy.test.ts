import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { localClient, openStore } from '.';

/** Another process that takes the write lock, says so, and lets go after a while. */
async function lockElsewhere(
  file: string,
  hold_ms: number,
): Promise<{ readonly gone: Promise<void> }> {
  const script = `const D=require('libsql');const d=new D(${JSON.stringify(file)});d.exec('BEGIN IMMEDIATE');console.log('held');setTimeout(()=>{d.exec('COMMIT');d.close();},${hold_ms});`;
  const child = spawn(process.execPath, ['-e', script], {
    cwd: process.cwd(),
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const gone = new Promise<void>((resolve) => {
    child.on('exit', () => resolve());
  });
  await new Promise<void>((resolve) => {
    child.stdout.once('data', () => resolve());
  });
  return { gone };
}

test('what was acknowledged is there, though another process held the database for longer than we wait', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'zephyron-busy-')), 'test.db');
  const store = localClient(await openStore(`file:${file}`, { patience_ms: 50 }));
  const acknowledged: string[] = [],
    retired: string[] = [];
  let refused = 0;
  const keep = async (i: number): Promise<void> => {
    const id = `own-${i}`;
    await store.savePart({ id, kind: 'fan', document: '{}' }, i).then(
      () => acknowledged.push(id),
      () => {
        refused += 1;
      },
    );
    await store.retirePart(id, i).then(
      () => retired.push(id),
      () => {
        refused += 1;
      },
    );
  };
  for (let i = 0; i < 5; i += 1) await keep(i);
  const { gone } = await lockElsewhere(file, 700);
  for (let i = 5; i < 9; i += 1) await keep(i);
  await gone;
  for (let i = 9; i < 40; i += 1) await keep(i);
  await store.close();
  expect(refused).toBeGreaterThan(0);
  expect(acknowledged.length).toBeGreaterThanOrEqual(36);
  const reopened = localClient(await openStore(`file:${file}`));
  expect((await reopened.listParts()).map((p) => p.id).sort()).toEqual([...acknowledged].sort());
  expect([...(await reopened.listRetired())].sort()).toEqual([...retired].sort());
  await reopened.close();
}, 30_000);
