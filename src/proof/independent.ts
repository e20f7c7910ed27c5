import weightFile from '@reference/a-weighting.json';
import airFile from '@reference/airflow.json';
import crossflowFile from '@reference/crossflow.json';
import isaFile from '@reference/isa.json';
import pchipFile from '@reference/pchip.json';
import ringFile from '@reference/rings.json';
import tankFile from '@reference/tanks.json';
import turnedFile from '@reference/turned.json';
import vapourFile from '@reference/vapour.json';
import { aWeighting } from '@/core/acoustics';
import { fanCurve, openingSquare, solveAir, type FanRow } from '@/core/airflow';
import { air, vapourPressure } from '@/core/fluids';
import {
  capsule,
  convexGap,
  orientedBox,
  slantedCylinder,
  type Convex,
  type Vec,
} from '@/core/geometry';
import {
  crossflowEffectiveness,
  factorNetwork,
  only,
  ROOM,
  solveNetwork,
  type Conductor,
  type Stream,
} from '@/core/thermal';
import { pchip, pchipAt } from '@/core/units';
import { absolute, relative, type ProofValue } from './row';

/** Crossflow against finite volumes, which know nothing of the series. */
export const crossflowRows = (): ProofValue[] =>
  crossflowFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'effectiveness–NTU',
        quantity: `crossflow by finite volumes, NTU ${c.inputs.NTU}, ratio ${c.inputs.Cr}`,
        source: c.source,
        unit: '–',
        expected: c.expected.effectiveness,
        got: crossflowEffectiveness(c.inputs.NTU, c.inputs.Cr),
      },
      1e-6,
    ),
  );

interface FanIn {
  readonly into: boolean;
  readonly p0: number;
  readonly v0: number;
  readonly speed: number;
  readonly count: number;
  readonly drag: number;
}

/** A fan whose curve is a parabola by so many points that splines follow it. */
function rowOf({ into, p0, v0, speed, count, drag }: FanIn, i: number): FanRow {
  const points = Array.from({ length: 161 }, (_, k) => (v0 * k) / 160).map(
    (v) => [v, p0 * (1 - (v / v0) ** 2)] as const,
  );
  return {
    id: `f${i}`,
    air: into ? 'in' : 'out',
    chamber: 'main',
    fans: [{ curve: fanCurve(points, 1000), speed_rpm: 1000 * speed }],
    count,
    face_m2: 1 / 3600,
    drag: { linear: 0, square: drag },
  };
}

/** Pressure of a case and flow of its first fan, against nested bisection. */
export const airflowRows = (): ProofValue[] =>
  airFile.cases.flatMap((c) => {
    const fluid = { ...air(20), density_kgm3: 1.2 };
    const { rows, pressures_Pa } = solveAir({
      rows: c.inputs.fans.map(rowOf),
      openings: [
        {
          id: 'vent',
          name: 'vent',
          from: 'room',
          to: 'main',
          area_cm2: c.inputs.area_cm2,
          square: openingSquare(c.inputs.area_cm2, 1.2),
        },
      ],
      chambers: ['main'],
      factor: 1,
      air: fluid,
    });
    const base = { subject: 'case air', source: c.source };
    return [
      absolute(
        {
          ...base,
          id: `${c.id}-pressure`,
          quantity: `pressure of a case with ${c.inputs.fans.length} rows of fans`,
          unit: 'Pa',
          expected: c.expected.pressure_Pa,
          got: pressures_Pa[0] ?? NaN,
        },
        1e-4,
      ),
      absolute(
        {
          ...base,
          id: `${c.id}-flow`,
          quantity: 'air through its first row',
          unit: 'm³/h',
          expected: c.expected.flow_m3h,
          got: rows[0]?.flow_m3h ?? NaN,
        },
        0.001,
      ),
    ];
  });

export const isaRows = (): ProofValue[] =>
  isaFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'air',
        quantity: `density at ${c.inputs.altitude_m} m in the standard atmosphere`,
        source: c.source,
        unit: 'kg/m³',
        expected: c.expected.density,
        got: air(c.inputs.temp_C, c.inputs.altitude_m).density_kgm3,
      },
      1e-4,
    ),
  );

export const vapourRows = (): ProofValue[] =>
  vapourFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'water',
        quantity: `vapour pressure at ${c.inputs.temp_C} °C`,
        source: c.source,
        unit: 'Pa',
        expected: c.expected.pressure_Pa,
        got: vapourPressure(c.inputs.temp_C),
      },
      0.005,
    ),
  );

export const weightRows = (): ProofValue[] =>
  weightFile.cases.map((c) =>
    absolute(
      {
        id: c.id,
        subject: 'sound',
        quantity: `A-weighting at ${Math.round(c.inputs.frequency_Hz)} Hz`,
        source: c.source,
        unit: 'dB',
        expected: c.expected.weight_dB,
        got: aWeighting(c.inputs.frequency_Hz),
      },
      0.06,
    ),
  );

export const pchipRows = (): ProofValue[] =>
  pchipFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'curves through points',
        quantity: `monotone cubic through ${c.inputs.points.length} points`,
        source: c.source,
        unit: '–',
        expected: c.expected.value,
        got: pchipAt(pchip(c.inputs.points as [number, number][]), c.inputs.at).value,
      },
      1e-9,
    ),
  );

/** A ring of coolant as a thermal network: element i takes in what i − 1 lets out. */
function hottestOfRing({
  capacity_WK,
  gains_W,
  conductances_WK,
  room_C,
}: (typeof ringFile.cases)[number]['inputs']): number {
  const n = gains_W.length;
  const before = (i: number): number => (i + n - 1) % n;
  const streams = gains_W.map((_, to): Stream => ({ capacity_WK, from: only(before(to)), to }));
  const conductors = conductances_WK.flatMap((conductance_WK, i): Conductor[] =>
    conductance_WK > 0
      ? [{ conductance_WK, hot: only(before(i)), cold: only(ROOM), from: i, into: ROOM }]
      : [],
  );
  const factors = factorNetwork({ capacity_JK: new Float64Array(n), streams, conductors });
  return factors
    ? Math.max(...solveNetwork(factors, Float64Array.from(gains_W), room_C, new Float64Array(n)))
    : NaN;
}

export const ringRows = (): ProofValue[] =>
  ringFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'heat balance',
        quantity: `hottest coolant in a ring of ${c.inputs.gains_W.length}`,
        source: c.source,
        unit: '°C',
        expected: c.expected.hottest_C,
        got: hottestOfRing(c.inputs),
      },
      1e-9,
    ),
  );

/** Implicit steps of 1 s against the closed form. */
function riseOfTank({
  capacity_JK,
  conductance_WK,
  heat_W,
  seconds,
}: (typeof tankFile.cases)[number]['inputs']): number {
  const factors = factorNetwork(
    {
      capacity_JK: Float64Array.of(capacity_JK),
      streams: [{ capacity_WK: conductance_WK, from: only(ROOM), to: 0 }],
      conductors: [],
    },
    1,
  );
  if (!factors) return NaN;
  const temp_C = Float64Array.of(0),
    source_W = Float64Array.of(heat_W);
  for (let i = 0; i < seconds; i += 1) solveNetwork(factors, source_W, 0, temp_C);
  return temp_C[0] as number;
}

export const tankRows = (): ProofValue[] =>
  tankFile.cases.map((c) =>
    relative(
      {
        id: c.id,
        subject: 'heat over time',
        quantity: `rise of one tank after ${c.inputs.seconds} s, steps of 1 s`,
        source: c.source,
        unit: 'K',
        expected: c.expected.rise_K,
        got: riseOfTank(c.inputs),
      },
      0.002,
    ),
  );

type Turned = (typeof turnedFile.cases)[number]['inputs']['a'];

function solidOf(s: Turned): Convex {
  const at = (v: readonly number[] | undefined): Vec => v as unknown as Vec;
  if (s.kind === 'box')
    return orientedBox(at(s.centre), at(s.half), s.axes as unknown as [Vec, Vec, Vec]);
  const make = s.kind === 'capsule' ? capsule : slantedCylinder;
  return make(at(s.from), at(s.to), s.radius ?? NaN);
}

/** Solids at any angle, apart and one within the other. */
export const turnedRows = (): ProofValue[] =>
  turnedFile.cases.map((c) =>
    absolute(
      {
        id: c.id,
        subject: 'gaps',
        quantity: `${c.inputs.a.kind} and ${c.inputs.b.kind}, turned`,
        source: c.source,
        unit: 'mm',
        expected: c.expected.gap_mm,
        got: convexGap(solidOf(c.inputs.a), solidOf(c.inputs.b)),
      },
      1e-3,
    ),
  );
