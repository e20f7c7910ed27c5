'use client';
import { useCallback, useEffect, useState } from 'react';
import type { BenchFault, Channel, Controls, Moment } from '@/devices/types';
import { msg } from '@/core/messages';

interface Connected {
  readonly standIn: boolean;
  /** Machine seconds a second. */
  readonly pace: number;
  /** Of stand-ins: the build they are; null where they are none yet. */
  readonly machine?: string | null;
  readonly channels: readonly Channel[];
  readonly faults: readonly BenchFault[];
}

/** Devices as they answer now. */
export interface Devices {
  /** Null while nobody answers, with `trouble` saying why. */
  readonly connected: Connected | null;
  readonly trouble: string | null;
  readonly moment: Moment | null;
  /** What was measured since the last change, the last minutes of it, oldest first. */
  readonly past: readonly Moment[];
  /** Gives the stand-ins a machine: a build as text. */
  run(build: string): Promise<void>;
  set(controls: Controls): Promise<void>;
  befall(faults: readonly BenchFault[]): Promise<void>;
}

/** Whether what measures is this build: a real device is whatever it hangs on. */
export const isMachine = ({ connected }: Devices, name: string): boolean =>
  connected !== null && measures(connected, name);
const measures = ({ standIn, machine }: Connected, name: string): boolean =>
  !standIn || machine === name;

/** Where nobody answers, it is asked again after this, ms. */
const LOOK_AGAIN_MS = 5000;

/**
 * Listens to the devices for as long as what shows them is there; to stand-ins only while they are
 * the build of this name.
 */
export function useDevices(build: string): Devices {
  const [connected, setConnected] = useState<Connected | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [past, setPast] = useState<readonly Moment[]>([]);
  const [moment, setMoment] = useState<Moment | null>(null);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let live = true;
    let again: ReturnType<typeof setTimeout> | undefined;
    const look = (): void => {
      call('devices').then(
        (answer) => {
          if (!live) return;
          const { none } = answer as { readonly none?: string };
          setTrouble(none ?? null);
          setConnected(none === undefined ? (answer as Connected) : null);
          if (none !== undefined) again = setTimeout(look, LOOK_AGAIN_MS);
        },
        (error: Error) => live && setTrouble(error.message),
      );
    };
    look();
    return () => {
      live = false;
      clearTimeout(again);
    };
  }, [asked]);
  const isMeasuring =
    connected !== null && connected.channels.length > 0 && measures(connected, build);
  useEffect(() => {
    if (!isMeasuring) return undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    const source = new EventSource('/api/devices/events');
    source.addEventListener('moment', (event: MessageEvent<string>) => {
      const now = JSON.parse(event.data) as Moment;
      setMoment(now);
      setPast((before) => [...before.filter((m) => m.time_s > now.time_s - KEPT_S), now]);
      setTrouble(null);
    });
    source.onerror = () => {
      setTrouble(msg`The devices do not answer; trying again.`);
      // Refused, not cut off: the browser does not try again by itself.
      if (source.readyState === EventSource.CLOSED)
        again = setTimeout(() => setAsked((n) => n + 1), LOOK_AGAIN_MS);
    };
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, [isMeasuring, asked]);
  const tell = useCallback(async (what: string, body: string): Promise<void> => {
    try {
      await call(what, body);
      setTrouble(null);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : msg`The devices do not answer.`);
    }
  }, []);
  const run = useCallback(
    async (build: string) => {
      await tell('machine', build);
      setPast([]);
      setMoment(null);
      setAsked((n) => n + 1);
    },
    [tell],
  );
  // What was measured before says nothing of the state that comes: settling is told anew.
  const change = useCallback(
    async (what: string, body: object) => {
      await tell(what, JSON.stringify(body));
      setPast([]);
    },
    [tell],
  );
  const set = useCallback((controls: Controls) => change('controls', controls), [change]);
  const befall = useCallback((faults: readonly BenchFault[]) => change('faults', faults), [change]);
  return { connected, trouble, moment, past, run, set, befall };
}

async function call(what: string, body?: string): Promise<unknown> {
  const response = await fetch(`/api/devices/${what}`, {
    ...(body === undefined
      ? {}
      : { method: 'POST', body, headers: { 'content-type': 'application/json' } }),
  });
  const answer = (await response.json()) as { readonly error?: string };
  if (!response.ok) throw new Error(answer.error ?? 'The devices do not answer.');
  return answer;
}

/** Coolant that moved less than this over the last minutes of the machine's time has settled, K. */
const STILL_K = 0.4;
const STILL_S = 600;
/** So much is kept to see it by. */
const KEPT_S = 1.1 * STILL_S;

/** Whether every coolant has come to rest. */
export function isSettled(past: readonly Moment[]): boolean {
  const last = past.at(-1);
  if (!last) return false;
  const window = past.filter((m) => m.time_s >= last.time_s - STILL_S);
  if ((window[0]?.time_s ?? Infinity) > last.time_s - STILL_S * 0.8) return false;
  const half = window.length / 2;
  return Object.keys(last.values)
    .filter((k) => k.startsWith('coolant/'))
    .every((k) => {
      const mean = (list: readonly Moment[]): number =>
        list.reduce((s, m) => s + (m.values[k] ?? NaN), 0) / list.length;
      return Math.abs(mean(window.slice(0, half)) - mean(window.slice(half))) < STILL_K / 2;
    });
}

/** The mean of the last minutes: what is taken as the reading. */
export function meanOf(past: readonly Moment[]): Readonly<Record<string, number>> {
  const last = past.at(-1);
  if (!last) return {};
  const window = past.filter((m) => m.time_s >= last.time_s - STILL_S / 2);
  return Object.fromEntries(
    Object.keys(last.values).map((k) => [
      k,
      window.reduce((s, m) => s + (m.values[k] ?? NaN), 0) / window.length,
    ]),
  );
}
