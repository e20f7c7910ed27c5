import type { Cap, Connection, Design, PortRef } from '@/core/design';
import { isWet } from '@/core/components';
import { apply, named as partNamed, start } from '../building';
import { COOLANTS, FITTINGS, TUBES } from '../plumbing';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

const WAYS: readonly (readonly [from: string, fromPort: string, to: string, toPort: string])[] = [
  ['reservoir', 'foot', 'pump', 'in'],
  ['pump', 'out', 'plate', 'supply-1'],
  ['plate', 'supply-2', 'processor-block', 'in'],
  ['processor-block', 'out', 'plate', 'return-2'],
  ['plate', 'supply-3', 'card-block', 'in'],
  ['card-block', 'out', 'plate', 'return-3'],
  ['plate', 'return-1', 'top-radiator', 'p1'],
  ['top-radiator', 'p2', 'reservoir', 'return'],
];

/** A plate that the coolant passes twice: out to the blocks and back from them. */
export const plates: Make = () => withLoop(standing());

const standing: Make = () =>
  start(
    'Salmon ladder',
    { room_C: 22, listener_m: 1 },
    { deltaT_K: 14, noise_dBA: 38, flow_Lmin: 3, budget_minor: null },
    'case-tidegate-78',
    [
      ...owned('brd-barnacre-atx', 'cpu-lantern-12', 'mem-stack-2', 'psu-hum-750'),
      named('card', 'Card', 'gpu-kite-200', { on: 'slot', slot: 2 }, { owned: true }),
      named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
      named('card-block', 'Card block', 'blk-hearth-card', on('card')),
      ...radiator(
        'top-radiator',
        'Top radiator',
        'rad-mill-480-45',
        mount('top', 'in', 20, 'end'),
        'fan-wren-120-1500',
        'frame',
        1300,
      ),
      named('rear-fan', 'Rear fan', 'fan-wren-140-1500', mount('rear', 'out', 5), {
        speed_rpm: 1000,
      }),
      named('plate', 'Plate', 'inl-bridge-2', { on: 'free', at: [380, 320, 14], turn: 0 }),
      named('pump', 'Pump', 'pump-osier-large', spot('pump-front'), { speed_rpm: 3600 }),
      named('reservoir', 'Reservoir', 'res-osier-150', spot('over-front')),
    ],
  );

function withLoop(design: Design): Design {
  const connections = WAYS.map(([from, fromPort, to, toPort], i): Connection => ({
    id: `run-${i + 1}`,
    from: { component: from, port: fromPort },
    to: { component: to, port: toPort },
    by: from === 'reservoir' ? 'direct' : 'tube',
    ends: { from: 'auto', to: 'auto' },
  }));
  const used = (ref: PortRef): boolean =>
    connections.some((c) =>
      [c.from, c.to].some((r) => r.component === ref.component && r.port === ref.port),
    );
  const caps = design.components.flatMap(({ id, part }): Cap[] =>
    isWet(part)
      ? part.ports
          .map((p) => ({ component: id, port: p.id }))
          .filter((ref) => !used(ref))
          .map((ref) => ({ ...ref, with: capOf(ref) }))
      : [],
  );
  return apply(design, {
    do: 'loop.add',
    loop: {
      id: 'loop',
      name: 'Main loop',
      tube: partNamed(TUBES, 'tube-epdm-13-10'),
      fitting: partNamed(FITTINGS, 'fit-comp-13-10'),
      coolant: partNamed(COOLANTS, 'cool-clear-premix'),
      coolantAge_months: 0,
      connections,
      caps,
    },
  });
}

function capOf({ component, port }: PortRef): Cap['with'] {
  if (component === 'reservoir' && port === 'top') return 'fill';
  return component === 'pump' && port === 'low' ? 'drain' : 'plug';
}
