import type { Loop } from '@/core/design';
import { splitEdit } from '@/core/loops';
import { apply, plumb, start } from '../building';
import { INLINE } from '../inline';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** A block over processor and regulators, the card beside it in the flow. */
export const monoblock: Make = () => {
  const row = inRow();
  const [loop] = row.loops as readonly [Loop];
  const tee = INLINE.find((p) => p.id === 'inl-tee');
  return apply(row, tee ? splitEdit(row, loop.id, ['mono-block', 'card-block'], tee) : null);
};

const inRow: Make = () =>
  plumb(
    start(
      'Organ loft',
      { room_C: 22, listener_m: 1 },
      { deltaT_K: 12, noise_dBA: 36, flow_Lmin: 3, budget_minor: null },
      'case-weir-55',
      [
        ...owned('brd-barnacre-atx-pro', 'cpu-lantern-24', 'mem-stack-2', 'psu-hum-1200'),
        named('card', 'Card', 'gpu-kite-200', { on: 'slot', slot: 1 }, { owned: true }),
        named('mono-block', 'Whole-board block', 'blk-hearth-mono', on('processor')),
        named('card-block', 'Card block', 'blk-hearth-card', on('card')),
        ...radiator(
          'front-radiator',
          'Front radiator',
          'rad-fell-360-45',
          mount('front', 'in', 30, 'start'),
          'fan-wren-120-1500',
          'outside',
          1200,
        ),
        ...radiator(
          'top-radiator',
          'Top radiator',
          'rad-tarn-360-30',
          mount('top', 'in', 0, 'end'),
          'fan-wren-120-1500',
          'frame',
          1200,
        ),
        named('rear-fan', 'Rear fan', 'fan-wren-140-1500', mount('rear', 'out', 5), {
          speed_rpm: 1000,
        }),
        named('pump', 'Pump', 'pump-osier-large', spot('pump'), { speed_rpm: 3600 }),
        named('reservoir', 'Reservoir', 'res-osier-150', spot('over')),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-13-10',
      fitting: 'fit-comp-13-10',
      coolant: 'cool-clear-premix',
    },
  );
