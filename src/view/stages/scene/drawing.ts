import {
  BoxGeometry,
  BufferGeometry,
  Color,
  CylinderGeometry,
  EdgesGeometry,
  ExtrudeGeometry,
  Float32BufferAttribute,
  Matrix4,
  Path,
  Quaternion,
  Shape,
  Vector3,
} from 'three';
import { mergeGeometries } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { pointIn, type Box, type Frame, type Vec } from '@/core/geometry';
import { mix, type Paper } from './paper';

/** What things are made of, as the drawing tells them apart. */
export type Tint =
  'paper' | 'metal' | 'tank' | 'fins' | 'block' | 'board' | 'dark' | 'plastic' | 'tray' | 'picked';

/** Colours of the materials on this paper. */
export const tintsOf = (p: Paper): Readonly<Record<Tint, string>> => ({
  paper: p.float,
  metal: mix(p.soft, p.sunk, 0.42),
  tank: mix(p.ink, p.sunk, 0.44),
  fins: mix(p.ink, p.sunk, 0.2),
  block: mix(p.copper, p.sunk, 0.24),
  board: mix(p.soft, p.sunk, 0.26),
  dark: mix(p.ink, p.paper, 0.72),
  plastic: mix(p.hairline, p.float, 0.6),
  tray: p.sunk,
  picked: mix(p.copper, p.float, 0.3),
});

/** Edges flatter than this are not inked, degrees between faces. */
const EDGE_DEG = 28;
const ROUND_SIDES = 32;
const ALONG = new Vector3(0, 1, 0);
const vector = (v: Vec): Vector3 => new Vector3(v[0], v[1], v[2]);
const middleOf = ({ min, max }: Box): Vector3 =>
  new Vector3((min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2);

export interface Drawn {
  /** Faces with their colours; null of a drawing that has none. */
  readonly faces: BufferGeometry | null;
  readonly edges: BufferGeometry | null;
}

/**
 * Bodies of one part, gathered into one mesh and one set of ink lines, in a frame of the part's own
 * axes.
 */
export class Drawing {
  private readonly faces: BufferGeometry[] = [];
  private readonly lines: BufferGeometry[] = [];

  constructor(
    private readonly frame: Frame,
    private readonly tints: Readonly<Record<Tint, string>>,
  ) {}

  /** A box of the part's own axes. */
  box(box: Box, tint: Tint, isInked = true): void {
    const size = [0, 1, 2].map((i) => Math.max(0.4, box.max[i as 0] - box.min[i as 0]));
    const geometry = new BoxGeometry(size[0], size[1], size[2]);
    this.put(geometry, this.inCase(middleOf(box)), tint, isInked);
  }

  /** A box that lies along the case's axes already. */
  caseBox(box: Box, tint: Tint): void {
    const geometry = new BoxGeometry(
      Math.max(0.4, box.max[0] - box.min[0]),
      Math.max(0.4, box.max[1] - box.min[1]),
      Math.max(0.4, box.max[2] - box.min[2]),
    );
    const at = middleOf(box);
    this.put(geometry, new Matrix4().makeTranslation(at.x, at.y, at.z), tint, true);
  }

  /** A round body from one place of the case to another. */
  rod(from: Vec, to: Vec, radius: number, tint: Tint, sides = ROUND_SIDES, isInked = true): void {
    const a = vector(from),
      way = vector(to).sub(a);
    if (way.length() < 0.1) return;
    const geometry = new CylinderGeometry(radius, radius, way.length(), sides);
    const turn = new Quaternion().setFromUnitVectors(ALONG, way.clone().normalize());
    const matrix = new Matrix4().compose(
      a.clone().addScaledVector(way, 0.5),
      turn,
      new Vector3(1, 1, 1),
    );
    this.put(geometry, matrix, tint, isInked);
  }

  /** The same in the part's own axes. */
  ownRod(from: Vec, to: Vec, radius: number, tint: Tint, sides = ROUND_SIDES): void {
    this.rod(pointIn(this.frame, from), pointIn(this.frame, to), radius, tint, sides);
  }

  /** A square plate in own x and y with a round hole, so thick along z, from a corner. */
  ring(corner: Vec, side: number, hole: number, thick: number, tint: Tint): void {
    const shape = new Shape()
      .moveTo(0, 0)
      .lineTo(side, 0)
      .lineTo(side, side)
      .lineTo(0, side)
      .lineTo(0, 0);
    shape.holes.push(new Path().absarc(side / 2, side / 2, hole, 0, 2 * Math.PI, true));
    const geometry = new ExtrudeGeometry(shape, {
      depth: thick,
      bevelEnabled: false,
      curveSegments: 20,
    });
    this.put(geometry, this.inCase(vector(corner)), tint, true);
  }

  /** Blades round a hub in own x and y. */
  blades(
    middle: Vec,
    inner: number,
    outer: number,
    thick: number,
    count: number,
    tint: Tint,
  ): void {
    for (let i = 0; i < count; i += 1) {
      const geometry = new BoxGeometry(outer - inner, (outer - inner) * 0.62, 1.6);
      const turn = new Matrix4()
        .makeRotationZ((2 * Math.PI * i) / count)
        .multiply(new Matrix4().makeTranslation((inner + outer) / 2, 0, 0))
        .multiply(new Matrix4().makeRotationX(Math.PI / 5.5));
      const at = new Matrix4().makeTranslation(middle[0], middle[1], middle[2] + thick / 2);
      this.put(geometry, this.axes().multiply(at).multiply(turn), tint, false);
    }
  }

  /** Thin lines of ink in the part's own axes. */
  hatch(points: readonly (readonly [Vec, Vec])[]): void {
    const flat = points.flatMap(([a, b]) => [...pointIn(this.frame, a), ...pointIn(this.frame, b)]);
    this.lines.push(
      new BufferGeometry().setAttribute('position', new Float32BufferAttribute(flat, 3)),
    );
  }

  done(): Drawn {
    const faces = this.faces.length > 0 ? mergeGeometries(this.faces) : null;
    const edges = this.lines.length > 0 ? mergeGeometries(this.lines) : null;
    for (const g of [...this.faces, ...this.lines]) g.dispose();
    return { faces, edges };
  }

  private axes(): Matrix4 {
    const { x, y, z, at } = this.frame;
    return new Matrix4().makeBasis(vector(x), vector(y), vector(z)).setPosition(vector(at));
  }

  private inCase(own: Vector3): Matrix4 {
    return this.axes().multiply(new Matrix4().makeTranslation(own.x, own.y, own.z));
  }

  private put(geometry: BufferGeometry, matrix: Matrix4, tint: Tint, isInked: boolean): void {
    geometry.applyMatrix4(matrix);
    if (isInked) {
      const edges = new EdgesGeometry(geometry, EDGE_DEG);
      this.lines.push(onlyPositions(edges));
    }
    this.faces.push(coloured(geometry, this.tints[tint]));
  }
}

function onlyPositions(geometry: BufferGeometry): BufferGeometry {
  const plain = geometry.index ? geometry.toNonIndexed() : geometry;
  const bare = new BufferGeometry();
  bare.setAttribute('position', plain.getAttribute('position'));
  return bare;
}

/** Positions, normals and one colour for all of them: what merges with its like. */
function coloured(geometry: BufferGeometry, colour: string): BufferGeometry {
  const plain = geometry.index ? geometry.toNonIndexed() : geometry;
  const positions = plain.getAttribute('position');
  const { r, g, b } = new Color(colour);
  const colours = new Float32Array(positions.count * 3);
  for (let i = 0; i < positions.count; i += 1) colours.set([r, g, b], 3 * i);
  const bare = new BufferGeometry();
  bare.setAttribute('position', positions);
  bare.setAttribute('normal', plain.getAttribute('normal'));
  bare.setAttribute('color', new Float32BufferAttribute(colours, 3));
  return bare;
}
