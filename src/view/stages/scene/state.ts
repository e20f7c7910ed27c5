'use client';
import { create } from 'zustand';

/** What of the scene is shown, over all stages, for as long as the page is open. */
interface SceneState {
  readonly hidden: readonly string[];
  /** Only this is shown; null where all is. */
  readonly isolated: string | null;
  readonly isFlowing: boolean;
  readonly isTreeOpen: boolean;
  set(values: Partial<Omit<SceneState, 'set'>>): void;
}

export const useScene = create<SceneState>()((set) => ({
  hidden: [],
  isolated: null,
  isFlowing: false,
  isTreeOpen: false,
  set,
}));

/** Whether a component or run is drawn. */
export const isShown = (
  { hidden, isolated }: Pick<SceneState, 'hidden' | 'isolated'>,
  id: string,
): boolean => (isolated === null ? !hidden.includes(id) : isolated === id);
