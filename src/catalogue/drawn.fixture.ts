import { catalogued, STANDARD_KIT } from '.';
import { EMPTY_BOX } from './emptyBox.fixture';
import type { Port, ReservoirPart } from '@/core/components';
import { emptyDesign, type Component, type Connection, type Design } from '@/core/design';
import type { Vec } from '@/core/geometry';

/** Side of a cell, mm. */
export const CELL_MM = 50;
const HALF = CELL_MM / 2;

/** Which way the port of a cell looks: o towards the window, x towards the tray. */
const WAYS: Readonly<Record<string, Vec>> = {
  '>': [1, 0, 0],
  '<': [-1, 0, 0],
  '^': [0, 1, 0],
  v: [0, -1, 0],
  o: [0, 0, 1],
  x: [0, 0, -1],
};

interface Cell {
  readonly sign: string;
  readonly middle: Vec;
}

/**
 * Cells of a drawing in layers: each line holds a row of every layer, tray first, parted by `|`; the
 * top line is the highest. A cell is two signs wide: `. ` empty, `##` filled, `a>` a port named a
 * and the way it looks.
 */
function cellsOf(drawing: string): readonly Cell[] {
  const rows = drawing
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  return rows.flatMap((line, down) =>
    line.split('|').flatMap((layer, z) =>
      (layer.trim().match(/\S+/g) ?? []).map((sign, x): Cell => ({
        sign,
        middle: [x * CELL_MM + HALF, (rows.length - 1 - down) * CELL_MM + HALF, z * CELL_MM + HALF],
      })),
    ),
  );
}

const vessel = catalogued('reservoir', 'res-osier-100');

/** A cube of 20 mm with a port in the middle of one face. */
function portAt({ sign, middle }: Cell): Component {
  const [name = '', way = ''] = sign;
  const direction = WAYS[way];
  if (!direction) throw new RangeError(`no way a port looks: ${sign}`);
  const port: Port = {
    ...(vessel.ports[0] as Port),
    id: 'port',
    name: 'port',
    at: direction.map((d) => 10 + 10 * d) as unknown as Vec,
    direction,
  };
  const part: ReservoirPart = {
    ...vessel,
    id: `vessel-${name}`,
    name: name.toUpperCase(),
    size: [20, 20, 20],
    boxes: [{ name, min: [0, 0, 0], max: [20, 20, 20] }],
    ports: [port],
  };
  const [x, y, z] = middle;
  return {
    id: name,
    name: name.toUpperCase(),
    part,
    placement: { on: 'free', at: [x, y - 10, z], turn: 0 },
    settings: {},
  };
}

const HARD = {
  tube: catalogued('tube', 'tube-petg-14-10'),
  fitting: catalogued('fitting', 'fit-hard-14'),
  coolant: catalogued('coolant', 'cool-clear-premix'),
};

/** A build as drawn: its ports joined by hard tube in pairs, such as `ab cd`. */
export function drawn(drawing: string, pairs: string): Design {
  const cells = cellsOf(drawing);
  const interior = [0, 1, 2].map(
    (axis) => Math.max(...cells.map((c) => c.middle[axis] as number)) + HALF,
  ) as unknown as Vec;
  const obstacles = cells
    .filter((c) => c.sign === '##')
    .map(({ middle }, i) => ({
      id: `filled-${i}`,
      name: 'filled',
      removable: false,
      min: middle.map((v) => v - HALF) as unknown as Vec,
      max: middle.map((v) => v + HALF) as unknown as Vec,
    }));
  const connections = pairs.split(' ').map(([from = '', to = '']): Connection => ({
    id: `${from}${to}`,
    from: { component: from, port: 'port' },
    to: { component: to, port: 'port' },
    by: 'tube',
    ends: { from: 'straight', to: 'straight' },
  }));
  return {
    ...emptyDesign('Drawn', STANDARD_KIT),
    case: { ...EMPTY_BOX, interior, obstacles },
    components: cells.filter((c) => !/^(\.|##)$/.test(c.sign)).map(portAt),
    loops: [{ id: 'loop', name: 'Loop', ...HARD, coolantAge_months: 0, connections, caps: [] }],
  };
}
