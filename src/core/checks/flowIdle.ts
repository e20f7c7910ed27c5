import { findComponent, type Loop } from '../design';
import { listAnd, msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { reorderLoop, teePorts } from '../loops';
import { nameOf, type OperatingCheck } from './inputs';

/** Whether a piece ends a line to fill or drain by: nothing is to flow through it. */
const endsLine = (loop: Loop, component: string): boolean =>
  loop.caps.some((c) => c.component === component && (c.with === 'drain' || c.with === 'fill')) &&
  loop.connections.filter((l) => l.from.component === component || l.to.component === component)
    .length === 1;

/** Whether a valve leads out of the loop: to a drain of its own, or with a port to nothing. */
const leadsOut = (loop: Loop, component: string): boolean =>
  loop.caps.some((c) => c.component === component && c.with === 'drain') ||
  loop.connections.filter((l) => l.from.component === component || l.to.component === component)
    .length < 2;

export const flowIdle: OperatingCheck = {
  code: 'flow.idle',
  severity: 'fails',
  stage: 'flow',
  get meaning() {
    return msg`A part is on a dead end or in a piece apart from the reservoir: nothing flows
      through it and it is not cooled. Continue its run, open the valve, or reconnect the
      loop.`;
  },
  get source() {
    return msg`the network: a part carries flow only when it lies in a circle`;
  },
  run: (context) =>
    context.flow.loops.flatMap((loop): Diagnostic[] => {
      const graph = context.system.loops.find((g) => g.loop.id === loop.id);
      if (!graph || loop.idle.length === 0 || loop.flow_Lmin < 1e-6) return [];
      // A drain is shut by design: opened, it would empty the loop.
      const shut = context.design.components.filter(
        (i) => i.settings.shut && graph.stations.includes(i.id) && !leadsOut(graph.loop, i.id),
      );
      const isTee = (id: string): boolean => {
        const part = findComponent(context.design, id)?.part;
        return part?.kind === 'inline' && teePorts(part) !== null;
      };
      return loop.idle
        .filter(
          ({ component }) =>
            !isTee(component) &&
            !endsLine(graph.loop, component) &&
            !shut.some((s) => s.id === component),
        )
        .map(({ component, why }): Diagnostic => {
          const whyIdle = () => {
            if (why === 'apart')
              return msg`It is in a piece of ${graph.loop.name} that the reservoir does not reach.`;
            if (shut.length > 0)
              return msg`It is on a dead end; ${listAnd(shut.map((s) => s.name))} is shut.`;
            return msg`It is on a dead end: its run leads in and not out.`;
          };
          return {
            subjects: [component],
            title: msg`Nothing flows through ${nameOf(context, component)}`,
            detail: whyIdle(),
            candidates: () => [
              ...shut.map((s) => ({
                label: msg`Open ${s.name}`,
                edit: { do: 'component.set', component: s.id, values: { shut: false } } as const,
              })),
              ...(shut.length === 0 && !graph.stations.some(isTee)
                ? [
                    {
                      label: msg`Connect the loop through all its parts`,
                      edit: reorderLoop(context.design, loop.id, graph.stations),
                    },
                  ]
                : []),
            ],
          };
        });
    }),
};
