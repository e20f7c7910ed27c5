import { catalogued, demoDesign } from '.';
import { applyEdit, type Connection, type Design, type Edit, type Loop } from '@/core/design';
import { splitEdit } from '@/core/loops';

const tower = demoDesign('fenland-flood-tower') as Design;
const cards = tower.loops[1] as Loop;

const tube = (id: string, from: readonly [string, string], to: readonly [string, string]) =>
  ({
    id,
    from: { component: from[0], port: from[1] },
    to: { component: to[0], port: to[1] },
    by: 'tube',
    ends: { from: 'auto', to: 'auto' },
  }) as const satisfies Connection;

/** The tower with its cards one behind the other. */
const row = applyEdit(tower, {
  do: 'loop.connections',
  loop: cards.id,
  connections: [
    ...cards.connections.filter((c) => c.by === 'direct' && !c.bridge),
    tube('run-6', ['pump-2', 'out'], ['floor-radiator', 'p1']),
    tube('run-7', ['floor-radiator', 'p2'], ['card-block-b', 'in2']),
    tube('run-12', ['card-block-b', 'out'], ['card-block-a', 'in2']),
    tube('run-11', ['card-block-a', 'out'], ['top-radiator', 'p1']),
    tube('run-10', ['top-radiator', 'p2'], ['reservoir-2', 'return']),
  ],
}).design;

/** The tower with its cards side by side between two tees, not routed. */
export const teedTower = applyEdit(
  row,
  splitEdit(
    row,
    cards.id,
    ['card-block-b', 'card-block-a'],
    catalogued('inline', 'inl-tee'),
  ) as Edit,
).design;
