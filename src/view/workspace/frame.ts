'use client';
import { useEffect, useRef } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { VIEW_NAMES, type View } from '@/core/elevation';
import { msg, worded } from '@/core/messages';

/** How the case is looked at, on every stage that shows it: in space, or flat from one side. */
const IN_SPACE = worded(
  () => ({ space: msg`in space`, section: msg`section`, exploded: msg`exploded` }) as const,
);
export type SpaceView = keyof typeof IN_SPACE;
export type CaseView = SpaceView | View;
const NAMES: Readonly<Record<CaseView, string>> = worded(() => ({ ...IN_SPACE, ...VIEW_NAMES }));
export const CASE_VIEWS = worded(() =>
  (Object.keys(NAMES) as CaseView[]).map((value) => ({ value, label: NAMES[value] })),
);
const isCaseView = (text: unknown): text is CaseView => typeof text === 'string' && text in NAMES;
export const isInSpace = (view: string): view is SpaceView => view in IN_SPACE;

/** How a person likes the page laid out: kept in their browser. */
interface Frame {
  /** The rail narrow or wide; by the stage while nobody has said. */
  readonly rail: 'narrow' | 'wide' | null;
  /** The loop diagram as a ribbon or open; by the stage while nobody has said. */
  readonly loop: 'ribbon' | 'open' | null;
  readonly isPanelOpen: boolean;
  readonly isHeadOpen: boolean;
  readonly view: CaseView;
  /** Whether single keys (digits, letters) do anything (WCAG 2.1.4). */
  readonly areKeysOn: boolean;
  set(values: Partial<Omit<Frame, 'set'>>): void;
}

/** Stages that are about the loop itself: one loop is shown in full there. */
const OF_THE_LOOP = /\/(flow|cooling)$/;

/** Whether the loop diagram is shown in full: as the person chose, else by stage and loops. */
export const isLoopOpen = (asked: Frame['loop'], path: string, loops: number): boolean =>
  asked === null ? loops <= 1 && OF_THE_LOOP.test(path) : asked === 'open';

/** Read back after the page stands: what the server sent knows nothing of it. */
export const useFrame = create<Frame>()(
  persist(
    (set) => ({
      rail: null,
      loop: null,
      isPanelOpen: true,
      isHeadOpen: true,
      view: 'space',
      areKeysOn: true,
      set,
    }),
    {
      name: 'zephyron-frame',
      skipHydration: true,
      partialize: ({ set: _set, ...kept }) => kept,
    },
  ),
);

/** What the address asked for when the page came: stages keep it in step from then on. */
const FIRST = typeof window === 'undefined' ? '' : window.location.search;
export const askedOf = (key: string): string | null => new URLSearchParams(FIRST).get(key);

/** Takes up what the person chose before, and the view that the address asks for. */
export function useFrameKept(): void {
  useEffect(() => {
    void useFrame.persist.rehydrate();
    const view = askedOf('view');
    if (isCaseView(view)) useFrame.setState({ view });
  }, []);
}

/**
 * Keeps a word of the address in step with what is shown, without a step back for each. What it is
 * when the stage opens, the address says already.
 */
export function useInAddress(key: string, value: string | null): void {
  const before = useRef(value);
  useEffect(() => {
    if (before.current === value) return;
    before.current = value;
    const address = new URL(window.location.href);
    if (value === null) address.searchParams.delete(key);
    else address.searchParams.set(key, value);
    if (address.href !== window.location.href)
      window.history.replaceState(null, '', `${address.pathname}${address.search}`);
  }, [key, value]);
}
