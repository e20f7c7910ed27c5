import { msg } from '../messages';
import type { Step } from './step';

/** One thing to do when the machine is taken apart. */
export interface Undoing {
  readonly title: string;
  readonly step: string | null;
}

/**
 * The way back: emptied first, then everything out in the turns opposite to those it came in by,
 * so that nothing is taken past what still stands. For service, warranty or sale.
 */
export function dismantling(steps: readonly Step[]): readonly Undoing[] {
  const out = steps
    .filter((s) => s.unit !== null || s.kind === 'run' || s.kind === 'block')
    .reverse()
    .map((s): Undoing => ({ title: msg`Undo “${s.title}”`, step: s.id }));
  return [
    { title: msg`Switch off, pull the plug, wait until everything is cold`, step: null },
    { title: msg`Drain at the lowest place; lay paper under every joint`, step: null },
    ...out,
    {
      title: msg`Put the old coolers back with new paste, and their screws and pads from the bag`,
      step: null,
    },
    {
      title: msg`Keep with each part: its box, its bill, and who answers for the warranty`,
      step: null,
    },
  ];
}
