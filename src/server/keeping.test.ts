import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { catalogued, demoDesign } from '@/catalogue';
import { applyEdit, BUILD_VERSION, type Design, type Edit } from '@/core/design';
import {
  addBuild,
  backupZip,
  binEntries,
  buildFile,
  buildPdf,
  closeStore,
  dropBuild,
  dropPart,
  health,
  historyOf,
  keepPhoto,
  listedBuilds,
  momentOf,
  nameMoment,
  openBuild,
  ownParts,
  photoOf,
  photosOf,
  patchBuild,
  putBuild,
  putPart,
  removeFromBin,
  restoreFromBin,
  restoreZip,
  showPhoto,
  whyNotOpen,
} from '.';
import { closePool } from './pool';
import { theStore } from './store';

const desk = demoDesign('dawn-chorus-desk') as Design;

beforeAll(() => {
  process.env.DATABASE_URL = `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-keeping-')), 'test.db')}`;
});
afterAll(async () => {
  await closeStore();
  await closePool();
});

async function newBuild(name: string): Promise<string> {
  const added = await addBuild(JSON.stringify({ ...desk, name }));
  expect(added.status).toBe(201);
  return (added.body as { readonly id: string }).id;
}
const save = (id: string, revision: number, name: string) =>
  putBuild(id, JSON.stringify({ revision, document: { ...desk, name } }));

describe('history over the API', () => {
  test('each save is a moment, opened as it was kept, and named', async () => {
    const id = await newBuild('First');
    await save(id, 1, 'Second');
    await save(id, 2, 'Third');
    const moments = (await historyOf(id)).body as readonly { readonly revision: number }[];
    expect(moments.map((m) => m.revision)).toEqual([3, 2, 1]);
    expect(JSON.parse((await momentOf(id, 2, false)) ?? '')).toMatchObject({ name: 'Second' });
    expect(JSON.parse((await momentOf(id, 1, true)) ?? '')).toMatchObject({
      name: 'First',
      version: BUILD_VERSION,
    });
    expect((await nameMoment(id, 2, { name: ' as ordered ' })).status).toBe(204);
    expect((await historyOf(id)).body).toMatchObject([{}, { name: 'as ordered' }, {}]);
    expect((await nameMoment(id, 2, { name: null })).status).toBe(204);
    expect((await historyOf(id)).body).toMatchObject([{}, { name: null }, {}]);
  });

  test.each([
    [{ name: '' }, 400],
    [{ name: '   ' }, 400],
    [{ name: 7 }, 400],
    [{}, 400],
    [null, 400],
    [{ name: 'x'.repeat(81) }, 400],
  ])('a moment is not called %j', async (data, status) => {
    const id = await newBuild('Named');
    expect((await nameMoment(id, 1, data)).status).toBe(status);
  });

  test('what is not kept is 404, whatever it is called', async () => {
    const id = await newBuild('Short');
    expect(await momentOf(id, 9, false)).toBeNull();
    expect(await momentOf(id, NaN, false)).toBeNull();
    expect(await momentOf('ghost', 1, true)).toBeNull();
    expect((await historyOf('ghost')).status).toBe(404);
    expect((await nameMoment(id, 9, { name: 'never' })).status).toBe(404);
    expect((await nameMoment(id, 1.5, { name: 'never' })).status).toBe(404);
  });
});

describe('a save told by what changed', () => {
  const patched = (id: string, revision: unknown, patches: unknown) =>
    patchBuild(id, JSON.stringify({ revision, patches }));
  const rename = [{ op: 'replace', path: ['name'], value: 'Patched' }];

  test('is the same as the whole document', async () => {
    const id = await newBuild('Whole');
    const edit: Edit = { do: 'fans.speed', speed_rpm: 777 };
    const { forward } = applyEdit({ ...desk, name: 'Whole' }, edit);
    expect(await patched(id, 1, [...forward.patches, ...rename])).toEqual({
      status: 200,
      body: { revision: 2 },
    });
    expect((await openBuild(id))?.design).toEqual({
      ...applyEdit({ ...desk, name: 'Whole' }, edit).design,
      name: 'Patched',
    });
  });

  test('on a stale revision it gives back the newer one, untouched', async () => {
    const id = await newBuild('One');
    await save(id, 1, 'Two');
    expect(await patched(id, 1, rename)).toMatchObject({
      status: 409,
      body: { revision: 2, document: { name: 'Two' } },
    });
  });

  test.each([
    ['no revision', undefined, rename],
    ['no patches', 1, undefined],
    ['another operation', 1, [{ op: 'move', path: ['name'], value: 'x' }]],
    ['a path that is no list', 1, [{ op: 'replace', path: '/name', value: 'x' }]],
    ['a path to a prototype', 1, [{ op: 'add', path: ['__proto__', 'x'], value: 1 }]],
    ['a path through a constructor', 1, [{ op: 'add', path: ['brief', 'constructor'], value: 1 }]],
    ['a path to nowhere', 1, [{ op: 'replace', path: ['loops', 9, 'name'], value: 'x' }]],
    ['a value that is none', 1, [{ op: 'replace', path: ['brief', 'room_C'], value: 'hot' }]],
    ['a key of its own', 1, [{ op: 'add', path: ['extra'], value: 1 }]],
  ])('%s is refused with a path, and changes nothing', async (_, revision, patches) => {
    const id = await newBuild('Kept');
    const answer = await patched(id, revision, patches);
    expect(answer.status).toBe(400);
    expect((answer.body as { troubles: unknown[] }).troubles.length).toBeGreaterThan(0);
    expect(await openBuild(id)).toMatchObject({ revision: 1, design: { name: 'Kept' } });
  });

  test('a build in the bin, and one that never was, are told apart', async () => {
    const id = await newBuild('Binned');
    await dropBuild(id);
    expect((await patched(id, 1, rename)).status).toBe(410);
    expect((await patched('ghost', 1, rename)).status).toBe(404);
  });
});

describe('the bin over the API', () => {
  test('builds and parts, last deleted first, each with the day it goes', async () => {
    const fan = { ...catalogued('fan', 'fan-wren-120-1200'), id: 'own-bin', name: 'My fan' };
    await putPart('own-bin', JSON.stringify(fan));
    const id = await newBuild('To the bin');
    await dropBuild(id);
    await new Promise((resolve) => setTimeout(resolve, 5));
    await dropPart('own-bin');
    const [part, build] = await binEntries();
    expect(part).toMatchObject({ kind: 'part', id: 'own-bin', name: 'My fan' });
    expect(build).toMatchObject({ kind: 'build', id, name: 'To the bin' });
    expect((build?.until ?? 0) - (build?.deletedAt ?? 0)).toBe(30 * 86_400_000);
    expect((await restoreFromBin('part', 'own-bin')).status).toBe(204);
    expect((await ownParts()).map((p) => p.id)).toContain('own-bin');
    expect((await restoreFromBin('teapot', id)).status).toBe(404);
    expect((await removeFromBin(id)).status).toBe(204);
    expect((await removeFromBin(id)).status).toBe(404);
  });

  test('a page knows why it does not open; a file of it is given all the same', async () => {
    const id = await newBuild('Away');
    await dropBuild(id);
    expect(await whyNotOpen(id)).toEqual({ state: 'binned' });
    expect(await whyNotOpen('ghost')).toEqual({ state: 'missing' });
    expect((await buildFile(id))?.name).toBe('away.zephyron.json');
    const newer = JSON.stringify({ ...desk, version: BUILD_VERSION + 1, later: true });
    await (await theStore()).createBuild({ id: 'newer', name: 'From later', document: newer }, 1);
    expect(await whyNotOpen('newer')).toMatchObject({
      state: 'unreadable',
      name: 'From later',
      message: expect.stringContaining('newer Zephyron'),
    });
    expect((await buildFile('newer'))?.text).toBe(newer);
    expect(await openBuild('newer')).toBeNull();
  });
});

describe('photos of the steps', () => {
  const PNG = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2]);
  const asked = (step: string, on = '2026-11-29T10:00:00Z') => new URLSearchParams({ step, on });

  test('kept once, listed by time, taken away and brought back', async () => {
    const id = await newBuild('With photos');
    const keep = (photo: string, on: string) => keepPhoto(id, photo, asked('strip card', on), PNG);
    expect((await keep('photo-late', '2026-11-29T11:00:00Z')).status).toBe(204);
    expect((await keep('photo-early', '2026-11-29T10:00:00Z')).status).toBe(204);
    expect((await keep('photo-early', '2026-11-29T12:00:00Z')).status).toBe(204);
    const listed = async () =>
      ((await photosOf(id)).body as readonly { readonly id: string }[]).map((p) => p.id);
    expect(await listed()).toEqual(['photo-early', 'photo-late']);
    expect((await photoOf(id, 'photo-late'))?.type).toBe('image/png');
    expect((await showPhoto(id, 'photo-late', false)).status).toBe(204);
    expect((await showPhoto(id, 'photo-late', false)).status).toBe(404);
    expect(await listed()).toEqual(['photo-early']);
    expect((await showPhoto(id, 'photo-late', true)).status).toBe(204);
    expect(await listed()).toHaveLength(2);
    // After its thirty days it is gone, the other stays.
    await showPhoto(id, 'photo-late', false);
    await (await theStore()).emptyPhotoBin(Date.now() + 31 * 86_400_000);
    expect(await photoOf(id, 'photo-late')).toBeNull();
    expect(await listed()).toEqual(['photo-early']);
  });

  test('what is no picture is refused with what is wrong, whatever it is called', async () => {
    const id = await newBuild('Without');
    const script = new TextEncoder().encode('<svg onload="alert(1)"/>');
    expect(await keepPhoto(id, 'photo-0001', asked('strip card'), script)).toMatchObject({
      status: 400,
      body: { troubles: [{ message: 'must be a JPEG, PNG or WebP' }] },
    });
    expect(await keepPhoto(id, '../x', asked('', 'soon'), PNG)).toMatchObject({
      status: 400,
      body: { troubles: [{ path: 'id' }, { path: 'step' }, { path: 'on' }] },
    });
    expect((await keepPhoto('nobody', 'photo-0001', asked('s'), PNG)).status).toBe(404);
    expect((await photosOf('nobody')).status).toBe(404);
    expect((await photosOf(id)).body).toEqual([]);
  });
});

describe('everything into one file and back', () => {
  test('merged beside what is there, twice like once', async () => {
    const id = await newBuild('Backed up');
    await save(id, 1, 'Backed up, later');
    const { body } = await backupZip();
    const { name, zip } = body as { readonly name: string; readonly zip: Uint8Array };
    expect(name).toMatch(/^zephyron-\d{4}-\d\d-\d\d\.zip$/);
    const { total } = await listedBuilds();
    const again = await restoreZip(zip);
    expect(again).toMatchObject({ status: 200, body: { added: 0, copied: 0 } });
    expect((await listedBuilds()).total).toBe(total);
    // Removed for good it comes back, with its history.
    await dropBuild(id);
    await removeFromBin(id);
    expect((await restoreZip(zip)).body).toMatchObject({ added: 1 });
    expect((await openBuild(id))?.design.name).toBe('Backed up, later');
    expect((await historyOf(id)).body).toHaveLength(2);
  });

  test('what is no backup is refused, and changes nothing', async () => {
    const { total } = await listedBuilds();
    for (const bytes of [new Uint8Array(0), new Uint8Array([1, 2, 3]), new Uint8Array(5000)])
      expect(await restoreZip(bytes)).toMatchObject({
        status: 400,
        body: { troubles: [{ message: expect.any(String) }] },
      });
    expect((await listedBuilds()).total).toBe(total);
  });
});

describe('beside the builds', () => {
  test('the server tells its health', async () => {
    expect(await health()).toMatchObject({
      status: 200,
      body: { ok: true, database: 'ok', waiting: { quick: 0 } },
    });
  });

  test('a sheet and a list are printed in the pool', async () => {
    for (const which of ['sheet', 'list', 'book'] as const) {
      const { status, body } = await buildPdf('dawn-chorus-desk', { of: which });
      const { name, pdf } = body as { readonly name: string; readonly pdf: Uint8Array };
      expect([status, name]).toEqual([200, `dawn-chorus-desk-${which}.pdf`]);
      expect(new TextDecoder().decode(pdf.slice(0, 5))).toBe('%PDF-');
    }
    expect((await buildPdf('ghost', { of: 'list' })).status).toBe(404);
  }, 60_000);

  test('who goes away stops the printing', async () => {
    const stop = new AbortController();
    const printing = buildPdf('dawn-chorus-desk', { of: 'sheet' }, { signal: stop.signal });
    stop.abort();
    await expect(printing).rejects.toThrow(/abort/i);
  });
});
