'use client';
import { useEffect, useMemo } from 'react';
import { CatmullRomCurve3, type Plane, TubeGeometry, Vector3 } from 'three';
import type { ThreeEvent } from '@react-three/fiber';
import { middleLine } from '@/core/routing';
import type { Run } from '@/core/tubing';
import { add, scale, UPRIGHT } from '@/core/geometry';
import { Drawing, tintsOf } from './drawing';
import type { Paper } from './paper';

const SIDES = 16,
  STEP_MM = 6;
/** Share of a fitting's length that is its collar, and how many flats it shows. */
const COLLAR = 0.55,
  FLATS = 14;
/** A clip round the tube. */
const CLIP_WIDE_MM = 8,
  CLIP_THICK_MM = 1.6;

/** A routed tube: hard tube as a clear wall round its coolant, soft tube matt; collared fittings. */
export function TubeBody({
  run,
  paper,
  colour,
  isPicked,
  clip,
  onPointerDown,
}: {
  readonly run: Run;
  readonly paper: Paper;
  /** Of the coolant in it. */
  readonly colour: string;
  readonly isPicked: boolean;
  readonly clip: readonly Plane[];
  onPointerDown(e: ThreeEvent<PointerEvent>): void;
}) {
  const { tube } = run;
  const isClear = tube.hard && tube.kind !== 'copper';
  const bodies = useMemo(() => {
    const points = middleLine(run, STEP_MM).map((p) => new Vector3(...p));
    if (points.length < 2) return null;
    const curve = new CatmullRomCurve3(points, false, 'centripetal');
    const of = (radius: number): TubeGeometry =>
      new TubeGeometry(curve, points.length * 2, radius, SIDES);
    return { wall: of(tube.outer_mm / 2), core: isClear ? of(tube.inner_mm / 2) : null };
  }, [run, tube, isClear]);
  const ends = useMemo(() => {
    const drawing = new Drawing({ at: [0, 0, 0], ...UPRIGHT }, tintsOf(paper));
    for (const b of run.routed?.pieces ?? []) {
      const along = (share: number) =>
        [0, 1, 2].map(
          (i) =>
            (b.from[i as 0] as number) +
            share * ((b.to[i as 0] as number) - (b.from[i as 0] as number)),
        ) as unknown as typeof b.from;
      drawing.rod(b.from, along(1 - COLLAR), b.radius * 0.82, 'metal', FLATS, false);
      drawing.rod(along(1 - COLLAR), b.to, b.radius, isPicked ? 'picked' : 'metal', FLATS);
    }
    for (const { at, along } of run.routed?.clips ?? [])
      drawing.rod(
        add(at, scale(along, -CLIP_WIDE_MM / 2)),
        add(at, scale(along, CLIP_WIDE_MM / 2)),
        tube.outer_mm / 2 + CLIP_THICK_MM,
        'metal',
      );
    return drawing.done();
  }, [run, tube, paper, isPicked]);
  useEffect(
    () => () => {
      bodies?.wall.dispose();
      bodies?.core?.dispose();
      ends.faces?.dispose();
      ends.edges?.dispose();
    },
    [bodies, ends],
  );
  const shown = isPicked ? paper.copper : colour;
  return (
    <group name={run.name} onPointerDown={onPointerDown}>
      {bodies?.core && (
        <mesh geometry={bodies.core}>
          <meshLambertMaterial color={shown} clippingPlanes={clip as Plane[]} />
        </mesh>
      )}
      {bodies && (
        <mesh geometry={bodies.wall}>
          <meshLambertMaterial
            color={isClear ? paper.float : shown}
            transparent={isClear}
            opacity={isClear ? 0.34 : 1}
            depthWrite={!isClear}
            clippingPlanes={clip as Plane[]}
          />
        </mesh>
      )}
      {ends.faces && (
        <mesh geometry={ends.faces}>
          <meshLambertMaterial vertexColors clippingPlanes={clip as Plane[]} />
        </mesh>
      )}
      {ends.edges && (
        <lineSegments geometry={ends.edges}>
          <lineBasicMaterial color={paper.ink} clippingPlanes={clip as Plane[]} />
        </lineSegments>
      )}
    </group>
  );
}
