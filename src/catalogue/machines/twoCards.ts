import type { Design, Loop } from '@/core/design';
import { parallelBridge } from '@/core/studies';
import { compileSystem } from '@/core/system';
import { apply, plumb, start } from '../building';
import { FITTINGS } from '../plumbing';
import { mount, named, on, owned, radiator, spot, type Make } from './shared';

/** Two cards side by side in the flow, their terminals joined by two sliding bridges. */
export const twoCards: Make = () => bridged(inRow());

function bridged(design: Design): Design {
  const [loop] = design.loops as readonly [Loop];
  const between = loop.connections.find(
    ({ from, to }) => from.component.startsWith('card') && to.component.startsWith('card'),
  );
  const offer = parallelBridge(compileSystem(design), loop.id, between?.id ?? '', FITTINGS);
  return apply(design, offer?.edit ?? null);
}

const inRow: Make = () =>
  plumb(
    start(
      'Twin looms',
      { room_C: 22, listener_m: 1 },
      { deltaT_K: 16, noise_dBA: 38, flow_Lmin: 3, budget_minor: null },
      'case-workshop-120',
      [
        ...owned('brd-barnacre-atx', 'cpu-lantern-12', 'mem-stack-2', 'psu-hum-1200'),
        named('card-upper', 'Upper card', 'gpu-kite-320', { on: 'slot', slot: 1 }, { owned: true }),
        named('card-lower', 'Lower card', 'gpu-kite-320', { on: 'slot', slot: 4 }, { owned: true }),
        named('processor-block', 'Processor block', 'blk-hearth-cpu', on('processor')),
        named('card-block-upper', 'Upper card block', 'blk-hearth-card', on('card-upper')),
        named('card-block-lower', 'Lower card block', 'blk-hearth-card', on('card-lower')),
        ...radiator(
          'front-radiator',
          'Front radiator',
          'rad-mill-480-45',
          mount('front', 'in', 8, 'start'),
          'fan-wren-120-1500',
          'frame',
          1300,
        ),
        ...radiator(
          'top-radiator',
          'Top radiator',
          'rad-mill-480-45',
          mount('top', 'in', 4, 'end'),
          'fan-wren-120-1500',
          'frame',
          1300,
        ),
        named('rear-fan', 'Rear fan', 'fan-wren-140-1500', mount('rear', 'out', 5), {
          speed_rpm: 1300,
        }),
        named('pump', 'Pump', 'pump-osier-large', spot('second'), { speed_rpm: 4000 }),
        named('reservoir', 'Reservoir', 'res-osier-200', spot('over-second')),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
      bridged: true,
    },
  );
