'use client';
import { useEffect, useRef, useState } from 'react';
import { wrap, type Remote } from 'comlink';
import type { Build } from '@/core/build';
import type { CoolingCurve } from '@/core/heat';
import type { CurvesWorker } from './curves.worker';

export interface Curves {
  readonly curves: readonly CoolingCurve[];
  /** True while newer ones are on their way. */ readonly stale: boolean;
}

/** Waits this long for the hand to rest before asking again, ms. */
const REST_MS = 60;

/** The curves of a build, computed in a worker; the old ones stay, marked stale, until the new are there. */
export function useCurves(build: Build): Curves {
  const worker = useRef<{ raw: Worker; api: Remote<CurvesWorker> } | null>(null);
  const [state, setState] = useState<{
    readonly key: string;
    readonly curves: readonly CoolingCurve[];
  }>({ key: '', curves: [] });
  const asked = useRef(0);
  useEffect(() => {
    const raw = new Worker(new URL('./curves.worker.ts', import.meta.url), { type: 'module' });
    worker.current = { raw, api: wrap<CurvesWorker>(raw) };
    return () => {
      raw.terminate();
      worker.current = null;
    };
  }, []);
  const key = withoutFanSpeeds(build);
  useEffect(() => {
    const mine = (asked.current += 1);
    const timer = setTimeout(() => {
      worker.current?.api.curves(JSON.parse(key) as Build).then(
        (curves) => {
          if (mine === asked.current) setState({ key, curves });
        },
        () => undefined,
      );
    }, REST_MS);
    return () => clearTimeout(timer);
  }, [key]);
  return { curves: state.curves, stale: state.key !== key };
}

/** The curves run over all fan speeds, so the present one must not ask for new ones. */
function withoutFanSpeeds(build: Build): string {
  return JSON.stringify({
    ...build,
    name: '',
    items: build.items.map((i) =>
      i.part.kind === 'fan'
        ? { ...i, settings: { ...i.settings, speed_rpm: i.part.fullSpeed_rpm } }
        : i,
    ),
  });
}
