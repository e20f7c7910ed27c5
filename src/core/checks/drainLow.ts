import { findComponent, type Cap, type LoopId } from '../design';
import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { capAdapters, capFits, draining } from '../loops';
import { formatMeasure } from '../units';
import { nameOf, portHeight, type CheckInputs, type OperatingCheck } from './inputs';
import { triedFixes } from './tried';

/** Less than this share of the loop may stay behind untold. */
const SHARE = 0.25;

function valveWords(name: string, under: string | undefined): string {
  if (under === undefined) return msg`Put a drain valve on ${name}, too`;
  return under === 'extender'
    ? msg`Put a drain valve on ${name}, on an extender, too`
    : msg`Put a drain valve on ${name}, on an elbow, too`;
}

/** A drain valve on a spare port, straight in or on what makes room for it. */
function valveAt(context: CheckInputs, loop: LoopId, { component, port }: Cap): Fix[] {
  const at = context.system.portAt({ component, port });
  return (at ? capAdapters(at) : [])
    .filter((under) =>
      capFits(context.system, { component, port, with: 'drain', ...(under ? { under } : {}) }),
    )
    .slice(0, 2)
    .map((under) => ({
      label: valveWords(nameOf(context, component), under?.piece),
      edit: {
        do: 'cap.set',
        loop,
        port: { component, port },
        with: 'drain',
        ...(under ? { under } : {}),
      },
    }));
}

export const drainLow: OperatingCheck = {
  code: 'rule.drain-low',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`Much of the coolant stays in the loop when its drain is opened: the valve is not
      the lowest port, or radiators have their ports up and hold what is in them. Ports down
      drain, but trap air when filling; a lower valve empties more.`;
  },
  get source() {
    return msg`geometry of the ports; an even spread of each part's volume over its height is an
      estimate`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] => {
      const now = draining(context.system, loop),
        total = context.bom.volumes.find((v) => v.loop === loop.id)?.parts_mL ?? 0;
      if (now.drain === null || total === 0 || now.stays_mL < SHARE * total) return [];
      const plugs = loop.caps
        .filter((c) => c.with === 'plug')
        .sort(
          (a, b) =>
            (portHeight(context.system, a) ?? Infinity) -
            (portHeight(context.system, b) ?? Infinity),
        );
      const radiators = now.stays.flatMap((s) => {
        const i = findComponent(context.design, s.component);
        return i?.part.kind === 'radiator' && i.placement.on === 'mount'
          ? [{ component: i, placement: i.placement }]
          : [];
      });
      const fixes: Fix[] = [
        ...plugs.slice(0, 3).flatMap((plug) => valveAt(context, loop.id, plug)),
        ...radiators.map(({ component, placement }): Fix => ({
          label: msg`Turn the ports of ${component.name} to the other end`,
          edit: {
            do: 'component.place',
            component: component.id,
            placement: { ...placement, ports: placement.ports === 'end' ? 'start' : 'end' },
          },
        })),
      ];
      return [
        {
          subjects: [loop.id, ...now.stays.map((s) => s.component)],
          title: msg`About ${formatMeasure(now.stays_mL, 'mL')} stay in ${loop.name} when it is
            drained`,
          detail: msg`${now.stays
            .slice(0, 4)
            .map((s) => `${nameOf(context, s.component)} ${formatMeasure(s.mL, 'mL')}`)
            .join(', ')}. Tilt the case to empty it, or blow gently into the fill port.`,
          measured: now.stays_mL,
          limit: SHARE * total,
          unit: 'mL',
          candidates: () =>
            triedFixes(
              context,
              fixes,
              (m) => {
                const l = m.design.loops.find((x) => x.id === loop.id);
                return l !== undefined && draining(m, l).stays_mL < now.stays_mL - 10;
              },
              1,
            ),
        },
      ];
    }),
};
