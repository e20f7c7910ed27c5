'use client';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { Engine, Running } from './client';
import type { JobInput, JobName, JobResult } from './jobs';

export interface Job<R> {
  /** The last answer; it stays while a newer one is on its way. */
  readonly result: R | null;
  /** Whether the answer is for what is asked now. */
  readonly fresh: boolean;
  /** What it would answer now, while it works; null where it has nothing yet. */
  readonly soFar: R | null;
  /** Whether the answer is what it had when it was stopped. */
  readonly isPartial: boolean;
  /** Share done while it works, 0 to 1; null when it rests. */
  readonly progress: number | null;
  readonly stopped: boolean;
  /** Ends it; what it had so far is then its answer. */
  stop(): void;
  /** Takes it up again from its start. */
  retry(): void;
}

/** An answer, or what was had when it was stopped, by what was asked. */
interface Answer<R> {
  readonly key: string;
  readonly result: R;
  readonly isPartial?: boolean;
}

/** Waits this long for the hand to rest before asking again, ms. */
const REST_MS = 250;

/** What tells one asking of a job from another. */
export const jobKey = (version: string, input: unknown): string =>
  `${version} ${JSON.stringify(input)}`;

/**
 * A job of the engine, asked again whenever its input or the version of what it reads of the design
 * changes. `version` null asks for nothing. What the engine knows is there at once.
 */
export function useEngineJob<J extends JobName>(
  engine: Engine,
  job: J,
  input: JobInput<J>,
  version: string | null,
): Job<JobResult<J>> {
  const key = version === null ? null : jobKey(version, input);
  const [answer, setAnswer] = useState<Answer<JobResult<J>> | null>(() => {
    const kept = key === null ? null : engine.kept(job, key);
    return key === null || kept === null ? null : { key, result: kept };
  });
  const [soFar, setSoFar] = useState<Answer<JobResult<J>> | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [stopped, setStopped] = useState<string | null>(null);
  const running = useRef<Running<J> | null>(null);
  const asked = useRef(input);
  const isFirst = useRef(true);
  useEffect(() => {
    asked.current = input;
  });
  const done = answer?.key;
  useEffect(() => {
    if (key === null || done === key || stopped === key) return undefined;
    let live = true;
    // What a page asks as it opens waits for no hand.
    const rest_ms = isFirst.current ? 0 : REST_MS;
    const timer = setTimeout(() => {
      isFirst.current = false;
      setProgress(0);
      const run = engine.run(job, asked.current, (share, had) => {
        if (!live) return;
        startTransition(() => {
          setProgress(share);
          if (had !== undefined) setSoFar({ key, result: had });
        });
      });
      running.current = run;
      run.result.then(
        (result) => {
          if (!live) return;
          setProgress(null);
          if (result === null) {
            setStopped(key);
            return;
          }
          engine.keep(job, key, result);
          setAnswer({ key, result });
        },
        () => {
          if (!live) return;
          setProgress(null);
          setStopped(key);
        },
      );
    }, rest_ms);
    return () => {
      live = false;
      clearTimeout(timer);
      running.current?.stop();
      running.current = null;
      setProgress(null);
      setSoFar(null);
    };
  }, [engine, job, key, done, stopped]);
  return {
    result: answer?.result ?? null,
    fresh: answer !== null && answer.key === key,
    soFar: soFar !== null && soFar.key === key ? soFar.result : null,
    isPartial: answer?.key === key && answer?.isPartial === true,
    progress,
    stopped: key !== null && stopped === key,
    stop: () => {
      if (soFar !== null && soFar.key === key) setAnswer({ ...soFar, isPartial: true });
      else setStopped(key);
    },
    retry: () => {
      setAnswer((now) => (now?.isPartial === true ? null : now));
      setStopped(null);
    },
  };
}
