'use client';
import { type RefObject, useEffect, useRef } from 'react';
import { useFrame as useEachDrawing, useThree } from '@react-three/fiber';
import { Matrix4, Vector3 } from 'three';

/** Sets every element with `data-at="x,y,z"` (mm in the case) where that point is drawn. */
export function PlaceLabels({
  within,
  of,
}: {
  readonly within: RefObject<HTMLElement | null>;
  /** What is labelled: another one is placed at once. */
  readonly of: unknown;
}) {
  const { size, invalidate } = useThree();
  useEffect(() => invalidate(), [of, invalidate]);
  const point = useRef(new Vector3());
  useEachDrawing(({ camera }) => {
    // Where the eye is now, not where it was when it last drew.
    camera.updateMatrixWorld();
    for (const label of within.current?.querySelectorAll<HTMLElement>('[data-at]') ?? []) {
      const [x = 0, y = 0, z = 0] = (label.dataset.at ?? '').split(',').map(Number);
      const p = point.current.set(x, y, z).project(camera);
      const isBehind = p.z > 1;
      label.style.transform = `translate(-50%, -50%) translate(${(((p.x + 1) / 2) * size.width).toFixed(1)}px, ${(((1 - p.y) / 2) * size.height).toFixed(1)}px)`;
      label.style.visibility = isBehind ? 'hidden' : 'visible';
    }
  });
  return null;
}

/** Turns an element of the page as the eye has turned the machine. */
export function TurnWith({ block }: { readonly block: RefObject<HTMLElement | null> }) {
  const matrix = useRef(new Matrix4());
  useEachDrawing(({ camera }) => {
    const m = matrix.current.makeRotationFromQuaternion(camera.quaternion).transpose().elements;
    // Style sheets count downwards.
    const css = [
      m[0],
      -(m[1] as number),
      m[2],
      0,
      -(m[4] as number),
      m[5],
      -(m[6] as number),
      0,
      m[8],
      -(m[9] as number),
      m[10],
      0,
      0,
      0,
      0,
      1,
    ];
    block.current?.style.setProperty(
      'transform',
      `matrix3d(${css.map((v) => (v ?? 0).toFixed(4)).join(',')})`,
    );
  });
  return null;
}
