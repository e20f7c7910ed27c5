import { axisOf, type Body } from './cylinder';

type Point = readonly [x: number, y: number];

/** Where a plane z = constant cuts a body, mm: a rectangle or a disc. */
export type SectionArea =
  | { readonly shape: 'rect'; readonly min: Point; readonly max: Point }
  | { readonly shape: 'disc'; readonly centre: Point; readonly radius: number };

/** The cut through a body at a height z; null where the plane misses it. */
export function sectionOf({ box, cylinder }: Body, z: number): SectionArea | null {
  if (z <= box.min[2] || z >= box.max[2]) return null;
  const rect = (min: Point, max: Point): SectionArea => ({ shape: 'rect', min, max });
  if (!cylinder) return rect([box.min[0], box.min[1]], [box.max[0], box.max[1]]);
  const { from, radius } = cylinder;
  const axis = axisOf(cylinder);
  if (axis === 2) return { shape: 'disc', centre: [from[0], from[1]], radius };
  // Along the plane: as wide as the chord at this height.
  const half = Math.sqrt(Math.max(0, radius ** 2 - (z - from[2]) ** 2));
  return axis === 0
    ? rect([box.min[0], from[1] - half], [box.max[0], from[1] + half])
    : rect([from[0] - half, box.min[1]], [from[0] + half, box.max[1]]);
}

/** Lines at 45° over an area, so far apart, mm: the hatch of a cut face. */
export function hatchOf(area: SectionArea, pitch_mm: number): readonly (readonly [Point, Point])[] {
  const [min, max]: readonly [Point, Point] =
    area.shape === 'rect'
      ? [area.min, area.max]
      : [
          [area.centre[0] - area.radius, area.centre[1] - area.radius],
          [area.centre[0] + area.radius, area.centre[1] + area.radius],
        ];
  const step = pitch_mm * Math.SQRT2;
  const first = Math.ceil((min[1] - max[0]) / step) * step;
  const lines: (readonly [Point, Point])[] = [];
  // Each line is y = x + c.
  for (let c = first; c < max[1] - min[0]; c += step) {
    const span = area.shape === 'rect' ? overRect(min, max, c) : overDisc(area, c);
    if (span && span[1] - span[0] > 0.05)
      lines.push([
        [span[0], span[0] + c],
        [span[1], span[1] + c],
      ]);
  }
  return lines;
}

const overRect = (min: Point, max: Point, c: number): Point => [
  Math.max(min[0], min[1] - c),
  Math.min(max[0], max[1] - c),
];

function overDisc(
  { centre: [x, y], radius }: Extract<SectionArea, { shape: 'disc' }>,
  c: number,
): Point | null {
  // (t − x)² + (t + c − y)² = r²
  const middle = (x + y - c) / 2;
  const square = radius ** 2 / 2 - ((x + c - y) / 2) ** 2;
  if (square <= 0) return null;
  const half = Math.sqrt(square);
  return [middle - half, middle + half];
}
