import { plumb, start } from '../building';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** Fourteen sections of radiator in a giant case, all drawing room air in. */
export const giant: Make = () =>
  plumb(
    start(
      'Flood tower, eastern wing',
      { room_C: 23, listener_m: 1 },
      { deltaT_K: 9, noise_dBA: 32, flow_Lmin: 3, budget_minor: null },
      'case-silo-210',
      [
        ...owned('brd-barnacre-grand', 'cpu-lantern-24', 'mem-stack-4', 'psu-hum-1200'),
        named('card', 'Card', 'gpu-kite-320', { on: 'slot', slot: 2 }, { owned: true }),
        named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
        named('card-block', 'Card block', 'blk-hearth-card', on('card')),
        ...radiator(
          'front-radiator',
          'Front radiator',
          'rad-fell-600-45',
          mount('front', 'in', 0, 'end'),
          'fan-wren-120-1500',
          'frame',
          1100,
        ),
        ...radiator(
          'top-radiator',
          'Top radiator',
          'rad-fell-600-45',
          mount('top', 'in', 20, 'end'),
          'fan-wren-120-1500',
          'frame',
          1100,
        ),
        ...radiator(
          'floor-radiator',
          'Floor radiator',
          'rad-mill-480-45',
          mount('bottom', 'in', 0, 'end'),
          'fan-wren-120-1500',
          'frame',
          1100,
        ),
        named('rear-fan', 'Rear fan', 'fan-wren-140-1500', mount('rear', 'out', 5), {
          speed_rpm: 1200,
        }),
        named('pump', 'Pump', 'pump-osier-large', spot('pump'), { speed_rpm: 3600 }),
        named('reservoir', 'Reservoir', 'res-osier-250', spot('over')),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
    },
  );
