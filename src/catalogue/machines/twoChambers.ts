import { plumb, start } from '../building';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** A cube with a second room behind the tray: supply, pump and reservoir stand there. */
export const twoChambers: Make = () =>
  plumb(
    start(
      'Puppet stage',
      { room_C: 22, listener_m: 1 },
      { deltaT_K: 12, noise_dBA: 36, flow_Lmin: 2.5, budget_minor: null },
      'case-loom-cube',
      [
        ...owned('brd-barnacre-atx', 'cpu-lantern-12', 'mem-stack-2', 'psu-hum-750'),
        named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
        ...radiator(
          'top-radiator',
          'Top radiator',
          'rad-tarn-360-27',
          mount('top', 'out', 4, 'end'),
          'fan-wren-120-1500',
          'interior',
          900,
        ),
        ...radiator(
          'floor-radiator',
          'Floor radiator',
          'rad-tarn-360-27',
          mount('bottom', 'in', 4, 'end'),
          'fan-wren-120-1500',
          'interior',
          900,
        ),
        named('pump', 'Pump', 'pump-osier-large', spot('pump', 90), { speed_rpm: 3200 }),
        named('reservoir', 'Reservoir', 'res-osier-150', spot('over', 90)),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-13-10',
      fitting: 'fit-comp-13-10',
      coolant: 'cool-clear-premix',
    },
  );
