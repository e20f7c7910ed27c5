'use client';
import { useId, useMemo, useRef } from 'react';
import { componentName, type Placement, type PortRef } from '@/core/design';
import type { CaseReport } from '@/core/thermal';
import type { ClearanceReport } from '@/core/clearance';
import { extentOf, type Solid, type System } from '@/core/system';
import { msg } from '@/core/messages';
import { cutWords } from '../runWords';
import { Shell } from './Shell';
import { samplePath } from '@/core/routing';
import type { Run, Segment } from '@/core/tubing';
import { add, axisGaps, boxOf, scale, type Vec } from '@/core/geometry';
import { formatMeasure, formatShown, formatSize } from '@/core/units';
import { temperatureColour } from '@/view/shared';
import { useSize } from '@/view/shared/useWidth';
import { flatBox, flatPoint, outlineOf, wholeBodies, type Flat, type View } from '@/core/elevation';
import type { RouteHeld } from '../runs/useRouteHeld';
import { RouteGrips } from './RouteGrips';
import { PortGrips } from './PortGrips';
import { useDrag } from './useDrag';
import { placeLabels } from './labels';
import { runPath } from './runPath';
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
  const solids = useMemo(() => {
    const components = [...system.placed.values()].flatMap((p) =>
      wholeBodies(p.solids).map((s) => ({
        solid: s,
        kind: p.part.kind as string,
        name: componentName(system.design, p.id),
        flat: flatBox(view, size, s.box),
      })),
    );
    const holding = new Set(
      [...system.placed.values()].flatMap(({ placement: p }) =>
        p.on === 'cage' ? [`case:${p.cage}`] : [],
      ),
    );
    const fixed = system.obstacles.map((s) => {
      const flat = flatBox(view, size, s.box);
      // A cage lies under the drives in it.
      const depth = holding.has(s.component) ? -Infinity : flat.depth;
      return { solid: s, kind: 'obstacle', name: s.detail, flat: { ...flat, depth } };
    });
    return [...components, ...fixed].sort(
      (a, b) => a.flat.depth - b.flat.depth || b.flat.w * b.flat.h - a.flat.w * a.flat.h,
    );
  }, [system, view, size]);
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
  const labels = placeLabels(
    solids
      .map(({ solid, kind, name, flat }) => ({
        id: solid.component,
        name,
        flat,
        named: kind !== 'memory' && kind !== 'fan',
      }))
      .reverse(),
    k,
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
        {(system.design.case?.mounts ?? []).map((m) => {
          const wide = Math.max(...m.fans.map((f) => f.size_mm)) / 2;
          const corner = (along: number, across: number, deep: number): Vec =>
            add(
              add(add(m.at, scale(m.along, along)), scale(m.across, across)),
              scale(m.inward, deep),
            );
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
        })}
        {solids.map(({ solid, kind, name, flat }, i) => {
          const component = solid.component;
          const isPicked = picked === component;
          const edgeColour = () => {
            if (isPicked) return 'var(--copper)';
            if (clashing.has(component)) return 'var(--fails)';
            return 'var(--ink)';
          };
          const edge = edgeColour();
          const isBehind = view === 'side' && solid.box.max[2] <= 0;
          const quiet =
            kind === 'board' || kind === 'obstacle' || kind === 'supply' || kind === 'memory';
          const innerHatch = () => {
            if (kind === 'radiator') return `url(#${hatch}-fin)`;
            if (kind === 'obstacle' || kind === 'supply') return `url(#${hatch}-wall)`;
            return null;
          };
          const inner = innerHatch();
          const edgeWidth = () => {
            if (isPicked) return 2.2;
            if (clashing.has(component)) return 1.6;
            if (quiet) return 0.7;
            return 1.2;
          };
          return (
            <g
              key={`${component}-${i}`}
              className={component.startsWith('case:') ? undefined : styles.component}
              onClick={component.startsWith('case:') ? undefined : drag.click(component)}
              onPointerDown={component.startsWith('case:') ? undefined : drag.press(component)}
            >
              <title>{msg`${name}: ${formatSize([flat.w, flat.h])} in this view`}</title>
              {solid.whole && (
                <polygon
                  points={outlineOf(view, size, solid.whole)}
                  fill={FILL[kind] ?? 'var(--float)'}
                  stroke={edge}
                  strokeWidth={edgeWidth()}
                />
              )}
              <rect
                visibility={solid.whole ? 'hidden' : undefined}
                {...(isBehind ? { strokeDasharray: '5 3', fillOpacity: 0.35 } : {})}
                x={flat.x}
                y={flat.y}
                rx={isEndOn(view, solid) ? Math.min(flat.w, flat.h) / 2 : 0}
                width={Math.max(1, flat.w)}
                height={Math.max(1, flat.h)}
                fill={FILL[kind] ?? 'var(--float)'}
                stroke={edge}
                strokeWidth={edgeWidth()}
              />
              {inner && !solid.whole && (
                <rect
                  x={flat.x + 1.5}
                  y={flat.y + 1.5}
                  width={Math.max(0, flat.w - 3)}
                  height={Math.max(0, flat.h - 3)}
                  fill={inner}
                  opacity={isBehind ? 0.35 : 1}
                  pointerEvents="none"
                />
              )}
              {kind === 'fan' && Math.min(flat.w, flat.h) > 60 && (
                <>
                  <circle
                    cx={flat.x + flat.w / 2}
                    cy={flat.y + flat.h / 2}
                    r={Math.min(flat.w, flat.h) / 2 - 5}
                    fill="none"
                    stroke={edge}
                    strokeWidth="0.8"
                  />
                  <circle
                    cx={flat.x + flat.w / 2}
                    cy={flat.y + flat.h / 2}
                    r={Math.min(flat.w, flat.h) / 6}
                    fill="none"
                    stroke={edge}
                    strokeWidth="0.8"
                  />
                </>
              )}
              {kind === 'fan' && Math.min(flat.w, flat.h) <= 60 && (
                <path
                  d={
                    flat.w > flat.h
                      ? `M${flat.x + 6} ${flat.y + flat.h - 5}L${flat.x + flat.w - 6} ${flat.y + 5}`
                      : `M${flat.x + 5} ${flat.y + 6}L${flat.x + flat.w - 5} ${flat.y + flat.h - 6}`
                  }
                  stroke={edge}
                  strokeWidth="0.7"
                />
              )}
              {kind === 'reservoir' && view !== 'top' && (
                <path
                  d={`M${flat.x} ${flat.y + flat.h * 0.2}h${flat.w}`}
                  stroke="var(--cool)"
                  strokeWidth="1.2"
                  strokeDasharray="5 3"
                />
              )}
            </g>
          );
        })}
        {ghosts.map((g) => (
          <path
            key={`ghost-${g.key}`}
            className={styles.tube}
            d={samplePath(g.path, 6)
              .map(
                (p, i) =>
                  `${i === 0 ? 'M' : 'L'}${flatPoint(view, size, p)
                    .map((v) => v.toFixed(1))
                    .join(' ')}`,
              )
              .join('')}
            fill="none"
            stroke="var(--soft)"
            strokeOpacity={0.35}
            strokeWidth={g.wide_mm}
            pointerEvents="none"
          />
        ))}
        {[...runs]
          .sort((a, b) => Number(a.id === picked) - Number(b.id === picked))
          .map((run) => {
            const loop = system.design.loops.find((l) => l.id === run.loop);
            const d = runPath(system, run, loop?.tube.minBend_mm ?? 30, (p) =>
              flatPoint(view, size, p),
            );
            if (!d) return null;
            const link = system.loops
              .find((g) => g.loop.id === run.loop)
              ?.links.find((e) => e.id === run.id);
            const colour = temperatureColour(link ? heat?.nodes[link.from] : undefined, low, high);
            const isPicked = picked === run.id;
            return (
              <g key={run.id} className={styles.component} onClick={() => onPick(run.id)}>
                <title>
                  {run.bridge ? `${run.name}: ${run.bridge.name}` : `${run.name}: ${cutWords(run)}`}
                </title>
                {run.routed?.pieces.map((b, i) => {
                  const [x1, y1] = flatPoint(view, size, b.from),
                    [x2, y2] = flatPoint(view, size, b.to);
                  return (
                    <g key={i}>
                      <path
                        d={`M${x1} ${y1}L${x2} ${y2}`}
                        stroke={isPicked ? 'var(--copper)' : 'var(--ink)'}
                        strokeWidth={2 * b.radius}
                      />
                      <path
                        d={`M${x1} ${y1}L${x2} ${y2}`}
                        stroke="var(--hairline)"
                        strokeWidth={2 * b.radius - 2.4}
                      />
                    </g>
                  );
                })}
                {isPicked && (
                  <path
                    d={d}
                    className={styles.tube}
                    fill="none"
                    stroke="var(--copper)"
                    strokeWidth={run.tube.outer_mm + 8 * k + 1.6}
                  />
                )}
                {isPicked && (
                  <path
                    d={d}
                    className={styles.tube}
                    fill="none"
                    stroke="var(--paper)"
                    strokeWidth={run.tube.outer_mm + 4 * k + 1.6}
                  />
                )}
                <path
                  d={d}
                  className={styles.tube}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth={run.tube.outer_mm + 1.6}
                />
                <path
                  d={d}
                  className={styles.tube}
                  fill="none"
                  stroke={colour}
                  strokeWidth={run.tube.outer_mm - 1.6}
                />
                <path
                  d={d}
                  fill="none"
                  stroke="var(--paper)"
                  strokeWidth="1.2"
                  strokeDasharray="2 7"
                />
              </g>
            );
          })}
        {[...system.placed.values()]
          .flatMap((p) => p.ports)
          .map((port) => {
            const [x, y] = flatPoint(view, size, port.at);
            const used = system.design.loops.some((l) =>
              l.connections.some(
                (k) =>
                  (k.from.component === port.component && k.from.port === port.port.id) ||
                  (k.to.component === port.component && k.to.port === port.port.id),
              ),
            );
            const along = flatPoint(view, size, [
              port.at[0] + port.direction[0],
              port.at[1] + port.direction[1],
              port.at[2] + port.direction[2],
            ]);
            const dx = along[0] - x,
              dy = along[1] - y;
            return dx === 0 && dy === 0 ? (
              <circle
                key={`${port.component}-${port.port.id}`}
                cx={x}
                cy={y}
                r={used ? 6 : 4}
                fill="var(--sunk)"
                stroke="var(--ink)"
                strokeWidth="1"
                pointerEvents="none"
              />
            ) : (
              <rect
                key={`${port.component}-${port.port.id}`}
                x={dx !== 0 ? Math.min(x, x + dx * 9) : x - 8}
                y={dy !== 0 ? Math.min(y, y + dy * 9) : y - 8}
                width={dx !== 0 ? 9 : 16}
                height={dy !== 0 ? 9 : 16}
                fill="var(--sunk)"
                stroke="var(--ink)"
                strokeWidth={used ? 1.1 : 0.6}
                pointerEvents="none"
              />
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
            clear={system.design.brief.limits.clear_mm}
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

/** A round body seen along its axis shows as a circle. */
function isEndOn(view: View, { cylinder }: Solid): boolean {
  if (!cylinder) return false;
  const axisOfView = () => {
    if (view === 'top') return 1;
    if (view === 'front') return 0;
    return 2;
  };
  const along = axisOfView();
  return cylinder.from[along] !== cylinder.to[along];
}

const FILL: Record<string, string> = {
  board: 'var(--sunk)',
  obstacle: 'var(--paper)',
  supply: 'var(--paper)',
  memory: 'var(--sunk)',
  reservoir: 'color-mix(in oklab, var(--cool) 14%, var(--float))',
  block: 'color-mix(in oklab, var(--copper) 9%, var(--float))',
};

function Dimension({
  x1,
  y1,
  x2,
  y2,
  text,
  k,
  colour = 'var(--soft)',
}: {
  readonly k: number;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly text: string;
  readonly colour?: string;
}) {
  const upright = Math.abs(x1 - x2) < 0.5;
  const cx = (x1 + x2) / 2,
    cy = (y1 + y2) / 2;
  const tick = (x: number, y: number) =>
    upright ? `M${x - 4 * k} ${y}h${8 * k}` : `M${x} ${y - 4 * k}v${8 * k}`;
  return (
    <g pointerEvents="none">
      <path
        d={`M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`}
        stroke={colour}
        strokeWidth="1"
        fill="none"
      />
      <text
        x={cx}
        y={cy}
        dy={4 * k}
        className={styles.dimension}
        style={{ fill: colour, fontSize: 11.5 * k, strokeWidth: 5 * k }}
        transform={upright ? `rotate(-90 ${cx} ${cy})` : undefined}
      >
        {text}
      </text>
    </g>
  );
}

/** Dimension lines from the picked part to what is near it in this view. */
function GapLines({
  model: system,
  picked,
  view,
  size,
  clear,
  k,
}: {
  readonly k: number;
  readonly model: System;
  readonly picked: string;
  readonly view: View;
  readonly size: Vec;
  readonly clear: number;
}) {
  const own = system.placed.get(picked)?.solids ?? [];
  const others = [
    ...[...system.placed.values()]
      .filter(
        (p) =>
          p.id !== picked &&
          !system.mates.standingOn(picked).includes(p.id) &&
          system.mates.hostsOf(picked)[0] !== p.id,
      )
      .flatMap((p) => p.solids),
    ...system.obstacles,
  ];
  const found: {
    readonly a: Flat;
    readonly b: Flat;
    readonly gap: number;
    readonly key: string;
    readonly upright: boolean;
  }[] = [];
  const axesOfView = () => {
    if (view === 'side') return [0, 1] as const;
    if (view === 'front') return [2, 1] as const;
    return [0, 2] as const;
  };
  const [across, up] = axesOfView();
  for (const a of own)
    for (const b of others) {
      const gaps = axisGaps(a.box, b.box);
      const apart = gaps.filter((g) => g > 0).length;
      if (apart !== 1) continue;
      const axis = gaps.findIndex((g) => g > 0) as 0 | 1 | 2;
      const gap = gaps[axis];
      if (gap > 45 || gap < 0.2 || (axis !== across && axis !== up)) continue;
      found.push({
        a: flatBox(view, size, a.box),
        b: flatBox(view, size, b.box),
        gap,
        key: `${a.detail}-${b.component}-${b.detail}`,
        upright: axis === up,
      });
    }
  return (
    <>
      {found
        .sort((p, q) => p.gap - q.gap)
        .slice(0, 4)
        .map(({ a, b, gap, key, upright }) => {
          const colour = gap < clear ? 'var(--marginal)' : 'var(--copper)';
          if (upright) {
            const x = (Math.max(a.x, b.x) + Math.min(a.x + a.w, b.x + b.w)) / 2;
            const [y1, y2] = a.y < b.y ? [a.y + a.h, b.y] : [b.y + b.h, a.y];
            return (
              <Dimension
                key={key}
                x1={x}
                x2={x}
                y1={y1}
                y2={y2}
                text={formatShown(gap, 'mm')}
                colour={colour}
                k={k}
              />
            );
          }
          const y = (Math.max(a.y, b.y) + Math.min(a.y + a.h, b.y + b.h)) / 2;
          const [x1, x2] = a.x < b.x ? [a.x + a.w, b.x] : [b.x + b.w, a.x];
          return (
            <Dimension
              key={key}
              x1={x1}
              x2={x2}
              y1={y}
              y2={y}
              text={formatShown(gap, 'mm')}
              colour={colour}
              k={k}
            />
          );
        })}
    </>
  );
}
