import type { Design } from '@/core/design';
import { component, OWNED, plumb, start } from '../building';

/** A reservoir hung upside down beside the board, its ports above: filled and bled by tilting. */
export const upturned = (): Design =>
  plumb(
    start(
      'Bat box',
      { room_C: 21, listener_m: 1 },
      { deltaT_K: 11, noise_dBA: 33, flow_Lmin: 2.5, budget_minor: null },
      'case-weir-55',
      [
        component('board', 'brd-barnacre-micro', { on: 'tray' }, OWNED),
        component('processor', 'cpu-lantern-12', { on: 'board' }, OWNED),
        component('memory', 'mem-stack-2-low', { on: 'board' }, OWNED),
        component('supply', 'psu-hum-750', { on: 'bay', turn: 0, up: '-y' }, OWNED),
        component(
          'processor-block',
          'blk-quill-cpu',
          { on: 'component', component: 'processor' },
          {},
          'Processor block',
        ),
        component(
          'front-radiator',
          'rad-tarn-360-30',
          { on: 'mount', mount: 'front', slide_mm: 30, ports: 'end', air: 'in' },
          {},
          'Front radiator',
        ),
        component(
          'front-fans',
          'fan-wren-120-1500',
          { on: 'radiator', component: 'front-radiator', face: 'interior' },
          { speed_rpm: 900 },
          'Front fans',
        ),
        component(
          'rear-fan',
          'fan-wren-140-1000',
          { on: 'mount', mount: 'rear', slide_mm: 5, ports: 'end', air: 'out' },
          { speed_rpm: 700 },
          'Rear fan',
        ),
        component(
          'pump',
          'pump-osier-large',
          { on: 'spot', spot: 'pump', turn: 0 },
          { speed_rpm: 3200 },
          'Pump',
        ),
        component(
          'reservoir',
          'res-osier-200',
          { on: 'free', at: [400, 240, 120], turn: 0, up: '-y' },
          {},
          'Reservoir',
        ),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-soft-13-10',
      fitting: 'fit-comp-13-10',
      coolant: 'cool-clear-premix',
    },
  );
