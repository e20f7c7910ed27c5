import type { Vec } from '@/core/geometry';

/** A side that the machine is looked at from, and what it is called. */
export const STANDS = {
  corner: 'corner',
  window: 'window',
  front: 'front',
  top: 'top',
  rear: 'rear',
  tray: 'tray',
  bottom: 'bottom',
} as const;
export type Stand = keyof typeof STANDS;

/** Where the eye stands, in diagonals from the middle of the machine. */
export const EYE: Readonly<Record<Stand, Vec>> = {
  corner: [0.62, 0.42, 1.05],
  window: [0, 0, 1.35],
  front: [1.5, 0, 0.001],
  top: [0, 1.5, 0.001],
  rear: [-1.5, 0, 0.001],
  tray: [0, 0, -1.35],
  bottom: [0, -1.5, 0.001],
};
