'use client';
import { useMemo, useRef } from 'react';
import type { ThreeEvent } from '@react-three/fiber';
import { Plane, Quaternion, Vector3 } from 'three';
import { componentName, findComponent, type Design, type PortRef } from '@/core/design';
import { extentOf, movedBy, type PlacedComponent, type System } from '@/core/system';
import type { Run } from '@/core/tubing';
import { add, scale, UPRIGHT, type Vec } from '@/core/geometry';
import { shiftApart } from './apart';
import { Coolant } from './Coolant';
import { Drawing, tintsOf } from './drawing';
import { grip } from './grip';
import { PartBody } from './PartBody';
import { warmth, type Paper } from './paper';
import type { SceneProps } from './Scene';
import { SolidMesh } from './SolidMesh';
import { isShown, useScene } from './state';
import { TubeBody } from './TubeBody';

/** A round piece from one point to another. */
function Rod({
  from,
  to,
  radius,
  colour,
  clip,
}: {
  readonly from: Vec;
  readonly to: Vec;
  readonly radius: number;
  readonly colour: string;
  readonly clip: readonly Plane[];
}) {
  const a = new Vector3(...from),
    b = new Vector3(...to),
    way = b.clone().sub(a);
  return (
    <mesh
      position={a.clone().add(b).multiplyScalar(0.5)}
      quaternion={new Quaternion().setFromUnitVectors(
        new Vector3(0, 1, 0),
        way.clone().normalize(),
      )}
    >
      <cylinderGeometry args={[radius, radius, way.length(), 18]} />
      <meshLambertMaterial color={colour} clippingPlanes={clip as Plane[]} />
    </mesh>
  );
}

/** Everything that stands in the case, with its tubes. */
export function Parts({
  design,
  system,
  gaps,
  runs,
  picked,
  onPick,
  onHold,
  ports,
  heat,
  paper,
  clip,
  apart,
  onHeld,
}: SceneProps & {
  /** How far parts stand from their places, 0 to 1. */
  readonly apart: number;
  readonly paper: Paper;
  readonly clip: readonly Plane[];
  onHeld(held: boolean): void;
}) {
  const clashing = useMemo(
    () => new Set(gaps.filter((g) => g.verdict === 'clash').flatMap((g) => [g.a, g.b])),
    [gaps],
  );
  const nodes = heat?.nodes ?? {};
  const temps = Object.values(nodes);
  const range: readonly [number, number] =
    temps.length > 0 ? [Math.min(...temps), Math.max(...temps)] : [20, 40];
  /** Coolant as it enters a run. */
  const entering = (run: Run): number | undefined => {
    const link = system.loops
      .find((g) => g.loop.id === run.loop)
      ?.links.find((e) => e.id === run.id);
    return link && nodes[link.from];
  };
  const whole = extentOf(system);
  /** From the middle of the machine outwards. */
  const moved = (p: PlacedComponent): [number, number, number] => shiftApart(p, whole, apart);
  const edgeOf = (id: string): string => {
    if (picked === id) return paper.copper;
    return clashing.has(id) ? paper.fails : paper.ink;
  };
  const scene = useScene();
  const drag = useRef<{
    readonly component: string;
    readonly from: Vector3;
    readonly plane: Plane;
    readonly design: Design;
  } | null>(null);
  const down =
    (component: string) =>
    (e: ThreeEvent<PointerEvent>): void => {
      if (e.button !== 0 || grip.axis !== null) return;
      e.stopPropagation();
      onPick(component);
      if (!movedBy(design, component, [0, 0, 0])) return;
      // Dragged in the plane through the grip that faces the eye.
      const plane = new Plane().setFromNormalAndCoplanarPoint(
        e.camera.getWorldDirection(new Vector3()),
        e.point,
      );
      drag.current = { component, from: e.point.clone(), plane, design };
      onHeld(true);
      const move = (ev: PointerEvent): void => {
        const d = drag.current;
        if (!d) return;
        const canvas = ev.target instanceof HTMLCanvasElement ? ev.target : null;
        const box = (canvas ?? document.querySelector('canvas'))?.getBoundingClientRect();
        if (!box) return;
        const at = new Vector3(
          ((ev.clientX - box.left) / box.width) * 2 - 1,
          -((ev.clientY - box.top) / box.height) * 2 + 1,
          0.5,
        ).unproject(e.camera);
        const hit = new Vector3(),
          ray = at.sub(e.camera.position).normalize();
        const t =
          d.plane.normal.dot(d.from.clone().sub(e.camera.position)) / d.plane.normal.dot(ray);
        hit.copy(e.camera.position).addScaledVector(ray, t);
        onHold(
          d.component,
          movedBy(
            d.design,
            d.component,
            onFloor(d.design, d.component, [hit.x - d.from.x, hit.y - d.from.y, hit.z - d.from.z]),
          ),
        );
      };
      const up = (): void => {
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', up);
        drag.current = null;
        onHeld(false);
        onHold(component, null);
      };
      window.addEventListener('pointermove', move);
      window.addEventListener('pointerup', up);
    };
  return (
    <>
      {[...system.placed.values()]
        .filter((p) => p.frame !== null && isShown(scene, p.id))
        .map((p) => (
          <group key={p.id} name={componentName(design, p.id)} position={moved(p)}>
            <PartBody
              placed={p}
              paper={paper}
              edge={edgeOf(p.id)}
              isPicked={picked === p.id}
              clip={clip}
              onPointerDown={down(p.id)}
            />
            {p.part.kind === 'reservoir' && p.solids[0]?.cylinder && (
              <Coolant
                placed={p}
                paper={paper}
                colour={warmth(paper, nodes[`${p.id}/tank`], range)}
                clip={clip}
              />
            )}
          </group>
        ))}
      {runs.map(
        (run) =>
          apart === 0 &&
          run.routed &&
          isShown(scene, run.id) && (
            <TubeBody
              key={run.id}
              run={run}
              paper={paper}
              colour={warmth(paper, entering(run), range)}
              isPicked={picked === run.id}
              clip={clip}
              onPointerDown={(e) => {
                if (e.button !== 0) return;
                e.stopPropagation();
                onPick(run.id);
              }}
            />
          ),
      )}
      {runs.map((run) => {
        const a = system.portAt(run.from),
          b = system.portAt(run.to);
        return apart === 0 && run.bridge && a && b ? (
          <Rod
            key={run.id}
            from={a.at}
            to={b.at}
            radius={run.bridge.diameter_mm / 2}
            colour={picked === run.id ? paper.copper : paper.soft}
            clip={clip}
          />
        ) : null;
      })}
      {system.obstacles.map((o, i) => (
        <SolidMesh
          key={`${o.component}-${i}`}
          solid={o}
          fill={paper.hairline}
          edge={paper.soft}
          heavy={false}
          glassy
          clip={clip}
        />
      ))}
      {apart === 0 && ports && (
        <OpenPorts system={system} paper={paper} clip={clip} onPort={ports.onPort} />
      )}
      {apart === 0 && !ports && <PortRims system={system} paper={paper} clip={clip} />}
    </>
  );
}

/** Mouths of all ports: one mesh. */
function PortRims({
  system,
  paper,
  clip,
}: {
  readonly system: System;
  readonly paper: Paper;
  readonly clip: readonly Plane[];
}) {
  const rims = useMemo(() => {
    const drawing = new Drawing({ at: [0, 0, 0], ...UPRIGHT }, tintsOf(paper));
    for (const p of system.placed.values())
      for (const { at, direction } of p.ports)
        drawing.rod(at, add(at, scale(direction, RIM_MM)), RIM_RADIUS_MM, 'dark', 16, false);
    return drawing.done().faces;
  }, [system, paper]);
  return rims ? (
    <mesh geometry={rims}>
      <meshLambertMaterial vertexColors clippingPlanes={clip as Plane[]} />
    </mesh>
  ) : null;
}
const RIM_MM = 2.5,
  RIM_RADIUS_MM = 6.6;

/** Ports to be clicked while a run is drawn. */
function OpenPorts({
  system,
  paper,
  clip,
  onPort,
}: {
  readonly system: System;
  readonly paper: Paper;
  readonly clip: readonly Plane[];
  onPort(ref: PortRef): void;
}) {
  return [...system.placed.values()]
    .flatMap((p) => p.ports)
    .map((port) => (
      <mesh
        key={`${port.component}-${port.port.id}`}
        position={add(port.at, scale(port.direction, 2)) as [number, number, number]}
        quaternion={new Quaternion().setFromUnitVectors(
          new Vector3(0, 1, 0),
          new Vector3(...port.direction),
        )}
        onPointerDown={(e: ThreeEvent<PointerEvent>) => {
          e.stopPropagation();
          onPort({ component: port.component, port: port.port.id });
        }}
      >
        <cylinderGeometry args={[10, 10, 9, 20]} />
        <meshLambertMaterial color={paper.copper} clippingPlanes={clip as Plane[]} />
      </mesh>
    ));
}

/** What stands stays at its height while it is dragged. */
function onFloor(design: Design, component: string, by: Vec): Vec {
  const p = findComponent(design, component)?.placement;
  return p?.on === 'spot' || p?.on === 'free' ? [by[0], 0, by[2]] : by;
}
