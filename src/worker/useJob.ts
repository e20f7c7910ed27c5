'use client';
import { useEffect, useRef, useState } from 'react';

export interface Job<R> {
  /** The last answer; it stays while a newer one is on its way. */
  readonly result: R | null;
  /** Whether the answer is for what is asked now. */
  readonly fresh: boolean;
  /** Share done while it works, 0–1; null when it rests. */
  readonly progress: number | null;
  readonly stopped: boolean;
  stop(): void;
  again(): void;
}

/** Waits this long for the hand to rest before asking again, ms. */
const REST_MS = 120;

/** Starts the work for what is asked and says how far it is; gives the worker, to be ended, and its answer. */
export type Start<R> = (
  key: string,
  tell: (share: number) => void,
) => { readonly worker: Worker; readonly answer: Promise<R | null> };

/** Work off the main thread, asked anew whenever `key` changes; stopping ends the worker. `start` must not change. */
export function useJob<R>(key: string | null, start: Start<R>): Job<R> {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly result: R } | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [stopped, setStopped] = useState<string | null>(null);
  const raw = useRef<Worker | null>(null);
  const end = (): void => {
    raw.current?.terminate();
    raw.current = null;
    setProgress(null);
  };
  const done = answer?.key;
  useEffect(() => {
    if (key === null || done === key || stopped === key) return undefined;
    const timer = setTimeout(() => {
      const { worker, answer: coming } = start(key, (share) => {
        if (raw.current === worker) setProgress(share);
      });
      raw.current = worker;
      setProgress(0);
      coming.then(
        (result) => {
          if (raw.current === worker && result !== null) {
            setAnswer({ key, result });
            end();
          }
        },
        () => {
          if (raw.current === worker) {
            end();
            setStopped(key);
          }
        },
      );
    }, REST_MS);
    return () => {
      clearTimeout(timer);
      end();
    };
  }, [key, done, stopped, start]);
  return {
    result: answer?.result ?? null,
    fresh: answer !== null && answer.key === key,
    progress,
    stopped: key !== null && stopped === key,
    stop: () => {
      end();
      setStopped(key);
    },
    again: () => setStopped(null),
  };
}
