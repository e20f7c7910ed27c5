import type { Design, Layout, Loop } from '@/core/design';
import { insertStation } from '@/core/loops';
import { apply, component, connected, joint, OWNED, plumb, start, tube } from './building';
import deskLayout from './layouts/dawn-chorus-desk.json';
import towerLayout from './layouts/fenland-flood-tower.json';
import planetariumLayout from './layouts/pocket-planetarium.json';

export interface Demo {
  readonly name: string;
  readonly about: string;
  readonly design: Design;
}

/** A quiet desk for editing birdsong recordings: soft tube, two radiators, slow fans. */
function dawnChorusDesk(): Design {
  const design = start(
    'Dawn chorus desk',
    { room_C: 22, listener_m: 1 },
    { deltaT_K: 10, noise_dBA: 30, flow_Lmin: 3, budget_minor: 80000 },
    'case-alder-42',
    [
      component('board', 'brd-barnacre-atx', { on: 'tray' }, OWNED),
      component('processor', 'cpu-lantern-8', { on: 'board' }, OWNED),
      component('memory', 'mem-stack-2', { on: 'board' }, OWNED),
      component('card', 'gpu-kite-200', { on: 'slot', slot: 1 }, OWNED),
      component('supply', 'psu-hum-750', { on: 'bay' }, OWNED),
      component(
        'processor-block',
        'blk-hearth-cpu',
        { on: 'component', component: 'processor' },
        {},
        'Processor block',
      ),
      component(
        'card-block',
        'blk-hearth-card',
        { on: 'component', component: 'card' },
        {},
        'Card block',
      ),
      component(
        'front-radiator',
        'rad-tarn-360-30',
        { on: 'mount', mount: 'front', slide_mm: 23, ports: 'end', air: 'in' },
        {},
        'Front radiator',
      ),
      component(
        'top-radiator',
        'rad-tarn-240-30',
        { on: 'mount', mount: 'top', slide_mm: 0, ports: 'end', air: 'in' },
        {},
        'Top radiator',
      ),
      component(
        'front-fans',
        'fan-wren-120-2000',
        { on: 'radiator', component: 'front-radiator', face: 'frame' },
        { speed_rpm: 1150 },
        'Front fans',
      ),
      component(
        'top-fans',
        'fan-wren-120-2000',
        { on: 'radiator', component: 'top-radiator', face: 'interior' },
        { speed_rpm: 1150 },
        'Top fans',
      ),
      component(
        'rear-fan',
        'fan-wren-120-1200',
        { on: 'mount', mount: 'rear', slide_mm: 10, ports: 'end', air: 'out' },
        { speed_rpm: 700, owned: true },
        'Rear fan',
      ),
      component(
        'pump',
        'pump-osier-large',
        { on: 'spot', spot: 'pump', turn: 0 },
        { speed_rpm: 3400 },
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
  );
  const laid = plumb(
    apply(design, { do: 'case.remove-obstacle', obstacle: 'cage', removed: true }),
    {
      name: 'Main loop',
      tube: 'tube-epdm-16-10',
      fitting: 'fit-comp-16-10',
      coolant: 'cool-clear-premix',
    },
  );
  const [loop] = laid.loops as readonly [Loop];
  return apply(
    laid,
    connected(loop, [
      ...loop.connections.filter((c) => c.by === 'direct'),
      tube('run-2', 'pump/out', 'card-block/in2'),
      tube('run-3', 'card-block/out', 'processor-block/in'),
      tube('run-4', 'processor-block/out', 'top-radiator/p1'),
      tube('run-5', 'top-radiator/p2', 'front-radiator/p2'),
      tube('run-6', 'front-radiator/p1', 'reservoir/return'),
    ]),
  );
}

/**
 * Two loops of hard tube for a machine that models floods day and night: one for the processor with
 * filter and meter, one for two cards side by side.
 */
function fenlandTower(): Design {
  const design = start(
    'Fenland flood tower',
    { room_C: 25, loadCase: 'render', listener_m: 2 },
    { deltaT_K: 12, noise_dBA: 40, flow_Lmin: 3.5, budget_minor: 190000 },
    'case-tidegate-78',
    [
      component('board', 'brd-barnacre-atx-pro', { on: 'tray' }, OWNED),
      component('processor', 'cpu-lantern-24', { on: 'board' }, OWNED),
      component('memory', 'mem-stack-4', { on: 'board' }, OWNED),
      component('card-a', 'gpu-kite-320', { on: 'slot', slot: 1 }, OWNED, 'Card A'),
      component('card-b', 'gpu-kite-320', { on: 'slot', slot: 5 }, OWNED, 'Card B'),
      component('supply', 'psu-hum-1200', { on: 'bay' }, OWNED),
      component(
        'processor-block',
        'blk-hearth-mono',
        { on: 'component', component: 'processor' },
        {},
        'Processor block',
      ),
      component(
        'card-block-a',
        'blk-hearth-card',
        { on: 'component', component: 'card-a' },
        {},
        'Block of card A',
      ),
      component(
        'card-block-b',
        'blk-hearth-card',
        { on: 'component', component: 'card-b' },
        {},
        'Block of card B',
      ),
      component(
        'front-radiator',
        'rad-fell-360-45',
        { on: 'mount', mount: 'front', slide_mm: 40, ports: 'start', air: 'in' },
        {},
        'Front radiator',
      ),
      component(
        'top-radiator',
        'rad-fell-420-45',
        { on: 'mount', mount: 'top', slide_mm: 0, ports: 'end', air: 'in' },
        {},
        'Top radiator',
      ),
      component(
        'floor-radiator',
        'rad-fell-280-45',
        { on: 'mount', mount: 'bottom', slide_mm: 40, ports: 'start', air: 'in' },
        {},
        'Floor radiator',
      ),
      component(
        'front-fans',
        'fan-wren-120-2000',
        { on: 'radiator', component: 'front-radiator', face: 'frame' },
        { speed_rpm: 1490 },
        'Front fans',
      ),
      component(
        'top-fans',
        'fan-wren-140-1500',
        { on: 'radiator', component: 'top-radiator', face: 'frame' },
        { speed_rpm: 1490 },
        'Top fans',
      ),
      component(
        'floor-fans',
        'fan-wren-140-1500',
        { on: 'radiator', component: 'floor-radiator', face: 'frame' },
        { speed_rpm: 1490 },
        'Floor fans',
      ),
      component(
        'rear-fan',
        'fan-wren-140-1000',
        { on: 'mount', mount: 'rear', slide_mm: 10, ports: 'end', air: 'out' },
        { speed_rpm: 900, owned: true },
        'Rear fan',
      ),
      component(
        'pump-1',
        'pump-osier-large',
        { on: 'spot', spot: 'pump-rear', turn: 90 },
        { speed_rpm: 3900 },
        'Processor pump',
      ),
      component(
        'reservoir-1',
        'res-osier-200',
        { on: 'spot', spot: 'over-rear', turn: 90 },
        {},
        'Processor reservoir',
      ),
      component(
        'pump-2',
        'pump-osier-large',
        { on: 'spot', spot: 'pump-front', turn: 180 },
        { speed_rpm: 3900 },
        'Card pump',
      ),
      component(
        'reservoir-2',
        'res-osier-200',
        { on: 'spot', spot: 'over-front', turn: 0 },
        {},
        'Card reservoir',
      ),
    ],
  );
  const hard = { tube: 'tube-petg-16-12', fitting: 'fit-hard-16', coolant: 'cool-clear-premix' };
  const first = plumb(design, {
    ...hard,
    name: 'Processor loop',
    components: ['reservoir-1', 'pump-1', 'processor-block', 'front-radiator'],
  });
  const second = plumb(first, {
    ...hard,
    name: 'Card loop',
    components: [
      'reservoir-2',
      'pump-2',
      'card-block-a',
      'card-block-b',
      'top-radiator',
      'floor-radiator',
    ],
  });
  const [processor, cards] = second.loops as readonly [Loop, Loop];
  // The two cards' blocks terminal to terminal: inlets joined and outlets, by two bridges.
  const ported = apply(
    second,
    connected(processor, [
      ...processor.connections.filter((c) => c.by === 'direct'),
      tube('run-2', 'pump-1/low', 'front-radiator/p1'),
      tube('run-3', 'front-radiator/p2', 'processor-block/in'),
      tube('run-4', 'processor-block/out', 'reservoir-1/return'),
    ]),
  );
  const parallel = apply(
    ported,
    connected(cards, [
      ...cards.connections.filter((c) => c.by === 'direct'),
      tube('run-6', 'pump-2/out', 'top-radiator/p1'),
      tube('run-7', 'top-radiator/p2', 'floor-radiator/p1'),
      tube('run-11', 'floor-radiator/p2', 'card-block-b/in2'),
      joint('run-12', 'card-block-b/in', 'card-block-a/in2', 'fit-bridge-40'),
      joint('run-13', 'card-block-b/out', 'card-block-a/out2', 'fit-bridge-40'),
      tube('run-10', 'card-block-b/out2', 'reservoir-2/return'),
    ]),
  );
  return [
    component('filter', 'inl-filter', { on: 'line' }, {}, 'Filter'),
    component('meter', 'inl-meter-temp', { on: 'line' }, {}, 'Flow meter'),
  ].reduce((design, piece) => {
    const added = apply(design, { do: 'component.add', component: piece });
    return apply(added, insertStation(added, added.loops[0]?.id ?? '', piece.id));
  }, parallel);
}

/**
 * Eleven litres for a travelling planetarium, with mistakes in it: a metal, a clash, screws, and no
 * drain.
 */
function pocketPlanetarium(): Design {
  const design = start(
    'Pocket planetarium',
    { room_C: 26, altitude_m: 400, loadCase: 'gaming' },
    { deltaT_K: 16, noise_dBA: 38, flow_Lmin: 2.5, budget_minor: 55000 },
    'case-orrery-11',
    [
      component('board', 'brd-barnacre-mini', { on: 'tray' }, OWNED),
      component('processor', 'cpu-lantern-6s', { on: 'board' }, OWNED),
      component('memory', 'mem-stack-2-low', { on: 'board' }, OWNED),
      component('card', 'gpu-kite-160s', { on: 'riser' }, OWNED),
      component('supply', 'psu-hum-600s', { on: 'bay' }, OWNED),
      component(
        'processor-block',
        'blk-quill-cpu',
        { on: 'component', component: 'processor' },
        {},
        'Processor block',
      ),
      component(
        'card-block',
        'blk-quill-card-s',
        { on: 'component', component: 'card' },
        {},
        'Card block',
      ),
      component(
        'top-radiator',
        'rad-bare-240-45',
        { on: 'mount', mount: 'top', slide_mm: 20, ports: 'end', air: 'out' },
        {},
        'Top radiator',
      ),
      component(
        'top-fans',
        'fan-wren-120-2000',
        { on: 'radiator', component: 'top-radiator', face: 'frame' },
        { speed_rpm: 1500, screw_mm: 35 },
        'Top fans',
      ),
      component(
        'pump',
        'pump-brook-compact',
        { on: 'spot', spot: 'pump', turn: 0 },
        { speed_rpm: 3600 },
        'Pump',
      ),
      component(
        'reservoir',
        'res-osier-flat',
        { on: 'spot', spot: 'over', turn: 0 },
        {},
        'Reservoir',
      ),
    ],
  );
  const laid = plumb(design, {
    name: 'Main loop',
    tube: 'tube-soft-13-10',
    fitting: 'fit-comp-13-10',
    coolant: 'cool-distilled',
  });
  const drain = laid.loops[0]?.caps.find((c) => c.with === 'drain');
  return drain
    ? apply(laid, {
        do: 'cap.set',
        loop: 'loop',
        port: { component: drain.component, port: drain.port },
        with: 'plug',
      })
    : laid;
}

/**
 * A demo with the routes the router found for it (`npm run layouts`); a test holds them against the
 * router.
 */
const laidOut = (design: Design, layout: unknown): Design => ({
  ...design,
  layout: layout as Layout,
});

export const DEMO_BUILDS: readonly Demo[] = [
  {
    name: 'dawn-chorus-desk',
    about: 'A quiet desk for editing birdsong recordings: soft tube, two radiators, slow fans.',
    design: laidOut(dawnChorusDesk(), deskLayout),
  },
  {
    name: 'fenland-flood-tower',
    about: 'Two loops of hard tube for a machine that models floods day and night.',
    design: laidOut(fenlandTower(), towerLayout),
  },
  {
    name: 'pocket-planetarium',
    about: 'Eleven litres for a travelling planetarium, with mistakes in it to be found.',
    design: laidOut(pocketPlanetarium(), planetariumLayout),
  },
];

export const demoDesign = (name: string): Design | null =>
  DEMO_BUILDS.find((d) => d.name === name)?.design ?? null;
