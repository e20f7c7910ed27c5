import { componentName, type ComponentId } from '../design';
import { type System, type PlacedComponent, type Solid, solidLabel } from '../system';
import { union, type Box } from '../geometry';
import { msg } from '../messages';

/** What stands before the inner air side of a stack: a radiator with its fans, or bare fans. */
export interface AirflowObstruction {
  /** The radiator, or the fans. */
  readonly component: ComponentId;
  readonly name: string;
  /** Nearest thing before the air side, mm; null when nothing is within reach. */
  readonly gap_mm: number | null;
  readonly by: string | null;
  /** Its component, or `case:…`; null of the wall. */
  readonly byComponent: ComponentId | null;
  /** Share of the face that has something before it, 0–1. */
  readonly covered: number;
  /** Pressure it costs, Pa at 1 m/s of face velocity. */
  readonly loss_Pa: number;
}

/**
 * Things farther off than this do not hinder the air, in widths of a fan (common practice, no
 * source).
 */
const REACH_WIDTHS = 1;
/** Cells a side that a face is looked at in. */
const CELLS = 16;
/** Half the density of air at 20 °C, Pa at 1 m/s. */
const HEAD_PA = 0.6;

/**
 * Air before a wall leaves through the curtain between the face's edge and the wall, and through
 * what is not covered. Where that way is smaller than the face, the air must go faster: one
 * velocity head of the narrow way, less that of the face, is lost. An estimate: continuity and
 * Bernoulli, no source for fans; the narrow way is the curtain (edge × gap) and the open share of
 * the face.
 */
export function curtainLoss(
  width_mm: number,
  length_mm: number,
  gap_mm: number,
  covered: number,
): number {
  const face = width_mm * length_mm;
  const way = 2 * (width_mm + length_mm) * gap_mm * covered + (1 - covered) * face;
  if (way >= face) return 0;
  return HEAD_PA * ((face / Math.max(way, face * LEAST_WAY)) ** 2 - 1);
}

/** The narrowest way reckoned with, as a share of the face: below it no air to speak of passes. */
const LEAST_WAY = 0.05;

/** The inner air side of every stack on a mount. */
export function measureAirflowObstructions(system: System): readonly AirflowObstruction[] {
  const placed = [...system.placed.values()];
  return placed
    .filter((p) => p.frame && p.placement.on === 'mount')
    .map((p): AirflowObstruction => {
      const stack = [
        p,
        ...placed.filter((f) => f.part.kind === 'fan' && system.mates.hostsOf(f.id)[0] === p.id),
      ];
      const own = new Set(stack.map((s) => s.id));
      const others = [
        ...placed.filter((o) => !own.has(o.id)).flatMap((o) => o.solids),
        ...system.obstacles,
      ];
      return look(system, p, stack, others);
    });
}

function look(
  system: System,
  p: PlacedComponent,
  stack: readonly PlacedComponent[],
  others: readonly Solid[],
): AirflowObstruction {
  const z = p.frame?.z ?? [1, 0, 0];
  const axis = z.findIndex((d) => d !== 0) as 0 | 1 | 2,
    sign = z[axis] as number;
  const fans = stack.filter((s) => s.part.kind === 'fan');
  // Air passes where the fans are; a bare radiator breathes over its whole face.
  const face = union((fans.length > 0 ? fans : [p]).flatMap((s) => s.solids.map((b) => b.box)));
  const all = union(stack.flatMap((s) => s.solids.map((b) => b.box)));
  const inner = sign > 0 ? all.max[axis] : all.min[axis];
  const [u, v] = ([0, 1, 2] as const).filter((i) => i !== axis) as [0 | 1 | 2, 0 | 1 | 2];
  const width = Math.min(face.max[u] - face.min[u], face.max[v] - face.min[v]),
    length = Math.max(face.max[u] - face.min[u], face.max[v] - face.min[v]);
  const reach = REACH_WIDTHS * width;
  const ahead = others.flatMap((o) => {
    const gap = sign > 0 ? o.box.min[axis] - inner : inner - o.box.max[axis];
    return gap > -1 && gap <= reach && over(o.box, face, u) && over(o.box, face, v)
      ? [{ o, gap: Math.max(0, gap) }]
      : [];
  });
  const { interior } = system;
  const distanceToWall = () => {
    if (interior) {
      if (sign > 0) return interior.max[axis] - inner;
      return inner - interior.min[axis];
    }
    return Infinity;
  };
  const wall = distanceToWall();
  if (ahead.length === 0 && wall > reach)
    return {
      component: p.id,
      name: componentName(system.design, p.id),
      gap_mm: null,
      by: null,
      byComponent: null,
      covered: 0,
      loss_Pa: 0,
    };
  // By cells: the nearest thing before each.
  let hit = 0,
    sum = 0;
  const cells = new Map<Solid | null, number>();
  for (let i = 0; i < CELLS; i += 1)
    for (let j = 0; j < CELLS; j += 1) {
      const a = face.min[u] + ((i + 0.5) / CELLS) * (face.max[u] - face.min[u]),
        b = face.min[v] + ((j + 0.5) / CELLS) * (face.max[v] - face.min[v]);
      let gap = wall,
        by: Solid | null = null;
      for (const x of ahead)
        if (
          x.gap < gap &&
          x.o.box.min[u] <= a &&
          a <= x.o.box.max[u] &&
          x.o.box.min[v] <= b &&
          b <= x.o.box.max[v]
        ) {
          gap = x.gap;
          by = x.o;
        }
      if (gap > reach) continue;
      hit += 1;
      sum += gap;
      cells.set(by, (cells.get(by) ?? 0) + 1);
    }
  const covered = hit / CELLS ** 2;
  if (hit === 0)
    return {
      component: p.id,
      name: componentName(system.design, p.id),
      gap_mm: null,
      by: null,
      byComponent: null,
      covered: 0,
      loss_Pa: 0,
    };
  const [[most] = [null]] = [...cells.entries()].sort((x, y) => y[1] - x[1]);
  const nearest = Math.min(wall, ...ahead.map((x) => x.gap));
  return {
    component: p.id,
    name: componentName(system.design, p.id),
    gap_mm: nearest,
    by: most ? solidLabel(system.design, most) : msg`far wall`,
    byComponent: most?.component ?? null,
    covered,
    loss_Pa: curtainLoss(width, length, sum / hit, covered),
  };
}

const over = (a: Box, b: Box, i: 0 | 1 | 2): boolean => a.min[i] < b.max[i] && b.min[i] < a.max[i];
