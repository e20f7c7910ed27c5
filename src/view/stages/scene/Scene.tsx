'use client';
import { useMemo, useRef, useState } from 'react';
import { Canvas, type ThreeEvent } from '@react-three/fiber';
import {
  BoxGeometry,
  CatmullRomCurve3,
  EdgesGeometry,
  Plane,
  PlaneGeometry,
  Quaternion,
  TubeGeometry,
  Vector3,
} from 'three';
import { findComponent, type Design, type Placement, type PortRef } from '@/core/design';
import type { ClearanceReport } from '@/core/clearance';
import { extentOf, movedBy, standOffs, trayBoxes, type System } from '@/core/system';
import { samplePath } from '@/core/routing';
import type { Run } from '@/core/tubing';
import { cylinderBox, type Box, type Vec } from '@/core/geometry';
import { formatNumber } from '@/core/units';
import { Segments } from '@/view/shared';
import { Orbit, type Stand } from './Orbit';
import { usePaper, type Paper } from './paper';
import { wholeBodies } from '../elevation/project';
import { SolidMesh } from './SolidMesh';
import styles from './Scene.module.css';

export interface SceneProps {
  readonly design: Design;
  readonly system: System;
  readonly gaps: ClearanceReport['gaps'];
  readonly runs: readonly Run[];
  readonly picked: string | null;
  onPick(id: string): void;
  /** Ports may be clicked: a run is being drawn, from the one given. */
  readonly ports?: { readonly from: PortRef | null; onPort(ref: PortRef): void };
  /** Where a dragged part would be; null when it is let go. */
  onHold(component: string, placement: Placement | null): void;
}

const STANDS: readonly { readonly value: Stand; readonly label: string }[] = [
  { value: 'corner', label: 'from the corner' },
  { value: 'glass', label: 'glass' },
  { value: 'front', label: 'front' },
  { value: 'top', label: 'top' },
];

/** So that the eye stands still while a part is nudged within what is shown. */
const wholeMillimetres = ({ min, max }: Box): Box => ({
  min: min.map((v) => Math.floor(v / STEADY_MM) * STEADY_MM) as unknown as Vec,
  max: max.map((v) => Math.ceil(v / STEADY_MM) * STEADY_MM) as unknown as Vec,
});
const STEADY_MM = 50;

/**
 * The case in space: turn it, cut it open, drag what slides. What it shows stands in the tables
 * too.
 */
export default function Scene(props: SceneProps) {
  const { design, system } = props;
  const size = design.case?.interior as Vec;
  const shown = useMemo(() => wholeMillimetres(extentOf(system)), [system]);
  const paper = usePaper();
  const [stand, setStand] = useState<Stand>('corner');
  const [cut, setCut] = useState(0);
  const [held, setHeld] = useState(false);
  const clip = useMemo(
    () => (cut > 0 ? [new Plane(new Vector3(0, 0, -1), size[2] - cut)] : []),
    [cut, size],
  );
  return (
    <div className={styles.scene}>
      <div className={styles.bar}>
        <Segments label="Seen from" value={stand} options={STANDS} onPick={setStand} />
        <label className={styles.cut}>
          Cut from the glass{' '}
          <input
            type="range"
            min={0}
            max={Math.round(size[2] - 5)}
            step={1}
            value={cut}
            onChange={(e) => setCut(Number(e.target.value))}
            aria-valuetext={`${cut} mm`}
          />{' '}
          <span className={styles.mm}>{formatNumber(cut)} mm</span>
        </label>
      </div>
      <div
        className={styles.canvas}
        role="img"
        aria-label={`The case in space, ${system.placed.size} parts. The tables beside say the same in words.`}
      >
        <Canvas
          frameloop="demand"
          dpr={[1, 2]}
          gl={{ antialias: true, localClippingEnabled: true } as never}
          onCreated={({ gl }) => {
            gl.localClippingEnabled = true;
          }}
          camera={{ fov: 32, near: 10, far: 8000, position: [900, 700, 900] }}
        >
          <color attach="background" args={[paper.paper]} />
          <ambientLight intensity={2.7} />
          <directionalLight position={[600, 1400, 1000]} intensity={1.15} />
          <Orbit shown={shown} stand={stand} held={held} />
          <Parts {...props} paper={paper} clip={clip} onHeld={setHeld} />
          <CaseFrame model={system} size={size} paper={paper} clip={clip} />
        </Canvas>
      </div>
    </div>
  );
}

function CaseFrame({
  model: system,
  size,
  paper,
  clip,
}: {
  readonly model: System;
  readonly size: Vec;
  readonly paper: Paper;
  readonly clip: readonly Plane[];
}) {
  const [x, y, z] = size;
  const edges = useMemo(() => new EdgesGeometry(new BoxGeometry(x, y, z)), [x, y, z]);
  return (
    <>
      {system.design.case?.air?.open !== true && (
        <lineSegments geometry={edges} position={[x / 2, y / 2, z / 2]}>
          <lineBasicMaterial color={paper.ink} />
        </lineSegments>
      )}
      {/* The board tray closes the back, but for its openings; the board stands off it. */}
      {system.design.case &&
        trayBoxes(system.design.case).map((box, i) => (
          <SolidMesh
            key={`tray-${i}`}
            solid={{ component: 'case:tray', detail: 'Board tray', box }}
            fill={paper.sunk}
            edge={paper.sunk}
            heavy={false}
            clip={[]}
          />
        ))}
      {(system.design.case?.grommets ?? []).map((g) => (
        <lineSegments key={g.id} position={[g.at[0], g.at[1], 0.2]}>
          <edgesGeometry args={[new PlaneGeometry(g.width_mm, g.height_mm)]} />
          <lineBasicMaterial color={paper.ink} />
        </lineSegments>
      ))}
      {system.design.case &&
        standOffs(system.design.case, system.placed).map((cylinder, i) => (
          <SolidMesh
            key={`foot-${i}`}
            solid={{
              component: 'case:stand-off',
              detail: 'Stand-off',
              box: cylinderBox(cylinder),
              cylinder,
            }}
            fill={paper.hairline}
            edge={paper.soft}
            heavy={false}
            clip={clip}
          />
        ))}
    </>
  );
}

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

/** A routed tube with its end pieces. */
function Tube({
  run,
  paper,
  clip,
  picked,
}: {
  readonly run: Run;
  readonly paper: Paper;
  readonly clip: readonly Plane[];
  readonly picked: boolean;
}) {
  const body = useMemo(() => {
    const points = samplePath(run.routed?.path ?? [], 6).map((p) => new Vector3(...p));
    return points.length > 1
      ? new TubeGeometry(
          new CatmullRomCurve3(points, false, 'centripetal'),
          points.length * 2,
          run.tube.outer_mm / 2,
          14,
        )
      : null;
  }, [run]);
  const colour = picked ? paper.copper : mix(paper.cool, paper.float, 0.55);
  return (
    <>
      {body && (
        <mesh geometry={body}>
          <meshLambertMaterial color={colour} clippingPlanes={clip as Plane[]} />
        </mesh>
      )}
      {run.routed?.pieces.map((b, i) => (
        <Rod key={i} from={b.from} to={b.to} radius={b.radius} colour={paper.soft} clip={clip} />
      ))}
    </>
  );
}

function Parts({
  design,
  system,
  gaps,
  runs,
  picked,
  onPick,
  onHold,
  ports,
  paper,
  clip,
  onHeld,
}: SceneProps & {
  readonly paper: Paper;
  readonly clip: readonly Plane[];
  onHeld(held: boolean): void;
}) {
  const clashing = useMemo(
    () => new Set(gaps.filter((g) => g.verdict === 'clash').flatMap((g) => [g.a, g.b])),
    [gaps],
  );
  const drag = useRef<{
    readonly component: string;
    readonly from: Vector3;
    readonly plane: Plane;
    readonly design: Design;
  } | null>(null);
  const down =
    (component: string) =>
    (e: ThreeEvent<PointerEvent>): void => {
      if (e.button !== 0) return;
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
      {[...system.placed.values()].flatMap((p) =>
        wholeBodies(p.solids).map((solid, i) => {
          const { kind } = p.part,
            isPicked = picked === p.id;
          const edgeColour = () => {
            if (isPicked) return paper.copper;
            if (clashing.has(p.id)) return paper.fails;
            if (kind === 'board' || kind === 'memory' || kind === 'supply') return paper.soft;
            return paper.ink;
          };
          const edge = edgeColour();
          const fillColour = () => {
            if (isPicked) return mix(paper.copper, paper.float, 0.22);
            if (kind === 'reservoir') return mix(paper.cool, paper.float, 0.25);
            if (kind === 'block') return mix(paper.copper, paper.float, 0.12);
            if (kind === 'radiator') return mix(paper.ink, paper.float, 0.16);
            if (kind === 'board' || kind === 'memory') return paper.sunk;
            return paper.float;
          };
          const fill = fillColour();
          return (
            <SolidMesh
              key={`${p.id}-${i}`}
              solid={solid}
              fill={fill}
              edge={edge}
              heavy={isPicked}
              marks={kind === 'fan' || kind === 'radiator' ? kind : undefined}
              clip={clip}
              onPointerDown={down(p.id)}
            />
          );
        }),
      )}
      {runs.map(
        (run) =>
          run.routed && (
            <Tube key={run.id} run={run} paper={paper} clip={clip} picked={picked === run.id} />
          ),
      )}
      {runs.map((run) => {
        const a = system.portAt(run.from),
          b = system.portAt(run.to);
        return run.bridge && a && b ? (
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
      {[...system.placed.values()]
        .flatMap((p) => p.ports)
        .map((port) => {
          const [x, y, z] = port.direction;
          return (
            <mesh
              key={`${port.component}-${port.port.id}`}
              {...(ports
                ? {
                    onPointerDown: (e: ThreeEvent<PointerEvent>) => {
                      e.stopPropagation();
                      ports.onPort({ component: port.component, port: port.port.id });
                    },
                  }
                : {})}
              position={[port.at[0] + 2 * x, port.at[1] + 2 * y, port.at[2] + 2 * z]}
              rotation={[
                Math.abs(z) > 0.5 ? Math.PI / 2 : 0,
                0,
                Math.abs(x) > 0.5 ? Math.PI / 2 : 0,
              ]}
            >
              <cylinderGeometry args={ports ? [10, 10, 9, 20] : [6.6, 6.6, 4, 16]} />
              <meshLambertMaterial
                color={ports ? paper.copper : paper.ink}
                clippingPlanes={clip as Plane[]}
              />
            </mesh>
          );
        })}
    </>
  );
}

/** What stands stays at its height while it is dragged. */
function onFloor(design: Design, component: string, by: Vec): Vec {
  const p = findComponent(design, component)?.placement;
  return p?.on === 'spot' || p?.on === 'free' ? [by[0], 0, by[2]] : by;
}

function mix(a: string, b: string, share: number): string {
  const rgb = (h: string): readonly number[] =>
    [1, 3, 5].map((i) => parseInt(h.slice(i, i + 2), 16));
  const [p, q] = [rgb(a), rgb(b)];
  return `#${[0, 1, 2]
    .map((i) =>
      Math.round((p[i] ?? 0) * share + (q[i] ?? 0) * (1 - share))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}
