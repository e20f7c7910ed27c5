import { applyEdit, type Edit, type Component, type Placement, findComponent } from '../design';
import { msg } from '../messages';
import type { Fix } from './diagnostic';
import { measureGaps, type Gap } from '../clearance';
import { replaceWithPlugs } from '../loops';
import { compileSystem, nearestSlide, screwedAs, slidesOn } from '../system';
import { formatMeasure } from '../units';
import type { SpatialInputs } from './inputs';
import { firstSlide } from './places';

/** At most this many tries and offers a pair: each try measures the whole case again. */
const MOST_TRIES = 30,
  MOST_TRIES_TIGHT = 8;
const MOST_FIXES = 3;

/**
 * Ways out of a clash or a tight spot that were tried on a copy and hold: the pair comes clear and
 * nothing else gets worse.
 */
export function fitFixes(context: SpatialInputs, gap: Gap): readonly Fix[] {
  /** A clash may become a tight spot; a tight spot must come clear. */
  const held = (g: Gap): boolean =>
    gap.verdict === 'clash' ? g.verdict !== 'clash' : g.verdict === 'clear';
  const before = badness(context.clearance.gaps);
  const good: Fix[] = [];
  for (const fix of candidates(context, gap).slice(
    0,
    gap.verdict === 'clash' ? MOST_TRIES : MOST_TRIES_TIGHT,
  )) {
    if (good.length >= MOST_FIXES) break;
    const fit = measureGaps(compileSystem(applyEdit(context.design, fix.edit).design));
    const same = fit.gaps.find((g) => g.a === gap.a && g.b === gap.b);
    const gone = fit.unplaced.length <= context.clearance.unplaced.length;
    if (
      gone &&
      (!same || (held(same) && same.gap_mm > gap.gap_mm + 0.5)) &&
      badness(fit.gaps) < before - 0.5
    )
      good.push(fix);
  }
  return good;
}

const badness = (gaps: readonly Gap[]): number =>
  gaps.reduce((s, g) => {
    const weight = () => {
      if (g.verdict === 'clash') return 20 - g.gap_mm;
      if (g.verdict === 'marginal') return 1;
      return 0;
    };
    return s + weight();
  }, 0);

/** Moves, swaps and smaller parts that could part two things; untried. */
export function candidates(context: SpatialInputs, gap: Pick<Gap, 'a' | 'b'>): Fix[] {
  const involved = [gap.a, gap.b].flatMap((id) => {
    const component = findComponent(context.design, id);
    if (!component) return [];
    const host = component.placement.on === 'radiator' ? component.placement.component : null;
    const radiator = host ? findComponent(context.design, host) : undefined;
    return radiator ? [component, radiator] : [component];
  });
  const fixes = involved.flatMap((component) => moves(context, component));
  for (const id of [gap.a, gap.b]) {
    const obstacle = context.design.case?.obstacles.find(
      (o) => `case:${o.id}` === id && o.removable,
    );
    if (obstacle)
      fixes.push({
        label: msg`Take out the ${obstacle.name.toLowerCase()}`,
        edit: { do: 'case.remove-obstacle', obstacle: obstacle.id, removed: true },
      });
  }
  return [...fixes, ...involved.flatMap((component) => smaller(context, component))];
}

const placing = (component: Component, placement: Placement): Edit => ({
  do: 'component.place',
  component: component.id,
  placement,
});

function moves(context: SpatialInputs, component: Component): Fix[] {
  const p = component.placement;
  const box = context.design.case;
  const fixes: Fix[] = [];
  if (p.on === 'mount' && box) {
    const mount = box.mounts.find((m) => m.id === p.mount);
    if (mount && component.part.kind === 'radiator') {
      const slack = mount.length_mm - component.part.size[0];
      const ranges = slidesOn(mount, screwedAs(component.part, p.ports));
      const reached = [0, 5, 10, 15, 20, 30, 40, slack].map((s) =>
        mount.holes ? nearestSlide(ranges, s) : s,
      );
      for (const to of [...new Set(reached)].filter(
        (s) => s >= 0 && s <= slack && Math.abs(s - p.slide_mm) > 0.5,
      )) {
        const by = to - p.slide_mm;
        fixes.push({
          label: msg`Slide ${component.name} by ${formatMeasure(by, 'mm', { signed: true })}`,
          edit: placing(component, { ...p, slide_mm: to }),
        });
      }
      fixes.sort((a, b) => slideOf(a) - slideOf(b));
      fixes.push({
        label: msg`Turn the ports of ${component.name} to the other end`,
        edit: placing(component, { ...p, ports: p.ports === 'end' ? 'start' : 'end' }),
      });
      for (const other of box.mounts) {
        if (
          other.id !== mount.id &&
          !context.design.components.some(
            (o) => o.placement.on === 'mount' && o.placement.mount === other.id,
          ) &&
          other.length_mm >= component.part.size[0] &&
          other.fans.some(
            (f) => component.part.kind === 'radiator' && f.size_mm === component.part.section_mm,
          )
        ) {
          fixes.push({
            label: msg`Mount ${component.name} on the ${other.name.toLowerCase()}`,
            edit: placing(component, {
              ...p,
              mount: other.id,
              ports: 'end',
              slide_mm: firstSlide(other, component.part),
            }),
          });
        }
      }
    }
  }
  if (p.on === 'radiator') {
    const taken = (face: string): boolean =>
      context.design.components.some(
        (o) =>
          o.id !== component.id &&
          o.placement.on === 'radiator' &&
          o.placement.component === p.component &&
          o.placement.face === face,
      );
    for (const face of ['frame', 'interior', 'outside'] as const)
      if (face !== p.face && !taken(face))
        fixes.push({
          label:
            face === 'outside'
              ? msg`Put ${component.name} outside the panel`
              : msg`Put ${component.name}
                ${face === 'frame' ? msg`between radiator and panel` : msg`inside`}`,
          edit: placing(component, { ...p, face }),
        });
    // A radiator with fans on both faces: one set taken off.
    if (
      context.design.components.some(
        (o) =>
          o.id !== component.id &&
          o.placement.on === 'radiator' &&
          o.placement.component === p.component,
      )
    )
      fixes.push({
        label: msg`Take ${component.name} off: the other face has fans too`,
        edit: { do: 'component.remove', component: component.id },
      });
  }
  if (p.on === 'spot' && box)
    for (const s of box.spots)
      if (s.id !== p.spot)
        fixes.push({
          label: msg`Move ${component.name} to “${s.name}”`,
          edit: placing(component, { ...p, spot: s.id }),
        });
  return fixes;
}

const slideOf = (f: Fix): number =>
  Math.abs(Number(/by ([+−]?\d+)/.exec(f.label)?.[1]?.replace('−', '-') ?? 999));

/** A smaller part of the Stores in the same place: thinner core, next shorter reservoir. */
function smaller(context: SpatialInputs, component: Component): Fix[] {
  const { part } = component;
  if (part.kind === 'radiator') {
    return context.offer
      .flatMap((p) =>
        p.kind === 'radiator' &&
        p.section_mm === part.section_mm &&
        p.sections === part.sections &&
        p.size[2] < part.size[2] &&
        p.holeGap_mm === part.holeGap_mm &&
        (p.core.finMetal !== 'aluminium' || part.core.finMetal === 'aluminium')
          ? [p]
          : [],
      )
      .sort((a, b) => b.size[2] - a.size[2])
      .slice(0, 2)
      .map((p) => ({
        label: msg`Use a thinner radiator: ${p.name}`,
        edit: replaceWithPlugs(context.design, component.id, p),
      }));
  }
  if (part.kind === 'reservoir') {
    return context.offer
      .flatMap((p) => (p.kind === 'reservoir' && p.size[1] < part.size[1] ? [p] : []))
      .sort((a, b) => b.size[1] - a.size[1])
      .slice(0, 2)
      .map((p) => ({
        label: msg`Use a shorter reservoir: ${p.name}, ${formatMeasure(p.size[1], 'mm')}`,
        edit: replaceWithPlugs(context.design, component.id, p),
      }));
  }
  return [];
}
