import type { Edit, Link, Loop } from '../design';
import type { Said } from './diagnostic';
import { facing, JOINT_ASIDE_MM, movedBy, spans } from '../system';
import type { FittingPart } from '../components';
import { formatMillimetres } from '../units';
import { distance, scale } from '../geometry';
import { nameOf, type SpatialRule } from './inputs';

/** The loop with one link as it is to be. */
const linksWith = (loop: Loop, link: Link): Edit => ({
  do: 'loop.links',
  loop: loop.id,
  links: loop.links.map((l) => (l.id === link.id ? link : l)),
});

export const runJointApart: SpatialRule = {
  code: 'run.joint-apart',
  severity: 'fails',
  stage: 'runs',
  meaning:
    'Two parts are screwed together by a joint, but their ports no longer meet: one of them was moved or turned. Move it back, or run a tube between them.',
  source:
    'geometry of the placed ports; 12 mm along and 2 mm across a joint are common practice, no source',
  check: (context) =>
    context.model.loops.flatMap((graph): Said[] =>
      graph.loop.links.flatMap((link): Said[] => {
        const a = context.model.portAt(link.from),
          b = context.model.portAt(link.to);
        if (link.by !== 'joint' || !a || !b) return [];
        const way = facing(a, b);
        if (way && spans(way, link.bridge)) return [];
        const along = way !== null && spans({ ...way, aside_mm: 0 }, link.bridge),
          placement = way && along ? movedBy(context.build, link.from.component, way.aside) : null;
        const back =
          way && along ? movedBy(context.build, link.to.component, scale(way.aside, -1)) : null;
        // In line, but nearer or farther than the piece reaches: another bridge may.
        const other =
          way && !along
            ? context.offer.find(
                (p): p is FittingPart =>
                  p.kind === 'fitting' && p.duty === 'bridge' && spans(way, p),
              )
            : undefined;
        return [
          {
            subjects: [link.id, link.from.component, link.to.component],
            title: `${nameOf(context, link.from.component)} and ${nameOf(context, link.to.component)} no longer meet`,
            detail: `Their ports, joined by a screw piece, stand ${formatMillimetres(distance(a.at, b.at), 1)} apart${way ? `, ${formatMillimetres(way.aside_mm, 1)} of it sideways` : ' and do not face each other'}${link.bridge?.span_mm ? `; the bridge reaches ${link.bridge.span_mm.join(' to ')} mm` : ''}.`,
            measured: way?.aside_mm ?? distance(a.at, b.at),
            limit: JOINT_ASIDE_MM,
            unit: 'mm',
            candidates: () => [
              ...(back
                ? [
                    {
                      label: `Move ${nameOf(context, link.to.component)} to where they meet`,
                      edit: {
                        do: 'component.place' as const,
                        component: link.to.component,
                        placement: back,
                      },
                    },
                  ]
                : []),
              ...(placement
                ? [
                    {
                      label: `Move ${nameOf(context, link.from.component)} to where they meet`,
                      edit: {
                        do: 'component.place' as const,
                        component: link.from.component,
                        placement,
                      },
                    },
                  ]
                : []),
              ...(other
                ? [
                    {
                      label: `Take ${other.name} instead`,
                      edit: linksWith(graph.loop, { ...link, bridge: other }),
                    },
                  ]
                : []),
              {
                label: 'Run a tube between them instead',
                edit: linksWith(graph.loop, {
                  id: link.id,
                  from: link.from,
                  to: link.to,
                  by: 'tube',
                  ends: link.ends,
                }),
              },
            ],
          },
        ];
      }),
    ),
};
