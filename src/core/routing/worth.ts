import type { Loop } from '../design';
import { turningCost } from './flexibleRoute';
import { pathLength } from './path';
import { bendPrice, pricesOf } from './prices';
import type { Route } from './routed';

/**
 * What a laid run is worth by its loop's style, in millimetres of tube: its length, its bends (of
 * soft tube all its turning), and the adapters at its ends. What it pays for the view is not in it.
 */
export function worthOfRoute(loop: Loop, { path, from, to }: Route): number {
  const angles = path.flatMap((s) => (s.kind === 'arc' ? [s.angle_deg] : []));
  const prices = pricesOf(loop);
  const bends = loop.tube.hard
    ? angles.reduce((sum, deg) => sum + bendPrice(prices, deg), 0)
    : turningCost(angles.reduce((sum, deg) => sum + deg, 0));
  return pathLength(path) + bends + from.cost + to.cost;
}
