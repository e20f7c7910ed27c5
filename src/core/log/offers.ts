import type { ComponentId, Design, Measured } from '../design';
import { msg } from '../messages';
import { PRIOR, valueIn, type FactorKind } from './calibrate';

/** What readings of one machine told of a part, good for other machines with the same part. */
export interface MeasuredPart {
  readonly kind: Extract<FactorKind, 'radiators' | 'block' | 'leakage'>;
  /** Id and name of the part. */
  readonly part: string;
  readonly name: string;
  readonly factor: number;
  /** Standard deviation. */
  readonly spread: number;
  /** Name of the build, and how much was read there until when. */
  readonly build: string;
  readonly readings: number;
  readonly on: string;
}

/** The same part here, with all that was measured of it elsewhere taken together. */
export interface Offer {
  readonly id: string;
  readonly kind: MeasuredPart['kind'];
  readonly component: ComponentId | null;
  readonly name: string;
  readonly factor: number;
  readonly spread: number;
  readonly builds: readonly string[];
  readonly readings: number;
  readonly on: string;
}

/** Parts differ from their papers by no more than this, in what is usual. */
const FAULT_DEVIATIONS = 2.5;

/** What the readings of a build told of its parts; nothing where it goes by another's. */
export function measuredParts(design: Design): readonly MeasuredPart[] {
  const { measured } = design.choices.work ?? {};
  if (!measured?.spreads || measured.elsewhere !== undefined) return [];
  const { spreads, readings, on } = measured;
  return factorsWithParts(design).flatMap(({ id, kind, component, parts }) => {
    const spread = spreads[id];
    if (spread === undefined) return [];
    const factor = valueIn(measured, kind, component);
    // So far off, it is this machine that is at fault, not the part.
    if (Math.abs(factor - 1) > FAULT_DEVIATIONS * PRIOR[kind]) return [];
    return parts.map((p) => ({
      kind,
      part: p.id,
      name: p.name,
      factor,
      spread,
      build: design.name,
      readings,
      on,
    }));
  });
}

/**
 * What was measured of this build's parts in other machines, each factor by the inverse square of its
 * deviation. The same readings count once, whatever parts they tell of and however often their build
 * was copied. The radiators of a build share one factor: it is offered where each of them was measured.
 */
export function offersFor(design: Design, known: readonly MeasuredPart[]): readonly Offer[] {
  return factorsWithParts(design).flatMap(({ id, kind, component, parts }) => {
    const of = parts.map((part) => known.filter((k) => k.kind === kind && k.part === part.id));
    if (of.length === 0 || of.some((all) => all.length === 0)) return [];
    const all = [...new Map(of.flat().map((k) => [readingsOf(k), k] as const)).values()];
    const weight = all.reduce((s, k) => s + k.spread ** -2, 0);
    return [
      {
        id,
        kind,
        component,
        name: [...new Set(parts.map((p) => p.name))].join(', '),
        factor: all.reduce((s, k) => s + k.factor * k.spread ** -2, 0) / weight,
        spread: Math.sqrt(1 / weight),
        builds: [...new Set(all.map((k) => k.build))],
        readings: Math.max(...all.map((k) => k.readings)),
        on: all.reduce((latest, k) => (k.on > latest ? k.on : latest), ''),
      },
    ];
  });
}

/** Which readings told a factor: copies of a build, and two parts of one, share theirs. */
const readingsOf = ({ on, readings, factor, spread }: MeasuredPart): string =>
  [on, readings, factor, spread].join(' ');

/** What a build goes by when it takes up offers; a RangeError without any. */
export function measuredFrom(offers: readonly Offer[]): Measured {
  if (offers.length === 0) throw new RangeError(msg`nothing was measured elsewhere`);
  const of = (kind: Offer['kind']): number | undefined =>
    offers.find((o) => o.kind === kind)?.factor;
  const leakage = of('leakage');
  return {
    on: offers.reduce((latest, o) => (o.on > latest ? o.on : latest), ''),
    readings: Math.max(...offers.map((o) => o.readings)),
    radiators: of('radiators') ?? 1,
    losses: 1,
    blocks: Object.fromEntries(
      offers.flatMap((o) => (o.component === null ? [] : [[o.component, o.factor]])),
    ),
    ...(leakage === undefined ? {} : { leakage }),
    spreads: Object.fromEntries(offers.map((o) => [o.id, o.spread])),
    elsewhere: [...new Set(offers.flatMap((o) => o.builds))].join(', ').slice(0, MOST_NAMED),
  };
}

/** Longest list of builds that a document takes. */
const MOST_NAMED = 120;

interface FactorWithParts {
  readonly id: string;
  readonly kind: MeasuredPart['kind'];
  readonly component: ComponentId | null;
  readonly parts: readonly { readonly id: string; readonly name: string }[];
}

/** Factors that belong to parts, not to the way this machine was built. */
function factorsWithParts(design: Design): readonly FactorWithParts[] {
  const { components, case: shell } = design;
  const radiators = components.flatMap((c) => (c.part.kind === 'radiator' ? [c.part] : []));
  const unlike = [...new Map(radiators.map((p) => [p.id, p])).values()];
  return [
    ...(unlike.length === 0
      ? []
      : [{ id: 'radiators', kind: 'radiators', component: null, parts: unlike } as const]),
    ...components.flatMap((c): readonly FactorWithParts[] =>
      c.part.kind === 'block'
        ? [{ id: `block ${c.id}`, kind: 'block', component: c.id, parts: [c.part] }]
        : [],
    ),
    ...(shell === null
      ? []
      : [{ id: 'leakage', kind: 'leakage', component: null, parts: [shell] } as const]),
  ];
}
