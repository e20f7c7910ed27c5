import type { Edit, Loop, PortRef } from '../design';
import { msg, sentences } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { isWet } from '../components';
import { nameOf, type SpatialCheck } from './inputs';

export const wrongWay: SpatialCheck = {
  code: 'rule.wrong-way',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A run goes into a port marked as an outlet, or leaves by one marked as an inlet.
      Filters, meters, pumps and many blocks work in one direction only: reversed they clog,
      read nothing or cool worse.`;
  },
  get source() {
    return msg`the markings of the part`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] =>
      context.design.components.flatMap((component): Diagnostic[] => {
        const { part } = component;
        if (!isWet(part)) return [];
        const role = (ref: PortRef): string | undefined =>
          ref.component === component.id
            ? part.ports.find((p) => p.id === ref.port)?.role
            : undefined;
        const bad = loop.connections.filter((l) => role(l.to) === 'out' || role(l.from) === 'in');
        if (bad.length === 0) return [];
        const edit = swapped(loop, component.id);
        const fixes: Fix[] = edit
          ? [{ label: msg`Swap the two runs of ${component.name}`, edit }]
          : [];
        return [
          {
            subjects: [component.id, ...bad.map((l) => l.id)],
            title: msg`${nameOf(context, component.id)} has its flow reversed`,
            detail: sentences(
              ...bad.map((l) =>
                role(l.to) === 'out'
                  ? msg`A run goes into its outlet.`
                  : msg`A run leaves by its inlet.`,
              ),
            ),
            candidates: () => fixes,
          },
        ];
      }),
    ),
};

/** In and out of a part that is simply passed through, exchanged. */
function swapped(loop: Loop, component: string): Edit | null {
  const into = loop.connections.filter((l) => l.to.component === component),
    out = loop.connections.filter((l) => l.from.component === component),
    [a] = into,
    [b] = out;
  if (into.length !== 1 || out.length !== 1 || !a || !b) return null;
  return {
    do: 'loop.connections',
    loop: loop.id,
    connections: loop.connections.map((l) => ({
      ...l,
      ...(l === a ? { to: b.from, by: 'tube' as const } : {}),
      ...(l === b ? { from: a.to, by: 'tube' as const } : {}),
    })),
  };
}
