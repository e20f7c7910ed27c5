import { plumb, start } from '../building';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** A small acrylic case with fans of 80 mm. */
export const vitrine: Make = () =>
  plumb(
    start(
      'Moth vitrine',
      { room_C: 21, listener_m: 1 },
      { deltaT_K: 12, noise_dBA: 34, flow_Lmin: 1.5, budget_minor: null },
      'case-vitrine-22',
      [
        ...owned('brd-barnacre-mini', 'cpu-lantern-6s', 'mem-stack-2-low', 'psu-hum-600s'),
        named('processor-block', 'Processor block', 'blk-quill-cpu-low', on('processor')),
        ...radiator(
          'front-radiator',
          'Front radiator',
          'rad-tarn-240s-30',
          mount('front', 'in', 0, 'end'),
          'fan-wren-80-2200',
          'frame',
          1300,
        ),
        named('rear-fan', 'Rear fan', 'fan-wren-80-2200', mount('rear', 'out', 5), {
          speed_rpm: 1000,
        }),
        named('pump', 'Pump', 'pump-brook-small', spot('pump'), { speed_rpm: 2800 }),
        named('reservoir', 'Reservoir', 'res-osier-100', spot('over')),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-soft-13-10',
      fitting: 'fit-comp-13-10',
      coolant: 'cool-clear-premix',
    },
  );
