import type { Design } from '../design';
import type { ComponentPart } from '../components';
import { isShown } from './visibility';

const alike = (a: unknown, b: unknown): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * Whether two parts take the same room and have their ports in the same places; curves and prices
 * may differ.
 */
const sameBody = (a: ComponentPart, b: ComponentPart): boolean =>
  a === b || (a.kind === b.kind && alike(roomOf(a), roomOf(b)));
const roomOf = (p: ComponentPart): unknown => [
  p.size,
  p.boxes,
  'ports' in p ? p.ports : null,
  p.kind === 'card' ? [p.bareThickness_mm, p.powerPlug] : null,
  p.kind === 'board' ? [p.processorAt, p.regulatorsAt, p.memoryAt, p.slots_mm] : null,
  p.kind === 'radiator' ? p.finStart_mm : null,
];

/**
 * Whether two builds have the same parts in the same places, joined the same way: what was routed
 * in one holds in the other.
 */
export function sameSpace(a: Design, b: Design): boolean {
  return (
    alike(a.case, b.case) &&
    alike(a.choices.removed, b.choices.removed) &&
    a.choices.stands === b.choices.stands &&
    a.brief.limits.clear_mm === b.brief.limits.clear_mm &&
    alike(a.kit, b.kit) &&
    a.components.length === b.components.length &&
    a.components.every((i, k) => {
      const j = b.components[k];
      return (
        j !== undefined &&
        i.id === j.id &&
        sameBody(i.part, j.part) &&
        alike(i.placement, j.placement) &&
        isShown(i) === isShown(j) &&
        i.settings.pieces === j.settings.pieces
      );
    }) &&
    a.loops.length === b.loops.length &&
    a.loops.every((l, k) => {
      const m = b.loops[k];
      return (
        m !== undefined &&
        alike(l.tube, m.tube) &&
        alike(l.fitting, m.fitting) &&
        alike(l.connections, m.connections) &&
        alike(l.mandrels, m.mandrels) &&
        alike(l.caps, m.caps)
      );
    })
  );
}
