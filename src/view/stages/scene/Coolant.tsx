'use client';
import { useEffect, useMemo } from 'react';
import { Color, CylinderGeometry, type Plane, Quaternion, Vector3 } from 'three';
import type { PlacedComponent } from '@/core/system';
import { pointIn, type Vec } from '@/core/geometry';
import { mix, type Paper } from './paper';

/** A tube reservoir seen through: its wall, and the coolant in it to its level. */
export function Coolant({
  placed: { part, frame },
  paper,
  colour,
  clip,
}: {
  readonly placed: PlacedComponent;
  readonly paper: Paper;
  readonly colour: string;
  readonly clip: readonly Plane[];
}) {
  const [wide, high, deep] = part.size;
  const full =
    part.kind === 'reservoir' ? Math.min(1, part.fill_mL / Math.max(1, part.volume_mL)) : 1;
  const radius = Math.min(wide, deep) / 2 - 1;
  const wall = useMemo(
    () => new CylinderGeometry(radius + 1, radius + 1, high, 32, 1, true),
    [radius, high],
  );
  const fill = useMemo(
    () => new CylinderGeometry(radius - 1, radius - 1, high * full, 32),
    [radius, high, full],
  );
  useEffect(
    () => () => {
      wall.dispose();
      fill.dispose();
    },
    [wall, fill],
  );
  if (!frame) return null;
  const at = (y: number): Vector3 => new Vector3(...pointIn(frame, [wide / 2, y, deep / 2]));
  const turn = new Quaternion().setFromUnitVectors(
    new Vector3(0, 1, 0),
    new Vector3(...(frame.y as Vec)),
  );
  return (
    <>
      <mesh geometry={fill} position={at((high * full) / 2)} quaternion={turn}>
        <meshLambertMaterial
          color={new Color(mix(colour, paper.float, 0.6))}
          transparent
          opacity={0.85}
          clippingPlanes={clip as Plane[]}
        />
      </mesh>
      <mesh geometry={wall} position={at(high / 2)} quaternion={turn}>
        <meshLambertMaterial
          color={mix(paper.cool, paper.float, 0.2)}
          transparent
          opacity={0.28}
          depthWrite={false}
          side={2}
          clippingPlanes={clip as Plane[]}
        />
      </mesh>
    </>
  );
}
