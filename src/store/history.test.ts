import { existsSync, mkdtempSync, readdirSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import type { Backup } from '@/core/backup';
import { COPIES_KEPT, localClient, openStore, type StoreClient } from '.';
import { prunable, type Moment } from './history';

const MINUTE = 60_000,
  HOUR = 60 * MINUTE,
  DAY = 24 * HOUR,
  NOW = Date.UTC(2026, 10, 28, 12);

const freshUrl = (): string =>
  `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-history-')), 'test.db')}`;
let url: string;
let store: StoreClient;
beforeEach(async () => {
  url = freshUrl();
  store = localClient(await openStore(url));
});
afterEach(() => store.close());

describe('the rule of pruning', () => {
  const moments = (count: number, every_ms: number): Moment[] =>
    Array.from({ length: count }, (_, i) => ({
      revision: count - i,
      savedAt: NOW - i * every_ms,
      name: null,
    }));
  const keptOf = (all: readonly Moment[]): number[] => {
    const gone = new Set(prunable(all, NOW));
    return all.flatMap((m) => (gone.has(m.revision) ? [] : [m.revision]));
  };

  test('the newest fifty stay, whatever their age', () => {
    expect(keptOf(moments(50, 1))).toHaveLength(50);
    expect(keptOf(moments(50, 1000 * DAY))).toHaveLength(50);
  });

  test('of a day of a save each minute, one each ten minutes stays beyond the fifty', () => {
    const kept = keptOf(moments(1000, MINUTE));
    // 950 older minutes are 95 or 96 spans of ten, and the first revision.
    expect(kept.length).toBeGreaterThanOrEqual(50 + 94);
    expect(kept.length).toBeLessThanOrEqual(50 + 97);
    expect(kept).toContain(1);
  });

  test('of a week one an hour, of a year one a day', () => {
    const all = moments(8000, HOUR),
      kept = keptOf(all);
    const older = all.filter((m) => NOW - m.savedAt >= 7 * DAY);
    const days = new Set(older.map((m) => Math.floor(m.savedAt / DAY))).size;
    const oldKept = older.filter((m) => kept.includes(m.revision)).length;
    expect(oldKept).toBeGreaterThanOrEqual(days);
    expect(oldKept).toBeLessThanOrEqual(days + 2);
  });

  test('a named moment is never let go', () => {
    const all = moments(1000, 1000).map((m) =>
      m.revision === 500 ? { ...m, name: 'before the second loop' } : m,
    );
    expect(keptOf(all)).toContain(500);
    expect(keptOf(all.map((m) => ({ ...m, name: null })))).not.toContain(500);
  });
});

describe('history', () => {
  test('any revision kept is opened byte for byte, and can be named', async () => {
    const texts = ['{"a":1}', '{"a":"ä→ 漢"}', '{"a":3}'];
    await store.createBuild({ id: 'one', name: 'One', document: texts[0] as string }, NOW);
    for (const [i, document] of texts.slice(1).entries())
      await store.saveBuild('one', i + 1, { name: 'One', document }, NOW + i);
    expect((await store.listHistory('one')).map((m) => m.revision)).toEqual([3, 2, 1]);
    for (const [i, text] of texts.entries())
      expect(await store.readMoment('one', i + 1)).toBe(text);
    expect(await store.readMoment('one', 4)).toBeNull();
    expect(await store.nameMoment('one', 2, 'as ordered')).toBe(true);
    expect(await store.nameMoment('one', 9, 'never was')).toBe(false);
    expect((await store.listHistory('one'))[1]).toMatchObject({ revision: 2, name: 'as ordered' });
  });

  test('ten thousand saves keep the database small', async () => {
    const parts = Array.from({ length: 200 }, (_, i) => ({ id: `part-${i}`, at: i * 1.7 }));
    const text = (i: number): string => JSON.stringify({ i, parts });
    await store.createBuild({ id: 'one', name: 'One', document: text(0) }, NOW);
    for (let i = 1; i <= 600; i += 1)
      await store.saveBuild('one', i, { name: 'One', document: text(i) }, NOW + i * 1000);
    const moments = (await store.listHistory('one')).length;
    expect(moments).toBeGreaterThanOrEqual(50);
    expect(moments).toBeLessThanOrEqual(53);
    const bytes = readdirSync(dirname(url.slice(5)))
      .map((f) => statSync(join(dirname(url.slice(5)), f)).size)
      .reduce((a, b) => a + b, 0);
    expect(bytes).toBeLessThan(6_000_000);
  }, 30_000);
});

describe('the bin', () => {
  test('keeps for thirty days what was deleted, then lets it go', async () => {
    await store.createBuild({ id: 'one', name: 'One', document: '{}' }, NOW);
    await store.savePart({ id: 'own-1', kind: 'fan', document: '{}' }, NOW);
    expect(await store.binBuild('one', NOW)).toBe(true);
    expect(await store.binPart('own-1', NOW)).toBe(true);
    expect(await store.readBuild('one')).toBeNull();
    expect(await store.listParts()).toEqual([]);
    expect(await store.saveBuild('one', 1, { name: 'One', document: '{}' }, NOW)).toEqual({
      kind: 'binned',
    });
    expect(await store.emptyBin(NOW + 29 * DAY)).toBe(0);
    await store.emptyPartBin(NOW + 29 * DAY);
    expect((await store.listBin()).map((b) => b.id)).toEqual(['one']);
    expect(await store.restoreBuild('one')).toBe(true);
    expect(await store.unbinPart('own-1')).toBe(true);
    expect((await store.readBuild('one'))?.document).toBe('{}');
    await store.binBuild('one', NOW);
    await store.binPart('own-1', NOW);
    expect(await store.emptyBin(NOW + 31 * DAY)).toBe(1);
    await store.emptyPartBin(NOW + 31 * DAY);
    expect(await store.readAnyBuild('one')).toBeNull();
    expect(await store.listBinnedParts()).toEqual([]);
    expect(await store.listHistory('one')).toEqual([]);
  });
});

describe('pages of the list', () => {
  test('newest first, by name, and how many there are', async () => {
    for (let i = 0; i < 25; i += 1)
      await store.createBuild({ id: `b${i}`, name: `Reed ${i}% wren`, document: '{}' }, NOW + i);
    const page = await store.listBuilds({ limit: 10, offset: 10, search: '' });
    expect(page.total).toBe(25);
    expect(page.rows.map((r) => r.id)).toEqual(Array.from({ length: 10 }, (_, i) => `b${14 - i}`));
    const found = await store.listBuilds({ limit: 10, offset: 0, search: 'REED 2' });
    expect(found.total).toBe(6);
    expect((await store.listBuilds({ limit: 10, offset: 0, search: '7%' })).total).toBe(2);
    expect((await store.listBuilds({ limit: 10, offset: 0, search: '_' })).total).toBe(0);
  });
});

describe('backup and restore', () => {
  const filled = async (): Promise<Backup> => {
    await store.createBuild({ id: 'one', name: 'One', document: '{"n": 1}' }, NOW);
    await store.saveBuild('one', 1, { name: 'One', document: '{"n": 2}' }, NOW + 1);
    await store.nameMoment('one', 1, 'first');
    await store.savePart({ id: 'own-1', kind: 'fan', document: '{"k": 1}' }, NOW);
    await store.retirePart('fan-x', NOW);
    const photo = { id: 'photo-01', step: 'strip card', takenAt: NOW, type: 'image/png' };
    await store.keepPhoto('one', { ...photo, picture: new Uint8Array([1, 2, 3]) });
    return store.backUp();
  };

  test('into an empty database: the documents are the same to the byte, history and names too', async () => {
    const backup = await filled();
    const other = localClient(await openStore(freshUrl()));
    expect(await other.restoreBackup(backup, NOW)).toMatchObject({ added: 1, parts: 1 });
    expect(await other.backUp()).toEqual(backup);
    expect(await other.readMoment('one', 1)).toBe('{"n": 1}');
    expect([...((await other.readPhoto('one', 'photo-01'))?.picture ?? [])]).toEqual([1, 2, 3]);
    // Twice is once.
    expect(await other.restoreBackup(backup, NOW)).toMatchObject({ added: 0, kept: 1, parts: 0 });
    await other.close();
  });

  test('merges: what is newer here stays, what is older here comes forward, what differs stands beside', async () => {
    const backup = await filled();
    await store.saveBuild('one', 2, { name: 'One', document: '{"n": 3}' }, NOW + 2);
    expect(await store.restoreBackup(backup, NOW)).toMatchObject({ kept: 1, advanced: 0 });
    expect((await store.readBuild('one'))?.document).toBe('{"n": 3}');
    const other = localClient(await openStore(freshUrl()));
    await other.createBuild({ id: 'one', name: 'One', document: '{"n": 1}' }, NOW);
    expect(await other.restoreBackup(backup, NOW)).toMatchObject({ advanced: 1 });
    expect((await other.readBuild('one'))?.document).toBe('{"n": 2}');
    const third = localClient(await openStore(freshUrl()));
    await third.createBuild({ id: 'one', name: 'Another', document: '{"else": 1}' }, NOW);
    expect(await third.restoreBackup(backup, NOW)).toMatchObject({ copied: 1 });
    expect((await third.readBuild('one'))?.document).toBe('{"else": 1}');
    const names = (await third.listBuilds()).rows.map((r) => r.name).sort();
    expect(names).toEqual(['Another', 'One, from backup']);
    await other.close();
    await third.close();
  });

  test('a copy a day, the last seven kept', async () => {
    await filled();
    const folder = join(dirname(url.slice(5)), 'copies');
    for (let day = 0; day < COPIES_KEPT + 3; day += 1) await store.copyOfDay(NOW + day * DAY);
    await store.copyOfDay(NOW + (COPIES_KEPT + 2) * DAY);
    const copies = readdirSync(folder).sort();
    expect(copies).toHaveLength(COPIES_KEPT);
    expect(copies.at(-1)).toBe('test-2026-12-07.db');
    const copy = localClient(await openStore(`file:${join(folder, copies[0] as string)}`));
    expect((await copy.readBuild('one'))?.document).toBe('{"n": 2}');
    await copy.close();
    expect(existsSync(join(folder, 'test-2026-11-28.db'))).toBe(false);
  });
});
