import { plumb, start } from '../building';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** Four sections in a basement with air of its own. */
export const basement: Make = () =>
  plumb(
    start(
      'Salt cellar',
      { room_C: 22, listener_m: 1 },
      { deltaT_K: 12, noise_dBA: 35, flow_Lmin: 2.5, budget_minor: null },
      'case-crypt-90',
      [
        ...owned('brd-barnacre-grand', 'cpu-lantern-24', 'mem-stack-4', 'psu-hum-1200'),
        named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
        ...radiator(
          'basement-radiator',
          'Basement radiator',
          'rad-mill-480-45',
          mount('bottom', 'in', 2, 'end'),
          'fan-wren-120-1500',
          'frame',
          1150,
        ),
        named('rear-fan', 'Rear fan', 'fan-wren-140-1000', mount('rear', 'out', 5), {
          speed_rpm: 700,
        }),
        named('pump', 'Pump', 'pump-osier-large', spot('pump'), { speed_rpm: 3400 }),
        named('reservoir', 'Reservoir', 'res-osier-200', spot('over')),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
    },
  );
