import type { Box, Vec } from '@/core/geometry';

export type View = 'side' | 'front' | 'top';
export const VIEW_NAMES: Record<View, string> = { side: 'glass side', front: 'front', top: 'top' };

export interface Flat {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly depth: number;
}

/**
 * From case millimetres to the sheet: seen from the glass, from the front, or from above (glass at
 * the bottom).
 */
export function flatPoint(view: View, size: Vec, p: Vec): readonly [number, number] {
  if (view === 'side') return [p[0], size[1] - p[1]];
  if (view === 'front') return [size[2] - p[2], size[1] - p[1]];
  return [p[0], p[2]];
}

export function flatBox(view: View, size: Vec, b: Box): Flat {
  const [x0, y0] = flatPoint(view, size, b.min),
    [x1, y1] = flatPoint(view, size, b.max);
  const axisOfDepth = () => {
    if (view === 'side') return 2;
    if (view === 'front') return 0;
    return 1;
  };
  const depthAxis = axisOfDepth();
  return {
    x: Math.min(x0, x1),
    y: Math.min(y0, y1),
    w: Math.abs(x1 - x0),
    h: Math.abs(y1 - y0),
    depth: b.max[depthAxis],
  };
}

export function sheetSize(view: View, size: Vec): readonly [number, number] {
  if (view === 'side') return [size[0], size[1]];
  return view === 'front' ? [size[2], size[1]] : [size[0], size[2]];
}

/** A way on the sheet as a way in the case: the inverse of flatPoint for differences. */
export function caseWay(view: View, dx: number, dy: number): Vec {
  if (view === 'side') return [dx, -dy, 0];
  return view === 'front' ? [0, -dy, -dx] : [dx, 0, dy];
}
