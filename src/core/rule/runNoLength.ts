import type { Said } from '../finding';
import { formatMillimetres } from '../quantity';
import { distance, dot, sub } from '../shape';
import { nameOf, type BuildRule } from './context';

/** Ports whose directions are this near to opposite look at each other. */
const FACING = -0.9;

export const runNoLength: BuildRule = {
  code: 'run.no-length', severity: 'fails', stage: 'runs',
  meaning: 'Two ports face each other so closely that their fittings alone fill the way: the tube between them would have no length. Screw the parts together with a joint instead.',
  source: 'geometry of the placed ports',
  check: (context) => context.model.loops.flatMap((graph): Said[] => graph.loop.links.flatMap((link): Said[] => {
    const hangs = (item: string): boolean => context.build.items.find((i) => i.id === item)?.placement.on === 'line';
    const a = context.model.portAt(link.from), b = context.model.portAt(link.to);
    if (link.by !== 'tube' || !a || !b || hangs(link.from.item) || hangs(link.to.item)) return [];
    const gap = distance(a.at, b.at), fittings = 2 * graph.loop.fitting.length_mm;
    const face = gap < 1 || (dot(a.direction, b.direction) < FACING && dot(a.direction, sub(b.at, a.at)) > -FACING * gap);
    if (!face || gap >= fittings) return [];
    return [{
      subjects: [link.id, link.from.item, link.to.item], title: `The tube from ${nameOf(context, link.from.item)} to ${nameOf(context, link.to.item)} has no length`,
      detail: `Their ports face each other ${formatMillimetres(gap)} apart; two fittings alone take ${formatMillimetres(fittings)}.`, measured: gap, limit: fittings, unit: 'mm',
      fixes: [{ label: 'Screw them together with a joint', edit: { do: 'loop.links', loop: graph.loop.id, links: graph.loop.links.map((l) => (l.id === link.id ? { ...l, by: 'joint' } : l)) } }],
    }];
  })),
};
