/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, render } from '@testing-library/react';
import type { Engine } from './client';
import { useEngineJob, type Job } from './useEngineJob';

type Heard = { readonly found: string | null };

/** An engine that is told by hand what its jobs come to. */
function engineByHand() {
  const asked: {
    tell(share: number, soFar?: Heard): void;
    settle(result: Heard | null): void;
    isStopped: boolean;
  }[] = [];
  const kept = new Map<string, unknown>();
  const engine = {
    kept: (_: string, key: string) => kept.get(key) ?? null,
    keep: (_: string, key: string, result: unknown) => void kept.set(key, result),
    run: (_: string, __: unknown, tell: (share: number, soFar?: Heard) => void) => {
      let settle: (result: Heard | null) => void = () => undefined;
      const result = new Promise<Heard | null>((resolve) => (settle = resolve));
      const job = { tell, settle, isStopped: false };
      asked.push(job);
      return { result, stop: () => void (job.isStopped = true) };
    },
  } as unknown as Engine;
  return { engine, asked, kept };
}

function shown(engine: Engine): { job: Job<Heard> } {
  const seen = {} as { job: Job<Heard> };
  function Spy() {
    seen.job = useEngineJob(engine, 'layout', null, '1') as unknown as Job<Heard>;
    return null;
  }
  render(<Spy />);
  return seen;
}
const soon = (): Promise<void> =>
  act(() => new Promise<void>((resolve) => setTimeout(resolve, 300)));

describe('a job that has something before its end', () => {
  test('tells it while it works; the answer takes its place and is kept', async () => {
    const { engine, asked, kept } = engineByHand();
    const seen = shown(engine);
    await soon();
    act(() => asked[0]?.tell(0.3, { found: 'first' }));
    expect(seen.job).toMatchObject({ progress: 0.3, soFar: { found: 'first' }, result: null });
    act(() => asked[0]?.tell(0.5));
    expect(seen.job.soFar).toEqual({ found: 'first' });
    await act(async () => asked[0]?.settle({ found: 'best' }));
    expect(seen.job).toMatchObject({ fresh: true, isPartial: false, soFar: null, progress: null });
    expect(seen.job.result).toEqual({ found: 'best' });
    expect([...kept.values()]).toEqual([{ found: 'best' }]);
  });

  test('stopped, it is the answer, is not kept for others, and can be looked for further', async () => {
    const { engine, asked, kept } = engineByHand();
    const seen = shown(engine);
    await soon();
    act(() => asked[0]?.tell(0.3, { found: 'first' }));
    act(() => seen.job.stop());
    expect(asked[0]?.isStopped).toBe(true);
    expect(seen.job).toMatchObject({ fresh: true, isPartial: true, stopped: false });
    expect(seen.job.result).toEqual({ found: 'first' });
    expect(kept.size).toBe(0);
    act(() => seen.job.retry());
    await soon();
    expect(asked.length).toBe(2);
    await act(async () => asked[1]?.settle({ found: null }));
    expect(seen.job).toMatchObject({ fresh: true, isPartial: false, result: { found: null } });
  });

  test('stopped with nothing yet, it is stopped', async () => {
    const { engine, asked } = engineByHand();
    const seen = shown(engine);
    await soon();
    act(() => asked[0]?.tell(0.1));
    act(() => seen.job.stop());
    expect(seen.job).toMatchObject({ stopped: true, fresh: false, result: null });
    act(() => seen.job.retry());
    await soon();
    expect(asked.length).toBe(2);
  });
});
