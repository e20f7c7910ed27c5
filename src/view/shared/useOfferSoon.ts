'use client';
import { useEffect, useMemo } from 'react';
import { create } from 'zustand';
import type { PartKind, PartOf } from '@/core/components';
import type { PartLists } from '@/catalogue';
import { atFirstTouch } from './atFirstTouch';
import { useOwnShelves } from './usePartLists';

type Offered = typeof import('@/catalogue').offered;

const useCatalogueSoon = create<{ readonly offered: Offered | null; readonly asked: boolean }>(
  () => ({ offered: null, asked: false }),
);

/** Loads the catalogue at the first touch of the page, once for all that wait for it. */
function wait(): void {
  if (useCatalogueSoon.getState().asked) return;
  useCatalogueSoon.setState({ asked: true });
  atFirstTouch(() => {
    import('@/catalogue').then(
      ({ offered }) => useCatalogueSoon.setState({ offered }),
      // The server is away: asked again by whoever waits next.
      () => useCatalogueSoon.setState({ asked: false }),
    );
  });
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
