import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { demoDesign } from '@/catalogue';
import { localClient, openStore } from '@/store';
import { runBackup } from './backup';

const folder = mkdtempSync(join(tmpdir(), 'zephyron-backup-'));
const urlOf = (name: string): string => `file:${join(folder, name)}`;
const before = process.env.DATABASE_URL;
afterEach(() => {
  if (before === undefined) delete process.env.DATABASE_URL;
  else process.env.DATABASE_URL = before;
});

test('a database goes into a ZIP of open JSON and comes back to the byte in another', async () => {
  const document = JSON.stringify(demoDesign('dawn-chorus-desk'), null, 3);
  const store = localClient(await openStore(urlOf('one.db')));
  await store.createBuild({ id: 'desk', name: 'Desk', document }, 5);
  await store.saveBuild('desk', 1, { name: 'Desk', document: `${document}\n` }, 6);
  await store.savePart({ id: 'own-1', kind: 'fan', document: '{"name":"Mine"}' }, 7);
  await store.close();

  const zip = join(folder, 'all.zip');
  process.env.DATABASE_URL = urlOf('one.db');
  expect(await runBackup('backup', [zip])).toMatchObject({ code: 0, err: '' });
  const files = unzipSync(readFileSync(zip));
  expect(Object.keys(files).sort()).toEqual([
    'backup.json',
    'builds/desk.zephyron.json',
    'history/desk/1.json',
    'history/desk/2.json',
    'parts/own-1.json',
  ]);
  expect(strFromU8(files['builds/desk.zephyron.json'] as Uint8Array)).toBe(`${document}\n`);

  process.env.DATABASE_URL = urlOf('two.db');
  expect(await runBackup('restore', [zip])).toMatchObject({ code: 0 });
  const other = localClient(await openStore(urlOf('two.db')));
  expect((await other.readBuild('desk'))?.document).toBe(`${document}\n`);
  expect(await other.readMoment('desk', 1)).toBe(document);
  await other.close();
});

test.each([
  ['no ZIP at all', 'this is no ZIP', /no ZIP file, or it is damaged/],
  [
    'an empty ZIP',
    Buffer.from('504b0506000000000000000000000000000000000000', 'hex'),
    /backup\.json/,
  ],
])('%s is refused, and the file is named', async (_, content, words) => {
  const file = join(folder, `bad-${Math.abs(String(content).length)}.zip`);
  writeFileSync(file, content);
  process.env.DATABASE_URL = urlOf('three.db');
  const { code, err } = await runBackup('restore', [file]);
  expect(code).toBe(1);
  expect(err).toMatch(words);
});

test('a backup never writes over a file, and a missing one is told', async () => {
  const file = join(folder, 'taken.zip');
  writeFileSync(file, 'mine');
  process.env.DATABASE_URL = urlOf('three.db');
  expect((await runBackup('backup', [file])).code).toBe(1);
  expect(readFileSync(file, 'utf8')).toBe('mine');
  expect((await runBackup('restore', [join(folder, 'ghost.zip')])).err).toContain('ghost.zip');
  expect((await runBackup('restore', [])).err).toContain('FILE.zip');
});
