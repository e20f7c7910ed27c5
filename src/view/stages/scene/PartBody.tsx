'use client';
import { useEffect, useMemo } from 'react';
import type { Plane } from 'three';
import type { ThreeEvent } from '@react-three/fiber';
import type { PlacedComponent } from '@/core/system';
import { drawPart } from './partShapes';
import { tintsOf, type Tint } from './drawing';
import type { Paper } from './paper';

/** A part as an ink drawing: one mesh of all its bodies, one set of lines. */
export function PartBody({
  placed,
  paper,
  edge,
  isPicked,
  clip,
  onPointerDown,
}: {
  readonly placed: PlacedComponent;
  readonly paper: Paper;
  readonly edge: string;
  readonly isPicked: boolean;
  readonly clip: readonly Plane[];
  onPointerDown(e: ThreeEvent<PointerEvent>): void;
}) {
  const { faces, edges } = useMemo(() => {
    const tints = tintsOf(paper);
    const all = Object.fromEntries(
      Object.entries(tints).map(([name, colour]) => [name, isPicked ? tints.picked : colour]),
    ) as Readonly<Record<Tint, string>>;
    return drawPart(placed, isPicked ? { ...all, dark: tints.dark } : tints);
  }, [placed, paper, isPicked]);
  useEffect(
    () => () => {
      faces?.dispose();
      edges?.dispose();
    },
    [faces, edges],
  );
  return (
    <>
      {faces && (
        <mesh geometry={faces} onPointerDown={onPointerDown}>
          <meshLambertMaterial
            vertexColors
            polygonOffset
            polygonOffsetFactor={1}
            polygonOffsetUnits={1}
            side={clip.length > 0 ? 2 : 0}
            clippingPlanes={clip as Plane[]}
          />
        </mesh>
      )}
      {edges && (
        <lineSegments geometry={edges}>
          <lineBasicMaterial color={edge} clippingPlanes={clip as Plane[]} />
        </lineSegments>
      )}
    </>
  );
}
