'use client';
import { memo, useId, useMemo, useRef } from 'react';
import type { Mount } from '@/core/components';
import type { Design, Placement, PortRef } from '@/core/design';
import type { CaseReport } from '@/core/thermal';
import type { ClearanceReport } from '@/core/clearance';
import { extentOf, type System } from '@/core/system';
import { msg } from '@/core/messages';
import { samplePath } from '@/core/routing';
import type { Run, Segment } from '@/core/tubing';
import { add, boxOf, scale, type Vec } from '@/core/geometry';
import { formatMeasure, formatShown } from '@/core/units';
import { temperatureColour } from '@/view/shared';
import { useSize } from '@/view/shared/useWidth';
import { flatBox, flatPoint, type View } from '@/core/elevation';
import type { RouteHeld } from '../runs/useRouteHeld';
import { drawnBodies } from './bodies';
import { Body } from './Body';
import { Dimension } from './Dimension';
import { GapLines } from './GapLines';
import { placeLabels } from './labels';
import { PortGrips } from './PortGrips';
import { PortMark } from './PortMark';
import { RouteGrips } from './RouteGrips';
import { RunLine } from './RunLine';
import { estimatedPath, linePath } from './runPath';
import { Shell } from './Shell';
import { useDrag } from './useDrag';
import styles from './Elevation.module.css';

interface Props {
  readonly view: View;
  readonly model: System;
  readonly fit: ClearanceReport;
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
  readonly runs?: readonly Run[];
  readonly heat?: CaseReport;
  /** Ways as they were, drawn dashed. */
  readonly ghosts?: readonly Ghost[];
  /** Corners of the picked run, which may be dragged; told how far, and when it is let go. */
  readonly corners?: readonly Vec[];
  onRoute?(held: RouteHeld, done: boolean): void;
  /** Ports may be clicked: a run is being drawn, from the one given. */
  readonly ports?: { readonly from: PortRef | null; onPort(ref: PortRef): void };
  /** Where parts may be dragged: told where the part would be, and null when it is let go. */
  onHold?(component: string, placement: Placement | null): void;
}

export interface Ghost {
  readonly key: string;
  readonly path: readonly Segment[];
  readonly wide_mm: number;
}

const MARGIN = 26;
/** Depth a rail is drawn with, mm. */
const RAIL_DRAWN_MM = 4;
/** Points of a way as it was are so far apart, mm. */
const GHOST_STEP_MM = 6;
/** A run of a loop that is gone is drawn with this radius, mm. */
const DRAWN_BEND_MM = 30;
/** Too many and too small to be named on the sheet. */
const NAMELESS = new Set(['memory', 'fan']);
const NO_MOUNTS: readonly Mount[] = [];

/**
 * The case from one side, as an ink drawing: parts, mounts, gaps of the picked part, tubes in their
 * coolant's colour.
 */
export function Elevation({
  view,
  model: system,
  fit,
  picked,
  onPick,
  runs = [],
  heat,
  ghosts = [],
  corners,
  onRoute,
  onHold,
  ports,
}: Props) {
  const hatch = useId();
  const size = system.design.case?.interior as Vec;
  const drawn = useMemo(() => flatBox(view, size, extentOf(system)), [system, view, size]);
  const { w, h } = drawn;
  const inside = flatBox(view, size, { min: [0, 0, 0], max: size });
  const clashing = useMemo(
    () => new Set(fit.gaps.filter((g) => g.verdict === 'clash').flatMap((g) => [g.a, g.b])),
    [fit],
  );
  const bodies = useMemo(() => drawnBodies(system, view, size), [system, view, size]);
  const used = useMemo(() => connectedPorts(system.design), [system.design]);
  const temps = heat ? Object.values(heat.nodes) : [];
  const [low, high] = temps.length > 0 ? [Math.min(...temps), Math.max(...temps)] : [20, 40];
  const frame = useRef<HTMLDivElement>(null);
  const sheet = useSize(frame);
  // Millimetres a screen pixel stands for, so that words and lines keep their size in a small case
  // and a large one.
  const k = Math.max(
    0.3,
    Math.max(
      (w + MARGIN + 10) / Math.max(200, sheet.width),
      (h + MARGIN + 8) / Math.max(200, sheet.height),
    ),
  );
  const drag = useDrag(view, system.design, onHold, onPick);
  const onSheet = (p: Vec): readonly [number, number] => flatPoint(view, size, p);
  const bendOf = ({ loop }: Run): number =>
    system.design.loops.find((l) => l.id === loop)?.tube.minBend_mm ?? DRAWN_BEND_MM;
  const warmthOf = ({ id, loop }: Run): number | undefined => {
    const link = system.loops.find((g) => g.loop.id === loop)?.links.find((e) => e.id === id);
    return link && heat?.nodes[link.from];
  };
  const labels = useMemo(
    () =>
      placeLabels(
        bodies
          .map(({ component, kind, name, flat }) => ({
            id: component,
            name,
            flat,
            named: !NAMELESS.has(kind),
          }))
          .reverse(),
        k,
      ),
    [bodies, k],
  );

  return (
    <div ref={frame} className={styles.frame}>
      <svg
        className={styles.sheet}
        viewBox={`${drawn.x - MARGIN} ${drawn.y - 8} ${w + MARGIN + 10} ${h + MARGIN + 8}`}
        role="img"
        aria-label={msg`The case, ${view}: ${system.placed.size} parts. The tables beside say
          the same in words.`}
      >
        <defs>
          <pattern id={`${hatch}-fin`} width="4" height="4" patternUnits="userSpaceOnUse">
            <path d="M0 4L4 0" stroke="var(--soft)" strokeWidth="0.5" />
          </pattern>
          <pattern id={`${hatch}-wall`} width="9" height="9" patternUnits="userSpaceOnUse">
            <path d="M0 9L9 0" stroke="var(--hairline)" strokeWidth="0.8" />
          </pattern>
        </defs>
        <Shell view={view} model={system} size={size} />
        <Mounts view={view} size={size} mounts={system.design.case?.mounts ?? NO_MOUNTS} />
        <g onClick={drag.click} onPointerDown={drag.press}>
          {bodies.map(({ key, flat: { x, y, w: wide, h: high }, ...body }) => (
            <Body
              key={key}
              {...body}
              {...{ x, y, w: wide, h: high, view, hatch }}
              isPicked={picked === body.component}
              isClashing={clashing.has(body.component)}
            />
          ))}
        </g>
        {ghosts.map((g) => (
          <path
            key={`ghost-${g.key}`}
            className={styles.tube}
            d={linePath(samplePath(g.path, GHOST_STEP_MM), onSheet)}
            fill="none"
            stroke="var(--soft)"
            strokeOpacity={0.35}
            strokeWidth={g.wide_mm}
            pointerEvents="none"
          />
        ))}
        <g onClick={drag.click}>
          {[...runs]
            .sort((a, b) => Number(a.id === picked) - Number(b.id === picked))
            .map((run) => (
              <RunLine
                key={run.id}
                {...{ run, view, size }}
                estimate={run.routed ? null : estimatedPath(system, run, bendOf(run), onSheet)}
                colour={temperatureColour(warmthOf(run), low, high)}
                isPicked={picked === run.id}
                k={picked === run.id ? k : 0}
              />
            ))}
        </g>
        {[...system.placed.values()]
          .flatMap((p) => p.ports)
          .map((port) => {
            const [x, y] = onSheet(port.at),
              [x1, y1] = onSheet(add(port.at, port.direction));
            const name = portKey({ component: port.component, port: port.port.id });
            return (
              <PortMark key={name} {...{ x, y }} dx={x1 - x} dy={y1 - y} isUsed={used.has(name)} />
            );
          })}
        {labels.map((l) => (
          <text
            key={`t-${l.id}`}
            x={l.x}
            y={l.y}
            className={styles.label}
            style={{ fontSize: 11.5 * k, strokeWidth: 2.5 * k }}
            transform={l.turned ? `rotate(-90 ${l.x} ${l.y})` : undefined}
            dy={4 * k}
          >
            {l.text}
          </text>
        ))}
        {corners && onRoute && (
          <RouteGrips view={view} size={size} corners={corners} k={k} onRoute={onRoute} />
        )}
        {ports && <PortGrips view={view} size={size} model={system} k={k} {...ports} />}
        {picked && (
          <GapLines
            model={system}
            picked={picked}
            view={view}
            size={size}
            clear_mm={system.design.brief.limits.clear_mm}
            k={k}
          />
        )}
        <Dimension
          x1={inside.x}
          y1={drawn.y + h + 12}
          x2={inside.x + inside.w}
          y2={drawn.y + h + 12}
          text={formatShown(inside.w, 'mm')}
          k={k}
        />
        <Dimension
          x1={drawn.x - 12}
          y1={inside.y}
          x2={drawn.x - 12}
          y2={inside.y + inside.h}
          text={formatShown(inside.h, 'mm')}
          k={k}
        />
      </svg>
    </div>
  );
}

const portKey = ({ component, port }: PortRef): string => `${component}/${port}`;

const connectedPorts = ({ loops }: Design): ReadonlySet<string> =>
  new Set(loops.flatMap((l) => l.connections.flatMap((c) => [portKey(c.from), portKey(c.to)])));

/** The rails of the case. */
const Mounts = memo(function Mounts({
  view,
  size,
  mounts,
}: {
  readonly view: View;
  readonly size: Vec;
  readonly mounts: readonly Mount[];
}) {
  return mounts.map((m) => {
    const wide = Math.max(...m.fans.map((f) => f.size_mm)) / 2;
    const corner = (along: number, across: number, deep: number): Vec =>
      add(add(add(m.at, scale(m.along, along)), scale(m.across, across)), scale(m.inward, deep));
    const rail = flatBox(
      view,
      size,
      boxOf(corner(0, -wide, 0), corner(m.length_mm, wide, RAIL_DRAWN_MM)),
    );
    return (
      <rect
        key={m.id}
        x={rail.x}
        y={rail.y}
        width={rail.w}
        height={rail.h}
        fill="none"
        stroke="var(--soft)"
        strokeWidth="0.8"
        strokeDasharray="3 3"
        pointerEvents="none"
      >
        <title>{`${m.name}: ${formatMeasure(m.length_mm, 'mm')}`}</title>
      </rect>
    );
  });
});
