import type { Model } from '@/core/model';
import type { Run } from '@/core/run';
import { add, distance, scale, type Vec } from '@/core/shape';

/** A drawn path for a run that is not routed yet: a curve that leaves and meets both ports along their directions. In case millimetres. */
export function runCurve(model: Model, run: Run): { readonly from: Vec; readonly a: Vec; readonly b: Vec; readonly to: Vec } | null {
  const from = model.portAt(run.from), to = model.portAt(run.to);
  if (!from || !to || run.by === 'joint') return null;
  const reach = Math.max(20, Math.min(130, distance(from.at, to.at) * 0.45));
  return { from: from.at, a: add(from.at, scale(from.direction, reach)), b: add(to.at, scale(to.direction, reach)), to: to.at };
}
