import type { FittingPart, Part, TubePart } from '../components';

/** The first fitting on offer that holds a tube. */
export function fittingFor(tube: TubePart, offer: readonly Part[]): FittingPart | undefined {
  return offer.find(
    (p): p is FittingPart =>
      p.kind === 'fitting' &&
      (tube.hard ? p.duty === 'hard-tube' : p.duty === 'compression') &&
      p.tube?.outer_mm === tube.outer_mm &&
      (tube.hard || p.tube.inner_mm === tube.inner_mm),
  );
}
