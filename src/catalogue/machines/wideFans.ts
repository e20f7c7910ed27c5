import type { Design } from '@/core/design';
import { component, OWNED, plumb, start } from '../building';

/** A large case with two fans of 180 mm before one radiator: slow, and quiet for its heat. */
export const wideFans = (): Design =>
  plumb(
    start(
      'Reading room',
      { room_C: 22, listener_m: 1 },
      { deltaT_K: 10, noise_dBA: 32, flow_Lmin: 2.5, budget_minor: null },
      'case-barn-96',
      [
        component('board', 'brd-barnacre-atx', { on: 'tray' }, OWNED),
        component('processor', 'cpu-lantern-8', { on: 'board' }, OWNED),
        component('memory', 'mem-stack-2', { on: 'board' }, OWNED),
        component('supply', 'psu-hum-750', { on: 'bay' }, OWNED),
        component(
          'processor-block',
          'blk-hearth-cpu',
          { on: 'component', component: 'processor' },
          {},
          'Processor block',
        ),
        component(
          'front-radiator',
          'rad-mill-360w-45',
          { on: 'mount', mount: 'front', slide_mm: 20, ports: 'end', air: 'in' },
          {},
          'Front radiator',
        ),
        component(
          'front-fans',
          'fan-gust-180-1100',
          { on: 'radiator', component: 'front-radiator', face: 'frame' },
          { speed_rpm: 650 },
          'Front fans',
        ),
        component(
          'rear-fan',
          'fan-wren-140-1000',
          { on: 'mount', mount: 'rear', slide_mm: 5, ports: 'end', air: 'out' },
          { speed_rpm: 600 },
          'Rear fan',
        ),
        component(
          'pump',
          'pump-osier-large',
          { on: 'spot', spot: 'pump', turn: 0 },
          { speed_rpm: 3000 },
          'Pump',
        ),
        component(
          'reservoir',
          'res-osier-200',
          { on: 'spot', spot: 'over', turn: 0 },
          {},
          'Reservoir',
        ),
      ],
    ),
    {
      name: 'Main loop',
      tube: 'tube-epdm-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
    },
  );
