import { LMIN_TO_M3S } from '../units';

/** The two ends of the straight way, and the side way. */
export type TeeLeg = 'run-a' | 'run-b' | 'branch';

/**
 * K of a tee's legs by flow split, equal bores, 90°, on the velocity of the combined flow. Crane
 * TP-410 (2013) as coded in python3-fluids 1.0.22, whose rows are checked; the factor of the
 * joining branch is joined where its two pieces meet (r 0.389). `r` is the branch's share of the
 * combined flow, 0–1. A slower stream may gain from the faster one (K below 0): held at 0, on the
 * safe side by up to 0.13 (straight way) and 0.9 (branch with a trickle).
 */
export const TEE_K = {
  runJoining: (r: number): number => Math.max(0, 1.55 * r - r * r),
  branchJoining: (r: number): number =>
    Math.max(0, Math.max(0.9 * (1 - r), 0.55) * (1 + r * r - 2 * (1 - r) ** 2)),
  runDividing: (r: number): number => Math.max(0, (r <= 0.5 ? 2 : 0.3) * (2 * r - 1) * r * r),
  branchDividing: (r: number): number => (1 + 0.3 * r * r) * (1 + 0.3 * r * r),
  /**
   * Both ends of the straight way meet in the side way. From memory of Idelchik, Handbook of
   * Hydraulic Resistance, ch. 7.
   */
  endsJoining: (share: number): number => 2 + 3 * (share * share - share),
  /**
   * The side way feeds both ends. From memory of Idelchik, ch. 7, with the factor of threaded tees.
   */
  endsDividing: (share: number): number => 1 + 1.5 * share * share,
} as const;

export interface TeeDrops {
  readonly 'run-a': number;
  readonly 'run-b': number;
  readonly branch: number;
}

/** A tee's legs by number, as `teeDropsInto` has them. */
export const TEE_LEGS: readonly TeeLeg[] = ['run-a', 'run-b', 'branch'];
const BRANCH = 2;

/**
 * Pressure each leg takes, kPa, along its way into the middle; flows into the middle are above 0,
 * L/min.
 */
export function teeDrops(
  into: Readonly<Record<TeeLeg, number>>,
  bore_mm: number,
  density_kgm3: number,
): TeeDrops {
  const out = new Float64Array(3);
  teeDropsInto(
    Float64Array.of(into['run-a'], into['run-b'], into.branch),
    bore_mm,
    density_kgm3,
    out,
  );
  return { 'run-a': out[0] as number, 'run-b': out[1] as number, branch: out[2] as number };
}

/** The same by leg number, into `out`, for where it is asked thousands of times. */
export function teeDropsInto(
  into: Float64Array,
  bore_mm: number,
  density_kgm3: number,
  out: Float64Array,
): void {
  let combined = 0;
  for (let i = 1; i < 3; i += 1)
    if (Math.abs(into[i] as number) > Math.abs(into[combined] as number)) combined = i;
  const q = Math.abs(into[combined] as number);
  const joining = (into[combined] as number) < 0;
  const speed_ms = (q * LMIN_TO_M3S) / ((Math.PI / 4) * (bore_mm / 1000) ** 2);
  const dynamic_kPa = ((joining ? 1 : -1) * (density_kgm3 * speed_ms * speed_ms)) / 2000;
  const r = Math.min(1, Math.abs(into[BRANCH] as number) / q);
  for (let i = 0; i < 3; i += 1) {
    const share = i === combined || q < 1e-9 ? 0 : Math.min(1, Math.abs(into[i] as number) / q);
    if (share < 1e-9) {
      out[i] = 0;
      continue;
    }
    if (combined === BRANCH)
      out[i] = dynamic_kPa * (joining ? TEE_K.endsJoining(share) : TEE_K.endsDividing(share));
    else if (i === BRANCH)
      out[i] = dynamic_kPa * (joining ? TEE_K.branchJoining(r) : TEE_K.branchDividing(r));
    else out[i] = dynamic_kPa * (joining ? TEE_K.runJoining(r) : TEE_K.runDividing(r));
  }
}
