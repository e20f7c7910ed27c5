import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import {
  AS_PRINTED,
  findComponent,
  type ComponentId,
  type Design,
  type Factors,
  type Reading,
} from '../design';
import { predictorFor } from './predict';
import { quantitiesOf, type Quantity } from './reading';

/** A figure that was read, beside what was promised for the same state. */
export interface Residual extends Quantity {
  readonly reading: number;
  readonly predicted: number;
  /** Measured less predicted, in standard deviations of the instrument and the model together. */
  readonly deviations: number;
}

/** How far papers and machines differ, as standard deviations (common practice, no source). */
export const PRIOR = { radiators: 0.12, losses: 0.12, block: 0.15 } as const;

/** One factor that readings were asked for. */
export interface Calibrated {
  readonly id: string;
  readonly kind: 'radiators' | 'losses' | 'block';
  readonly component: ComponentId | null;
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
/** Step of a derivative, as a factor; bounds of a factor. */
const STEP = 0.02,
  LEAST = 0.4,
  MOST = 2.5;

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
 * deviations from the inverse of JᵀJ with the priors in it). Readings that tell nothing of a factor
 * leave it at 1 and say so. Throws RangeError without a figure, or for one that the build does not have.
 */
export function calibrate(design: Design, readings: readonly Reading[]): Calibration {
  const parts = readings.map((reading) => ({
    quantities: quantitiesOf(reading).filter((q) => q.kind !== 'noise'),
    predictor: predictorFor(design, reading),
  }));
  const quantities = parts.flatMap((p) => p.quantities);
  if (quantities.length === 0) throw new RangeError('no reading tells a temperature or a flow');
  for (const { predictor, quantities: own } of parts)
    predictor.predict(own, AS_PRINTED).forEach((v, k) => {
      const { kind, of } = own[k] as Quantity;
      if (!Number.isFinite(v)) throw new RangeError(`the build has no ${kind} called ${of}`);
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
    ...parameters.map((p) => 1 / p.prior),
  ];
  const found = levenbergMarquardt(
    { x: wanted.map((_, i) => i), y: [...wanted] },
    remembered(scaled),
    {
      initialValues: parameters.map(() => 1),
      minValues: parameters.map(() => LEAST),
      maxValues: parameters.map(() => MOST),
      gradientDifference: STEP,
      damping: 1e-2,
      maxIterations: 6,
      errorTolerance: 1e-6,
    },
  ).parameterValues;
  const spreads = spreadsAt(scaled, found);
  const factors = factorsOf(parameters, found);
  return {
    factors,
    parameters: parameters.map(({ prior, ...p }, k) => ({
      ...p,
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
  readonly kind: Calibrated['kind'];
  readonly component: ComponentId | null;
  readonly prior: number;
}

/** Radiators and losses of all loops, and each block whose part was read. */
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
  return [
    { id: 'radiators', kind: 'radiators', component: null, prior: PRIOR.radiators },
    { id: 'losses', kind: 'losses', component: null, prior: PRIOR.losses },
    ...blocks.map((b): Parameter => ({
      id: `block ${b.id}`,
      kind: 'block',
      component: b.id,
      prior: PRIOR.block,
    })),
  ];
}

function factorsOf(parameters: readonly Parameter[], values: readonly number[]): Factors {
  const of = (kind: Calibrated['kind']): number =>
    values[parameters.findIndex((p) => p.kind === kind)] ?? 1;
  return {
    radiators: of('radiators'),
    losses: of('losses'),
    blocks: Object.fromEntries(
      parameters.flatMap((p, k) => (p.component === null ? [] : [[p.component, values[k] ?? 1]])),
    ),
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
): readonly number[] {
  const base = scaled(values);
  const columns = values.map((v, k) => {
    const moved = scaled(values.map((x, i) => (i === k ? v + STEP : x)));
    return moved.map((m, row) => (m - (base[row] as number)) / STEP);
  });
  const jacobian = new Matrix(base.map((_, row) => columns.map((c) => c[row] as number)));
  const covariance = inverse(jacobian.transpose().mmul(jacobian));
  return values.map((_, k) => Math.sqrt(covariance.get(k, k)));
}
