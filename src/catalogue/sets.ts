import type { BlockPart, ComponentPart, PumpPart } from '@/core/components';
import { freeId, type Component, type Design, type Edit, type Placement } from '@/core/design';
import { defaultPlacements } from '@/core/checks';
import { BLOCKS } from './blocks';
import { named } from './building';
import { PUMPS, RESERVOIRS } from './pumps';
import { port } from './shapes';

/** Parts sold as one: one price, and they move together. The first carries the others. */
export interface PartSet {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price_minor: number;
  readonly first: ComponentPart;
  readonly others: readonly {
    readonly part: ComponentPart;
    readonly on: Omit<Extract<Placement, { on: 'against' }>, 'on' | 'component'>;
  }[];
}

const MIDDLE = { along_mm: 0, across_mm: 0, turn: 0 } as const;

/** A pump whose inlet is on its top, under a reservoir whose foot is over it. */
const tall = (
  id: string,
  name: string,
  price_minor: number,
  pump: string,
  reservoir: string,
): PartSet => ({
  id,
  name,
  maker: 'Osier and Reed',
  price_minor,
  first: named(PUMPS, pump),
  others: [{ part: named(RESERVOIRS, reservoir), on: { face: '+y', ...MIDDLE } }],
});

/** A block that is fed from its middle, and a flat pump that gives downward into it. */
const fed: BlockPart = {
  ...named(BLOCKS, 'blk-quill-cpu'),
  id: 'blk-quill-fed',
  name: 'Quill, fed from above',
  ports: [
    port('in', 'under the pump', [28, 28, 22], [0, 0, 1], 'a', { role: 'in' }),
    port('out', 'outlet', [56, 28, 11], [1, 0, 0], 'b'),
  ],
};
const topPump: PumpPart = {
  ...named(PUMPS, 'pump-brook-small'),
  id: 'pump-brook-on-block',
  name: 'Brook, on a block',
  size: [52, 34, 52],
  ports: [
    port('in', 'inlet', [0, 17, 26], [-1, 0, 0], 'in', { role: 'in' }),
    port('out', 'into the block', [26, 0, 26], [0, -1, 0], 'out', { role: 'out' }),
  ],
};

export const SETS: readonly PartSet[] = [
  tall('set-osier-150', 'Mere 150 on an Osier pump', 12900, 'pump-osier-large', 'res-osier-150'),
  tall('set-osier-250', 'Mere 250 on an Osier pump', 13900, 'pump-osier-large', 'res-osier-250'),
  tall('set-brook-flat', 'Pond on a Brook pump', 9900, 'pump-brook-compact', 'res-osier-flat'),
  {
    id: 'set-quill-pump',
    name: 'Quill with a pump on it',
    maker: 'Quillcopper',
    price_minor: 10900,
    first: fed,
    others: [{ part: topPump, on: { face: '+z', ...MIDDLE } }],
  },
];

/** Puts a set into a build at the most usual place of its first part. */
export function addSet(
  design: Design,
  set: PartSet,
): { readonly edit: Edit; readonly component: string } {
  const taken = design.components.map((c) => c.id);
  const id = freeId(taken, set.first.kind);
  const first: Component = {
    id,
    name: set.name,
    part: { ...set.first, price_minor: set.price_minor, maker: set.maker },
    placement: { on: 'unplaced' },
    settings: {},
  };
  const [place] = defaultPlacements(design, first);
  const others = set.others.map(({ part, on }, i): Component => ({
    id: freeId([...taken, id], `${part.kind}-of-${id}${i > 0 ? `-${i + 1}` : ''}`),
    name: `${set.name}: ${part.kind}`,
    part: { ...part, price_minor: 0, maker: set.maker },
    placement: { on: 'against', component: id, ...on },
    settings: { partOf: id },
  }));
  const all = [{ ...first, placement: place?.placement ?? first.placement }, ...others];
  return {
    component: id,
    edit: {
      do: 'batch',
      edits: all.map((component): Edit => ({ do: 'component.add', component })),
    },
  };
}
