import type { FanPoint, Port, PolymerMaterial, Thread, WettedPolymerSurface } from '../components';
import type { Vec } from '../geometry';

const G14: Thread = 'G1/4';

/** A port of a part that is made from a few figures. */
export const port = (
  id: string,
  name: string,
  at: Vec,
  direction: Vec,
  chamber: string,
  rest: Partial<Port> = {},
): Port => ({ id, name, at, direction, thread: G14, role: 'any', chamber, ...rest });

/** Pressure over flow of an axial fan, as shares of its shut-off pressure and free flow. */
const FAN_SHAPE: readonly (readonly [number, number])[] = [
  [0, 1],
  [0.25, 0.86],
  [0.5, 0.66],
  [0.7, 0.46],
  [0.85, 0.26],
  [1, 0],
];

/** The usual curve of an axial fan through its two ends, Pa at m³/h. */
export const fanPoints = (free_m3h: number, shutOff_Pa: number): readonly FanPoint[] =>
  FAN_SHAPE.map(([q, p]) => [hundredths(q * free_m3h), hundredths(p * shutOff_Pa)] as const);

export const hundredths = (v: number): number => Math.round(v * 100) / 100;

/** A body of plastic or glass sealed by rings of EPDM. */
export const sealed = (...bodies: readonly PolymerMaterial[]): readonly WettedPolymerSurface[] => [
  ...bodies.map((material): WettedPolymerSurface => ({ material, as: 'body' })),
  { material: 'EPDM rubber', as: 'seal' },
];
