import { add, boxCentre, boxSize, distance, scale, union, type Vec } from '@/core/geometry';
import { middleLine } from '@/core/routing';
import { boreSpeed, type FlowReport } from '@/core/hydraulics';
import type { CaseReport } from '@/core/thermal';
import type { System } from '@/core/system';
import type { Run } from '@/core/tubing';

/** A tube as the coolant passes it: points of equal steps in the direction of flow, mm. */
export interface Stream {
  readonly run: string;
  readonly points: readonly Vec[];
  readonly length_mm: number;
  /** Mean velocity of the coolant, mm/s. */
  readonly speed_mms: number;
}

const STEP_MM = 4;

/** Every routed run with flow in it, in the direction the coolant takes. */
export function streamsOf(runs: readonly Run[], flow: FlowReport): readonly Stream[] {
  return runs.flatMap((run): Stream[] => {
    const q = flow.links.find((l) => l.id === run.id && l.loop === run.loop)?.flow_Lmin ?? 0;
    const path = middleLine(run, STEP_MM);
    if (Math.abs(q) < 1e-3 || path.length < 2) return [];
    const points = q > 0 ? path : [...path].reverse();
    const length_mm = points.reduce(
      (sum, p, i) => sum + (i > 0 ? distance(points[i - 1] as Vec, p) : 0),
      0,
    );
    return [
      {
        run: run.id,
        points,
        length_mm,
        speed_mms: 1000 * boreSpeed(Math.abs(q), run.tube.inner_mm),
      },
    ];
  });
}

/** Air through a radiator or a row of fans. */
export interface AirArrow {
  readonly id: string;
  readonly at: Vec;
  readonly direction: Vec;
  readonly flow_m3h: number;
  /** Through the face, m/s. */
  readonly speed_ms: number;
  /** Of the air that moves, °C. */
  readonly temp_C: number | null;
}

/** How far outside the case an arrow begins, mm. */
const OUTSIDE_MM = 60;

/** Arrows of the air by radiator and bare fans, as the air really goes. */
export function airArrows(system: System, heat: CaseReport): readonly AirArrow[] {
  const mounts = system.design.case?.mounts ?? [];
  const rows = [
    ...heat.radiators.map((r) => ({
      ...r,
      temp_C: r.air === 'in' ? r.airIn_C : (r.airOut_C ?? r.airIn_C),
    })),
    ...heat.caseFans.map((f) => ({ ...f, temp_C: null })),
  ];
  return rows.flatMap((row): AirArrow[] => {
    const placed = system.placed.get(row.id);
    const placement = placed?.placement;
    const mount =
      placement?.on === 'mount' ? mounts.find((m) => m.id === placement.mount) : undefined;
    if (!placed?.solids.length || !mount || row.airFlow_m3h <= 0) return [];
    const whole = union(placed.solids.map((s) => s.box));
    const [first = 1, second = 1] = [...boxSize(whole)].sort((a, b) => b - a);
    const outward = scale(mount.inward, -1);
    return [
      {
        id: row.id,
        at: add(boxCentre(whole), scale(outward, OUTSIDE_MM)),
        direction: row.air === 'in' ? mount.inward : outward,
        flow_m3h: row.airFlow_m3h,
        speed_ms: row.airFlow_m3h / 3600 / ((first * second) / 1e6),
        temp_C: row.temp_C,
      },
    ];
  });
}
