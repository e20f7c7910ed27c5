'use client';
import { useEffect, useMemo } from 'react';
import {
  BoxGeometry,
  BufferGeometry,
  CylinderGeometry,
  EdgesGeometry,
  Float32BufferAttribute,
  Matrix4,
  Quaternion,
  Vector3,
  type Plane,
} from 'three';
import type { ThreeEvent } from '@react-three/fiber';
import { pointIn, type Box, type Vec } from '@/core/geometry';
import type { Solid } from '@/core/system';

interface Props {
  readonly solid: Solid;
  readonly fill: string;
  readonly edge: string;
  readonly heavy: boolean;
  readonly glassy?: boolean;
  /** Rings of a fan, or the flat tubes of a radiator, drawn on its two large faces. */
  readonly marks?: 'fan' | 'radiator' | undefined;
  readonly clip: readonly Plane[];
  readonly onPointerDown?: (e: ThreeEvent<PointerEvent>) => void;
}

/** Below this edges of round bodies are not drawn, degrees between faces. */
const EDGE_DEG = 25,
  ROUND_SIDES = 28;

interface Shape {
  readonly body: BufferGeometry;
  readonly at: Vector3;
  readonly turn: Quaternion;
}

const vector = (v: Vec): Vector3 => new Vector3(v[0], v[1], v[2]);
const sizeOf = ({ min, max }: Box): [number, number, number] => [
  Math.max(0.5, max[0] - min[0]),
  Math.max(0.5, max[1] - min[1]),
  Math.max(0.5, max[2] - min[2]),
];
const middleOf = ({ min, max }: Box): Vec => [
  (min[0] + max[0]) / 2,
  (min[1] + max[1]) / 2,
  (min[2] + max[2]) / 2,
];
/** Cylinders of the library stand along y. */
const ALONG = new Vector3(0, 1, 0);

/** A box, a cylinder whichever way it lies, or a box that stands aslant. */
function shapeOf({ box, cylinder, whole }: Solid): Shape {
  if (whole && !cylinder) {
    const { frame } = whole;
    const axes = new Matrix4().makeBasis(vector(frame.x), vector(frame.y), vector(frame.z));
    return {
      body: new BoxGeometry(...sizeOf(whole.box)),
      at: vector(pointIn(frame, middleOf(whole.box))),
      turn: new Quaternion().setFromRotationMatrix(axes),
    };
  }
  if (!cylinder)
    return {
      body: new BoxGeometry(...sizeOf(box)),
      at: vector(middleOf(box)),
      turn: new Quaternion(),
    };
  const from = vector(cylinder.from),
    way = vector(cylinder.to).sub(from);
  return {
    body: new CylinderGeometry(cylinder.radius, cylinder.radius, way.length(), ROUND_SIDES),
    at: from.clone().addScaledVector(way, 0.5),
    turn: new Quaternion().setFromUnitVectors(ALONG, way.clone().normalize()),
  };
}

/** Sides of a drawn ring, and distance between drawn tubes, mm. */
const RING_SIDES = 36,
  TUBE_PITCH_MM = 8;

/** Lines on the two large faces, from the middle of the box. */
function marksOf({ box }: Solid, marks: 'fan' | 'radiator'): BufferGeometry {
  const size = [0, 1, 2].map((i) => (box.max[i] as number) - (box.min[i] as number)) as [
    number,
    number,
    number,
  ];
  const thin = size.indexOf(Math.min(...size)),
    [u, v] = [0, 1, 2]
      .filter((i) => i !== thin)
      .sort((a, b) => (size[b] as number) - (size[a] as number)) as [number, number];
  const points: number[] = [];
  const put = (a: number, b: number, w: number): void => {
    const p = [0, 0, 0];
    p[u] = a;
    p[v] = b;
    p[thin] = w;
    points.push(...p);
  };
  for (const w of [-1, 1].map((s) => s * ((size[thin] as number) / 2 + 0.3))) {
    if (marks === 'fan') {
      for (const r of [0.46, 0.17].map(
        (share) => share * Math.min(size[u] as number, size[v] as number),
      ))
        for (let i = 0; i < RING_SIDES; i += 1)
          for (const k of [i, i + 1])
            put(
              r * Math.cos((2 * Math.PI * k) / RING_SIDES),
              r * Math.sin((2 * Math.PI * k) / RING_SIDES),
              w,
            );
    } else {
      const [long, wide] = [size[u] as number, size[v] as number];
      for (let b = -wide / 2 + TUBE_PITCH_MM; b < wide / 2 - 4; b += TUBE_PITCH_MM) {
        put(-long / 2 + 12, b, w);
        put(long / 2 - 22, b, w);
      }
    }
  }
  return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3));
}

/** One solid as an ink drawing: paper faces that hide what is behind, ink edges. */
export function SolidMesh({
  solid,
  fill,
  edge,
  heavy,
  glassy = false,
  marks,
  clip,
  onPointerDown,
}: Props) {
  const { body, at, turn } = useMemo(() => shapeOf(solid), [solid]);
  const edges = useMemo(() => new EdgesGeometry(body, EDGE_DEG), [body]);
  const lines = useMemo(() => (marks ? marksOf(solid, marks) : null), [solid, marks]);
  useEffect(
    () => () => {
      body.dispose();
      edges.dispose();
      lines?.dispose();
    },
    [body, edges, lines],
  );
  return (
    <group position={at} quaternion={turn}>
      <mesh geometry={body} onPointerDown={onPointerDown}>
        <meshLambertMaterial
          color={fill}
          polygonOffset
          polygonOffsetFactor={1}
          polygonOffsetUnits={1}
          side={clip.length > 0 ? 2 : 0}
          transparent={glassy}
          opacity={glassy ? 0.35 : 1}
          depthWrite={!glassy}
          clippingPlanes={clip as Plane[]}
        />
      </mesh>
      <lineSegments geometry={edges}>
        <lineBasicMaterial
          color={edge}
          linewidth={heavy ? 2 : 1}
          clippingPlanes={clip as Plane[]}
        />
      </lineSegments>
      {lines && (
        <lineSegments geometry={lines}>
          <lineBasicMaterial
            color={edge}
            transparent
            opacity={marks === 'radiator' ? 0.45 : 0.8}
            clippingPlanes={clip as Plane[]}
          />
        </lineSegments>
      )}
    </group>
  );
}
