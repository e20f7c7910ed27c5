'use client';
import { useEffect, useMemo, useRef } from 'react';
import { useFrame as useEachDrawing, useThree } from '@react-three/fiber';
import { type InstancedMesh, Matrix4, Quaternion, Vector3 } from 'three';
import { add, scale, UPRIGHT, type Vec } from '@/core/geometry';
import { placeAlong } from '@/core/routing';
import { formatCelsius, formatMeasure } from '@/core/units';
import type { AirArrow, Stream } from './flowing';
import { Drawing, tintsOf } from './drawing';
import type { Paper } from './paper';
import styles from './Scene.module.css';

/** Of a dash: how far it is from the next, how long and thick, mm. */
const PITCH_MM = 34,
  DASH_MM = 15,
  DASH_RADIUS_MM = 2.6;
const UPWARDS = new Vector3(0, 1, 0);

/** Dashes that go through the tubes as fast as the coolant does; still with reduced motion. */
export function FlowDashes({
  streams,
  paper,
}: {
  readonly streams: readonly Stream[];
  readonly paper: Paper;
}) {
  const { invalidate } = useThree();
  const mesh = useRef<InstancedMesh>(null);
  const seconds = useRef(0);
  const isStill = useMemo(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches, []);
  const count = streams.reduce((sum, s) => sum + dashesIn(s), 0);
  useEachDrawing((_, delta) => {
    if (!mesh.current) return;
    if (!isStill) seconds.current += Math.min(delta, 0.1);
    let i = 0;
    const matrix = new Matrix4(),
      turn = new Quaternion(),
      unit = new Vector3(1, 1, 1);
    for (const stream of streams)
      for (let n = 0; n < dashesIn(stream); n += 1) {
        const along = (n * PITCH_MM + seconds.current * stream.speed_mms) % stream.length_mm;
        const { at, direction } = placeAlong(stream.points, along);
        turn.setFromUnitVectors(UPWARDS, new Vector3(...direction));
        mesh.current.setMatrixAt(i, matrix.compose(new Vector3(...at), turn, unit));
        i += 1;
      }
    mesh.current.instanceMatrix.needsUpdate = true;
    mesh.current.computeBoundingSphere();
    if (!isStill) invalidate();
  });
  useEffect(() => invalidate(), [invalidate, streams]);
  return count > 0 ? (
    <instancedMesh key={count} ref={mesh} args={[undefined, undefined, count]} renderOrder={4}>
      <capsuleGeometry args={[DASH_RADIUS_MM, DASH_MM, 4, 8]} />
      <meshBasicMaterial color={paper.ink} depthTest={false} transparent opacity={0.8} />
    </instancedMesh>
  ) : null;
}

const dashesIn = (s: Stream): number => Math.max(1, Math.floor(s.length_mm / PITCH_MM));

const ARROW_MM = 70,
  HEAD_MM = 22;

/** The air of each radiator and row of fans as an arrow outside the case. */
export function AirArrows({
  arrows,
  paper,
}: {
  readonly arrows: readonly AirArrow[];
  readonly paper: Paper;
}) {
  const drawn = useMemo(() => {
    const drawing = new Drawing({ at: [0, 0, 0], ...UPRIGHT }, tintsOf(paper));
    for (const { at, direction } of arrows) {
      const start = add(at, scale(direction, -ARROW_MM / 2)),
        neck = add(at, scale(direction, ARROW_MM / 2 - HEAD_MM));
      drawing.rod(start, neck, 4, 'dark', 12, false);
      for (let i = 0; i < 6; i += 1)
        drawing.rod(
          add(neck, scale(direction, (HEAD_MM * i) / 6)),
          add(neck, scale(direction, (HEAD_MM * (i + 1)) / 6)),
          12 * (1 - i / 6),
          'dark',
          16,
          false,
        );
    }
    return drawing.done();
  }, [arrows, paper]);
  useEffect(() => () => drawn.faces?.dispose(), [drawn]);
  return drawn.faces ? (
    <mesh geometry={drawn.faces}>
      <meshLambertMaterial vertexColors />
    </mesh>
  ) : null;
}

/** What the arrows carry, on the page over the scene. */
export function AirLabels({ arrows }: { readonly arrows: readonly AirArrow[] }) {
  return arrows.map((a) => (
    <span key={a.id} className={styles.label} data-at={labelPlace(a).join()}>
      {formatMeasure(a.speed_ms, 'm/s', { decimals: 1 })}
      {a.temp_C === null ? '' : `, ${formatCelsius(a.temp_C, 1)}`}
    </span>
  ));
}

const labelPlace = (a: AirArrow): Vec => add(a.at, [0, 26, 0]);
