'use client';
import { useEffect } from 'react';
import { useThree } from '@react-three/fiber';
import type { PerspectiveCamera } from 'three';
import type { Shown } from './takeOut';

/** Hands what is drawn to who takes pictures of it. */
export function Taken({ onShown }: { onShown(shown: Shown | null): void }) {
  const { gl, scene, camera } = useThree();
  useEffect(() => {
    onShown({ gl, scene, camera: camera as PerspectiveCamera });
    return () => onShown(null);
  }, [gl, scene, camera, onShown]);
  return null;
}
