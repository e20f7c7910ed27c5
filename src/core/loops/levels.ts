import { type Loop, type PortRef, type ComponentId } from '../design';
import { heightOf, heightsOf, type PlacedComponent, type PlacedPort, type System } from '../system';
import { isWet } from '../components';

/** Coolant or air that stays in a part, mL. */
export interface Pocket {
  readonly component: ComponentId;
  readonly mL: number;
}
export interface Draining {
  /** The lowest drain valve; null when there is none. */
  readonly drain: PortRef | null;
  readonly level_mm: number | null;
  /** What does not run out by it, largest first. */
  readonly stays: readonly Pocket[];
  readonly stays_mL: number;
}

/** Less than this is not told, mL. */
const LEAST_ML = 2;

/**
 * Parts of a loop that stand somewhere, with their lowest and highest point and the ports that runs
 * use.
 */
function wetParts(
  system: System,
  loop: Loop,
): readonly {
  readonly placed: PlacedComponent;
  readonly low: number;
  readonly high: number;
  readonly used: readonly PlacedPort[];
  readonly volume_mL: number;
}[] {
  return [...system.placed.values()].flatMap((placed) => {
    const { part } = placed;
    const used = placed.ports.filter((p) =>
      loop.connections.some(
        (l) =>
          (l.from.component === p.component && l.from.port === p.port.id) ||
          (l.to.component === p.component && l.to.port === p.port.id),
      ),
    );
    if (!isWet(part) || used.length === 0 || placed.solids.length === 0) return [];
    return [
      {
        placed,
        ...heightsOf(
          system,
          placed.solids.map((s) => s.box),
        ),
        used,
        volume_mL: part.kind === 'reservoir' ? part.fill_mL : part.volume_mL,
      },
    ];
  });
}

const share = (from: number, to: number, low: number, high: number): number =>
  high > low
    ? Math.max(0, Math.min(1, (Math.min(to, high) - Math.max(from, low)) / (high - low)))
    : 0;

/**
 * What stays in the loop when its lowest drain valve is opened and the fill cap is off: in each
 * part, what lies below the valve or below the part's own lowest used port, whichever is higher. An
 * estimate: the volume is taken to be spread evenly over the part's height; a siphon may draw some
 * more, tilting the case most of it.
 */
export function draining(system: System, loop: Loop): Draining {
  const drains = loop.caps
    .filter((c) => c.with === 'drain')
    .flatMap((c) => {
      const at = system.portAt(c);
      return at ? [{ cap: c, y: heightOf(system, at.at) }] : [];
    })
    .sort((a, b) => a.y - b.y);
  const [lowest] = drains;
  if (!lowest) return { drain: null, level_mm: null, stays: [], stays_mL: 0 };
  const stays = wetParts(system, loop)
    .map((w): Pocket => {
      const own = lowest.cap.component === w.placed.id;
      const level = own
        ? lowest.y
        : Math.max(lowest.y, Math.min(...w.used.map((p) => heightOf(system, p.at))));
      return {
        component: w.placed.id,
        mL: w.volume_mL * share(w.low, level, w.low, w.high),
      };
    })
    .filter((p) => p.mL >= LEAST_ML)
    .sort((a, b) => b.mL - a.mL);
  return {
    drain: { component: lowest.cap.component, port: lowest.cap.port },
    level_mm: lowest.y,
    stays,
    stays_mL: stays.reduce((s, p) => s + p.mL, 0),
  };
}

/**
 * Air that filling leaves above the highest used port of each part but the reservoir, largest
 * first. Even spread over the height, as above.
 */
export function trappedAir(system: System, loop: Loop): readonly Pocket[] {
  return wetParts(system, loop)
    .filter((w) => w.placed.part.kind !== 'reservoir')
    .map((w): Pocket => {
      const caps = loop.caps
        .filter((c) => c.with === 'fill' && c.component === w.placed.id)
        .flatMap((c) => {
          const at = system.portAt(c);
          return at ? [heightOf(system, at.at)] : [];
        });
      return {
        component: w.placed.id,
        mL:
          w.volume_mL *
          share(
            Math.max(...w.used.map((p) => heightOf(system, p.at)), ...caps),
            w.high,
            w.low,
            w.high,
          ),
      };
    })
    .filter((p) => p.mL >= LEAST_ML)
    .sort((a, b) => b.mL - a.mL);
}

/**
 * Height of the coolant in a reservoir filled to its mark, mm in the case; null while it stands
 * nowhere.
 */
export function fillLevel(system: System, placed: PlacedComponent): number | null {
  const { part } = placed;
  if (part.kind !== 'reservoir' || placed.solids.length === 0) return null;
  const { low, high } = heightsOf(
    system,
    placed.solids.map((s) => s.box),
  );
  return low + (high - low) * Math.min(1, part.fill_mL / part.volume_mL);
}

/** Where a loop's parts stand: the highest port of each, mm. */
export const topOf = (system: System, placed: PlacedComponent): number =>
  Math.max(...placed.ports.map((p) => heightOf(system, p.at)));
