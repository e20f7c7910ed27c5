'use client';
import { useCallback, useMemo, useRef, useState } from 'react';
import { Canvas, useFrame as useEachDrawing, type ThreeEvent } from '@react-three/fiber';
import { Plane, Quaternion, Vector3 } from 'three';
import {
  componentName,
  findComponent,
  type Design,
  type Placement,
  type PortRef,
} from '@/core/design';
import type { ClearanceReport } from '@/core/clearance';
import type { CaseReport } from '@/core/thermal';
import { extentOf, movedBy, type PlacedComponent, type System } from '@/core/system';
import type { Run } from '@/core/tubing';
import { add, scale, union, UPRIGHT, type Box, type Vec } from '@/core/geometry';
import { slug } from '@/format';
import { formatNumber } from '@/core/units';
import { Segments, Press } from '@/view/shared';
import { downloadBlob, useFrame } from '@/view/workspace';
import { Drawing, tintsOf } from './drawing';
import { Orbit, type Stand } from './Orbit';
import { CaseBody } from './CaseBody';
import { Coolant } from './Coolant';
import { PartBody } from './PartBody';
import { usePaper, warmth, type Paper } from './paper';
import { sceneGlb, scenePng, type Shown } from './takeOut';
import { Taken } from './Taken';
import { TubeBody } from './TubeBody';
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
  /** What is said fills the left of the page from top to bottom. */
  readonly isBesideText?: boolean;
  /** Temperatures that tubes are coloured by. */
  readonly heat?: CaseReport;
  /** Where a dragged part would be; null when it is let go. */
  onHold(component: string, placement: Placement | null): void;
}

const STANDS: readonly { readonly value: Stand; readonly label: string }[] = [
  { value: 'corner', label: 'corner' },
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
/** What the working panel covers of the scene, px. */
const PANEL_PX = 348;
/** And a sheet full of text at its left. */
const HEAD_PX = 354;

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
  const [apart, setApart] = useState(0);
  const taken = useRef<Shown | null>(null);
  const take = useCallback((shown: Shown | null): void => {
    taken.current = shown;
  }, []);
  const save = async (as: 'png' | 'glb'): Promise<void> => {
    if (!taken.current) return;
    const blob = await (as === 'png'
      ? scenePng(taken.current)
      : sceneGlb(taken.current, design.name));
    if (blob) downloadBlob(`${slug(design.name)}.${as}`, blob);
  };
  const right = useFrame((f) => (f.isPanelOpen ? PANEL_PX : 0));
  const left = useFrame((f) => (props.isBesideText && f.isHeadOpen ? HEAD_PX : 0));
  const [held, setHeld] = useState(false);
  const clip = useMemo(
    () => (cut > 0 ? [new Plane(new Vector3(0, 0, -1), size[2] - cut)] : []),
    [cut, size],
  );
  return (
    <div className={styles.scene}>
      <div
        className={styles.bar}
        data-beside={right > 0 || undefined}
        data-raised={props.isBesideText || undefined}
      >
        <Segments label="Seen from" value={stand} options={STANDS} onPick={setStand} />
        <label className={styles.cut}>
          Cut{' '}
          <input
            type="range"
            min={0}
            max={Math.round(size[2] - 5)}
            step={1}
            value={cut}
            onChange={(e) => setCut(Number(e.target.value))}
            aria-label="Cut from the glass"
            aria-valuetext={`${cut} mm`}
          />{' '}
          <span className={styles.mm}>{formatNumber(cut)} mm</span>
        </label>
        <label className={styles.cut}>
          Apart{' '}
          <input
            type="range"
            min={0}
            max={100}
            step={1}
            value={apart}
            onChange={(e) => setApart(Number(e.target.value))}
            aria-label="Parts drawn apart"
            aria-valuetext={`${apart} %`}
          />
        </label>
        <span className={styles.take}>
          <Press title="As it is seen, 3840 × 2160" onClick={() => void save('png')}>
            PNG
          </Press>
          <Press title="The machine in space, glTF 2.0" onClick={() => void save('glb')}>
            glTF
          </Press>
        </span>
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
          <Cost />
          <Taken onShown={take} />
          <Orbit shown={shown} stand={stand} held={held} right={right} left={left} />
          <Parts {...props} paper={paper} clip={clip} apart={apart / 100} onHeld={setHeld} />
          {design.case?.air?.open !== true && <Shade size={size} paper={paper} />}
          <CaseBody model={system} size={size} paper={paper} clip={clip} />
        </Canvas>
      </div>
    </div>
  );
}

/** What the last drawing cost, on the canvas for whoever measures it. */
function Cost() {
  useEachDrawing(({ gl }) => {
    const { calls, triangles } = gl.info.render;
    gl.domElement.dataset.calls = String(calls);
    gl.domElement.dataset.triangles = String(triangles);
  });
  return null;
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

function Parts({
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
  const moved = ({ solids }: PlacedComponent): [number, number, number] => {
    if (apart === 0 || solids.length === 0) return [0, 0, 0];
    const own = union(solids.map((b) => b.box));
    return ([0, 1, 2] as const).map(
      (i) => ((own.min[i] + own.max[i] - whole.min[i] - whole.max[i]) / 2) * apart * APART,
    ) as [number, number, number];
  };
  const edgeOf = (id: string): string => {
    if (picked === id) return paper.copper;
    return clashing.has(id) ? paper.fails : paper.ink;
  };
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
      {[...system.placed.values()]
        .filter((p) => p.frame !== null)
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
          run.routed && (
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
/** Parts that are drawn apart stand so many times as far from the middle. */
const APART = 0.9;
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

/** The shade of the case on what it stands on. */
function Shade({ size: [x, , z], paper }: { readonly size: Vec; readonly paper: Paper }) {
  return SHADES.map(([by, opacity]) => (
    <mesh
      key={by}
      position={[x / 2 + by / 3, -3 - by / 60, z / 2 - by / 4]}
      rotation={[-Math.PI / 2, 0, 0]}
    >
      <planeGeometry args={[x + by, z + by]} />
      <meshBasicMaterial color={paper.ink} transparent opacity={opacity} depthWrite={false} />
    </mesh>
  ));
}
/** How far beyond the case, mm, and how dark. */
const SHADES = [
  [10, 0.06],
  [50, 0.035],
  [100, 0.02],
] as const;

/** What stands stays at its height while it is dragged. */
function onFloor(design: Design, component: string, by: Vec): Vec {
  const p = findComponent(design, component)?.placement;
  return p?.on === 'spot' || p?.on === 'free' ? [by[0], 0, by[2]] : by;
}
