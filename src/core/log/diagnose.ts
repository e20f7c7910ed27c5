import {
  EditError,
  factorsOf,
  type ComponentId,
  type Design,
  type Edit,
  type Factors,
  type Reading,
} from '../design';
import { predictorFor } from './predict';
import { quantitiesOf, type Quantity } from './reading';

export const CAUSES = [
  'as worked out',
  'clogged',
  'air in the loop',
  'pump slow',
  'dust',
  'fan stopped',
  'fans turned round',
  'warm air at the intake',
  'block sits badly',
  'thermometer of the coolant',
  'thermometer of a part',
] as const;
export type CauseKind = (typeof CAUSES)[number];

/** One thing that may be wrong, as likely as the readings make it. */
export interface Diagnosis {
  readonly kind: CauseKind;
  /** Component, loop or `component/spot` it befalls; empty where it befalls all. */
  readonly of: string;
  /** 0 to 1; all told together make 1. */
  readonly likelihood: number;
  /** How much of it fits best: a factor, K, or a share, as the kind says. */
  readonly amount: number;
  /** Mean square of what it leaves unexplained, in standard deviations; 1 is all that can be asked. */
  readonly left: number;
}

/** How one cause at one amount changes what is read. */
interface Effect {
  readonly edits?: (reading: Reading) => readonly Edit[];
  readonly factors?: Partial<Factors>;
  /** Added to a figure, by what it is of. */
  readonly shift?: (q: Quantity) => number;
}

interface Cause {
  readonly kind: CauseKind;
  readonly of: string;
  /** How often machines have it, against the others (common practice, no source). */
  readonly odds: number;
  readonly amounts: readonly number[];
  effect(amount: number): Effect;
}

/** Readings looked at, the newest: older ones may be of another state of the machine. */
const LOOKED_AT = 6;
/** What a prediction is good for once the machine was measured, and before, as a share. */
const MODEL_SHARE = { measured: 0.03, printed: 0.08 } as const;
/** Gurgling air makes a loop louder by about this, dBA (common practice, no source). */
const AIR_NOISE_DBA = 3;
const CLOGGINGS = [1.3, 1.7, 2.2, 3, 4];

/**
 * What is likely wrong, likeliest first: each cause is put into the machine at several amounts, the
 * readings of the last settled states are predicted anew, and causes are weighed by how well they
 * explain all figures together and by how often they happen (Bayes; amounts within a cause weigh
 * alike). Null when `tell` says to stop; empty without a figure.
 */
export function diagnose(
  design: Design,
  readings: readonly Reading[],
  tell: (done: number, of: number) => boolean = () => true,
): readonly Diagnosis[] | null {
  const looked = readings
    .slice(-LOOKED_AT)
    .map((reading) => ({ reading, quantities: quantitiesOf(reading) }))
    .filter((l) => l.quantities.length > 0);
  if (looked.length === 0) return [];
  const causes = causesIn(
    design,
    looked.flatMap((l) => l.quantities),
  );
  const known = factorsOf(design);
  const share = design.choices.work?.measured ? MODEL_SHARE.measured : MODEL_SHARE.printed;
  const weighed: { cause: Cause; weight: number; amount: number; left: number }[] = [];
  for (const [i, cause] of causes.entries()) {
    if (!tell(i, causes.length)) return null;
    const tried = cause.amounts.flatMap((amount) => {
      const square = misfit(design, looked, known, cause.effect(amount), share);
      return Number.isFinite(square) ? [{ amount, square }] : [];
    });
    const [first] = tried;
    if (!first) continue;
    const best = tried.reduce((a, b) => (b.square < a.square ? b : a), first);
    // Largest first, so that nothing is lost to the exponential.
    const mean =
      tried.reduce((s, t) => s + Math.exp((best.square - t.square) / 2), 0) / tried.length;
    weighed.push({
      cause,
      weight: Math.log(cause.odds) + Math.log(mean) - best.square / 2,
      amount: best.amount,
      left: best.square / looked.reduce((s, l) => s + l.quantities.length, 0),
    });
  }
  const most = Math.max(...weighed.map((w) => w.weight));
  const sum = weighed.reduce((s, w) => s + Math.exp(w.weight - most), 0);
  return weighed
    .map(({ cause, weight, amount, left }) => ({
      kind: cause.kind,
      of: cause.of,
      likelihood: Math.exp(weight - most) / sum,
      amount,
      left,
    }))
    .sort((a, b) => b.likelihood - a.likelihood);
}

interface Looked {
  readonly reading: Reading;
  readonly quantities: readonly Quantity[];
}

/** Sum of squares, in deviations of instrument and model; infinite where an effect cannot be. */
function misfit(
  design: Design,
  looked: readonly Looked[],
  known: Factors,
  { edits = () => [], factors = {}, shift = () => 0 }: Effect,
  modelShare: number,
): number {
  const changed: Factors = {
    ...known,
    radiators: known.radiators * (factors.radiators ?? 1),
    losses: known.losses * (factors.losses ?? 1),
    blocks: { ...known.blocks, ...timesEach(known.blocks, factors.blocks ?? {}) },
  };
  let square = 0;
  try {
    for (const { reading, quantities } of looked) {
      const predicted = predictorFor(design, reading, edits(reading)).predict(quantities, changed);
      quantities.forEach((q, i) => {
        const value = (predicted[i] as number) + shift(q);
        // Temperatures of parts are good to a share of their rise, not of degrees Celsius.
        const scale = q.kind === 'spot' ? value - reading.room_C : value;
        const model = q.kind === 'noise' ? 1 : modelShare * Math.abs(scale);
        square += ((q.measured - value) / Math.hypot(q.spread, model)) ** 2;
      });
    }
  } catch (error) {
    if (error instanceof EditError) return Infinity;
    throw error;
  }
  return square;
}

const timesEach = (
  known: Factors['blocks'],
  more: Factors['blocks'],
): Readonly<Record<ComponentId, number>> =>
  Object.fromEntries(Object.entries(more).map(([id, f]) => [id, f * (known[id] ?? 1)]));

/** What can be wrong with this machine, of what its readings could show. */
function causesIn(design: Design, quantities: readonly Quantity[]): readonly Cause[] {
  const reads = (kind: Quantity['kind']): readonly string[] => [
    ...new Set(quantities.flatMap((q) => (q.kind === kind ? [q.of] : []))),
  ];
  const louder = (q: Quantity): number => (q.kind === 'noise' ? AIR_NOISE_DBA : 0);
  return [
    { kind: 'as worked out', of: '', odds: 20, amounts: [1], effect: () => ({}) },
    {
      kind: 'clogged',
      of: '',
      odds: 3,
      amounts: CLOGGINGS,
      effect: (losses) => ({ factors: { losses } }),
    },
    {
      kind: 'air in the loop',
      of: '',
      odds: 3,
      amounts: CLOGGINGS,
      effect: (losses) => ({ factors: { losses }, shift: louder }),
    },
    ...pumpSlow(design),
    {
      kind: 'dust',
      of: '',
      odds: 4,
      amounts: [0.85, 0.7, 0.55, 0.4],
      effect: (radiators) => ({ factors: { radiators } }),
    },
    ...fanCauses(design),
    {
      kind: 'warm air at the intake',
      of: '',
      odds: 2,
      amounts: [2, 4, 6],
      effect: (by_K) => ({
        shift: (q) => (q.kind === 'coolant' || q.kind === 'spot' ? by_K : 0),
      }),
    },
    ...blockCauses(design, reads('spot')),
    ...thermometers('coolant', reads('coolant')),
    ...thermometers('spot', reads('spot')),
  ];
}

const BY_K = [-8, -5, -3, 3, 5, 8];
const thermometers = (kind: 'coolant' | 'spot', all: readonly string[]): readonly Cause[] =>
  all.map((of) => ({
    kind: kind === 'coolant' ? 'thermometer of the coolant' : 'thermometer of a part',
    of,
    odds: 1.5 / all.length,
    amounts: BY_K,
    effect: (by_K) => ({ shift: (q) => (q.kind === kind && q.of === of ? by_K : 0) }),
  }));

function pumpSlow(design: Design): readonly Cause[] {
  const pumps = design.components.filter((c) => c.part.kind === 'pump');
  return pumps.map(({ id, part, settings }) => ({
    kind: 'pump slow',
    of: id,
    odds: 1.5 / pumps.length,
    amounts: [0.8, 0.65, 0.5],
    effect: (share) => ({
      edits: ({ pumps_rpm }) => [
        {
          do: 'component.set',
          component: id,
          values: {
            speed_rpm:
              share *
              (pumps_rpm ?? settings.speed_rpm ?? (part.kind === 'pump' ? part.fullSpeed_rpm : 0)),
          },
        },
      ],
    }),
  }));
}

function fanCauses(design: Design): readonly Cause[] {
  const fans = design.components.filter((c) => c.part.kind === 'fan');
  const radiators = design.components.filter(
    (c) => c.part.kind === 'radiator' && c.placement.on === 'mount',
  );
  return [
    ...fans.map(({ id }): Cause => ({
      kind: 'fan stopped',
      of: id,
      odds: 2 / fans.length,
      amounts: [0],
      effect: (speed_rpm) => ({
        edits: () => [{ do: 'component.set', component: id, values: { speed_rpm } }],
      }),
    })),
    ...radiators.map(({ id, placement }): Cause => ({
      kind: 'fans turned round',
      of: id,
      odds: 1 / radiators.length,
      amounts: [1],
      effect: () => ({
        edits: () =>
          placement.on === 'mount'
            ? [
                {
                  do: 'component.place',
                  component: id,
                  placement: { ...placement, air: placement.air === 'in' ? 'out' : 'in' },
                },
              ]
            : [],
      }),
    })),
  ];
}

/** Blocks on parts that were read. */
function blockCauses(design: Design, spots: readonly string[]): readonly Cause[] {
  const read = new Set(spots.map((of) => of.split('/')[0]));
  const blocks = design.components.filter(
    (c) =>
      c.part.kind === 'block' && c.placement.on === 'component' && read.has(c.placement.component),
  );
  return blocks.map(({ id }) => ({
    kind: 'block sits badly',
    of: id,
    odds: 3 / blocks.length,
    amounts: [1.25, 1.5, 2, 3],
    effect: (factor) => ({ factors: { blocks: { [id]: factor } } }),
  }));
}
