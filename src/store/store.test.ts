import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { localClient, openStore, type StoreClient } from '.';

let store: StoreClient;
let url: string;

beforeEach(async () => {
  url = `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-store-')), 'deep', 'er', 'test.db')}`;
  store = localClient(await openStore(url));
});
afterEach(() => store.close());

const row = { id: 'one', name: 'One', document: '{"a":1}' };

describe('builds in the database', () => {
  test('are kept with a revision', async () => {
    await store.createBuild(row, 1000);
    expect(await store.readBuild('one')).toMatchObject({ ...row, revision: 1, demo: null });
    expect(await store.saveBuild('one', 1, { name: 'One', document: '{"a":2}' }, 2000)).toEqual({
      kind: 'saved',
      revision: 2,
    });
    expect((await store.readBuild('one'))?.document).toBe('{"a":2}');
  });

  test('a stale revision changes nothing and gets the newer one back', async () => {
    await store.createBuild(row, 1000);
    await store.saveBuild('one', 1, { name: 'One', document: '{"a":2}' }, 2000);
    const stale = await store.saveBuild('one', 1, { name: 'One', document: '{"a":3}' }, 3000);
    expect(stale).toMatchObject({ kind: 'stale', row: { revision: 2, document: '{"a":2}' } });
    expect((await store.readBuild('one'))?.document).toBe('{"a":2}');
  });

  test('of twenty at once on one revision, one wins', async () => {
    await store.createBuild(row, 1000);
    const all = await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        store.saveBuild('one', 1, { name: 'One', document: `{"a":${i}}` }, 2000 + i),
      ),
    );
    expect(all.filter((s) => s.kind === 'saved').length).toBe(1);
    expect(all.filter((s) => s.kind === 'stale').length).toBe(19);
  });

  test('what is not there is missing', async () => {
    expect(await store.saveBuild('ghost', 1, { name: 'x', document: '{}' }, 1)).toEqual({
      kind: 'missing',
    });
    expect(await store.readBuild('ghost')).toBeNull();
    expect(await store.removeBuild('ghost')).toBe(false);
  });

  test('are listed newest change first, and can be removed', async () => {
    await store.createBuild(row, 1000);
    await store.createBuild({ ...row, id: 'two' }, 2000);
    await store.saveBuild('one', 1, { name: 'One', document: '{}' }, 3000);
    expect((await store.listBuilds()).rows.map((b) => b.id)).toEqual(['one', 'two']);
    expect(await store.binBuild('one', 4000)).toBe(true);
    expect((await store.listBuilds()).rows.map((b) => b.id)).toEqual(['two']);
  });

  test('outlive a restart', async () => {
    await store.createBuild(row, 1000);
    await store.close();
    store = localClient(await openStore(url));
    expect((await store.readBuild('one'))?.name).toBe('One');
  });

  test('quotes and scripts are only text', async () => {
    const evil = { id: "x'; drop table builds; --", name: '<script>', document: '{"q":"\'\\""}' };
    await store.createBuild(evil, 1);
    expect(await store.readBuild(evil.id)).toMatchObject(evil);
    expect((await store.listBuilds()).rows.length).toBe(1);
  });
});

describe('demo builds', () => {
  const demos = [
    { name: 'desk', title: 'Desk', document: '{}' },
    { name: 'tower', title: 'Tower', document: '{}' },
  ];

  test('are put in once', async () => {
    expect(await store.seedBuilds(demos, 1)).toBe(2);
    expect(await store.seedBuilds(demos, 2)).toBe(0);
    expect((await store.listBuilds()).rows.length).toBe(2);
  });

  test('never overwrite, and stay deleted', async () => {
    await store.seedBuilds(demos, 1);
    await store.saveBuild('desk', 1, { name: 'My desk', document: '{"mine":1}' }, 2);
    await store.binBuild('tower', 2);
    await store.seedBuilds([...demos, { name: 'box', title: 'Box', document: '{}' }], 3);
    expect((await store.listBuilds()).rows.map((b) => b.name).sort()).toEqual(['Box', 'My desk']);
  });

  test("leave a user's build of the same id alone", async () => {
    await store.createBuild({ id: 'desk', name: 'Mine', document: '{"mine":1}' }, 1);
    await store.seedBuilds(demos, 2);
    expect((await store.readBuild('desk'))?.document).toBe('{"mine":1}');
  });
});
