import { componentName, type Loop } from '../design';
import { trappedAir } from '../loops';
import { heightOf, type System } from '../system';

/** Where air stays, and which way to tilt the case so that it goes. */
export interface AirPocket {
  readonly component: string;
  readonly name: string;
  readonly air_mL: number;
  /** Which edge of the case to lift; null where turning it over is the only way. */
  readonly lift: 'front' | 'rear' | 'window side' | 'tray side' | null;
}

/** A used port is beside the middle of its part by more than this, mm. */
const ASIDE_MM = 10;

/**
 * Air rises to the highest place of a part; it leaves when a used port is that place. Tilting lifts
 * one side of the case: the side where the part's highest used port sits is lifted.
 */
export function airPockets(system: System, loop: Loop): readonly AirPocket[] {
  return trappedAir(system, loop).map(({ component, mL }) => ({
    component,
    name: componentName(system.design, component),
    air_mL: mL,
    lift: liftFor(system, loop, component),
  }));
}

function liftFor(system: System, loop: Loop, component: string): AirPocket['lift'] {
  const placed = system.placed.get(component);
  if (!placed || placed.solids.length === 0) return null;
  const used = placed.ports.filter((p) =>
    loop.connections.some(
      (c) =>
        (c.from.component === component && c.from.port === p.port.id) ||
        (c.to.component === component && c.to.port === p.port.id),
    ),
  );
  const [highest] = [...used].sort((a, b) => heightOf(system, b.at) - heightOf(system, a.at));
  if (!highest) return null;
  const middle = ([0, 1, 2] as const).map(
    (i) =>
      (Math.min(...placed.solids.map((s) => s.box.min[i])) +
        Math.max(...placed.solids.map((s) => s.box.max[i]))) /
      2,
  );
  const dx = highest.at[0] - (middle[0] as number),
    dz = highest.at[2] - (middle[2] as number);
  if (Math.max(Math.abs(dx), Math.abs(dz)) < ASIDE_MM) return null;
  if (Math.abs(dx) >= Math.abs(dz)) return dx > 0 ? 'front' : 'rear';
  return dz > 0 ? 'window side' : 'tray side';
}

/** Days until the last bubbles have gone (common practice, no source): a day, and one more for each pocket. */
export const daysToClear = (pockets: readonly AirPocket[]): readonly [number, number] => [
  1,
  Math.min(7, 1 + pockets.length),
];
