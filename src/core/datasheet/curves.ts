import { msg } from '../messages';
import { cellsOf, unitOfLabel, wordsOf, type Line, type Sheet } from './context';
import type { SheetKind } from './fields';
import type { Dimension, Quantity } from './quantity';
import type { Found } from './types';

/** A curve that a sheet may tell of a kind of part: y over flow. */
interface CurveField {
  readonly id: string;
  readonly name: string;
  readonly x: Dimension;
  /** What y may be given in, with the factor from that dimension's own unit. */
  readonly y: Readonly<Partial<Record<Dimension, number>>>;
  readonly unit: string;
}

/** Metres of water to kPa, at 25 °C. */
const KPA_PER_M = 9.80665;
const CURVES: Readonly<Partial<Record<SheetKind, readonly CurveField[]>>> = {
  pump: [
    {
      id: 'points',
      get name() {
        return msg`Head over flow`;
      },
      x: 'flow',
      y: { head: 1, pressure: 1 / KPA_PER_M },
      unit: 'm at L/min',
    },
  ],
  block: [
    {
      id: 'dropPoints',
      get name() {
        return msg`Pressure drop over flow`;
      },
      x: 'flow',
      y: { pressure: 1 },
      unit: 'kPa at L/min',
    },
    {
      id: 'resistancePoints',
      get name() {
        return msg`Resistance over flow`;
      },
      x: 'flow',
      y: { resistance: 1 },
      unit: 'K/W at L/min',
    },
  ],
  radiator: [
    {
      id: 'dropPoints',
      get name() {
        return msg`Pressure drop over flow`;
      },
      x: 'flow',
      y: { pressure: 1 },
      unit: 'kPa at L/min',
    },
  ],
};
/** Fewer pairs are single figures. */
const LEAST_POINTS = 3;

type Row = { readonly as: Quantity['as']; readonly own: readonly Quantity[] };

/** Curves of a sheet; their figures are taken. */
export function curvesIn(sheet: Sheet, kind: SheetKind): readonly Found[] {
  return (CURVES[kind] ?? []).flatMap((curve): Found[] => {
    const points = fromRows(sheet, curve) ?? fromColumns(sheet, curve) ?? fromPairs(sheet, curve);
    const [first] = points ?? [];
    if (!points || !first) return [];
    for (const { x, y } of points) {
      sheet.taken.add(x);
      sheet.taken.add(y);
    }
    const ends = [...points].sort((a, b) => a.x.from - b.x.from);
    return [
      {
        field: curve.id,
        name: curve.name,
        value: points.map((p) => [p.at, p.is] as const).sort((a, b) => a[0] - b[0]),
        unit: curve.unit,
        words: {
          ...wordsOf(sheet, first.x),
          to: Math.max(...ends.map((p) => Math.max(p.x.to, p.y.to))),
        },
      },
    ];
  });
}

interface Point {
  readonly at: number;
  readonly is: number;
  readonly x: Quantity;
  readonly y: Quantity;
}

const factorOf = (
  as: Quantity['as'],
  to: Readonly<Partial<Record<Dimension, number>>>,
): number | null => {
  for (const [dimension, factor] of Object.entries(to) as [Dimension, number][]) {
    const own = as[dimension];
    if (own !== undefined) return own * factor;
  }
  return null;
};

/** Two rows of as many figures, one of flows: told by their labels or by the unit behind the last. */
function fromRows(sheet: Sheet, curve: CurveField): readonly Point[] | null {
  const rows = sheet.lines.flatMap((line): Row[] => {
    const own = sheet.quantities.filter((q) => q.line === line.number && !sheet.taken.has(q));
    if (own.length < LEAST_POINTS) return [];
    const last = own[own.length - 1] as Quantity;
    const label = sheet.text.slice(line.from, (own[0] as Quantity).from);
    const as = 'none' in last.as ? unitOfLabel(label) : last.as;
    return as ? [{ as, own }] : [];
  });
  for (const x of rows) {
    const toFlow = factorOf(x.as, { [curve.x]: 1 });
    if (toFlow === null) continue;
    for (const y of rows) {
      const toY = factorOf(y.as, curve.y);
      if (y === x || toY === null || y.own.length !== x.own.length) continue;
      return x.own.map((q, i) => {
        const other = y.own[i] as Quantity;
        return { at: q.low * toFlow, is: other.low * toY, x: q, y: other };
      });
    }
  }
  return null;
}

/** A heading of two columns or more, and lines of as many figures under it. */
function fromColumns(sheet: Sheet, curve: CurveField): readonly Point[] | null {
  for (const head of sheet.lines) {
    const heads = cellsOf(head.text);
    if (heads.length < 2 || sheet.quantities.some((q) => q.line === head.number && 'none' in q.as))
      continue;
    const factors = heads.map((h) => unitOfLabel(h) ?? {});
    const x = factors.findIndex((as) => factorOf(as, { [curve.x]: 1 }) !== null),
      y = factors.findIndex((as, i) => i !== x && factorOf(as, curve.y) !== null);
    if (x < 0 || y < 0) continue;
    const points = under(sheet, head, heads.length).map((own): Point => {
      const qx = own[x] as Quantity,
        qy = own[y] as Quantity;
      return {
        at: qx.low * (factorOf(factors[x] as Quantity['as'], { [curve.x]: 1 }) as number),
        is: qy.low * (factorOf(factors[y] as Quantity['as'], curve.y) as number),
        x: qx,
        y: qy,
      };
    });
    if (points.length >= LEAST_POINTS) return points;
  }
  return null;
}

/** Figures of the lines under a heading, while there are as many as it has columns. */
function under(sheet: Sheet, head: Line, columns: number): readonly (readonly Quantity[])[] {
  const rows: (readonly Quantity[])[] = [];
  for (let i = head.number; i < sheet.lines.length; i += 1) {
    const line = sheet.lines[i] as Line;
    if (/^[\s|:\-+=]*$/.test(line.text) && rows.length === 0) continue;
    const own = sheet.quantities.filter((q) => q.line === line.number);
    if (own.length !== columns) break;
    rows.push(own);
  }
  return rows;
}

/** "0 L/min: 3.95 m", again and again. */
function fromPairs(sheet: Sheet, curve: CurveField): readonly Point[] | null {
  const points: Point[] = [];
  const free = sheet.quantities.filter((q) => !sheet.taken.has(q));
  for (let i = 0; i + 1 < free.length; i += 1) {
    const [a, b] = [free[i] as Quantity, free[i + 1] as Quantity];
    if (a.line !== b.line) continue;
    const straight = pairOf(a, b, curve),
      turned = pairOf(b, a, curve);
    const point = straight ?? turned;
    if (!point) continue;
    points.push(point);
    i += 1;
  }
  return points.length >= LEAST_POINTS ? points : null;
}

function pairOf(x: Quantity, y: Quantity, curve: CurveField): Point | null {
  const toFlow = factorOf(x.as, { [curve.x]: 1 }),
    toY = factorOf(y.as, curve.y);
  return toFlow === null || toY === null ? null : { at: x.low * toFlow, is: y.low * toY, x, y };
}
