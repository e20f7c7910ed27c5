'use client';
import { useRef } from 'react';
import { useFrame as useEachDrawing, type ThreeEvent } from '@react-three/fiber';
import { Mesh, Vector3, type Camera, type Group, type Intersection, type Raycaster } from 'three';
import { gripsOf, type Grip } from '@/core/routing';
import { distance, type Vec } from '@/core/geometry';
import { followPointer } from '../followPointer';
import { STEP_MM } from '../routeGrips';
import type { RouteHeld } from '../runs/useRouteHeld';
import type { Paper } from './paper';

type Axis = 0 | 1 | 2;
/** A grip's radius on the screen, as a share of its distance from the eye. */
const SHARE = 0.0075;
/** So far the pointer goes before it is known along which axis, px. */
const SURE_PX = 3;
/** An axis that points at the eye cannot be dragged along: fewer px a millimetre than this. */
const LEAST_PX_MM = 0.08;
/** Legs shorter than this have no grip, mm. */
const LEAST_MM = 14;

/** Legs too short for a grip have none: it would lie on those of their corners. */
const isShort = ({ hold }: Grip, corners: readonly Vec[]): boolean =>
  'leg' in hold && distance(corners[hold.leg] as Vec, corners[hold.leg + 1] as Vec) < LEAST_MM;

const nameOf = ({ hold }: Grip): string =>
  'leg' in hold ? `leg-${hold.leg}` : `corner-${hold.corner}`;

/** How far a pixel goes on the screen for a millimetre along an axis, at a place. */
function pixelsOf(camera: Camera, canvas: HTMLElement, at: Vec, axis: Axis): [number, number] {
  const { width, height } = canvas.getBoundingClientRect();
  const onScreen = (v: Vec): [number, number] => {
    const p = new Vector3(...v).project(camera);
    return [(p.x * width) / 2, (-p.y * height) / 2];
  };
  const off = at.map((v, i) => (i === axis ? v + 10 : v)) as unknown as Vec;
  const [x0, y0] = onScreen(at),
    [x1, y1] = onScreen(off);
  return [(x1 - x0) / 10, (y1 - y0) / 10];
}

/**
 * The picked run in the hand in space: each grip goes along the axis that the hand first follows;
 * with Shift all of the run between its ends goes with it.
 */
export function RouteGrips({
  corners,
  paper,
  onRoute,
  onHeld,
}: {
  readonly corners: readonly Vec[];
  readonly paper: Paper;
  onRoute(held: RouteHeld, done: boolean): void;
  /** Something is in the hand: the eye stands still. */
  onHeld(held: boolean): void;
}) {
  const press = (grip: Grip) => (e: ThreeEvent<PointerEvent>) => {
    const canvas = e.nativeEvent.target;
    if (e.button !== 0 || !(canvas instanceof HTMLElement)) return;
    e.stopPropagation();
    onHeld(true);
    const hold = e.shiftKey ? 'route' : grip.hold;
    const ways = (e.shiftKey ? ([0, 1, 2] as const) : grip.axes)
      .map((axis) => ({ axis, px: pixelsOf(e.camera, canvas, grip.at, axis) }))
      .filter(({ px }) => Math.hypot(...px) > LEAST_PX_MM);
    let way: (typeof ways)[number] | null = null,
      held: RouteHeld | null = null;
    followPointer(
      e.nativeEvent,
      (dx, dy) => {
        const along = ({ px: [x, y] }: (typeof ways)[number]): number =>
          (dx * x + dy * y) / Math.hypot(x, y);
        if (!way && Math.hypot(dx, dy) > SURE_PX)
          way = [...ways].sort((a, b) => Math.abs(along(b)) - Math.abs(along(a)))[0] ?? null;
        if (!way) return;
        const far = along(way) / Math.hypot(...way.px),
          mm = Math.round(far / STEP_MM) * STEP_MM;
        const by = ([0, 1, 2] as const).map((i) => (i === way?.axis ? mm : 0)) as unknown as Vec;
        held = { hold, by };
        onRoute(held, false);
      },
      () => {
        onHeld(false);
        if (held) onRoute(held, true);
      },
    );
  };
  return gripsOf(corners)
    .filter((grip) => !isShort(grip, corners))
    .map((grip) => (
      <Ball key={nameOf(grip)} at={grip.at} paper={paper} onPointerDown={press(grip)} />
    ));
}

/** The pointer over the scene says that something can be taken there. */
function showHand({ nativeEvent: { target } }: ThreeEvent<PointerEvent>, cursor: string): void {
  if (target instanceof HTMLElement) target.style.cursor = cursor;
}

/** Taken before whatever stands in front of it, as it is seen. */
function beforeAll(this: Mesh, ray: Raycaster, hits: Intersection[]): void {
  const own: Intersection[] = [];
  Mesh.prototype.raycast.call(this, ray, own);
  hits.push(...own.map((hit) => ({ ...hit, distance: 0 })));
}

/** A ball that is as large from near as from far, seen through what is before it. */
function Ball({
  at,
  paper,
  onPointerDown,
}: {
  readonly at: Vec;
  readonly paper: Paper;
  onPointerDown(e: ThreeEvent<PointerEvent>): void;
}) {
  const ball = useRef<Group>(null);
  useEachDrawing(({ camera }) => {
    ball.current?.scale.setScalar(SHARE * camera.position.distanceTo(ball.current.position));
  });
  return (
    <group
      ref={ball}
      position={[...at]}
      name="grip"
      onPointerDown={onPointerDown}
      onPointerOver={(e) => showHand(e, 'grab')}
      onPointerOut={(e) => showHand(e, '')}
    >
      <mesh renderOrder={8} raycast={beforeAll}>
        <sphereGeometry args={[1, 20, 14]} />
        <meshBasicMaterial color={paper.copper} depthTest={false} transparent />
      </mesh>
      <mesh renderOrder={9}>
        <sphereGeometry args={[0.62, 16, 12]} />
        <meshBasicMaterial color={paper.paper} depthTest={false} transparent />
      </mesh>
    </group>
  );
}
