import type { Model } from '../system';
import { nearestTo } from './nearest';
import type { Route, Told } from './routed';
import { inView } from './visibility';

/** What is told of a run once all lie: the nearest thing to it, and what is seen of it. */
export const tellOf = (
  model: Model,
  route: Route,
  all: readonly Route[],
  ends: readonly string[],
): Told => ({ nearest: nearestTo(model, route, all, ends), seen: inView(model, route, all, ends) });
