'use client';
import { useEffect, useRef } from 'react';
import { useThree } from '@react-three/fiber';
import { PerspectiveCamera, Vector3 } from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Box, Vec } from '@/core/geometry';

export type Stand = 'corner' | 'glass' | 'front' | 'top';
const FROM: Record<Stand, Vec> = {
  corner: [0.62, 0.42, 1.05],
  glass: [0, 0, 1.35],
  front: [1.5, 0, 0.001],
  top: [0, 1.5, 0.001],
};

/** How near and far the eye may go, mm, and how far it stands in case diagonals. */
const NEAREST_MM = 120,
  FARTHEST_MM = 4000,
  FILL = 1.34,
  TALL = 0.95;
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
}: {
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
      [dx, dy, dz] = FROM[stand];
    camera.position.set(middle.x + dx * far, middle.y + dy * far, middle.z + dz * far);
    orbit.current?.target.copy(middle);
    orbit.current?.update();
    invalidate();
  }, [camera, invalidate, stand, sheet.width, sheet.height, covered, fill, x, y, z, x0, y0, z0]);
  return null;
}
