import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { demoBuild } from '@/catalogue';
import type { Build } from '@/core/design';
import { createBench } from './editor';

const desk = demoBuild('dawn-chorus-desk') as Build;
let answers: { status: number; body: unknown }[];
let sent: { revision: number; document: Build }[];

beforeEach(() => {
  jest.useFakeTimers();
  answers = [];
  sent = [];
  globalThis.fetch = ((_: string, init: { body: string }) => {
    sent.push(JSON.parse(init.body) as (typeof sent)[number]);
    const next = answers.shift() ?? {
      status: 200,
      body: { revision: (sent[sent.length - 1]?.revision ?? 0) + 1 },
    };
    return next.status === 0
      ? Promise.reject(new Error('no network'))
      : Promise.resolve(new Response(JSON.stringify(next.body), { status: next.status }));
  }) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
});

const settle = async (ms: number): Promise<void> => {
  await jest.advanceTimersByTimeAsync(ms);
};

describe('an open build', () => {
  test('saves within a second, on the revision it was made on', async () => {
    const bench = createBench('desk', 7, desk);
    bench.getState().commit('rename', { do: 'build.rename', name: 'Other' });
    expect(bench.getState().save).toBe('unsaved');
    await settle(1000);
    expect(sent).toMatchObject([{ revision: 7, document: { name: 'Other' } }]);
    expect(bench.getState()).toMatchObject({ save: 'saved', revision: 8 });
  });

  test('undo and redo, to the first edit', () => {
    const bench = createBench('desk', 1, desk);
    bench.getState().commit('a', { do: 'build.rename', name: 'A' });
    bench.getState().commit('b', { do: 'fans.speed', speed_rpm: 800 });
    bench.getState().commit('c', { do: 'component.remove', component: 'card-block' });
    for (let i = 0; i < 5; i += 1) bench.getState().undo();
    expect(bench.getState().build).toEqual(desk);
    for (let i = 0; i < 5; i += 1) bench.getState().redo();
    expect(bench.getState().build.name).toBe('A');
    expect(bench.getState().build.components.some((i) => i.id === 'card-block')).toBe(false);
  });

  test('a dragged handle is one step', () => {
    const bench = createBench('desk', 1, desk);
    for (let rpm = 800; rpm < 900; rpm += 10)
      bench.getState().commit('fans', { do: 'fans.speed', speed_rpm: rpm }, 'fans.speed');
    expect(bench.getState().past.length).toBe(1);
    bench.getState().undo();
    expect(bench.getState().build).toEqual(desk);
  });

  test('a new edit after undo forgets what was undone', () => {
    const bench = createBench('desk', 1, desk);
    bench.getState().commit('a', { do: 'build.rename', name: 'A' });
    bench.getState().undo();
    bench.getState().commit('b', { do: 'build.rename', name: 'B' });
    expect(bench.getState().future).toEqual([]);
  });

  test('an edit of something that is not there says so and changes nothing', () => {
    const bench = createBench('desk', 1, desk);
    bench.getState().commit('x', { do: 'component.remove', component: 'ghost' });
    expect(bench.getState().said).toContain('ghost');
    expect(bench.getState().build).toBe(desk);
  });

  test('a stale revision brings both versions, and either may be chosen', async () => {
    const theirs = { ...desk, name: 'Theirs' };
    answers.push({ status: 409, body: { revision: 9, document: theirs } });
    const bench = createBench('desk', 7, desk);
    bench.getState().commit('mine', { do: 'build.rename', name: 'Mine' });
    await settle(1000);
    expect(bench.getState().conflict).toMatchObject({ revision: 9, build: { name: 'Theirs' } });
    expect(bench.getState().build.name).toBe('Mine');
    bench.getState().keepMine();
    await settle(1000);
    expect(sent[1]).toMatchObject({ revision: 9, document: { name: 'Mine' } });

    answers.push({ status: 409, body: { revision: 12, document: theirs } });
    bench.getState().commit('again', { do: 'build.rename', name: 'Mine again' });
    await settle(1000);
    bench.getState().takeTheirs();
    expect(bench.getState()).toMatchObject({
      revision: 12,
      build: { name: 'Theirs' },
      save: 'saved',
    });
  });

  test('without a network it keeps trying', async () => {
    answers.push({ status: 0, body: null }, { status: 503, body: {} });
    const bench = createBench('desk', 1, desk);
    bench.getState().commit('a', { do: 'build.rename', name: 'A' });
    await settle(600);
    expect(bench.getState().save).toBe('offline');
    await settle(9000);
    expect(bench.getState().save).toBe('saved');
    expect(sent.length).toBe(3);
  });

  test('an unsaved journal from before is taken up and sent', async () => {
    const bench = createBench('desk', 4, desk);
    bench.getState().restore({
      build: { ...desk, name: 'From the journal' },
      revision: 4,
      dirty: true,
      past: [],
      future: [],
    });
    await settle(100);
    expect(sent).toMatchObject([{ revision: 4, document: { name: 'From the journal' } }]);
  });

  test('a journal newer than the page (browser back) is taken as it is, without a save', async () => {
    const bench = createBench('desk', 1, desk);
    bench.getState().restore({
      build: { ...desk, name: 'Saved since' },
      revision: 3,
      dirty: false,
      past: [],
      future: [],
    });
    await settle(2000);
    expect(bench.getState()).toMatchObject({
      revision: 3,
      build: { name: 'Saved since' },
      save: 'saved',
      conflict: null,
    });
    expect(sent).toEqual([]);
  });

  test('a window closed before the answer came: the server holds what was sent, so nobody else wrote', async () => {
    const onServer = { ...desk, name: 'Sent' };
    const bench = createBench('desk', 5, onServer);
    bench.getState().restore({
      build: { ...desk, name: 'One further' },
      revision: 4,
      dirty: true,
      past: [],
      future: [],
      sent: { ...desk, name: 'Sent' },
    });
    expect(bench.getState()).toMatchObject({
      conflict: null,
      revision: 5,
      build: { name: 'One further' },
    });
    await settle(1000);
    expect(sent).toMatchObject([{ revision: 5, document: { name: 'One further' } }]);
  });

  test('an answer lost on the way: the next try meets its own words and goes on', async () => {
    const bench = createBench('desk', 4, desk);
    answers = [{ status: 0, body: null }];
    bench.getState().commit('a', { do: 'build.rename', name: 'A' });
    await settle(1000);
    answers = [{ status: 409, body: { revision: 5, document: { ...desk, name: 'A' } } }];
    bench.getState().commit('b', { do: 'build.rename', name: 'B' });
    await settle(8000);
    expect(bench.getState()).toMatchObject({ conflict: null, save: 'saved', build: { name: 'B' } });
    expect(sent.at(-1)).toMatchObject({ revision: 5, document: { name: 'B' } });
  });

  test('an unsaved journal on an older revision becomes a choice', () => {
    const bench = createBench('desk', 6, { ...desk, name: 'On the server' });
    bench.getState().restore({
      build: { ...desk, name: 'From the journal' },
      revision: 4,
      dirty: true,
      past: [],
      future: [],
    });
    expect(bench.getState().conflict).toMatchObject({
      revision: 6,
      build: { name: 'On the server' },
    });
    expect(bench.getState().build.name).toBe('From the journal');
  });
});
