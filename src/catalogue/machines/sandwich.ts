import { plumb, start } from '../building';
import { mount, named, on, owned, radiator, type Make } from './shared';

/** Nine litres, back to back: the board before the spine, card and supply behind it. */
export const sandwich: Make = () =>
  plumb(
    start(
      'Wafer organ',
      { room_C: 21, listener_m: 1 },
      { deltaT_K: 16, noise_dBA: 40, flow_Lmin: 1.5, budget_minor: null },
      'case-wafer-9',
      [
        ...owned('brd-barnacre-mini', 'cpu-lantern-6s', 'mem-stack-2-low', 'psu-hum-600s', {
          on: 'bay',
          turn: 90,
          up: '+z',
        }),
        named('card', 'Card', 'gpu-kite-160s', { on: 'riser', faces: 'back' }, { owned: true }),
        named('processor-block', 'Processor block', 'blk-quill-cpu-edge', on('processor')),
        named('card-block', 'Card block', 'blk-quill-card-s-end', on('card')),
        ...radiator(
          'top-radiator',
          'Top radiator',
          'rad-tarn-240-27',
          mount('top', 'out', 4, 'end'),
          'fan-wren-120-2000',
          'outside',
          1500,
        ),
        named('pump', 'Pump', 'pump-brook-small', { on: 'free', at: [310, 2, -28], turn: 0 }),
        named('reservoir', 'Reservoir', 'res-osier-slim', {
          on: 'free',
          at: [310, 50, -28],
          turn: 0,
        }),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-soft-10-7',
      fitting: 'fit-comp-10-7',
      coolant: 'cool-clear-premix',
    },
  );
