import { memo } from 'react';
import { frameSheet, roomsOf, standOffs, trayBoxes, type System } from '@/core/system';
import { formatMeasure, formatSize } from '@/core/units';
import { ROOM_BEHIND_MM, type CasePart } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { flatBox, flatPoint, sheetSize, type View } from '@/core/elevation';

/** Sheets on the four sides of each view: left, right, top, bottom of the drawing. */
const SIDES = {
  side: ['rear', 'front', 'top', 'bottom'],
  front: ['side', 'tray', 'top', 'bottom'],
  top: ['rear', 'front', 'tray', 'side'],
} as const;

/** Whether parts may stand behind the tray, not only cables lie there. */
const isRoomy = ({ behind_mm }: CasePart): boolean => (behind_mm ?? 0) >= ROOM_BEHIND_MM;

/**
 * The case itself: its sheets as thick as they are, the tray with its openings, and the stand-offs
 * the board is screwed to.
 */
export function Shell({
  view,
  model: system,
  size,
}: {
  readonly view: View;
  readonly model: System;
  readonly size: Vec;
}) {
  const { case: box } = system.design;
  if (!box) return null;
  return (
    <g pointerEvents="none">
      <Sheets view={view} box={box} size={size} />
      {standOffs(box, system.placed).map((c, i) => {
        const [x1, y1] = flatPoint(view, size, c.from),
          [x2, y2] = flatPoint(view, size, c.to);
        return view === 'side' ? (
          <circle
            key={i}
            cx={x1}
            cy={y1}
            r={c.radius}
            fill="none"
            stroke="var(--soft)"
            strokeWidth="0.8"
          />
        ) : (
          <path
            key={i}
            d={`M${x1} ${y1}L${x2} ${y2}`}
            stroke="var(--soft)"
            strokeWidth={2 * c.radius}
          />
        );
      })}
    </g>
  );
}

/** What of the case is the same wherever its parts stand. */
const Sheets = memo(function Sheets({
  view,
  box,
  size,
}: {
  readonly view: View;
  readonly box: CasePart;
  readonly size: Vec;
}) {
  const [w, h] = sheetSize(view, size);
  const [left, right, top, bottom] = SIDES[view].map((s) =>
    s === 'tray' ? (box.panels_mm?.tray ?? 1) : frameSheet(box, s),
  ) as [number, number, number, number];
  const isOpen = box.air?.open === true;
  const behind = roomsOf(box).behind;
  const back = behind && flatBox(view, size, behind);
  return (
    <>
      {isOpen ? (
        <rect
          x={0}
          y={0}
          width={w}
          height={h}
          fill="none"
          stroke="var(--hairline)"
          strokeWidth="1"
          strokeDasharray="6 5"
        />
      ) : (
        <>
          <rect
            x={-left}
            y={-top}
            width={w + left + right}
            height={h + top + bottom}
            fill="var(--ink)"
          />
          <rect x={0} y={0} width={w} height={h} fill="var(--paper)" />
        </>
      )}
      {view !== 'side' && back && isRoomy(box) && (
        <rect
          x={back.x}
          y={back.y}
          width={back.w}
          height={back.h}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
      )}
      {(box.ports ?? []).map((p) => {
        const [x, y] = flatPoint(view, size, p.at);
        return (
          <circle
            key={p.id}
            cx={x}
            cy={y}
            r={p.hole_mm / 2}
            fill="none"
            stroke="var(--copper)"
            strokeWidth="1.2"
          >
            <title>{`${p.name}: ${formatMeasure(p.hole_mm, 'mm')}`}</title>
          </circle>
        );
      })}
      {view === 'side' &&
        trayBoxes(box).map((b, i) => {
          const f = flatBox(view, size, b);
          return (
            <rect
              key={i}
              x={f.x}
              y={f.y}
              width={f.w}
              height={f.h}
              fill="var(--sunk)"
              opacity={0.35}
            />
          );
        })}
      {view === 'side' &&
        (box.grommets ?? []).map((g) => {
          const [x, y] = flatPoint(view, size, g.at);
          return (
            <rect
              key={g.id}
              x={x - g.width_mm / 2}
              y={y - g.height_mm / 2}
              width={g.width_mm}
              height={g.height_mm}
              rx={6}
              fill="var(--paper)"
              stroke="var(--soft)"
              strokeWidth="0.9"
            >
              <title>{`${g.name}: ${formatSize([g.width_mm, g.height_mm])}`}</title>
            </rect>
          );
        })}
    </>
  );
});
