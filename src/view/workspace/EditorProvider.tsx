'use client';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { Build } from '@/core/design';
import { useShelves } from '@/view/shared';
import { createBench, type Bench, type BenchState } from './editor';
import { readJournal } from './outbox';

const Context = createContext<Bench | null>(null);

/** Opens a build for the pages below it, and takes up what this browser still holds of it. */
export function BenchProvider({
  id,
  revision,
  build,
  children,
}: {
  readonly id: string;
  readonly revision: number;
  readonly build: Build;
  readonly children: ReactNode;
}) {
  const [bench] = useState(() => createBench(id, revision, build));
  useEffect(() => {
    let live = true;
    void readJournal(id).then((entry) => {
      if (!live || !entry || bench.getState().past.length > 0) return;
      // A page kept by the browser's back button may be older than what was saved from here since.
      if (entry.dirty || entry.revision >= revision) bench.getState().restore(entry);
    });
    return () => {
      live = false;
    };
  }, [bench, id, revision]);
  useEffect(() => {
    useShelves.getState().load();
    return useShelves.subscribe((now, was) => {
      if (now.offer !== was.offer) bench.getState().rethink();
    });
  }, [bench]);
  useEffect(() => {
    const warn = (e: BeforeUnloadEvent): void => {
      if (bench.getState().save === 'refused') e.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [bench]);
  return <Context.Provider value={bench}>{children}</Context.Provider>;
}

export function useBench<T>(select: (state: BenchState) => T): T {
  const bench = useContext(Context);
  if (!bench) throw new Error('useBench outside a BenchProvider');
  return useStore(bench, select);
}
