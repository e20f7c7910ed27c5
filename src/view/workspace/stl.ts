import {
  ExtrudeGeometry,
  LatheGeometry,
  Mesh,
  Path,
  Shape,
  Vector2,
  type BufferGeometry,
} from 'three';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import type { Bracket } from '@/core/bracket';

/** Lies about the bend on either side of the tube, mm. */
const RIM_MM = 4;
/** Of the hole in the middle, and facets round. */
const HOLE_MM = 6,
  ROUND = 128,
  GROOVE_STEPS = 24;

const stlOf = (geometry: BufferGeometry): string => new STLExporter().parse(new Mesh(geometry));

/**
 * A disc with a round groove to bend a tube about, mm: the tube's middle line lies at the radius.
 * ASCII STL.
 */
export function mandrelStl(outer_mm: number, radius_mm: number): string {
  const half = outer_mm / 2,
    edge = radius_mm,
    thick = half + RIM_MM;
  const groove = Array.from({ length: GROOVE_STEPS + 1 }, (_, i) => {
    const turn = -Math.PI / 2 + (Math.PI * i) / GROOVE_STEPS;
    return new Vector2(edge - half * Math.cos(turn), half * Math.sin(turn));
  });
  const profile = [
    new Vector2(HOLE_MM / 2, -thick),
    new Vector2(edge, -thick),
    ...groove,
    new Vector2(edge, thick),
    new Vector2(HOLE_MM / 2, thick),
    new Vector2(HOLE_MM / 2, -thick),
  ];
  return stlOf(new LatheGeometry(profile, ROUND));
}

/** A bracket's plate with its holes, mm. ASCII STL. */
export function bracketStl(plate: Bracket, thickness_mm: number): string {
  const { width_mm: w, height_mm: h, corner_mm: r } = plate;
  const outline = new Shape()
    .moveTo(r, 0)
    .lineTo(w - r, 0)
    .absarc(w - r, r, r, -Math.PI / 2, 0, false)
    .lineTo(w, h - r)
    .absarc(w - r, h - r, r, 0, Math.PI / 2, false)
    .lineTo(r, h)
    .absarc(r, h - r, r, Math.PI / 2, Math.PI, false)
    .lineTo(0, r)
    .absarc(r, r, r, Math.PI, 1.5 * Math.PI, false);
  outline.holes = plate.holes.map((hole) =>
    new Path().absarc(hole.x_mm, hole.z_mm, hole.diameter_mm / 2, 0, 2 * Math.PI, true),
  );
  return stlOf(
    new ExtrudeGeometry(outline, { depth: thickness_mm, bevelEnabled: false, curveSegments: 24 }),
  );
}
