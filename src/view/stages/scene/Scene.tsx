'use client';
import dynamic from 'next/dynamic';
import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useFrame as useEachDrawing } from '@react-three/fiber';
import { Plane, Vector3 } from 'three';
import { findComponent, type Design, type Placement, type PortRef } from '@/core/design';
import { gapLines, type ClearanceReport } from '@/core/clearance';
import type { FlowReport } from '@/core/hydraulics';
import type { CaseReport } from '@/core/thermal';
import { movedBy, type System } from '@/core/system';
import type { Run } from '@/core/tubing';
import { union, type Box, type Vec } from '@/core/geometry';
import { useFrame, useSceneOnPage } from '@/view/workspace';
import { msg } from '@/core/messages';
import type { RouteHeld } from '../runs/useRouteHeld';
import { extentApart } from './apart';
import { CaseBody } from './CaseBody';
import { SpaceCanvas } from './SpaceCanvas';
import { DimensionLabels, DimensionLines } from './Dimensions';
import { Orbit } from './Orbit';
import { PlaceLabels, TurnWith } from './overlay';
import { usePaper, type Paper } from './paper';
import { Parts } from './Parts';
import { SceneBar } from './SceneBar';
import type { Stand } from './stands';
import { useScene } from './state';
import type { Shown } from './takeOut';
import { Taken } from './Taken';
import { ViewBlock } from './ViewBlock';
import { untilLoaded } from '@/view/shared/untilLoaded';
import { later } from '@/view/shared/later';
import styles from './Scene.module.css';

// Loaded when it is first asked for.
const Gizmo = lazy(() => untilLoaded(() => import('./Gizmo').then((m) => ({ default: m.Gizmo }))));
const RouteGrips = lazy(() =>
  untilLoaded(() => import('./RouteGrips').then((m) => ({ default: m.RouteGrips }))),
);
const CutFaces = lazy(() =>
  untilLoaded(() => import('./CutFaces').then((m) => ({ default: m.CutFaces }))),
);
const FlowDashes = lazy(() =>
  untilLoaded(() => import('./Flowing').then((m) => ({ default: m.FlowDashes }))),
);
const AirArrows = lazy(() =>
  untilLoaded(() => import('./Flowing').then((m) => ({ default: m.AirArrows }))),
);
const AirLabels = dynamic(() => later(() => import('./Flowing').then((m) => m.AirLabels)));
const SceneTree = dynamic(() => later(() => import('./SceneTree').then((m) => m.SceneTree)));

type Flowing = typeof import('./flowing');

/** What says how coolant and air move, once it is asked for and loaded. */
function useFlowing(isAsked: boolean): Flowing | null {
  const [loaded, setLoaded] = useState<Flowing | null>(null);
  useEffect(() => {
    if (!isAsked) return;
    untilLoaded(() => import('./flowing')).then(setLoaded, (fault: unknown) =>
      // Told by whatever tells of faults in the scene.
      setLoaded(() => {
        throw fault;
      }),
    );
  }, [isAsked]);
  return isAsked ? loaded : null;
}

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
  /** The picked part has arrows to move it by. */
  readonly isEditable?: boolean;
  /** What flows in the tubes, for the dashes. */
  readonly flow?: FlowReport;
  /** Corners of the picked run, which may be dragged; told how far, and when it is let go. */
  readonly corners?: readonly Vec[];
  onRoute?(held: RouteHeld, done: boolean): void;
  /** Where a dragged part would be; null when it is let go. */
  onHold(component: string, placement: Placement | null): void;
}

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
/** Where the eye begins, mm. */
const EYE = [900, 700, 900] as const;
/** Shown round a part that is looked at, mm. */
const ROUND_PART_MM = 40;

/**
 * The case in space: turn it, cut it open, drag what slides. What it shows stands in the tables
 * too.
 */
export default function Scene(props: SceneProps) {
  const { design, system, picked, runs } = props;
  const size = design.case?.interior as Vec;
  const paper = usePaper();
  const [stand, setStand] = useState<{ readonly at: Stand; readonly asked: number }>({
    at: 'corner',
    asked: 0,
  });
  const [near, setNear] = useState<Box | null>(null);
  const [held, setHeld] = useState(false);
  const { isFlowing, isTreeOpen, ...asked } = useScene();
  const view = useFrame((f) => f.view);
  const deepest_mm = Math.round(size[2] - 5);
  const cut = view === 'section' ? Math.round(asked.cut * deepest_mm) : 0;
  const apart = view === 'exploded' ? asked.apart : 0;
  const whole = useMemo(() => wholeMillimetres(extentApart(system, apart)), [system, apart]);

  const taken = useRef<Shown | null>(null);
  const take = useCallback((shown: Shown | null): void => {
    taken.current = shown;
    useSceneOnPage.setState({
      scene: shown && {
        png: async () => (await import('./takeOut')).scenePng(shown),
        glb: async (name) => (await import('./takeOut')).sceneGlb(shown, name),
      },
    });
  }, []);
  const overlay = useRef<HTMLDivElement>(null);
  const block = useRef<HTMLDivElement>(null);
  const right = useFrame((f) => (f.isPanelOpen ? PANEL_PX : 0));
  const left = useFrame((f) => (props.isBesideText && f.isHeadOpen ? HEAD_PX : 0));
  const clip = useMemo(
    () => (cut > 0 ? [new Plane(new Vector3(0, 0, -1), size[2] - cut)] : []),
    [cut, size],
  );
  const isTogether = apart === 0;
  const lines = useMemo(
    () => (picked && isTogether && !isFlowing ? gapLines(system, props.gaps, picked) : []),
    [system, props.gaps, picked, isTogether, isFlowing],
  );
  const flowing = useFlowing(isFlowing && isTogether);
  const streams = useMemo(
    () => (flowing && props.flow ? flowing.streamsOf(runs, props.flow) : []),
    [flowing, props.flow, runs],
  );
  const arrows = useMemo(
    () => (flowing && props.heat ? flowing.airArrows(system, props.heat) : []),
    [flowing, props.heat, system],
  );
  const look = (at: Stand): void => setStand((s) => ({ at, asked: s.asked + 1 }));
  /** The picked part fills the page; nothing picked, the whole machine. */
  const fit = (): void => {
    const placed = picked === null ? undefined : system.placed.get(picked);
    setNear(
      placed && placed.solids.length > 0 ? around(union(placed.solids.map((s) => s.box))) : null,
    );
    look(stand.at);
  };
  const canNudge =
    picked !== null &&
    findComponent(design, picked) !== undefined &&
    movedBy(design, picked, [0, 0, 0]) !== null;
  return (
    <div className={styles.scene}>
      <SceneBar
        name={design.name}
        taken={taken}
        isBeside={right > 0}
        isRaised={props.isBesideText === true}
        view={view}
        deepest_mm={deepest_mm}
        canFlow={props.flow !== undefined}
        onFit={fit}
      />
      <ViewBlock
        block={block}
        at={stand.at}
        isBeside={right > 0}
        onStand={(at) => {
          setNear(null);
          look(at);
        }}
      />
      {isTreeOpen && (
        <SceneTree design={design} runs={runs} picked={picked} onPick={props.onPick} />
      )}
      <div
        className={styles.canvas}
        role="img"
        tabIndex={0}
        data-turns
        aria-label={msg`The case in space, ${system.placed.size} parts. Arrow keys turn it, +
          and − zoom. The list of parts and the tables beside say the same in words.`}
      >
        <SpaceCanvas near={10} eye={EYE} isCut>
          <color attach="background" args={[paper.paper]} />
          <ambientLight intensity={2.7} />
          <directionalLight position={[600, 1400, 1000]} intensity={1.15} />
          <Cost />
          <Taken onShown={take} />
          <PlaceLabels within={overlay} of={isFlowing ? arrows : lines} />
          <TurnWith block={block} />
          <Orbit
            shown={near ?? whole}
            stand={stand.at}
            asked={stand.asked}
            held={held}
            right={right}
            left={left}
            keysTurn={!canNudge}
          />
          <Parts {...props} paper={paper} clip={clip} apart={apart} onHeld={setHeld} />
          {props.isEditable && picked !== null && canNudge && isTogether && (
            <Suspense>
              <Gizmo
                design={design}
                system={system}
                picked={picked}
                paper={paper}
                onHold={props.onHold}
                onHeld={setHeld}
              />
            </Suspense>
          )}
          {props.corners && props.onRoute && isTogether && (
            <Suspense>
              <RouteGrips
                corners={props.corners}
                paper={paper}
                onRoute={props.onRoute}
                onHeld={setHeld}
              />
            </Suspense>
          )}
          {cut > 0 && isTogether && (
            <Suspense>
              <CutFaces system={system} runs={runs} z={size[2] - cut} paper={paper} />
            </Suspense>
          )}
          {lines.length > 0 && <DimensionLines lines={lines} paper={paper} />}
          <Suspense>
            {streams.length > 0 && <FlowDashes streams={streams} paper={paper} />}
            {arrows.length > 0 && <AirArrows arrows={arrows} paper={paper} />}
          </Suspense>
          {design.case?.air?.open !== true && <Shade size={size} paper={paper} />}
          <CaseBody model={system} size={size} paper={paper} clip={clip} />
        </SpaceCanvas>
        <div ref={overlay} className={styles.overlay}>
          {picked !== null && <DimensionLabels lines={lines} part={picked} />}
          {arrows.length > 0 && <AirLabels arrows={arrows} />}
        </div>
      </div>
    </div>
  );
}

const around = ({ min, max }: Box): Box => ({
  min: min.map((v) => v - ROUND_PART_MM) as unknown as Vec,
  max: max.map((v) => v + ROUND_PART_MM) as unknown as Vec,
});

/** What the last drawing cost, on the canvas for whoever measures it. */
function Cost() {
  useEachDrawing(({ gl }) => {
    const { calls, triangles } = gl.info.render;
    gl.domElement.dataset.calls = String(calls);
    gl.domElement.dataset.triangles = String(triangles);
  });
  return null;
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
