import type { Design, Loop } from '@/core/design';
import { insertStation } from '@/core/loops';
import { apply, plumb, start } from '../building';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** A radiator beside the case on its own feet, joined by couplings through the rear wall. */
export const external: Make = () =>
  [
    ['coupling-out', 'Coupling out', 'hatch-out'],
    ['coupling-back', 'Coupling back', 'hatch-back'],
  ].reduce(
    (design, [id, name, hatch]) => coupled(design, id as string, name as string, hatch as string),
    piped(),
  );

/** A pair of quick couplings in the run between a way through the wall and the radiator. */
function coupled(design: Design, id: string, name: string, hatch: string): Design {
  const [loop] = design.loops as readonly [Loop];
  const run = loop.connections.find(
    ({ from, to }) =>
      [from.component, to.component].includes(hatch) &&
      [from.component, to.component].includes('outside-radiator'),
  );
  const added = apply(design, {
    do: 'component.add',
    component: named(id, name, 'inl-coupling-wide', { on: 'line' }),
  });
  return apply(added, insertStation(added, loop.id, id, run?.id));
}

const piped: Make = () =>
  plumb(
    start(
      'Travelling planetarium, dome side',
      { room_C: 24, listener_m: 1.5 },
      { deltaT_K: 10, noise_dBA: 36, flow_Lmin: 2, budget_minor: null },
      'case-hatch-40',
      [
        ...owned('brd-barnacre-atx', 'cpu-lantern-12', 'mem-stack-2', 'psu-hum-750'),
        named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
        named('pump', 'Pump', 'pump-osier-large', spot('pump'), { speed_rpm: 3400 }),
        named('reservoir', 'Reservoir', 'res-osier-150', spot('over')),
        named('rear-fan', 'Rear fan', 'fan-wren-120-1200', mount('rear', 'out', 5), {
          speed_rpm: 700,
        }),
        named('front-fans', 'Front fans', 'fan-wren-120-1200', mount('front', 'in', 10), {
          speed_rpm: 600,
        }),
        named('hatch-out', 'Way out', 'inl-passthrough', { on: 'port', port: 'upper' }),
        named('hatch-back', 'Way back', 'inl-passthrough', { on: 'port', port: 'lower' }),
        ...radiator(
          'outside-radiator',
          'Outside radiator',
          'rad-fell-360-60',
          { on: 'free', at: [-330, 0, 90], turn: 90, up: '-x' },
          'fan-wren-120-1200',
          'interior',
          900,
        ),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
    },
  );
