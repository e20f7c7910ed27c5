'use client';
import { useEffect, useMemo } from 'react';
import { BoxGeometry, EdgesGeometry, type Plane } from 'three';
import { standOffs, trayBoxes, type System } from '@/core/system';
import { UPRIGHT, type Vec } from '@/core/geometry';
import { Drawing, tintsOf, type Drawn } from './drawing';
import type { Paper } from './paper';

const AT_CASE = { at: [0, 0, 0] as Vec, ...UPRIGHT };

/** The sheet that the board stands on, with the edges of its openings. */
function drawTray({ design: { case: box } }: System, paper: Paper): Drawn {
  const drawing = new Drawing(AT_CASE, tintsOf(paper));
  for (const sheet of box ? trayBoxes(box) : []) drawing.box(sheet, 'tray', false);
  for (const { at, width_mm, height_mm } of box?.grommets ?? []) {
    const [x, y] = [width_mm / 2, height_mm / 2];
    const corners: readonly Vec[] = [
      [at[0] - x, at[1] - y, 0.3],
      [at[0] + x, at[1] - y, 0.3],
      [at[0] + x, at[1] + y, 0.3],
      [at[0] - x, at[1] + y, 0.3],
    ];
    drawing.hatch(corners.map((c, i) => [c, corners[(i + 1) % 4] as Vec] as const));
  }
  return drawing.done();
}

function drawFeet({ design: { case: box }, placed }: System, paper: Paper): Drawn {
  const drawing = new Drawing(AT_CASE, tintsOf(paper));
  for (const { from, to, radius } of box ? standOffs(box, placed) : [])
    drawing.rod(from, to, radius, 'plastic', 12, false);
  return drawing.done();
}

/** The case: its edges, the tray that closes the back, and what the board stands on. */
export function CaseBody({
  model: system,
  size: [x, y, z],
  paper,
  clip,
}: {
  readonly model: System;
  readonly size: Vec;
  readonly paper: Paper;
  readonly clip: readonly Plane[];
}) {
  const edges = useMemo(() => new EdgesGeometry(new BoxGeometry(x, y, z)), [x, y, z]);
  const tray = useMemo(() => drawTray(system, paper), [system, paper]);
  const feet = useMemo(() => drawFeet(system, paper), [system, paper]);
  useEffect(
    () => () => {
      edges.dispose();
      for (const drawn of [tray, feet]) {
        drawn.faces?.dispose();
        drawn.edges?.dispose();
      }
    },
    [edges, tray, feet],
  );
  return (
    <group name="Case">
      {system.design.case?.air?.open !== true && (
        <lineSegments geometry={edges} position={[x / 2, y / 2, z / 2]}>
          <lineBasicMaterial color={paper.ink} />
        </lineSegments>
      )}
      {tray.faces && (
        <mesh geometry={tray.faces}>
          <meshLambertMaterial vertexColors />
        </mesh>
      )}
      {tray.edges && (
        <lineSegments geometry={tray.edges}>
          <lineBasicMaterial color={paper.ink} />
        </lineSegments>
      )}
      {feet.faces && (
        <mesh geometry={feet.faces}>
          <meshLambertMaterial vertexColors clippingPlanes={clip as Plane[]} />
        </mesh>
      )}
    </group>
  );
}
