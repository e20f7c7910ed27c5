import { plumb, start } from '../building';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** An open wall bench: no walls, no case air, radiators on rails either side of the board. */
export const wallBench: Make = () =>
  plumb(
    start(
      'Birdsong wall',
      { room_C: 22, listener_m: 1 },
      { deltaT_K: 10, noise_dBA: 33, flow_Lmin: 2.5, budget_minor: null },
      'case-lath-bench',
      [
        ...owned('brd-barnacre-atx', 'cpu-lantern-12', 'mem-stack-2', 'psu-hum-750'),
        named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
        ...radiator(
          'left-radiator',
          'Left radiator',
          'rad-tarn-360-30',
          mount('left', 'in', 10),
          'fan-wren-120-1500',
          'frame',
          800,
        ),
        ...radiator(
          'right-radiator',
          'Right radiator',
          'rad-tarn-360-30',
          mount('right', 'in', 10),
          'fan-wren-120-1500',
          'frame',
          800,
        ),
        named('pump', 'Pump', 'pump-osier-large', spot('pump'), { speed_rpm: 3000 }),
        named('reservoir', 'Reservoir', 'res-osier-200', spot('over')),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-soft-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
    },
  );
