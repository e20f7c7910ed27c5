import type { Component } from '@/core/design';
import type { ComponentPart, FittingPart } from '@/core/components';
import { fitLossCurve, headTrouble, lossDrop } from '@/core/hydraulics';
import { blockLaw, blockResistance } from '@/core/thermal';
import { formatMeasure, formatNumber, pchip, pchipAt, type QuantityName } from '@/core/units';
import { msg } from '@/core/messages';

export type Points = readonly (readonly [number, number])[];

/**
 * Which curve of which part: a passage by its number from 1, a pump's head, a fan's pressure, a
 * block's K/W.
 */
export interface CurveOf {
  readonly component: Component;
  readonly of: number | 'head' | 'pressure' | 'resistance';
}

/** What a kind of curve is called, measured in and made of its points. */
export interface CurveKind {
  readonly x: QuantityName;
  readonly y: QuantityName;
  readonly xWord: string;
  readonly yWord: string;
  /** What the upright axis is called. */
  readonly yAxis: string;
  readonly intro: string;
  own(part: ComponentPart | FittingPart): {
    readonly points: Points;
    readonly source: string | undefined;
  };
  /** The curve that will be used, or null while the points do not make one. */
  read(points: Points): Reading | null;
  readonly tooFew: string;
}
export interface Reading {
  readonly used: Points;
  at(x: number): number | null;
  /** How well it meets the points, or why some are left out. */
  readonly words: string;
  readonly note: boolean;
}

const loss = (passage: number): CurveKind => ({
  x: 'flow',
  y: 'pressure',
  xWord: msg`Flow`,
  yWord: msg`Drop`,
  yAxis: msg`pressure drop`,
  intro: msg`One point a line, flow then pressure drop, typed or pasted from a table. A heading
    or a unit behind each number is understood. Measured with water at 25 °C; other coolants are
    scaled.`,
  own: (part) => {
    if (part.kind === 'fitting') return { points: part.points ?? [], source: part.pointsSource };
    const p = 'passages' in part ? part.passages[passage - 1] : undefined;
    return { points: p?.points ?? [], source: p?.source };
  },
  read: (points) => {
    if (!points.some(([q]) => q > 0)) return null;
    const fit = fitLossCurve(points);
    return {
      used: points,
      at: (q) => lossDrop(fit, q),
      note: false,
      words: msg`a ${formatNumber(fit.a, { decimals: 3 })}, b
        ${formatNumber(fit.b, { decimals: 3 })}: drop = a Q + b Q² in kPa and L/min, never below
        0. ${missWords(
          msg`${formatMeasure(fit.residual_kPa, 'kPa', { decimals: 2 })} (root mean square)`,
          isRough(fit.residual_kPa, points),
        )}`,
    };
  },
  tooFew: msg`One point with flow above 0 is needed.`,
});

/** A falling curve through the points; a rising stretch is left out and said. */
const falling = (points: Points, words: (rising: string) => string): Reading | null => {
  const trouble = headTrouble(points),
    used = trouble ? trouble.falling : points;
  if (used.length < 2) return null;
  const spline = pchip(used);
  return {
    used,
    at: (q) => (q >= (used[0]?.[0] ?? 0) ? pchipAt(spline, q).value : null),
    note: trouble !== null,
    words: trouble ? words(trouble.words) : '',
  };
};

const head: CurveKind = {
  x: 'flow',
  y: 'head',
  get xWord() {
    return msg`Flow`;
  },
  get yWord() {
    return msg`Head`;
  },
  get yAxis() {
    return msg`head`;
  },
  get intro() {
    return msg`One point a line, flow then head, typed or pasted from a table. A heading or a
      unit behind each number is understood. At full speed.`;
  },
  own: (part) => ({
    points: part.kind === 'pump' ? part.points : [],
    source: part.kind === 'pump' ? part.pointsSource : undefined,
  }),
  read: (points) => falling(points, (w) => w),
  get tooFew() {
    return msg`A pump needs two points or more.`;
  },
};

const pressure: CurveKind = {
  x: 'airFlow',
  y: 'airPressure',
  get xWord() {
    return msg`Air`;
  },
  get yWord() {
    return msg`Pressure`;
  },
  get yAxis() {
    return msg`pressure`;
  },
  get intro() {
    return msg`One point a line, air flow then pressure, typed or pasted from a table. A heading
      or a unit behind each number is understood. At full speed, in air of 1.2 kg/m³.`;
  },
  own: (part) => ({
    points: part.kind === 'fan' ? part.points : [],
    source: part.kind === 'fan' ? part.pointsSource : undefined,
  }),
  read: (points) =>
    falling(
      points,
      () =>
        msg`Some points lie no lower than the one before. There the blades stall: the same
          pressure belongs to two flows, and the fan is louder and less sure. Only the falling
          part is used; below it the pressure is held.`,
    ),
  get tooFew() {
    return msg`A fan needs two points or more.`;
  },
};

const resistance: CurveKind = {
  x: 'flow',
  y: 'resistance',
  get xWord() {
    return msg`Flow`;
  },
  get yWord() {
    return msg`Resistance`;
  },
  get yAxis() {
    return msg`of the block`;
  },
  get intro() {
    return msg`One point a line, flow then K/W of the block alone, from coolant to its face. A
      heading or a unit behind each number is understood.`;
  },
  own: (part) => ({
    points: part.kind === 'block' ? part.resistance : [],
    source: part.kind === 'block' ? part.resistanceSource : undefined,
  }),
  read: (points) => {
    const used = points.filter(([q, r]) => q > 0 && r > 0);
    if (used.length === 0) return null;
    const law = blockLaw(used),
      miss = Math.sqrt(
        used.reduce((s, [q, r]) => s + (blockResistance(law, q) - r) ** 2, 0) / used.length,
      );
    return {
      used,
      at: (q) => (q > 0.15 ? blockResistance(law, q) : null),
      note: false,
      words: msg`R = ${formatNumber(law.atReference_KW, { decimals: 4 })} K/W ×
        (${formatNumber(law.reference_Lmin, { decimals: 2 })} /
        Q)^${formatNumber(law.exponent, { decimals: 2 })}.
        ${missWords(msg`${formatNumber(miss, { decimals: 4 })} K/W`, isRough(miss, used))}`,
    };
  },
  get tooFew() {
    return msg`One point with flow and K/W above 0 is needed.`;
  },
};

export const curveKind = (of: CurveOf['of']): CurveKind => {
  if (of === 'head') return head;
  if (of === 'pressure') return pressure;
  if (of === 'resistance') return resistance;
  return loss(of);
};

/** A fit that misses by more than this share of the largest value is called out. */
const ROUGH = 0.05;
function isRough(residual: number, points: Points): boolean {
  const most = Math.max(...points.map((p) => p[1]));
  return most > 0 && residual > ROUGH * most;
}

const missWords = (by: string, rough: boolean): string =>
  rough
    ? msg`It misses the points by ${by}: more than ${formatNumber(100 * ROUGH)} % of the largest.
        Look for a slip of a unit or a point.`
    : msg`It misses the points by ${by}.`;
