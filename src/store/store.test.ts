import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import {
  createBuild,
  listBuilds,
  openStore,
  readBuild,
  removeBuild,
  saveBuild,
  seedBuilds,
  type Store,
} from '.';

let store: Store;
let url: string;

beforeEach(async () => {
  url = `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-store-')), 'deep', 'er', 'test.db')}`;
  store = await openStore(url);
});
afterEach(() => store.close());

const row = { id: 'one', name: 'One', document: '{"a":1}' };

describe('builds in the database', () => {
  test('are kept with a revision', async () => {
    await createBuild(store, row, 1000);
    expect(await readBuild(store, 'one')).toMatchObject({ ...row, revision: 1, demo: null });
    expect(await saveBuild(store, 'one', 1, { name: 'One', document: '{"a":2}' }, 2000)).toEqual({
      kind: 'saved',
      revision: 2,
    });
    expect((await readBuild(store, 'one'))?.document).toBe('{"a":2}');
  });

  test('a stale revision changes nothing and gets the newer one back', async () => {
    await createBuild(store, row, 1000);
    await saveBuild(store, 'one', 1, { name: 'One', document: '{"a":2}' }, 2000);
    const stale = await saveBuild(store, 'one', 1, { name: 'One', document: '{"a":3}' }, 3000);
    expect(stale).toMatchObject({ kind: 'stale', row: { revision: 2, document: '{"a":2}' } });
    expect((await readBuild(store, 'one'))?.document).toBe('{"a":2}');
  });

  test('of twenty at once on one revision, one wins', async () => {
    await createBuild(store, row, 1000);
    const all = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        saveBuild(store, 'one', 1, { name: 'One', document: `{"a":${i}}` }, 2000 + i),
      ),
    );
    expect(all.filter((s) => s.kind === 'saved').length).toBe(1);
    expect(all.filter((s) => s.kind === 'stale').length).toBe(19);
  });

  test('what is not there is missing', async () => {
    expect(await saveBuild(store, 'ghost', 1, { name: 'x', document: '{}' }, 1)).toEqual({
      kind: 'missing',
    });
    expect(await readBuild(store, 'ghost')).toBeNull();
    expect(await removeBuild(store, 'ghost')).toBe(false);
  });

  test('are listed newest change first, and can be removed', async () => {
    await createBuild(store, row, 1000);
    await createBuild(store, { ...row, id: 'two' }, 2000);
    await saveBuild(store, 'one', 1, { name: 'One', document: '{}' }, 3000);
    expect((await listBuilds(store)).map((b) => b.id)).toEqual(['one', 'two']);
    expect(await removeBuild(store, 'one')).toBe(true);
    expect((await listBuilds(store)).map((b) => b.id)).toEqual(['two']);
  });

  test('outlive a restart', async () => {
    await createBuild(store, row, 1000);
    store.close();
    store = await openStore(url);
    expect((await readBuild(store, 'one'))?.name).toBe('One');
  });

  test('quotes and scripts are only text', async () => {
    const evil = { id: "x'; drop table builds; --", name: '<script>', document: '{"q":"\'\\""}' };
    await createBuild(store, evil, 1);
    expect(await readBuild(store, evil.id)).toMatchObject(evil);
    expect((await listBuilds(store)).length).toBe(1);
  });
});

describe('demo builds', () => {
  const demos = [
    { name: 'desk', title: 'Desk', document: '{}' },
    { name: 'tower', title: 'Tower', document: '{}' },
  ];

  test('are put in once', async () => {
    expect(await seedBuilds(store, demos, 1)).toBe(2);
    expect(await seedBuilds(store, demos, 2)).toBe(0);
    expect((await listBuilds(store)).length).toBe(2);
  });

  test('never overwrite, and stay deleted', async () => {
    await seedBuilds(store, demos, 1);
    await saveBuild(store, 'desk', 1, { name: 'My desk', document: '{"mine":1}' }, 2);
    await removeBuild(store, 'tower');
    await seedBuilds(store, [...demos, { name: 'box', title: 'Box', document: '{}' }], 3);
    expect((await listBuilds(store)).map((b) => b.name).sort()).toEqual(['Box', 'My desk']);
  });

  test("leave a user's build of the same id alone", async () => {
    await createBuild(store, { id: 'desk', name: 'Mine', document: '{"mine":1}' }, 1);
    await seedBuilds(store, demos, 2);
    expect((await readBuild(store, 'desk'))?.document).toBe('{"mine":1}');
  });
});
