'use client';
import { useCallback, useEffect, useState } from 'react';
import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { msg } from '@/core/messages';
import { smallPhoto } from './takePhoto';

/** A photo of a step; one with a picture of its own has not reached the server yet. */
export interface StepPhoto {
  readonly id: string;
  readonly step: string;
  readonly takenAt: number;
  readonly address: string;
  readonly waiting: boolean;
}

/** A photo that waits in this browser until the server has it. */
interface Waiting {
  readonly build: string;
  readonly id: string;
  readonly step: string;
  readonly on: string;
  readonly picture: Blob;
}

let held: UseStore | null = null;
const store = (): UseStore => (held ??= createStore('zephyron-photos', 'waiting'));
/** The server would refuse it again: its answer, not its absence. */
const REFUSED = new Set([400, 404, 409, 413, 415]);

export interface Photos {
  readonly all: readonly StepPhoto[];
  /** Why the last one was not taken; null where it was. */
  readonly trouble: string | null;
  take(step: string, file: File): void;
  remove(photo: StepPhoto): void;
  bringBack(id: string): void;
}

/**
 * Photos of a build: those the server keeps, and those that wait here for it. A photo is kept in
 * this browser before it is sent, and let go of only when the server has it.
 */
export function usePhotos(build: string): Photos {
  const [kept, setKept] = useState<readonly StepPhoto[]>([]);
  const [waiting, setWaiting] = useState<readonly StepPhoto[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const at = `/api/builds/${encodeURIComponent(build)}/photos`;
  const refresh = useCallback(async (): Promise<void> => {
    try {
      const answer = await fetch(at);
      if (answer.ok) {
        const list = (await answer.json()) as readonly Omit<StepPhoto, 'address' | 'waiting'>[];
        setKept(list.map((p) => ({ ...p, address: `${at}/${p.id}`, waiting: false })));
      }
    } catch {
      // Away: what is shown stays.
    }
    setWaiting(await waitingOf(build));
  }, [at, build]);
  const send = useCallback(async (): Promise<void> => {
    for (const photo of await allWaiting()) {
      const said = await sent(photo);
      if (said !== null) setTrouble(said);
    }
    await refresh();
  }, [refresh]);
  useEffect(() => {
    const again = (): void => void send();
    const first = setTimeout(again, 0);
    window.addEventListener('online', again);
    return () => {
      clearTimeout(first);
      window.removeEventListener('online', again);
    };
  }, [send]);
  return {
    all: [...kept, ...waiting.filter((w) => !kept.some((k) => k.id === w.id))],
    trouble,
    take: (step, file) => {
      setTrouble(null);
      void (async () => {
        try {
          const picture = await smallPhoto(file);
          const photo: Waiting = {
            build,
            id: crypto.randomUUID(),
            step,
            on: new Date().toISOString(),
            picture,
          };
          await set(photo.id, photo, store());
          await send();
        } catch (error) {
          setTrouble(error instanceof Error ? error.message : String(error));
        }
      })();
    },
    remove: (photo) =>
      void (async () => {
        if (photo.waiting) await del(photo.id, store());
        else await fetch(photo.address, { method: 'DELETE' }).catch(() => setTrouble(away()));
        await refresh();
      })(),
    bringBack: (id) =>
      void (async () => {
        await fetch(`${at}/${id}`, { method: 'POST' }).catch(() => setTrouble(away()));
        await refresh();
      })(),
  };
}

const away = () => msg`The server does not answer: nothing was changed.`;

async function allWaiting(): Promise<readonly Waiting[]> {
  try {
    return (await entries<string, Waiting>(store())).map(([, photo]) => photo);
  } catch {
    return [];
  }
}

const waitingOf = async (build: string): Promise<readonly StepPhoto[]> =>
  (await allWaiting())
    .filter((photo) => photo.build === build)
    .map(({ id, step, on, picture }) => ({
      id,
      step,
      takenAt: Date.parse(on),
      address: URL.createObjectURL(picture),
      waiting: true,
    }));

/** Sends a photo and lets go of it; says why where the server will not have it. */
async function sent({ build, id, step, on, picture }: Waiting): Promise<string | null> {
  const query = new URLSearchParams({ step, on });
  try {
    const answer = await fetch(
      `/api/builds/${encodeURIComponent(build)}/photos/${id}?${query.toString()}`,
      { method: 'PUT', headers: { 'content-type': picture.type }, body: picture },
    );
    if (answer.ok) await del(id, store());
    else if (REFUSED.has(answer.status)) {
      const { error } = (await answer.json()) as { readonly error: string };
      return msg`${error} The photo stays in this browser.`;
    }
  } catch {
    // Away: it waits.
  }
  return null;
}
