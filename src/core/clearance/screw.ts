import type { Component, ComponentId } from '../design';
import { frameSheet, type System } from '../system';
import type { RadiatorPart, ScrewPart } from '../components';

/**
 * Least thread in the radiator's flange that holds, mm (physics of the trade: about the thread's
 * own diameter).
 */
export const ENGAGEMENT_MM = 2.5;
/** Kept between a screw's tip and the tube behind the flange, mm. */
export const TUBE_MARGIN_MM = 1;
const GASKET_MM = 1;
const WASHER_MM = 1;

/** A pile of things a screw goes through before it reaches the flange. */
export interface ScrewWindow {
  readonly stack_mm: number;
  readonly shortest_mm: number;
  readonly longest_mm: number;
}

/**
 * Lengths that hold without piercing: stack + engagement (≥ 2.5 mm) up to stack + depth to the tube
 * − 1 mm. `fan_mm` 0 when the flange meets the frame directly.
 */
export function screwWindow(
  fan_mm: number,
  depthToTube_mm: number,
  extras: { readonly gasket?: number; readonly washers?: number; readonly frame?: number } = {},
): ScrewWindow {
  const stack_mm = fan_mm + (extras.gasket ?? 0) + (extras.washers ?? 0) + (extras.frame ?? 0);
  return {
    stack_mm,
    shortest_mm: stack_mm + ENGAGEMENT_MM,
    longest_mm: stack_mm + depthToTube_mm - TUBE_MARGIN_MM,
  };
}

export interface ScrewNeed {
  readonly radiator: ComponentId;
  /** The fans held, or null for the frame alone. */
  readonly fans: string | null;
  readonly thread: string;
  readonly window: ScrewWindow;
  readonly quantity: number;
  /** Chosen by hand or picked. Null when no length on the list is in the window. */
  readonly length_mm: number | null;
  readonly chosen: 'by hand' | 'picked' | 'none';
  /** Washers under each head that bring the next longer length into the window. */
  readonly washers: number;
  readonly verdict: 'ok' | 'too-long' | 'too-short' | 'none';
}

/**
 * The screws each radiator asks for: four a fan on each face with fans, and four a section onto the
 * frame when none are between.
 */
export function screwNeeds(system: System): readonly ScrewNeed[] {
  return system.design.components.flatMap((radiator): ScrewNeed[] => {
    if (radiator.part.kind !== 'radiator' || radiator.placement.on !== 'mount') return [];
    const { part, placement } = radiator,
      box = system.design.case,
      mount = box?.mounts.find((m) => m.id === placement.mount);
    const frame = box && mount ? frameSheet(box, mount.face) : 0;
    const fans = system.design.components.filter(
      (f) =>
        f.part.kind === 'fan' &&
        f.placement.on === 'radiator' &&
        f.placement.component === radiator.id,
    );
    const needs = fans.map((fan) => {
      const atFrame = fan.placement.on === 'radiator' && fan.placement.face !== 'interior';
      return need(
        system,
        part,
        radiator.id,
        fan.id,
        screwWindow(
          (fan.part.kind === 'fan' ? fan.part.size[2] : 0) + layersOf(fan),
          part.screw.depthToTube_mm,
          {
            gasket: fan.settings.layers?.some((l) => l.duty === 'gasket') ? 0 : GASKET_MM,
            frame: atFrame ? frame : 0,
          },
        ),
        fan.settings.screw_mm,
        Math.min(fan.settings.pieces ?? part.sections, part.sections),
      );
    });
    if (!fans.some((f) => f.placement.on === 'radiator' && f.placement.face !== 'interior')) {
      needs.push(
        need(
          system,
          part,
          radiator.id,
          null,
          screwWindow(0, part.screw.depthToTube_mm, { frame }),
          radiator.settings.screw_mm,
        ),
      );
    }
    return needs;
  });
}

/** Grilles, filters and gaskets under the heads of a set's screws, mm. */
const layersOf = ({ settings }: Component): number =>
  (settings.layers ?? []).reduce((sum, l) => sum + l.thickness_mm, 0);

function need(
  system: System,
  part: RadiatorPart,
  radiator: string,
  fans: string | null,
  window: ScrewWindow,
  byHand: number | undefined,
  count = part.sections,
): ScrewNeed {
  const base = { radiator, fans, thread: part.screw.thread, window, quantity: 4 * count };
  if (byHand !== undefined) {
    const verdictByHand = () => {
      if (byHand > window.longest_mm) return 'too-long';
      if (byHand < window.shortest_mm) return 'too-short';
      return 'ok';
    };
    const verdict = verdictByHand();
    return { ...base, length_mm: byHand, chosen: 'by hand', washers: 0, verdict };
  }
  const lengths = stockLengths(system.design.kit.screws, part.screw.thread);
  const fit = lengths.find((l) => l >= window.shortest_mm && l <= window.longest_mm);
  if (fit !== undefined)
    return { ...base, length_mm: fit, chosen: 'picked', washers: 0, verdict: 'ok' };
  const longer = lengths.find((l) => l > window.longest_mm);
  const washers = longer === undefined ? 0 : Math.ceil((longer - window.longest_mm) / WASHER_MM);
  const works =
    longer !== undefined && washers <= 6 && longer >= window.shortest_mm + washers * WASHER_MM;
  return works
    ? { ...base, length_mm: longer, chosen: 'picked', washers, verdict: 'ok' }
    : { ...base, length_mm: null, chosen: 'none', washers: 0, verdict: 'none' };
}

const stockLengths = (screws: readonly ScrewPart[], thread: string): number[] =>
  screws
    .filter((s) => s.thread === thread)
    .map((s) => s.length_mm)
    .sort((a, b) => a - b);
