import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { BARE_PART_LISTS, CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { EMPTY_LAYOUT, type Design } from '@/core/design';
import { LIMITS } from '@/core/validation';
import { closePool, inPool, OverTimeError } from './pool';
import { closeStore, theStore } from './store';
import {
  addBuild,
  buildFile,
  checkParts,
  dropBuild,
  dropPart,
  evaluateDocument,
  openBuild,
  ownParts,
  putBuild,
  putPart,
  readJson,
  readText,
  binEntries,
  restoreFromBin,
  removeFromBin,
  respond,
  respondWatched,
  safely,
  restore,
  retire,
  retiredParts,
  listedBuilds,
  storesOffer,
  partListsNow,
} from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

beforeAll(() => {
  process.env.DATABASE_URL = `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-server-')), 'test.db')}`;
});

/** The list once every build in it is worked out, as a page sees it that asks again. */
async function readyShelf(): Promise<Awaited<ReturnType<typeof listedBuilds>>['entries']> {
  for (let i = 0; i < 50; i += 1) {
    const { entries } = await listedBuilds();
    if (entries.every((e) => e.known.state !== 'pending')) return entries;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the summaries are not ready');
}

afterAll(async () => {
  await closeStore();
  await closePool();
});

const put = (id: string, data: unknown) => putBuild(id, JSON.stringify(data));
const check = (data: unknown) => checkParts(JSON.stringify(data));
const keep = (id: string, data: unknown) => putPart(id, JSON.stringify(data));
const judge = (data: unknown, ...rest: Tail<Parameters<typeof evaluateDocument>>) =>
  evaluateDocument(JSON.stringify(data), ...rest);
type Tail<T extends readonly unknown[]> = T extends readonly [unknown, ...infer R] ? R : never;

describe('the list of builds', () => {
  test('a build that cannot be read is listed as such, and one that takes too long for the pool stops nobody', async () => {
    const store = await theStore();
    await store.createBuild(
      { id: 'broken', name: 'Broken', document: '{"format":"zephyron-build"}' },
      Date.now(),
    );
    expect((await readyShelf()).find((e) => e.id === 'broken')?.known).toEqual({
      state: 'unreadable',
    });
    // Stored with the row: the list is read, nothing is worked out again.
    expect(
      JSON.parse((await store.listBuilds()).rows.find((r) => r.id === 'broken')?.summary ?? 'null'),
    ).toMatchObject({ byReader: { 'en metric': { state: 'unreadable' } } });
    expect((await buildFile('broken'))?.text).toBe('{"format":"zephyron-build"}');
    await store.binBuild('broken', 1);
    await store.removeBuild('broken');
    await expect(
      inPool(
        'evaluate',
        { text: JSON.stringify(desk), partLists: BARE_PART_LISTS, fixes: true, route: true },
        1,
      ),
    ).rejects.toBeInstanceOf(OverTimeError);
    // The thread that was stopped is replaced.
    expect(await inPool('summarise', { document: JSON.stringify(desk) }, 20_000)).toMatchObject({
      caseName: desk?.case?.name,
    });
  });

  test('a summary belongs to its revision: one that comes late is not kept', async () => {
    const store = await theStore();
    await store.createBuild(
      { id: 'moving', name: 'Moving', document: JSON.stringify(desk) },
      Date.now(),
    );
    await store.saveBuild(
      'moving',
      1,
      { name: 'Moving', document: JSON.stringify({ ...desk, name: 'Moved' }) },
      Date.now(),
    );
    await store.saveSummary('moving', 1, '{"version":1,"state":"too-large"}');
    expect((await store.listBuilds()).rows.find((r) => r.id === 'moving')?.summary).toBeNull();
    await store.binBuild('moving', 1);
    await store.removeBuild('moving');
  });
});

describe('the shelf', () => {
  test('has the demos with their verdicts and small loop lines', async () => {
    const entries = await readyShelf();
    expect(entries.map((e) => e.name).sort()).toEqual([
      'Dawn chorus desk',
      'Fenland flood tower',
      'Pocket planetarium',
    ]);
    const box = entries.find((e) => e.id === 'pocket-planetarium');
    expect(box?.known.state === 'ready' && box.known.summary.stages.materials.verdict).toBe(
      'fails',
    );
    expect(
      box?.known.state === 'ready' && box.known.summary.loops[0]?.map((s) => s.kind),
    ).toContain('radiator');
  });
});

describe('builds over the API', () => {
  test('come in, are changed on their revision, conflict, and go', async () => {
    const added = await addBuild(JSON.stringify({ ...desk, name: 'Mine' }));
    expect(added.status).toBe(201);
    const { id, revision } = added.body as { id: string; revision: number };
    expect(id).toMatch(/^mine-[0-9a-f]{8}$/);
    expect((await openBuild(id))?.design.name).toBe('Mine');
    expect((await put(id, { revision, document: { ...desk, name: 'Changed' } })).body).toEqual({
      revision: 2,
    });
    const stale = await put(id, { revision, document: { ...desk, name: 'Late' } });
    expect(stale).toMatchObject({
      status: 409,
      body: { revision: 2, document: { name: 'Changed' } },
    });
    expect((await dropBuild(id)).status).toBe(204);
    expect((await dropBuild(id)).status).toBe(404);
    expect(await openBuild(id)).toBeNull();
    // In the bin: told apart from one that never was, and back with its revision.
    expect((await put(id, { revision: 2, document: desk })).status).toBe(410);
    expect((await binEntries()).map((b) => b.id)).toEqual([id]);
    expect((await restoreFromBin('build', id)).status).toBe(204);
    expect((await openBuild(id))?.revision).toBe(2);
    await dropBuild(id);
    expect((await removeFromBin(id)).status).toBe(204);
    expect((await restoreFromBin('build', id)).status).toBe(404);
  });

  test.each([[null], [[]], [{}], [{ ...desk, version: 9 }], [{ ...desk, components: 'none' }]])(
    '%# a bad document is refused with 400 and paths',
    async (data) => {
      const answer = await addBuild(JSON.stringify(data));
      expect(answer.status).toBe(400);
      expect(JSON.stringify(answer.body)).not.toMatch(/\bat \S+ \(/);
      expect((answer.body as { troubles: unknown[] }).troubles.length).toBeGreaterThan(0);
    },
  );

  test('a save without a revision is refused', async () => {
    expect((await put('dawn-chorus-desk', { document: desk })).status).toBe(400);
    expect((await put('dawn-chorus-desk', null)).status).toBe(400);
    expect((await put('ghost', { revision: 1, document: desk })).status).toBe(404);
  });

  test('evaluate answers with reports or with what is wrong', async () => {
    const answer = await judge(desk, BARE_PART_LISTS);
    expect(answer.status).toBe(200);
    expect(await respond(answer).json()).toHaveProperty('reports.flow.links');
    expect((await judge({ format: 'zephyron-build', version: 1 }, BARE_PART_LISTS)).status).toBe(
      400,
    );
    expect(
      await judge(
        {
          format: 'zephyron-build',
          version: 1,
          components: Array.from({ length: 500 }, () => ({})),
        },
        BARE_PART_LISTS,
      ),
    ).toMatchObject({ status: 400, body: { troubles: [{ path: 'components' }] } });
  }, 60_000);
});

describe('a long task is watched', () => {
  const asked = (accept: string, signal?: AbortSignal): Request =>
    new Request('http://127.0.0.1/api/evaluate?route=1', {
      headers: { accept },
      ...(signal ? { signal } : {}),
    });
  const unrouted = { ...desk, layout: EMPTY_LAYOUT };
  const routing = (watch: Parameters<typeof evaluateDocument>[2]) =>
    judge(unrouted, BARE_PART_LISTS, { route: true, ...watch });

  test('lines tell how far the routing is; the last one is the answer', async () => {
    const response = await respondWatched(asked('application/x-ndjson'), routing);
    expect(response.headers.get('content-type')).toBe('application/x-ndjson');
    const lines = (await response.text())
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);
    const reported = lines.slice(0, -1).map((l) => l['routing'] as { done: number; of: number });
    expect(reported.length).toBeGreaterThan(1);
    const tubes = desk.loops.flatMap((l) => l.connections.filter((c) => c.by === 'tube'));
    for (const { done, of } of reported) {
      expect(of).toBe(tubes.length);
      expect(done).toBeLessThanOrEqual(of);
    }
    const last = lines.at(-1) as {
      status: number;
      body: { reports: { runs: { estimated: boolean }[] } };
    };
    expect(last.status).toBe(200);
    expect(last.body.reports.runs.every((r) => !r.estimated)).toBe(true);
  }, 60_000);

  test('without asking for lines the answer is one JSON; who goes away stops the task', async () => {
    const stop = new AbortController();
    const left = respondWatched(asked('application/json', stop.signal), routing);
    setTimeout(() => stop.abort(), 50);
    await expect(left).rejects.toThrow(/abort/i);
    const answered = await safely(() => left);
    expect(answered.status).toBe(499);
    const whole = await respondWatched(asked('application/json'), (watch) =>
      judge(desk, BARE_PART_LISTS, watch),
    );
    expect(await whole.json()).toHaveProperty('reports.flow');
  }, 60_000);
});

describe('bodies', () => {
  const post = (body: string, type = 'application/json'): Request =>
    new Request('http://127.0.0.1/api/builds', {
      method: 'POST',
      body,
      headers: { 'content-type': type },
    });

  test('JSON is read', async () => {
    expect(await readJson(post('{"a":1}'))).toEqual({ ok: true, data: { a: 1 } });
    expect(await readJson(post('{'))).toMatchObject({ ok: false, answer: { status: 400 } });
  });

  test.each([
    ['a=1', 'application/x-www-form-urlencoded', 415],
    [`"${'x'.repeat(LIMITS.bytes + 10)}"`, 'application/json', 413],
  ] as const)('%# is refused', async (body, type, status) => {
    const read = await readText(post(body, type));
    expect(read).toMatchObject({ ok: false, answer: { status } });
  });

  test('a fault inside shows nothing of its insides', async () => {
    const before = console.error;
    console.error = () => undefined;
    const response = await safely(() => Promise.reject(new Error('secret path /var/x')));
    console.error = before;
    expect(response.status).toBe(500);
    expect(await response.text()).not.toContain('secret');
  });
});

describe("parts of one's own", () => {
  const fan = { ...catalogued('fan', 'fan-wren-120-1200'), id: 'own-fan', name: 'My fan' };

  test('are kept, changed, given back and dropped', async () => {
    expect(await keep('own-fan', fan)).toEqual({ status: 200, body: { id: 'own-fan' } });
    expect(await keep('own-fan', { ...fan, name: 'My old fan' })).toMatchObject({ status: 200 });
    expect((await ownParts()).map((p) => p.name)).toEqual(['My old fan']);
    expect((await dropPart('own-fan')).status).toBe(204);
    expect((await dropPart('own-fan')).status).toBe(404);
    expect(await ownParts()).toEqual([]);
  });

  test.each([
    ['own-fan', { ...fan, power_W: 'lots' }, 400],
    ['other', fan, 400],
    ['fan-wren-120-1200', catalogued('fan', 'fan-wren-120-1200'), 409],
    ['own-fan', { kind: 'teapot' }, 400],
    ['own-fan', null, 400],
  ])('%# is refused', async (id, data, status) => {
    expect((await keep(id, data)).status).toBe(status);
  });

  test('one of the catalogue is taken out of use and brought back; a build that has it keeps it', async () => {
    const id = 'fan-wren-120-1200',
      ids = async (): Promise<string[]> => (await storesOffer()).map((p) => p.id);
    expect((await retire(id)).status).toBe(204);
    expect((await retire(id)).status).toBe(204);
    expect(await retiredParts()).toEqual([id]);
    expect(await ids()).not.toContain(id);
    expect((await judge(desk, await partListsNow())).status).toBe(200);
    expect((await restore(id)).status).toBe(204);
    expect((await restore(id)).status).toBe(404);
    expect(await ids()).toContain(id);
    expect((await retire('no-such-part')).status).toBe(404);
  });

  test("one of one's own out of use, dropped and kept again, is in use", async () => {
    await keep('own-fan', fan);
    await retire('own-fan');
    expect((await storesOffer()).some((p) => p.id === 'own-fan')).toBe(false);
    await dropPart('own-fan');
    await keep('own-fan', fan);
    expect((await storesOffer()).some((p) => p.id === 'own-fan')).toBe(true);
    await dropPart('own-fan');
  });

  test('parts looked at before they are kept: each says what is wrong, none is kept', async () => {
    const before = (await ownParts()).length,
      [own] = CATALOGUE.filter((p) => p.kind === 'fan');
    expect(
      await check([
        { ...own, id: 'own-a' },
        { ...own, id: 'own-b', fullSpeed_rpm: 'fast' },
        own,
        null,
      ]),
    ).toMatchObject({
      status: 200,
      body: [
        { ok: true },
        { ok: false, troubles: [{ path: 'fullSpeed_rpm' }] },
        { ok: false, troubles: [{ path: 'id' }] },
        { ok: false },
      ],
    });
    expect(await check({ id: 'x' })).toMatchObject({ status: 400 });
    expect(await check(Array.from({ length: 2001 }, () => 1))).toMatchObject({ status: 400 });
    expect((await ownParts()).length).toBe(before);
  });
});
