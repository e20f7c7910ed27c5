import type { Design } from '../design';
import type { System } from '../system';
import type { Run } from '../tubing';
import type { Vec } from '../geometry';
import { onArc } from '../tubing';
import { STRAIGHT_MM } from '.';

/**
 * The independent checker: its own distances, every point of every tube a millimetre or two apart
 * against every solid and tube.
 */
export const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const len = (a: Vec): number => Math.hypot(...a);
export const turn = (a: Vec, b: Vec): number =>
  (Math.acos(
    Math.max(-1, Math.min(1, (a[0] * b[0] + a[1] * b[1] + a[2] * b[2]) / (len(a) * len(b)))),
  ) *
    180) /
  Math.PI;
function dense(run: Run, step = 2): readonly Vec[] {
  return (run.routed?.path ?? []).flatMap((s) => {
    const length =
        s.kind === 'line' ? len(sub(s.to, s.from)) : (s.radius * s.angle_deg * Math.PI) / 180,
      n = Math.max(1, Math.ceil(length / step));
    return Array.from({ length: n + 1 }, (_, i) =>
      s.kind === 'line'
        ? ([0, 1, 2].map(
            (k) => s.from[k as 0] + ((s.to[k as 0] - s.from[k as 0]) * i) / n,
          ) as unknown as Vec)
        : onArc(s, i / n),
    );
  });
}
const toBox = (p: Vec, min: Vec, max: Vec): number => {
  const d = [0, 1, 2].map((i) => Math.max(min[i as 0] - p[i as 0], p[i as 0] - max[i as 0]));
  return Math.max(...d) <= 0 ? Math.max(...d) : Math.hypot(...d.map((v) => Math.max(0, v)));
};
const toRound = (p: Vec, from: Vec, to: Vec, r: number): number => {
  const axis = sub(to, from),
    l = len(axis),
    t = ([0, 1, 2] as const).reduce<number>((s, i) => s + ((p[i] - from[i]) * axis[i]) / l, 0);
  const foot = from.map((v, i) => v + ((axis[i] as number) / l) * t) as unknown as Vec,
    across = len(sub(p, foot)) - r,
    along = Math.max(-t, t - l);
  return across <= 0 && along <= 0
    ? Math.max(across, along)
    : Math.hypot(Math.max(0, across), Math.max(0, along));
};

export function check(system: System, runs: readonly Run[]): readonly string[] {
  const wrong: string[] = [],
    laid = runs.filter((r) => r.routed);
  for (const run of laid) {
    const space = run.routed as NonNullable<Run['routed']>,
      loop = system.design.loops.find((l) => l.id === run.loop) as Design['loops'][number],
      radius = run.tube.outer_mm / 2;
    const points = dense(run),
      ends = { from: system.portAt(run.from), to: system.portAt(run.to) };
    // The chain of pieces leads from the port to the mouth, without a gap.
    for (const end of ['from', 'to'] as const) {
      const pieces = space.pieces.filter((p) => p.end === end),
        mouth = end === 'from' ? (points[0] as Vec) : (points[points.length - 1] as Vec),
        port = ends[end];
      if (!port || len(sub((pieces[0] as { from: Vec }).from, port.at)) > 0.01)
        wrong.push(`${run.name}: ${end} does not start at its port`);
      else if (
        turn(
          sub((pieces[0] as { to: Vec }).to, (pieces[0] as { from: Vec }).from),
          port.direction,
        ) > 0.01
      )
        wrong.push(`${run.name}: ${end} leaves its port askew`);
      pieces.forEach((p, i) => {
        const next = pieces[i + 1];
        if (next && len(sub(next.from, p.to)) > 0.01)
          wrong.push(`${run.name}: a gap between pieces at ${end}`);
      });
      const last = pieces[pieces.length - 1] as { from: Vec; to: Vec },
        beside = end === 'from' ? (points[1] as Vec) : (points[points.length - 2] as Vec);
      if (len(sub(last.to, mouth)) > 0.01)
        wrong.push(`${run.name}: the tube does not meet its fitting at ${end}`);
      if (turn(sub(last.to, last.from), sub(beside, mouth)) > 0.5)
        wrong.push(`${run.name}: the tube leaves its fitting askew at ${end}`);
    }
    // Smooth, no bend too tight, straights long enough.
    space.path.forEach((s, i) => {
      if (s.kind === 'arc' && s.radius < loop.tube.minBend_mm - 1e-6)
        wrong.push(`${run.name}: bend of ${s.radius} mm`);
      const next = space.path[i + 1];
      if (next && len(sub(next.from, s.to)) > 1e-6) wrong.push(`${run.name}: path broken`);
      if (s.kind === 'line' && run.tube.hard && space.path.length > 1) {
        const least = i === 0 || i === space.path.length - 1 ? STRAIGHT_MM : run.tube.outer_mm;
        if (len(sub(s.to, s.from)) < least - 1e-6)
          wrong.push(`${run.name}: straight of ${len(sub(s.to, s.from)).toFixed(2)} mm`);
      }
    });
    const off = points.findIndex(
      (p, i) =>
        i > 1 &&
        turn(sub(p, points[i - 1] as Vec), sub(points[i - 1] as Vec, points[i - 2] as Vec)) > 12 &&
        len(sub(p, points[i - 1] as Vec)) > 0.5 &&
        len(sub(points[i - 1] as Vec, points[i - 2] as Vec)) > 0.5,
    );
    if (off >= 0)
      wrong.push(`${run.name}: a kink at ${(points[off] as Vec).map(Math.round).join()}`);
    // Past everything.
    const own = new Set([run.from.component, run.to.component]);
    for (const p of system.placed.values())
      for (const s of p.solids) {
        const least =
          Math.min(
            ...points.map((q) =>
              s.cylinder
                ? toRound(q, s.cylinder.from, s.cylinder.to, s.cylinder.radius)
                : toBox(q, s.box.min, s.box.max),
            ),
          ) - radius;
        if (least < (own.has(p.id) ? -0.06 : -0.06))
          wrong.push(`${run.name} meets ${s.detail} by ${(-least).toFixed(2)}`);
      }
    for (const o of system.obstacles)
      if (Math.min(...points.map((q) => toBox(q, o.box.min, o.box.max))) < radius - 0.06)
        wrong.push(`${run.name} meets ${o.detail}`);
    for (const other of laid) {
      if (other === run || other.id < run.id) continue;
      const theirs = dense(other, 3),
        gap =
          Math.min(...points.map((a) => Math.min(...theirs.map((b) => len(sub(a, b)))))) -
          radius -
          other.tube.outer_mm / 2;
      if (gap < -0.06) wrong.push(`${run.name} meets ${other.name} by ${(-gap).toFixed(2)}`);
      for (const piece of other.routed?.pieces ?? [])
        if (
          Math.min(...points.map((q) => toRound(q, piece.from, piece.to, piece.radius))) <
          radius - 0.06
        )
          wrong.push(`${run.name} meets a fitting of ${other.name}`);
    }
  }
  return wrong;
}
