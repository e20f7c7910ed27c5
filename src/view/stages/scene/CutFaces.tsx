'use client';
import { useEffect, useMemo } from 'react';
import { BufferGeometry, CircleGeometry, Float32BufferAttribute, PlaneGeometry } from 'three';
import { mergeGeometries } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { hatchOf, sectionOf, type SectionArea } from '@/core/geometry';
import { middleLine } from '@/core/routing';
import type { System } from '@/core/system';
import type { Run } from '@/core/tubing';
import { mix, type Paper } from './paper';

const HATCH_MM = 4,
  TUBE_STEP_MM = 1.5;
/** In front of the plane that cuts, so that the faces are not cut themselves. */
const LIFT_MM = 0.2;

/** The faces that the section plane lays open: paper with a hatch of ink, tubes in their colour. */
export function CutFaces({
  system,
  runs,
  z,
  paper,
}: {
  readonly system: System;
  readonly runs: readonly Run[];
  /** Height of the plane over the tray, mm. */
  readonly z: number;
  readonly paper: Paper;
}) {
  const drawn = useMemo(() => {
    const parts = partAreas(system, z);
    return {
      parts: facesOf(parts),
      tubes: facesOf(tubeAreas(runs, z)),
      hatch: linesOf(parts),
    };
  }, [system, runs, z]);
  useEffect(
    () => () => {
      for (const geometry of Object.values(drawn)) geometry?.dispose();
    },
    [drawn],
  );
  return (
    <group position={[0, 0, z - LIFT_MM]}>
      {drawn.parts && (
        <mesh geometry={drawn.parts}>
          <meshBasicMaterial color={paper.float} />
        </mesh>
      )}
      {drawn.tubes && (
        <mesh geometry={drawn.tubes} position={[0, 0, 0.4]}>
          <meshBasicMaterial color={mix(paper.copper, paper.float, 0.5)} />
        </mesh>
      )}
      {drawn.hatch && (
        <lineSegments geometry={drawn.hatch} position={[0, 0, 0.8]}>
          <lineBasicMaterial color={paper.ink} />
        </lineSegments>
      )}
    </group>
  );
}

const partAreas = (system: System, z: number): readonly SectionArea[] =>
  [...[...system.placed.values()].flatMap((p) => p.solids), ...system.obstacles].flatMap(
    (body) => sectionOf(body, z) ?? [],
  );

/** A tube where the plane meets it: discs as wide as it is there. */
const tubeAreas = (runs: readonly Run[], z: number): readonly SectionArea[] =>
  runs.flatMap((run) =>
    middleLine(run, TUBE_STEP_MM).flatMap((p): SectionArea[] => {
      const square = (run.tube.outer_mm / 2) ** 2 - (p[2] - z) ** 2;
      return square > 0 ? [{ shape: 'disc', centre: [p[0], p[1]], radius: Math.sqrt(square) }] : [];
    }),
  );

function facesOf(areas: readonly SectionArea[]): BufferGeometry | null {
  const made = areas.map((area) => {
    if (area.shape === 'disc')
      return new CircleGeometry(area.radius, 20).translate(area.centre[0], area.centre[1], 0);
    const [w, h] = [area.max[0] - area.min[0], area.max[1] - area.min[1]];
    return new PlaneGeometry(w, h).translate(area.min[0] + w / 2, area.min[1] + h / 2, 0);
  });
  const merged = made.length > 0 ? mergeGeometries(made) : null;
  for (const geometry of made) geometry.dispose();
  return merged;
}

function linesOf(areas: readonly SectionArea[]): BufferGeometry | null {
  const points = areas.flatMap((area) => [
    ...hatchOf(area, HATCH_MM).flatMap(([a, b]) => [a[0], a[1], 0, b[0], b[1], 0]),
    ...outlineOf(area),
  ]);
  return points.length > 0
    ? new BufferGeometry().setAttribute('position', new Float32BufferAttribute(points, 3))
    : null;
}

const ROUND = 32;
function outlineOf(area: SectionArea): readonly number[] {
  const corners: readonly (readonly [number, number])[] =
    area.shape === 'rect'
      ? [area.min, [area.max[0], area.min[1]], area.max, [area.min[0], area.max[1]]]
      : Array.from({ length: ROUND }, (_, i) => {
          const turn = (2 * Math.PI * i) / ROUND;
          return [
            area.centre[0] + area.radius * Math.cos(turn),
            area.centre[1] + area.radius * Math.sin(turn),
          ] as const;
        });
  return corners.flatMap((p, i) => {
    const next = corners[(i + 1) % corners.length] as readonly [number, number];
    return [p[0], p[1], 0, next[0], next[1], 0];
  });
}
