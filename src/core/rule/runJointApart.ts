import type { Said } from '../finding';
import { movedBy } from '../model';
import { formatMillimetres } from '../quantity';
import { dot, norm, scale, sub, type Vec } from '../shape';
import { nameOf, type BuildRule } from './context';

/** A joint bridges so much between two ports, and takes up so much sideways, mm (common practice, no source). */
const LONGEST_MM = 12, SIDEWAYS_MM = 2;
const FACING = -0.99;

export const runJointApart: BuildRule = {
  code: 'run.joint-apart', severity: 'fails', stage: 'runs',
  meaning: 'Two parts are screwed together by a joint, but their ports no longer meet: one of them was moved or turned. Move it back, or run a tube between them.',
  source: 'geometry of the placed ports; 12 mm along and 2 mm across a joint are common practice, no source',
  check: (context) => context.model.loops.flatMap((graph): Said[] => graph.loop.links.flatMap((link): Said[] => {
    const a = context.model.portAt(link.from), b = context.model.portAt(link.to);
    if (link.by !== 'joint' || !a || !b) return [];
    const way = sub(b.at, a.at), along = dot(way, a.direction), aside: Vec = sub(way, scale(a.direction, along)), off = norm(aside);
    if (dot(a.direction, b.direction) < FACING && along >= -0.01 && along <= LONGEST_MM && off <= SIDEWAYS_MM) return [];
    const placement = dot(a.direction, b.direction) < FACING && along >= -0.01 && along <= LONGEST_MM ? movedBy(context.build, link.from.item, aside) : null;
    return [{
      subjects: [link.id, link.from.item, link.to.item], title: `${nameOf(context, link.from.item)} and ${nameOf(context, link.to.item)} no longer meet`,
      detail: `Their ports, joined by a screw piece, stand ${formatMillimetres(norm(way), 1)} apart, ${formatMillimetres(off, 1)} of it sideways.`, measured: off, limit: SIDEWAYS_MM, unit: 'mm',
      fixes: [
        ...(placement ? [{ label: `Move ${nameOf(context, link.from.item)} to where they meet`, edit: { do: 'item.place' as const, item: link.from.item, placement } }] : []),
        { label: 'Run a tube between them instead', edit: { do: 'loop.links' as const, loop: graph.loop.id, links: graph.loop.links.map((l) => (l.id === link.id ? { ...l, by: 'tube' as const } : l)) } },
      ],
    }];
  })),
};
