import { factorsOf, type Design, type Reading } from '../design';
import { isoMinutes } from '../units';
import { predictorFor } from './predict';
import { quantitiesOf, type Quantity } from './reading';

/** One kind of figure over the life of a machine. */
export interface Trend {
  readonly kind: Quantity['kind'];
  readonly of: string;
  /** Measured over predicted for the state it was read in: 1 where all is as worked out. */
  readonly points: readonly { readonly on: string; readonly ratio: number }[];
  /** The model that tells the points with fewest words. */
  readonly shape: 'level' | 'drift' | 'step';
  /** Mean of all, or of what came before a step. */
  readonly from: number;
  /** Where a drift has come to, or a step to; `from` of a level. */
  readonly to: number;
  /** Of a step: the first reading after it, ISO date and time; else null. */
  readonly since: string | null;
}

/** Fewer readings show no trend. */
const LEAST_POINTS = 5;

/**
 * Each figure's ratio to its prediction over time, told as level, drifting, or changed at one
 * reading: the one with the least Schwarz criterion, n ln(RSS/n) + k ln n (Schwarz 1978), where
 * scatter below two hundredths counts as that. Noise is left out: a ratio of decibels says
 * nothing.
 */
export function trendsOf(design: Design, readings: readonly Reading[]): readonly Trend[] {
  const factors = factorsOf(design);
  const series = new Map<string, { q: Quantity; points: { on: string; ratio: number }[] }>();
  for (const reading of readings) {
    const quantities = quantitiesOf(reading).filter((q) => q.kind !== 'noise');
    const predicted = predictorFor(design, reading).predict(quantities, factors);
    quantities.forEach((q, i) => {
      const less = q.kind === 'spot' ? reading.room_C : 0;
      const below = (predicted[i] as number) - less;
      if (!(Math.abs(below) > 1e-9)) return;
      const key = `${q.kind} ${q.of}`;
      const known = series.get(key) ?? { q, points: [] };
      known.points.push({ on: reading.on, ratio: (q.measured - less) / below });
      series.set(key, known);
    });
  }
  return [...series.values()].map(({ q, points }) => ({
    kind: q.kind,
    of: q.of,
    points,
    ...shapeOf(points),
  }));
}

type Shape = Pick<Trend, 'shape' | 'from' | 'to' | 'since'>;

/** What a row of ratios over time says. */
export function shapeOf(points: Trend['points']): Shape {
  const y = points.map((p) => p.ratio),
    x = points.map((p) => isoMinutes(p.on));
  const level = mean(y);
  const flat: Shape = { shape: 'level', from: level, to: level, since: null };
  if (points.length < LEAST_POINTS) return flat;
  const shapes: { readonly shape: Shape; readonly criterion: number }[] = [
    { shape: flat, criterion: criterion(spread(y), y.length, 1) },
    drift(x, y),
  ];
  // One reading alone is an outlier, not a step.
  for (let k = 2; k <= y.length - 2; k += 1) {
    const before = y.slice(0, k),
      after = y.slice(k);
    shapes.push({
      shape: {
        shape: 'step',
        from: mean(before),
        to: mean(after),
        since: (points[k] as Trend['points'][number]).on,
      },
      criterion: criterion(spread(before) + spread(after), y.length, 3),
    });
  }
  return shapes.reduce((a, b) => (b.criterion < a.criterion ? b : a)).shape;
}

function drift(x: readonly number[], y: readonly number[]): { shape: Shape; criterion: number } {
  const mx = mean(x),
    my = mean(y);
  const sxx = x.reduce((s, v) => s + (v - mx) ** 2, 0);
  const slope =
    sxx > 0 ? x.reduce((s, v, i) => s + (v - mx) * ((y[i] as number) - my), 0) / sxx : 0;
  const at = (v: number): number => my + slope * (v - mx);
  const rss = x.reduce((s, v, i) => s + ((y[i] as number) - at(v)) ** 2, 0);
  return {
    shape: { shape: 'drift', from: at(x[0] as number), to: at(x.at(-1) as number), since: null },
    criterion: criterion(rss, y.length, 2),
  };
}

const mean = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0) / v.length;
function spread(v: readonly number[]): number {
  const m = mean(v);
  return v.reduce((s, x) => s + (x - m) ** 2, 0);
}

/** Readings are no better than this, as a share (common practice, no source). */
const LEAST_SCATTER = 0.02;
const criterion = (rss: number, n: number, words: number): number =>
  n * Math.log(Math.max(rss / n, LEAST_SCATTER ** 2)) + words * Math.log(n);
