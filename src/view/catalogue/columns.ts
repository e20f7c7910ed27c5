import { PARTS_CURRENCY } from '@/core/design';
import type { GridColDef } from '@mui/x-data-grid';
import { fitOf, lossDrop } from '@/core/hydraulics';
import { METAL_NAMES } from '@/core/corrosion';
import { PART_KINDS, type Part, type PartKind } from '@/core/components';
import { formatMoney, unitShown, valueShown } from '@/core/units';
import { msg, worded } from '@/core/messages';
import { partFigures } from './figures';

export interface Row {
  readonly id: string;
  readonly part: Part;
  readonly own: boolean;
  readonly retired: boolean;
}

/** A column, and the fixed unit its numbers come in. */
type Column = GridColDef<Row> & { readonly unit?: string };

type Get = (p: Part) => number | string | null;
const number = (field: string, headerName: string, get: Get, width = 96): GridColDef<Row> => ({
  field,
  headerName,
  width,
  type: 'number',
  valueGetter: (_, r) => get(r.part),
});
/** A column of measures: the unit that its numbers come in stands behind its words, as shown. */
const measured = (field: string, unit: string, words: string, get: Get, width = 96): Column => ({
  ...number(field, words, get, width),
  unit,
});
const text = (field: string, headerName: string, get: Get, width = 120): GridColDef<Row> => ({
  field,
  headerName,
  width,
  valueGetter: (_, r) => get(r.part),
});
const of =
  <K extends PartKind>(
    kind: K,
    get: (p: Extract<Part, { kind: K }>) => number | string | null,
  ): Get =>
  (p) =>
    p.kind === kind ? get(p as Extract<Part, { kind: K }>) : null;
const wetted: Get = (p) =>
  'wetted' in p ? [...new Set(p.wetted.map((w) => METAL_NAMES[w.metal]))].join(', ') : null;
const dropAt4: Get = (p) =>
  'passages' in p && (p.passages[0]?.points.length ?? 0) > 0
    ? lossDrop(fitOf(p.passages[0]?.points ?? []), 4)
    : null;

/** What matters of each kind, to sort and filter by. */
const OF_KIND: Partial<Record<PartKind, readonly Column[]>> = worded(() => ({
  radiator: [
    measured(
      'section',
      'mm',
      msg`Section`,
      of('radiator', (p) => p.section_mm),
    ),
    number(
      'sections',
      msg`Sections`,
      of('radiator', (p) => p.sections),
      80,
    ),
    measured(
      'thick',
      'mm',
      msg`Thick`,
      of('radiator', (p) => p.size[2]),
    ),
    number(
      'fpi',
      msg`Fins an inch`,
      of('radiator', (p) => p.core.fpi),
    ),
    text(
      'metal',
      msg`Fins`,
      of('radiator', (p) => p.core.finMetal),
      90,
    ),
    number(
      'ports',
      msg`Ports`,
      of('radiator', (p) => p.ports.length),
      70,
    ),
    text(
      'screw',
      msg`Screws`,
      of('radiator', (p) => p.screw.thread),
      90,
    ),
    measured(
      'gap',
      'mm',
      msg`Hole gap`,
      of('radiator', (p) => p.holeGap_mm),
    ),
    number(
      'volume',
      'mL',
      of('radiator', (p) => p.volume_mL),
      70,
    ),
  ],
  fan: [
    measured(
      'section',
      'mm',
      msg`Size`,
      of('fan', (p) => p.section_mm),
    ),
    measured(
      'thick',
      'mm',
      msg`Thick`,
      of('fan', (p) => p.size[2]),
    ),
    measured(
      'full',
      'rpm',
      msg`Full`,
      of('fan', (p) => p.fullSpeed_rpm),
    ),
    measured(
      'free',
      'm³/h',
      msg`Free`,
      of('fan', (p) => p.points[p.points.length - 1]?.[0] ?? null),
    ),
    measured(
      'pressure',
      'Pa',
      msg`Shut off`,
      of('fan', (p) => p.points[0]?.[1] ?? null),
    ),
    number(
      'sound',
      'dBA',
      of('fan', (p) => p.sound_dBA),
      70,
    ),
  ],
  pump: [
    measured(
      'head',
      'm',
      msg`Head`,
      of('pump', (p) => p.points[0]?.[1] ?? null),
    ),
    measured(
      'free',
      'L/min',
      msg`Free`,
      of('pump', (p) => p.points[p.points.length - 1]?.[0] ?? null),
    ),
    measured(
      'full',
      'rpm',
      msg`Full`,
      of('pump', (p) => p.fullSpeed_rpm),
    ),
    number(
      'sound',
      'dBA',
      of('pump', (p) => p.sound_dBA),
      70,
    ),
    number(
      'power',
      'W',
      of('pump', (p) => p.power_W),
      60,
    ),
    text('wet', msg`Wetted`, wetted, 130),
  ],
  reservoir: [
    measured(
      'high',
      'mm',
      msg`High`,
      of('reservoir', (p) => p.size[1]),
    ),
    measured(
      'fill',
      'mL',
      msg`Fill`,
      of('reservoir', (p) => p.fill_mL),
    ),
    number(
      'ports',
      msg`Ports`,
      of('reservoir', (p) => p.ports.length),
      70,
    ),
  ],
  block: [
    text(
      'cools',
      msg`Cools`,
      of('block', (p) => p.cools.join(', ')),
      150,
    ),
    number(
      'kw',
      msg`K/W at 4 L/min`,
      of('block', (p) => p.resistance.find(([q]) => q === 4)?.[1] ?? null),
      120,
    ),
    number('drop', msg`kPa at 4 L/min`, dropAt4, 120),
    measured(
      'thick',
      'mm',
      msg`Thick`,
      of('block', (p) => Math.min(...p.size)),
    ),
    text('wet', msg`Wetted`, wetted, 130),
  ],
  fitting: [
    text(
      'duty',
      msg`For`,
      of('fitting', (p) => p.duty),
      110,
    ),
    text(
      'thread',
      msg`Thread`,
      of('fitting', (p) => p.thread),
      80,
    ),
    text(
      'tube',
      msg`Tube, mm`,
      of('fitting', (p) => (p.tube ? `${p.tube.outer_mm}/${p.tube.inner_mm}` : '')),
      90,
    ),
    measured(
      'bore',
      'mm',
      msg`Bore`,
      of('fitting', (p) => p.bore_mm),
    ),
    measured(
      'length',
      'mm',
      msg`Stands out`,
      of('fitting', (p) => p.length_mm),
      120,
    ),
    text(
      'family',
      msg`Family`,
      of('fitting', (p) => p.family ?? msg`plain`),
      100,
    ),
    text('wet', msg`Wetted`, wetted, 130),
  ],
  tube: [
    text(
      'material',
      msg`Material`,
      of('tube', (p) => p.material),
      120,
    ),
    measured(
      'outer',
      'mm',
      msg`Outer`,
      of('tube', (p) => p.outer_mm),
    ),
    measured(
      'inner',
      'mm',
      msg`Inner`,
      of('tube', (p) => p.inner_mm),
    ),
    measured(
      'bend',
      'mm',
      msg`Least bend`,
      of('tube', (p) => p.minBend_mm),
      120,
    ),
    measured(
      'stick',
      'mm',
      msg`Stick`,
      of('tube', (p) => p.stick_mm ?? null),
    ),
  ],
  case: [
    number(
      'litres',
      msg`Litres`,
      of('case', (p) => p.volume_L),
    ),
    measured(
      'long',
      'mm',
      msg`Long`,
      of('case', (p) => p.interior[0]),
    ),
    measured(
      'high',
      'mm',
      msg`High`,
      of('case', (p) => p.interior[1]),
    ),
    measured(
      'wide',
      'mm',
      msg`Wide`,
      of('case', (p) => p.interior[2]),
    ),
    text(
      'board',
      msg`Boards`,
      of('case', (p) => p.boardStandards.join(', ')),
      190,
    ),
  ],
  coolant: [
    text(
      'look',
      msg`Look`,
      of('coolant', (p) => p.look),
      80,
    ),
    measured(
      'months',
      'months',
      msg`Inhibitor`,
      of('coolant', (p) => p.inhibitor_months),
      130,
    ),
    measured(
      'bottle',
      'mL',
      msg`Bottle`,
      of('coolant', (p) => p.bottle_mL),
    ),
    text(
      'poison',
      msg`Toxic`,
      of('coolant', (p) => (p.poisonous ? msg`yes` : msg`no`)),
      90,
    ),
  ],
  screw: [
    text(
      'thread',
      msg`Thread`,
      of('screw', (p) => p.thread),
      110,
    ),
    measured(
      'length',
      'mm',
      msg`Length`,
      of('screw', (p) => p.length_mm),
    ),
    number(
      'pack',
      msg`In a pack`,
      of('screw', (p) => p.pack),
    ),
  ],
  card: [
    number(
      'draw',
      'W',
      of('card', (p) => p.draw_W),
      70,
    ),
    measured(
      'long',
      'mm',
      msg`Long`,
      of('card', (p) => p.size[0]),
    ),
    measured(
      'thick',
      'mm',
      msg`Thick`,
      of('card', (p) => p.size[1]),
    ),
  ],
}));

/** The column with its numbers in the unit shown. */
function inUnitsShown({ unit, ...column }: Column): GridColDef<Row> {
  if (unit === undefined) return column;
  const getter = column.valueGetter as (value: unknown, row: Row) => unknown;
  return {
    ...column,
    headerName: msg`${column.headerName ?? ''}, ${unitShown(unit)}`,
    valueGetter: (value: unknown, row: Row) => {
      const own = getter(value, row);
      if (typeof own !== 'number' || unitShown(unit) === unit) return own;
      return Number(valueShown(own, unit).toPrecision(4));
    },
  } as GridColDef<Row>;
}

/** Columns for a kind, or for all kinds together. */
export function columnsFor(kind: PartKind | null): GridColDef<Row>[] {
  const special = kind ? OF_KIND[kind]?.map(inUnitsShown) : undefined;
  return [
    ...(kind ? [] : [text('kind', msg`Kind`, (p) => PART_KINDS[p.kind].one, 120)]),
    {
      field: 'name',
      headerName: msg`Part`,
      width: 210,
      valueGetter: (_, r) => r.part.name,
      renderCell: (c) => (c.row.own ? msg`${c.row.part.name} · yours` : c.row.part.name),
    },
    text('maker', msg`Maker`, (p) => p.maker, 130),
    ...(special ?? [
      {
        field: 'figures',
        headerName: msg`What matters`,
        flex: 1,
        minWidth: 320,
        valueGetter: (_: unknown, r: Row) => partFigures(r.part),
      } satisfies GridColDef<Row>,
    ]),
    {
      field: 'price',
      headerName: msg`Price, ${PARTS_CURRENCY}`,
      width: 90,
      type: 'number',
      valueGetter: (_, r) => r.part.price_minor / 100,
      valueFormatter: (v: number) => formatMoney(Math.round(v * 100)),
    },
    ...(special
      ? []
      : [{ field: 'id', headerName: msg`Number`, width: 180, cellClassName: 'mono soft' }]),
  ];
}
