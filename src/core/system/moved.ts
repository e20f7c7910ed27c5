import { findComponent, type ComponentId, type Design, type Edit, type Placement } from '../design';
import { add, dot, scale, sub, type Vec } from '../geometry';
import type { FanPart, Mount, RadiatorPart } from '../components';
import { compileSystem } from './compileSystem';
import { nearestSlide, screwedAs, slidesOn } from './slides';
import type { System } from './types';

/** Steps a dragged part moves by, mm. */
const STEP_MM = 1;
const snap = (v: number): number => Math.round(v / STEP_MM) * STEP_MM;

/** How far a part may slide on its rail, mm; null when it hangs on none. */
export function slideRange(design: Design, id: string): number | null {
  const component = findComponent(design, id),
    p = component?.placement;
  const mount = p?.on === 'mount' ? design.case?.mounts.find((m) => m.id === p.mount) : undefined;
  if (!component || !mount) return null;
  const row =
    component.part.kind === 'fan'
      ? mount.fans.find(
          (f) => component.part.kind === 'fan' && f.size_mm === component.part.section_mm,
        )
      : undefined;
  return Math.max(0, mount.length_mm - (row ? row.size_mm * row.count : component.part.size[0]));
}

/** Fans a mount holds of a size in a row; 1 of a radiator, which brings its own. */
const rowOf = (mount: Mount, part: FanPart | RadiatorPart): number =>
  (part.kind === 'fan' && mount.fans.find((f) => f.size_mm === part.section_mm)?.count) || 1;

/**
 * The placement of a part moved by so many millimetres from where it was: along its rail, held at
 * the ends; anywhere for what stands on a spot or free (it stands free then). Null for what has no
 * way to go. Whole millimetres.
 */
export function movedBy(design: Design, id: string, by: Vec): Placement | null {
  const component = findComponent(design, id),
    p = component?.placement;
  if (!component || !p) return null;
  if (p.on === 'mount') {
    const mount = design.case?.mounts.find((m) => m.id === p.mount),
      range = slideRange(design, id);
    if (!mount || range === null) return null;
    const wanted = snap(p.slide_mm + dot(by, mount.along));
    const { part } = component;
    if (mount.holes && (part.kind === 'radiator' || part.kind === 'fan')) {
      const held = screwedAs(part, p.ports, component.settings.pieces ?? rowOf(mount, part));
      return { ...p, slide_mm: nearestSlide(slidesOn(mount, held), wanted) };
    }
    return { ...p, slide_mm: Math.max(0, Math.min(range, wanted)) };
  }
  if (p.on === 'spot' || p.on === 'free') {
    const foot = footOf(design, id);
    if (!foot) return null;
    const at = add(foot, by);
    return {
      on: 'free',
      at: [snap(at[0]), snap(at[1]), snap(at[2])],
      turn: p.turn,
      ...(p.up ? { up: p.up } : {}),
      ...(p.on === 'free' && p.tilt ? { tilt: p.tilt } : {}),
    };
  }
  return null;
}

/** All of some components moved by as much; null where one of them cannot go. */
export function shiftEdit(design: Design, ids: readonly ComponentId[], by: Vec): Edit | null {
  const edits = ids.flatMap((component): Edit[] => {
    const placement = movedBy(design, component, by);
    return placement ? [{ do: 'component.place', component, placement }] : [];
  });
  if (edits.length < ids.length || edits.length === 0) return null;
  return edits.length === 1 ? (edits[0] as Edit) : { do: 'batch', edits };
}

/**
 * A component put to a place it slides or is lifted to, and its whole rigid group with it: what
 * stands on it goes by itself, what is screwed to it port to port is moved by as much. Alone where
 * the group cannot follow: the checks say what comes apart.
 */
export function moveEdit(system: System, id: ComponentId, placement: Placement): Edit {
  const { design, mates } = system;
  const alone: Edit = { do: 'component.place', component: id, placement };
  const others = mates.rootsOf(id).filter((root) => root !== id);
  if (others.length === 0) return alone;
  const now = findComponent(design, id)?.placement;
  const by = now && shiftBetween(design, id, now, placement);
  const follow = by && shiftEdit(design, others, by);
  if (!follow) return alone;
  return { do: 'batch', edits: [alone, ...(follow.do === 'batch' ? follow.edits : [follow])] };
}

/** From one placement to another of the same kind, mm; null where they are not steps of one way. */
function shiftBetween(design: Design, id: ComponentId, from: Placement, to: Placement): Vec | null {
  if (from.on === 'mount' && to.on === 'mount' && from.mount === to.mount) {
    const mount = design.case?.mounts.find((m) => m.id === to.mount);
    return mount ? scale(mount.along, to.slide_mm - from.slide_mm) : null;
  }
  const foot = footOf(design, id);
  return to.on === 'free' && foot ? sub(to.at, foot) : null;
}

/** The middle of the foot of a part that stands, mm. */
export function footOf(design: Design, id: string): Vec | null {
  const p = findComponent(design, id)?.placement;
  if (p?.on === 'free') return p.at;
  if (p?.on === 'spot') return design.case?.spots.find((s) => s.id === p.spot)?.at ?? null;
  const solids = compileSystem(design).placed.get(id)?.solids ?? [];
  const [first] = solids;
  if (!first) return null;
  const low = ([0, 1, 2] as const).map((i) => Math.min(...solids.map((s) => s.box.min[i]))),
    high = ([0, 1, 2] as const).map((i) => Math.max(...solids.map((s) => s.box.max[i])));
  return [
    ((low[0] as number) + (high[0] as number)) / 2,
    low[1] as number,
    ((low[2] as number) + (high[2] as number)) / 2,
  ];
}
