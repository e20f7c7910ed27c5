import { connected, plumb, apply, start, tube } from '../building';
import { mount, named, on, owned, radiator, type Make } from './shared';

/**
 * Seven litres, back to back: the board before the spine, card, pump and tank behind it, and a
 * radiator over both. Thin tube: nothing thicker bends in such a room.
 */
export const sandwich: Make = () => {
  const design = plumb(
    start(
      'Wafer organ',
      { room_C: 21, listener_m: 1 },
      { deltaT_K: 16, noise_dBA: 40, flow_Lmin: 1.5, budget_minor: null },
      'case-wafer-7',
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
          mount('top', 'out', 1, 'end'),
          'fan-wren-120-2000',
          'outside',
          1500,
        ),
        // On its side: its inlet faces the tank, its outlet the card.
        named('pump', 'Pump', 'pump-brook-small', {
          on: 'free',
          at: [235, 110, -28],
          turn: 270,
          up: '+x',
        }),
        named('reservoir', 'Reservoir', 'res-osier-low', {
          on: 'free',
          at: [98, 117, -28],
          turn: 0,
        }),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-8-5',
      fitting: 'fit-comp-8-5',
      coolant: 'cool-clear-premix',
    },
  );
  const [loop] = design.loops;
  if (!loop) throw new RangeError('a build without a loop');
  const wired = apply(
    design,
    connected(loop, [
      tube('run', 'reservoir/end', 'pump/in'),
      tube('run-2', 'pump/out', 'card-block/in'),
      tube('run-3', 'card-block/out', 'top-radiator/p1'),
      tube('run-4', 'top-radiator/p2', 'processor-block/out'),
      tube('run-5', 'processor-block/in', 'reservoir/high'),
    ]),
  );
  const port = { component: 'reservoir', port: 'low' };
  return apply(wired, { do: 'cap.set', loop: loop.id, port, with: 'drain' });
};
