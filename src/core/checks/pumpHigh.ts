import { findComponent } from '../design';
import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { topOf } from '../loops';
import { formatMillimetres } from '../units';
import type { System } from '../system';
import { nameOf, type SpatialCheck } from './inputs';
import { triedFixes } from './tried';

/**
 * How far the highest of the others stands above the pump; below 0 the pump is the high point. Null
 * where either has no place.
 */
function below(system: System, loop: string, pump: string): number | null {
  const stations = system.loops.find((g) => g.loop.id === loop)?.stations ?? [];
  const height = (id: string): number | null => {
    const p = system.placed.get(id);
    return p && p.ports.length > 0 ? topOf(system, p) : null;
  };
  const own = height(pump),
    others = stations
      .filter((s) => s !== pump && system.placed.get(s)?.part.kind !== 'pump')
      .flatMap((s) => height(s) ?? []);
  return own === null || others.length === 0 ? null : Math.max(...others) - own;
}

export const pumpHigh: SpatialCheck = {
  code: 'rule.pump-high',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`The pump is the highest part of its loop: air gathers there, and a pump that
      holds air moves nothing and wears its bearing. Set it lower, or the reservoir above it.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  run: (context) =>
    context.system.loops.flatMap((graph): Diagnostic[] =>
      graph.stations
        .filter((s) => context.system.placed.get(s)?.part.kind === 'pump')
        .flatMap((pump): Diagnostic[] => {
          const over = below(context.system, graph.loop.id, pump);
          if (over === null || over >= 0) return [];
          const component = findComponent(context.design, pump);
          const fixes: Fix[] = (context.design.case?.spots ?? []).map((s): Fix => ({
            label: msg`Move ${nameOf(context, pump)} to “${s.name}”`,
            edit: {
              do: 'component.place',
              component: pump,
              placement: {
                on: 'spot',
                spot: s.id,
                turn:
                  component?.placement.on === 'spot' || component?.placement.on === 'free'
                    ? component.placement.turn
                    : 0,
              },
            },
          }));
          return [
            {
              subjects: [pump],
              title: msg`${nameOf(context, pump)} is the high point of ${graph.loop.name}`,
              detail: msg`It is ${formatMillimetres(-over)} above everything else its coolant
                passes.`,
              measured: -over,
              limit: 0,
              unit: 'mm',
              candidates: () =>
                triedFixes(context, fixes, (m) => (below(m, graph.loop.id, pump) ?? -1) >= 0),
            },
          ];
        }),
    ),
};
