import bendFile from '@reference/bends.json';
import boxFile from '@reference/boxes.json';
import galvanicFile from '@reference/galvanic.json';
import practiceFile from '@reference/practice.json';
import soundFile from '@reference/sound.json';
import { screwWindow } from '@/core/clearance';
import { ANODIC_INDEX, DIFFERENCE_LIMIT, judgePair } from '@/core/corrosion';
import type { Metal } from '@/core/components';
import { jogAngle } from '@/core/routing';
import { arcLength, bendStart, bendTable, formerRadius, setAngle, setBack } from '@/core/tubing';
import { boxGap, type Vec } from '@/core/geometry';
import { soundAtDistance, soundAtSpeed, soundSum } from '@/core/acoustics';
import { absolute, type Case, type ProofValue } from './row';

interface SoundIn {
  levels_dB?: number[];
  N1?: number;
  N2?: number;
  level_dB?: number;
  r1_m?: number;
  r2_m?: number;
  fans?: { n: number; L1: number; N1: number; N2: number }[];
}

export function soundRows(): ProofValue[] {
  return (
    soundFile.cases as unknown as Case<
      SoundIn,
      { total_dB?: number; sound_change_dB?: number; level2_dB?: number }
    >[]
  ).flatMap((c): ProofValue[] => {
    const { inputs: i, expected: e } = c;
    const row = (quantity: string, expected: number, got: number): ProofValue[] => [
      absolute(
        { id: c.id, subject: 'sound', quantity, source: c.source, unit: 'dB', expected, got },
        0.01,
      ),
    ];
    if (i.levels_dB && e.total_dB !== undefined)
      return row('sum of levels', e.total_dB, soundSum(i.levels_dB));
    if (i.fans && e.total_dB !== undefined)
      return row(
        'mixed fans at their speeds',
        e.total_dB,
        soundSum(
          i.fans.flatMap((f) => Array.from({ length: f.n }, () => soundAtSpeed(f.L1, f.N2, f.N1))),
        ),
      );
    if (i.N1 && i.N2 && e.sound_change_dB !== undefined)
      return row('change with speed', e.sound_change_dB, soundAtSpeed(0, i.N2, i.N1));
    if (i.level_dB !== undefined && i.r1_m && i.r2_m && e.level2_dB !== undefined)
      return row('change with distance', e.level2_dB, soundAtDistance(i.level_dB, i.r1_m, i.r2_m));
    return [];
  });
}

/** Names in the published table for the metals we know. */
const TABLE_NAMES: Readonly<Record<string, Metal>> = {
  gold: 'gold',
  silver: 'silver',
  nickel: 'nickel',
  copper: 'copper',
  brass_bronze: 'brass',
  stainless_18_8: 'stainless',
  chrome_12cr: 'chrome',
  tin_solder: 'tin',
  al_wrought_other: 'aluminium',
  zinc: 'zinc',
};

export function galvanicRows(): ProofValue[] {
  const cases = galvanicFile.cases as unknown as Case<
    { material?: string; environment?: string; a?: string; b?: string },
    { anodic_index_V?: number; max_difference_V?: number; difference_V?: number }
  >[];
  return cases.flatMap((c): ProofValue[] => {
    const { inputs: i, expected: e } = c;
    const base = { id: c.id, subject: 'galvanic pairs', source: c.source, unit: 'V' };
    const metal = TABLE_NAMES[i.material ?? ''];
    if (metal && e.anodic_index_V !== undefined)
      return [
        absolute(
          {
            ...base,
            quantity: `anodic index, ${metal}`,
            expected: e.anodic_index_V,
            got: ANODIC_INDEX[metal],
          },
          0,
        ),
      ];
    if (i.environment && e.max_difference_V !== undefined)
      return [
        absolute(
          {
            ...base,
            quantity: `limit, ${i.environment}`,
            expected: e.max_difference_V,
            got: DIFFERENCE_LIMIT[
              (i.environment === 'normal'
                ? 'ordinary'
                : i.environment) as keyof typeof DIFFERENCE_LIMIT
            ],
          },
          0,
        ),
      ];
    const a = TABLE_NAMES[i.a ?? ''],
      b = TABLE_NAMES[i.b ?? ''];
    if (a && b && e.difference_V !== undefined)
      return [
        absolute(
          {
            ...base,
            quantity: `difference, ${a} and ${b}`,
            expected: e.difference_V,
            got: judgePair(a, b, 'ordinary').difference_V,
          },
          0,
        ),
      ];
    return [];
  });
}

export function screwRows(): ProofValue[] {
  const cases = practiceFile.cases as unknown as Case<
    { fan_mm: number; gasket_mm: number; depth_mm: number },
    { shortest_mm: number; longest_mm: number }
  >[];
  return cases
    .filter((c) => c.id.startsWith('screw'))
    .flatMap((c) => {
      const w = screwWindow(c.inputs.fan_mm, c.inputs.depth_mm, { gasket: c.inputs.gasket_mm });
      const base = { subject: 'screws', source: c.source, unit: 'mm' };
      return [
        absolute(
          {
            ...base,
            id: `${c.id}-min`,
            quantity: `shortest, ${c.description}`,
            expected: c.expected.shortest_mm,
            got: w.shortest_mm,
          },
          1e-9,
        ),
        absolute(
          {
            ...base,
            id: `${c.id}-max`,
            quantity: `longest, ${c.description}`,
            expected: c.expected.longest_mm,
            got: w.longest_mm,
          },
          1e-9,
        ),
      ];
    });
}

interface BendIn {
  clr_mm?: number;
  angle_deg?: number;
  points_mm?: Vec[];
  Ks?: number;
  final_clr_mm?: number;
  offset_mm?: number;
  radius_mm?: number;
  target_deg?: number;
}
interface BendOut {
  setback_mm?: number;
  arc_length_mm?: number;
  total_cut_length_mm?: number;
  rows?: { L_mm: number; R_deg: number; A_deg: number }[];
  last_L_mm?: number;
  set_deg?: number;
  former_clr_mm?: number;
  each_angle_deg?: number;
  straight_mm?: number;
  middle_straight_mm?: number;
}

export function bendRows(): ProofValue[] {
  const file = (bendFile.cases as unknown as Case<BendIn, BendOut>[]).flatMap((c): ProofValue[] => {
    const { inputs: i, expected: e } = c;
    const row = (
      id: string,
      quantity: string,
      unit: string,
      expected: number,
      got: number,
    ): ProofValue =>
      absolute(
        { id: `${c.id}-${id}`, subject: 'bends', quantity, source: c.source, unit, expected, got },
        1e-6,
      );
    if (c.id.startsWith('setback'))
      return [
        row(
          'back',
          `set-back, ${i.angle_deg}°`,
          'mm',
          e.setback_mm as number,
          setBack(i.clr_mm as number, i.angle_deg as number),
        ),
        row(
          'arc',
          `arc, ${i.angle_deg}°`,
          'mm',
          e.arc_length_mm as number,
          arcLength(i.clr_mm as number, i.angle_deg as number),
        ),
      ];
    if (c.id === 'springback-ratio')
      return [
        row(
          'set',
          'angle to set against spring-back',
          '°',
          e.set_deg as number,
          setAngle(
            i.target_deg as number,
            {
              from: 'one test bend',
              offset_deg: 0,
              slope: i.Ks as number,
              radius_mm: i.final_clr_mm as number,
              cold: false,
              scatter_deg: null,
            },
            i.final_clr_mm as number,
          ),
        ),
        row(
          'former',
          'former that leaves a radius after spring-back',
          'mm',
          e.former_clr_mm as number,
          formerRadius(i.target_deg as number, e.set_deg as number, i.final_clr_mm as number),
        ),
      ];
    if (c.id.startsWith('sbend'))
      return [
        row(
          'angle',
          `S-bend, offset ${i.offset_mm} mm: angle of each bend`,
          '°',
          e.each_angle_deg as number,
          jogAngle(i.offset_mm as number, i.radius_mm as number, e.straight_mm ?? 0) ?? NaN,
        ),
      ];
    if (c.id === 'lra-infeasible')
      return [
        row(
          'middle',
          'overlap of two bends',
          'mm',
          e.middle_straight_mm as number,
          bendTable(i.points_mm as Vec[], i.clr_mm as number).shortest_mm,
        ),
      ];
    if (c.id.startsWith('lra')) {
      const t = bendTable(i.points_mm as Vec[], i.clr_mm as number);
      return [
        row('cut', 'length to cut', 'mm', e.total_cut_length_mm as number, t.developed_mm),
        row('last', 'last straight', 'mm', e.last_L_mm as number, t.last_mm),
        ...(e.rows ?? []).flatMap((r, k) => [
          row(`L${k + 1}`, `straight ${k + 1}`, 'mm', r.L_mm, t.rows[k]?.length_mm ?? NaN),
          row(`R${k + 1}`, `rotation ${k + 1}`, '°', r.R_deg, t.rows[k]?.rotation_deg ?? NaN),
          row(`A${k + 1}`, `angle ${k + 1}`, '°', r.A_deg, t.rows[k]?.angle_deg ?? NaN),
        ]),
      ];
    }
    return [];
  });
  return [
    ...file,
    absolute(
      {
        id: 'practice-bend-start',
        subject: 'bends',
        quantity: '101.6 mm to the corner, radius 12.7 mm, 90°: start',
        source: 'common practice, no source',
        unit: 'mm',
        expected: 88.9,
        got: bendStart(101.6, 12.7, 90),
      },
      1e-9,
    ),
  ];
}

export function boxRows(): ProofValue[] {
  const cases = boxFile.cases as unknown as Case<
    { a_min?: Vec; a_max?: Vec; b_min?: Vec; b_max?: Vec },
    { signed_gap?: number }
  >[];
  return cases
    .filter((c) => c.id.startsWith('aabb'))
    .map((c) =>
      absolute(
        {
          id: c.id,
          subject: 'gaps',
          quantity: c.description ?? 'signed gap',
          source: 'bounded least squares (scipy), certified by a separating plane',
          unit: 'mm',
          expected: c.expected.signed_gap as number,
          got: boxGap(
            { min: c.inputs.a_min as Vec, max: c.inputs.a_max as Vec },
            { min: c.inputs.b_min as Vec, max: c.inputs.b_max as Vec },
          ),
        },
        1e-9,
      ),
    );
}
