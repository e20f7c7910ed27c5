'use client';
import { useMemo } from 'react';
import { offered } from '@/catalogue';
import type { Part, PartKind, PartOf } from '@/core/components';
import { useOwnShelves } from './usePartLists';

/** What is offered to a build, of one kind or of all. */
export function useOffer(): readonly Part[];
export function useOffer<K extends PartKind>(kind: K): readonly PartOf<K>[];
export function useOffer(kind?: PartKind): readonly Part[] {
  const partLists = useOwnShelves();
  return useMemo(() => {
    const offer = offered(partLists);
    return kind ? offer.filter((p) => p.kind === kind) : offer;
  }, [partLists, kind]);
}
