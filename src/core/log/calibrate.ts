import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { isOpenFrame } from '../airflow';
import {
  AS_PRINTED,
  findComponent,
  type ComponentId,
  type Design,
  type Factors,
  type Reading,
} from '../design';
import { msg } from '../messages';
import { predictorFor } from './predict';
import { quantitiesOf, type Quantity } from './reading';

/** A figure that was read, beside what was promised for the same state. */
export interface Residual extends Quantity {
  readonly reading: number;
  readonly predicted: number;
  /** Measured less predicted, in standard deviations of the instrument and the model together. */
  readonly deviations: number;
}

/**
 * How far papers and machines differ, as standard deviations of a factor, and of sound in dB (common
 * practice, no source).
 */
export const PRIOR = {
  radiators: 0.12,
  losses: 0.12,
  block: 0.15,
  leakage: 0.35,
  noise: 2,
} as const;
export type FactorKind = keyof typeof PRIOR;

/** One factor that readings were asked for. */
export interface Calibrated {
  readonly id: string;
  readonly kind: FactorKind;
  readonly component: ComponentId | null;
  /** What is printed times this; of noise, dB more than printed. */
  readonly factor: number;
  /** Standard deviation after the readings. */
  readonly spread: number;
  /** Whether the readings tell it: they narrowed what was known before by a third or more. */
  readonly told: boolean;
}

export interface Calibration {
  readonly factors: Factors;
  readonly parameters: readonly Calibrated[];
  readonly before: readonly Residual[];
  readonly after: readonly Residual[];
}

/** A third narrower than before counts as told by the readings. */
const TOLD_SHARE = 2 / 3;
/** What a factor may be, and the step of its derivative. */
const BOUNDS = { printed: 1, least: 0.4, most: 2.5, step: 0.02 } as const,
  NOISE_BOUNDS = { printed: 0, least: -10, most: 10, step: 0.1 } as const;
/** Leaks tell little for so small a change of them as of other factors. */
const LEAKAGE_STEP = 0.1;
/** Another machine of the same papers is like the one that was read but for this share of the prior. */
const UNLIKE_SHARE = 0.5;

/** What readings show against the build as printed. */
export const residualsOf = (
  design: Design,
  readings: readonly Reading[],
  factors: Factors = AS_PRINTED,
): readonly Residual[] =>
  readings.flatMap((reading, i) => {
    const quantities = quantitiesOf(reading);
    const values = predictorFor(design, reading).predict(quantities, factors);
    return quantities.map((q, k) => residual(q, i, values[k] as number));
  });

/** Model and instrument together: a prediction is good for about a tenth of a rise or a flow. */
const MODEL_SHARE = 0.1;
const residual = (q: Quantity, reading: number, predicted: number): Residual => ({
  ...q,
  reading,
  predicted,
  deviations:
    (q.measured - predicted) /
    Math.hypot(q.spread, q.kind === 'noise' ? 1.5 : MODEL_SHARE * Math.abs(predicted)),
});

/**
 * The factors that the readings are likeliest under: least squares over all figures, each by its
 * instrument's deviation, with what is known of such machines as a prior (Levenberg–Marquardt; the
 * deviations from the inverse of JᵀJ with the priors in it). What was measured of the same parts in
 * another build is known before. Readings that tell nothing of a factor leave it as it was known and
 * say so. Throws RangeError without a figure, or for one that the build does not have.
 */
export function calibrate(design: Design, readings: readonly Reading[]): Calibration {
  const parts = readings.map((reading) => ({
    quantities: quantitiesOf(reading),
    predictor: predictorFor(design, reading),
  }));
  const quantities = parts.flatMap((p) => p.quantities);
  if (quantities.length === 0)
    throw new RangeError(msg`no reading tells a temperature, a flow or noise`);
  for (const { predictor, quantities: own } of parts)
    predictor.predict(own, AS_PRINTED).forEach((v, k) => {
      const { kind, of } = own[k] as Quantity;
      if (!Number.isFinite(v)) throw new RangeError(msg`the build has no ${kind} called ${of}`);
    });
  const parameters = parametersOf(design, quantities);
  const scaled = (values: readonly number[]): readonly number[] => {
    const factors = factorsOf(parameters, values);
    const predicted = parts.flatMap(({ predictor, quantities: own }) =>
      predictor.predict(own, factors).map((v, k) => v / (own[k] as Quantity).spread),
    );
    // The priors stand behind the figures, as readings of the factors themselves.
    return [...predicted, ...values.map((v, k) => v / (parameters[k] as Parameter).prior)];
  };
  const wanted = [
    ...quantities.map((q) => q.measured / q.spread),
    ...parameters.map((p) => p.centre / p.prior),
  ];
  const found = levenbergMarquardt(
    { x: wanted.map((_, i) => i), y: [...wanted] },
    remembered(scaled),
    {
      initialValues: parameters.map((p) => p.centre),
      minValues: parameters.map((p) => p.least),
      maxValues: parameters.map((p) => p.most),
      gradientDifference: parameters.map((p) => p.step),
      damping: 1e-2,
      maxIterations: 6,
      errorTolerance: 1e-6,
    },
  ).parameterValues;
  const spreads = spreadsAt(
    scaled,
    found,
    parameters.map((p) => p.step),
  );
  const factors = factorsOf(parameters, found);
  return {
    factors,
    parameters: parameters.map(({ id, kind, component, prior }, k) => ({
      id,
      kind,
      component,
      factor: found[k] as number,
      spread: spreads[k] as number,
      told: (spreads[k] as number) < TOLD_SHARE * prior,
    })),
    before: residualsOf(design, readings),
    after: residualsOf(design, readings, factors),
  };
}

interface Parameter {
  readonly id: string;
  readonly kind: FactorKind;
  readonly component: ComponentId | null;
  /** What is known before any reading: about `centre`, within `prior`. */
  readonly centre: number;
  readonly prior: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
}

/** Radiators and losses of all loops, each block whose part was read, seams of a case, and sound. */
function parametersOf(design: Design, quantities: readonly Quantity[]): readonly Parameter[] {
  const read = new Set(
    quantities.flatMap((q) => (q.kind === 'spot' ? [q.of.split('/')[0] as string] : [])),
  );
  const blocks = design.components.filter(
    (c) =>
      c.part.kind === 'block' &&
      c.placement.on === 'component' &&
      read.has(findComponent(design, c.placement.component)?.id ?? ''),
  );
  const reads = (...kinds: readonly Quantity['kind'][]): boolean =>
    quantities.some((q) => kinds.includes(q.kind));
  const leaky = reads('coolant', 'spot') && design.case !== null && !isOpenFrame(design.case);
  return [
    parameter(design, 'radiators', null),
    parameter(design, 'losses', null),
    ...blocks.map((b) => parameter(design, 'block', b.id)),
    ...(leaky ? [parameter(design, 'leakage', null)] : []),
    ...(reads('noise') ? [parameter(design, 'noise', null)] : []),
  ];
}

/** One factor as it is known before: as usual, or by what the same part was in another build. */
function parameter(
  { choices }: Design,
  kind: FactorKind,
  component: ComponentId | null,
): Parameter {
  const bounds = kind === 'noise' ? NOISE_BOUNDS : BOUNDS;
  const id = component === null ? kind : `${kind} ${component}`;
  const known = choices.work?.measured;
  const spread = known?.elsewhere === undefined ? undefined : known.spreads?.[id];
  return {
    id,
    kind,
    component,
    centre: known && spread !== undefined ? valueIn(known, kind, component) : bounds.printed,
    prior: spread === undefined ? PRIOR[kind] : Math.hypot(spread, UNLIKE_SHARE * PRIOR[kind]),
    least: bounds.least,
    most: bounds.most,
    step: kind === 'leakage' ? LEAKAGE_STEP : bounds.step,
  };
}

/** What factors say of one of them; as printed where they say nothing. */
export function valueIn(
  factors: Omit<Factors, 'leakage' | 'noise_dB'> & Partial<Factors>,
  kind: FactorKind,
  component: ComponentId | null,
): number {
  switch (kind) {
    case 'radiators':
      return factors.radiators;
    case 'losses':
      return factors.losses;
    case 'block':
      return factors.blocks[component ?? ''] ?? 1;
    case 'leakage':
      return factors.leakage ?? 1;
    case 'noise':
      return factors.noise_dB ?? 0;
  }
}

function factorsOf(parameters: readonly Parameter[], values: readonly number[]): Factors {
  const of = (kind: FactorKind): number | undefined =>
    values[parameters.findIndex((p) => p.kind === kind)];
  return {
    radiators: of('radiators') ?? 1,
    losses: of('losses') ?? 1,
    blocks: Object.fromEntries(
      parameters.flatMap((p, k) => (p.component === null ? [] : [[p.component, values[k] ?? 1]])),
    ),
    leakage: of('leakage') ?? 1,
    noise_dB: of('noise') ?? 0,
  };
}

/** The solver asks figure by figure: all of one set of factors are worked out once. */
function remembered(all: (values: readonly number[]) => readonly number[]) {
  const known = new Map<string, readonly number[]>();
  return (values: number[]) => {
    const key = values.join();
    let found = known.get(key);
    if (!found) {
      found = all(values);
      known.set(key, found);
    }
    const figures = found;
    return (index: number): number => figures[index] as number;
  };
}

/** Deviations of the factors: roots of the diagonal of (JᵀJ)⁻¹, priors among the rows. */
function spreadsAt(
  scaled: (values: readonly number[]) => readonly number[],
  values: readonly number[],
  steps: readonly number[],
): readonly number[] {
  const base = scaled(values);
  const columns = values.map((v, k) => {
    const moved = scaled(values.map((x, i) => (i === k ? v + (steps[k] as number) : x)));
    return moved.map((m, row) => (m - (base[row] as number)) / (steps[k] as number));
  });
  const jacobian = new Matrix(base.map((_, row) => columns.map((c) => c[row] as number)));
  const covariance = inverse(jacobian.transpose().mmul(jacobian));
  return values.map((_, k) => Math.sqrt(covariance.get(k, k)));
}
