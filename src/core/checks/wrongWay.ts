import type { Edit, Loop, PortRef } from '../design';
import type { Fix, Said } from './diagnostic';
import { isWet } from '../components';
import { nameOf, type SpatialRule } from './inputs';

export const wrongWay: SpatialRule = {
  code: 'rule.wrong-way',
  severity: 'fails',
  stage: 'runs',
  meaning:
    'A run goes into a port marked as an outlet, or leaves by one marked as an inlet. Filters, meters, pumps and many blocks work one way only: the wrong way round they clog, read nothing or cool worse.',
  source: 'the markings of the part',
  check: (context) =>
    context.build.loops.flatMap((loop): Said[] =>
      context.build.components.flatMap((component): Said[] => {
        const { part } = component;
        if (!isWet(part)) return [];
        const role = (ref: PortRef): string | undefined =>
          ref.component === component.id
            ? part.ports.find((p) => p.id === ref.port)?.role
            : undefined;
        const bad = loop.links.filter((l) => role(l.to) === 'out' || role(l.from) === 'in');
        if (bad.length === 0) return [];
        const edit = swapped(loop, component.id);
        const fixes: Fix[] = edit
          ? [{ label: `Swap the two runs of ${component.name}`, edit }]
          : [];
        return [
          {
            subjects: [component.id, ...bad.map((l) => l.id)],
            title: `${nameOf(context, component.id)} is passed the wrong way round`,
            detail: `${bad.map((l) => (role(l.to) === 'out' ? 'A run goes into its outlet' : 'a run leaves by its inlet')).join('; ')}.`,
            candidates: () => fixes,
          },
        ];
      }),
    ),
};

/** In and out of a part that is simply passed through, exchanged. */
function swapped(loop: Loop, component: string): Edit | null {
  const into = loop.links.filter((l) => l.to.component === component),
    out = loop.links.filter((l) => l.from.component === component),
    [a] = into,
    [b] = out;
  if (into.length !== 1 || out.length !== 1 || !a || !b) return null;
  return {
    do: 'loop.links',
    loop: loop.id,
    links: loop.links.map((l) => ({
      ...l,
      ...(l === a ? { to: b.from, by: 'tube' as const } : {}),
      ...(l === b ? { from: a.to, by: 'tube' as const } : {}),
    })),
  };
}
