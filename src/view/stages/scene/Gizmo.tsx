'use client';
import { useEffect, useMemo, useRef } from 'react';
import { useThree } from '@react-three/fiber';
import { Object3D, Vector3 } from 'three';
import { TransformControls } from 'three/examples/jsm/controls/TransformControls.js';
import { findComponent, type Design, type Placement } from '@/core/design';
import { boxCentre, union, type Vec } from '@/core/geometry';
import { movedBy, type System } from '@/core/system';
import { grip } from './grip';
import type { Paper } from './paper';

interface Props {
  readonly design: Design;
  /** As it stands now, with what is in the hand. */
  readonly system: System;
  readonly picked: string;
  readonly paper: Paper;
  onHold(component: string, placement: Placement | null): void;
  onHeld(held: boolean): void;
}

/** Of the arrows, as the library counts. */
const SIZE = 0.62;
const QUARTER = Math.PI / 2;
/** So far a part is tried along an axis to see whether it can go there, mm. */
const PROBE_MM = 25;

/**
 * Arrows along the ways that the picked part can go, and a ring to turn it in quarters: it snaps to
 * its rail, to the holes of its mount, to whole millimetres.
 */
export function Gizmo(props: Props) {
  const { design, system, picked } = props;
  const axes = useMemo(() => waysOf(design, picked), [design, picked]);
  const placement = findComponent(design, picked)?.placement;
  const canTurn = placement?.on === 'spot' || placement?.on === 'free';
  const boxes = system.placed.get(picked)?.solids.map((s) => s.box) ?? [];
  if (boxes.length === 0 || axes === null) return null;
  const middle = boxCentre(union(boxes));
  return (
    <>
      <Control {...props} mode="translate" axes={axes} middle={middle} />
      {canTurn && <Control {...props} mode="rotate" axes={[false, true, false]} middle={middle} />}
    </>
  );
}

/** Along which axes of the case a part can be moved; null where along none. */
function waysOf(design: Design, id: string): readonly [boolean, boolean, boolean] | null {
  const still = JSON.stringify(movedBy(design, id, [0, 0, 0]));
  if (still === 'null') return null;
  const [x = false, y = false, z = false] = ([0, 1, 2] as const).map((axis) =>
    [PROBE_MM, -PROBE_MM].some((by) => {
      const way: [number, number, number] = [0, 0, 0];
      way[axis] = by;
      return JSON.stringify(movedBy(design, id, way)) !== still;
    }),
  );
  return x || y || z ? [x, y, z] : null;
}

function Control({
  design,
  picked,
  middle,
  mode,
  axes: [x, y, z],
  paper,
  onHold,
  onHeld,
}: Props & {
  readonly mode: 'translate' | 'rotate';
  readonly axes: readonly [boolean, boolean, boolean];
  readonly middle: Vec;
}) {
  const { camera, gl, scene, invalidate } = useThree();
  const proxy = useMemo(() => new Object3D(), []);
  const isDragged = useRef(false);
  const now = useRef({ design, picked, onHold, onHeld });
  useEffect(() => {
    now.current = { design, picked, onHold, onHeld };
  }, [design, picked, onHold, onHeld]);
  const [mx, my, mz] = middle;
  useEffect(() => {
    // The arrows follow the part, not the part's snapping the hand.
    if (isDragged.current) return;
    proxy.position.set(mx, my, mz);
    proxy.rotation.set(0, 0, 0);
    invalidate();
  }, [proxy, mx, my, mz, invalidate]);
  useEffect(() => {
    const controls = new TransformControls(camera, gl.domElement);
    const helper = controls.getHelper();
    const from = new Vector3();
    scene.add(proxy, helper);
    controls.attach(proxy);
    controls.setMode(mode);
    controls.setSize(mode === 'rotate' ? SIZE * 0.8 : SIZE);
    Object.assign(controls, { showX: x, showY: y, showZ: z });
    controls.setColors(paper.copper, paper.ink, paper.cool, paper.warm);
    if (mode === 'rotate') controls.setRotationSnap(QUARTER);
    const redraw = (): void => {
      grip.axis = controls.axis;
      invalidate();
    };
    const dragged = (e: { value: unknown }): void => {
      isDragged.current = e.value === true;
      const { picked: id } = now.current;
      if (isDragged.current) from.copy(proxy.position);
      else {
        if (mode === 'rotate') turn(id);
        now.current.onHold(id, null);
        proxy.rotation.set(0, 0, 0);
      }
      now.current.onHeld(isDragged.current);
    };
    const turn = (id: string): void => {
      const p = findComponent(now.current.design, id)?.placement;
      const quarters = Math.round(proxy.rotation.y / QUARTER);
      if (quarters !== 0 && (p?.on === 'spot' || p?.on === 'free'))
        now.current.onHold(id, {
          ...p,
          turn: (((((p.turn ?? 0) + 90 * quarters) % 360) + 360) % 360) as 0 | 90 | 180 | 270,
        });
    };
    const moved = (): void => {
      if (mode !== 'translate' || !isDragged.current) return;
      const by = proxy.position.clone().sub(from);
      const { design: d, picked: id } = now.current;
      now.current.onHold(id, movedBy(d, id, [by.x, by.y, by.z]));
    };
    controls.addEventListener('change', redraw);
    controls.addEventListener('dragging-changed', dragged);
    controls.addEventListener('objectChange', moved);
    invalidate();
    return () => {
      grip.axis = null;
      controls.removeEventListener('change', redraw);
      controls.removeEventListener('dragging-changed', dragged);
      controls.removeEventListener('objectChange', moved);
      controls.detach();
      scene.remove(proxy, helper);
      controls.dispose();
    };
  }, [camera, gl, scene, proxy, mode, x, y, z, paper, invalidate]);
  return null;
}
