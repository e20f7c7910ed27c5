'use client';
import { create } from 'zustand';

/** What of the scene is shown, over all stages, for as long as the page is open. */
interface SceneState {
  readonly hidden: readonly string[];
  /** Only this is shown; null where all is. */
  readonly isolated: string | null;
  /** Cut away from the window, as a share of the depth, in the section. */
  readonly cut: number;
  /** How far parts are drawn apart in the exploded view, 0 to 1. */
  readonly apart: number;
  readonly isFlowing: boolean;
  readonly isTreeOpen: boolean;
  set(values: Partial<Omit<SceneState, 'set'>>): void;
}

export const useScene = create<SceneState>()((set) => ({
  hidden: [],
  isolated: null,
  cut: 0.5,
  apart: 0.6,
  isFlowing: false,
  isTreeOpen: false,
  set,
}));

/** Whether a component or run is drawn. */
export const isShown = (
  { hidden, isolated }: Pick<SceneState, 'hidden' | 'isolated'>,
  id: string,
): boolean => (isolated === null ? !hidden.includes(id) : isolated === id);
