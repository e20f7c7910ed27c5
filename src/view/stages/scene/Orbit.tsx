'use client';
import { useEffect, useRef } from 'react';
import { useThree } from '@react-three/fiber';
import { PerspectiveCamera, Spherical, Vector3 } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Box } from '@/core/geometry';
import { EYE, type Stand } from './stands';

/** How near and far the eye may go, mm, and how far it stands in case diagonals. */
const NEAREST_MM = 120,
  FARTHEST_MM = 4000,
  FILL = 1.34,
  TALL = 0.95;
/** How far an arrow key turns the machine, and how much nearer + takes the eye. */
const KEY_TURN_RAD = Math.PI / 24,
  KEY_NEARER = 0.88;
const KEYS: Readonly<
  Record<string, { readonly around: number; readonly over: number; readonly nearer: number }>
> = {
  ArrowLeft: { around: -1, over: 0, nearer: 1 },
  ArrowRight: { around: 1, over: 0, nearer: 1 },
  ArrowUp: { around: 0, over: -1, nearer: 1 },
  ArrowDown: { around: 0, over: 1, nearer: 1 },
  '+': { around: 0, over: 0, nearer: KEY_NEARER },
  '-': { around: 0, over: 0, nearer: 1 / KEY_NEARER },
};
/** Below this the panel stands under the scene. */
const NARROW_PX = 640;

/**
 * Turning with mouse, finger or keys round the middle of the case; drawn again only when something
 * moved.
 */
export function Orbit({
  shown,
  stand,
  held,
  right = 0,
  left = 0,
  fill = FILL,
  asked = 0,
  keysTurn = false,
}: {
  /** Arrow keys turn the machine, + and − take the eye nearer and farther. */
  readonly keysTurn?: boolean;
  /** Counts up each time a side is asked for: the same one twice looks at it twice. */
  readonly asked?: number;
  /** So much of the sheet is covered either side: the eye looks at the middle of the rest, px. */
  readonly right?: number;
  readonly left?: number;
  /** How far the eye stands, in diagonals of what is shown. */
  readonly fill?: number;
  /** All that is to be seen from where the eye stands first. */
  readonly shown: Box;
  readonly stand: Stand;
  /** A part is being dragged: the view stands still. */
  readonly held: boolean;
}) {
  const { camera, gl, invalidate, size: sheet } = useThree();
  // On a narrow page the sheets stand above and below the scene.
  const isWide = sheet.width > NARROW_PX;
  const covered = isWide ? right + left : 0,
    aside = isWide ? (right - left) / 2 : 0;
  const orbit = useRef<OrbitControls | null>(null);
  useEffect(() => {
    const controls = new OrbitControls(camera, gl.domElement),
      redraw = (): void => invalidate();
    controls.maxDistance = FARTHEST_MM;
    controls.minDistance = NEAREST_MM;
    controls.addEventListener('change', redraw);
    orbit.current = controls;
    return () => {
      controls.removeEventListener('change', redraw);
      controls.dispose();
      orbit.current = null;
    };
  }, [camera, gl, invalidate]);
  useEffect(() => {
    const holder = gl.domElement.closest('[data-turns]');
    if (!keysTurn || !holder) return;
    const turn = (e: Event): void => {
      const key = (e as KeyboardEvent).key;
      const target = orbit.current?.target;
      const by = KEYS[key];
      if (!target || !by) return;
      e.preventDefault();
      const from = new Spherical().setFromVector3(camera.position.clone().sub(target));
      from.theta += by.around * KEY_TURN_RAD;
      from.phi += by.over * KEY_TURN_RAD;
      from.radius *= by.nearer;
      from.makeSafe();
      camera.position.copy(target).add(new Vector3().setFromSpherical(from));
      orbit.current?.update();
      invalidate();
    };
    holder.addEventListener('keydown', turn);
    return () => holder.removeEventListener('keydown', turn);
  }, [camera, gl, invalidate, keysTurn]);
  useEffect(() => {
    if (orbit.current) orbit.current.enabled = !held;
  }, [held]);
  const [x, y, z] = ([0, 1, 2] as const).map((i) => shown.max[i] - shown.min[i]) as [
    number,
    number,
    number,
  ];
  const [x0, y0, z0] = shown.min;
  useEffect(() => {
    const { width, height } = sheet;
    if (!(camera instanceof PerspectiveCamera)) return;
    camera.setViewOffset(width, height, aside, 0, width, height);
    camera.updateProjectionMatrix();
    invalidate();
  }, [camera, invalidate, sheet, aside]);
  useEffect(() => {
    const middle = new Vector3(x0 + x / 2, y0 + y / 2, z0 + z / 2),
      far =
        Math.hypot(x, y, z) *
        fill *
        Math.max(1, TALL / ((sheet.width - covered) / Math.max(1, sheet.height))),
      [dx, dy, dz] = EYE[stand];
    camera.position.set(middle.x + dx * far, middle.y + dy * far, middle.z + dz * far);
    orbit.current?.target.copy(middle);
    orbit.current?.update();
    invalidate();
  }, [
    camera,
    invalidate,
    stand,
    asked,
    sheet.width,
    sheet.height,
    covered,
    fill,
    x,
    y,
    z,
    x0,
    y0,
    z0,
  ]);
  return null;
}
