'use client';
import { useEffect, useMemo } from 'react';
import { create } from 'zustand';
import type { PartKind, PartOf } from '@/core/components';
import type { PartLists } from '@/catalogue';
import { useOwnShelves } from './usePartLists';

type Offered = typeof import('@/catalogue').offered;

/** The catalogue is there before a hand has crossed the page; without a hand after this, ms. */
const LONGEST_MS = 5000;
const TOUCHES = ['pointermove', 'pointerdown', 'keydown', 'focusin'] as const;

const useCatalogueSoon = create<{ readonly offered: Offered | null; readonly asked: boolean }>(
  () => ({ offered: null, asked: false }),
);

/** Loads the catalogue at the first touch of the page, once for all that wait for it. */
function wait(): void {
  if (useCatalogueSoon.getState().asked) return;
  useCatalogueSoon.setState({ asked: true });
  const load = (): void => {
    clearTimeout(timer);
    for (const touch of TOUCHES) window.removeEventListener(touch, load, true);
    import('@/catalogue').then(
      ({ offered }) => useCatalogueSoon.setState({ offered }),
      // The server is away: asked again by whoever waits next.
      () => useCatalogueSoon.setState({ asked: false }),
    );
  };
  const timer = setTimeout(load, LONGEST_MS);
  for (const touch of TOUCHES) window.addEventListener(touch, load, true);
}

const offeredOf = <K extends PartKind>(
  offered: Offered | null,
  partLists: PartLists,
  kind: K,
): readonly PartOf<K>[] =>
  (offered?.(partLists) ?? []).filter((p): p is PartOf<K> => p.kind === kind);

/**
 * What is offered of one kind, for the lists of a stage that is open anyway: nothing until the
 * catalogue is there, which the page does not wait for.
 */
export function useOfferSoon<K extends PartKind>(kind: K): readonly PartOf<K>[] {
  const partLists = useOwnShelves();
  const offered = useCatalogueSoon((s) => s.offered);
  useEffect(wait, []);
  return useMemo(() => offeredOf(offered, partLists, kind), [offered, partLists, kind]);
}
