'use client';
import { useEffect, useRef, useState } from 'react';
import { proxy, wrap } from 'comlink';
import type { Build } from '@/core/build';
import type { PumpChoice } from '@/core/choice';
import type { PumpsWorker } from './pumps.worker';

export interface PumpChoices {
  readonly rows: readonly PumpChoice[];
  /** Share done while it works, 0–1; null when it rests. */
  readonly progress: number | null;
  readonly stopped: boolean;
  stop(): void;
  again(): void;
}

/** Waits this long for the hand to rest before asking again, ms. */
const REST_MS = 120;

/** Pumps of the Stores in a loop, worked out in a worker; the old rows stay until the new are there; stopping ends the worker. */
export function usePumpChoices(build: Build, loop: string): PumpChoices {
  const [rows, setRows] = useState<{ readonly key: string; readonly rows: readonly PumpChoice[] }>({ key: '', rows: [] });
  const [progress, setProgress] = useState<number | null>(null);
  const [stopped, setStopped] = useState<string | null>(null);
  const raw = useRef<Worker | null>(null);
  const key = `${loop} ${withoutPumpSpeeds(build)}`;
  const end = (): void => { raw.current?.terminate(); raw.current = null; setProgress(null); };
  useEffect(() => {
    if (rows.key === key || stopped === key) return undefined;
    const timer = setTimeout(() => {
      const worker = new Worker(new URL('./pumps.worker.ts', import.meta.url), { type: 'module' });
      raw.current = worker;
      setProgress(0);
      wrap<PumpsWorker>(worker).choices(JSON.parse(key.slice(loop.length + 1)) as Build, loop, proxy((done: number, of: number) => { if (raw.current === worker) setProgress(done / of); }))
        .then((found) => { if (raw.current === worker) { setRows({ key, rows: found }); end(); } }, () => undefined);
    }, REST_MS);
    return () => { clearTimeout(timer); end(); };
  }, [key, loop, rows.key, stopped]);
  return { rows: rows.rows, progress, stopped: stopped === key, stop: () => { end(); setStopped(key); }, again: () => setStopped(null) };
}

/** The chooser looks for speeds itself, so the present one must not ask anew. */
function withoutPumpSpeeds(build: Build): string {
  return JSON.stringify({ ...build, name: '', items: build.items.map((i) => (i.part.kind === 'pump' ? { ...i, settings: { ...i.settings, speed_rpm: i.part.fullSpeed_rpm } } : i)) });
}
