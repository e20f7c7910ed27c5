import type { PortRef } from '../design';
import { trayBoxes, type System } from '../system';
import { capBodies } from '../tubing';
import {
  boxGap,
  cylinderBox,
  cylinderFrom,
  roundBody,
  union,
  type Body,
  type Box,
  type Vec,
} from '../geometry';
import type { EndBody, EndWay } from './ends';
import { samplePath } from './path';
import { grow, type Obstacle, type Workspace } from './workspace';
import { radiusOf, type Route } from './routed';
import type { Task } from './task';
import { viewBlocks } from './visibility';

/**
 * What it costs to cross a run that is there, mm, and how much dearer that becomes each time a run
 * is taken up (McMurchie & Ebeling 1995: history).
 */
const CROSS_COST = 400,
  HISTORY_COST = 250;

const SLACK_MM = 0.05;
/** Kept to the edge of an opening, mm. */
const SHEET_MM = 1;

export interface Fixed {
  readonly id: string;
  readonly box: Box;
  readonly body: Body;
  readonly port?: PortRef;
}

/** What stands: parts, cages, and caps in spare ports. */
export function fixedBodies(system: System): readonly Fixed[] {
  const caps = system.design.loops.flatMap((loop) =>
    loop.caps.flatMap((cap) =>
      capBodies(system, cap).map((body): Fixed => ({
        id: cap.component,
        box: body.box,
        body,
        port: cap,
      })),
    ),
  );
  const bridges = system.design.loops.flatMap((loop) =>
    loop.connections.flatMap((connection): Fixed[] => {
      const a = system.portAt(connection.from),
        b = system.portAt(connection.to);
      if (!connection.bridge || !a || !b) return [];
      const body = roundBody(a.at, b.at, connection.bridge.diameter_mm / 2);
      return [{ id: `bridge:${connection.id}`, box: body.box, body }];
    }),
  );
  return [
    ...bridges,
    ...[...system.placed.values()].flatMap((p) =>
      p.solids.map((s): Fixed => ({ id: p.id, box: s.box, body: s })),
    ),
    ...system.obstacles.map((o): Fixed => ({ id: o.component, box: o.box, body: o })),
    ...caps,
  ];
}

/** The box round a piece of an end, whatever its slant. */
export const bodyBox = (b: EndBody): Box => {
  const axis = ([0, 1, 2] as const).filter((i) => Math.abs(b.to[i] - b.from[i]) > 1e-9);
  const out = (i: 0 | 1 | 2): number => (axis.length === 1 && axis[0] === i ? 0 : b.radius);
  return {
    min: [0, 1, 2].map(
      (i) => Math.min(b.from[i as 0], b.to[i as 0]) - out(i as 0),
    ) as unknown as Vec,
    max: [0, 1, 2].map(
      (i) => Math.max(b.from[i as 0], b.to[i as 0]) + out(i as 0),
    ) as unknown as Vec,
  };
};

/**
 * The room of one tube: everything grown by its radius and the distance kept, less where its own
 * mouths stand nearer than that.
 */
export function workspaceFor(
  system: System,
  t: Task,
  fixed: readonly Fixed[],
  waiting: readonly Task[],
  others: readonly Route[],
  ends: readonly EndWay[],
  kept: number,
  history: ReadonlyMap<string, number> | null,
): Workspace {
  const blocks: Obstacle[] = [];
  const block = (id: string, box: Box, penalty: number, soft = kept): void => {
    // A mouth beside its own part, or between two that stand close, begins nearer than the distance
    // kept: that part is kept off by so much only.
    let by = t.radius + soft;
    for (const e of ends) {
      const gap = boxGap({ min: e.mouth, max: e.mouth }, box);
      if (gap < by) by = Math.max(t.radius - SLACK_MM, gap - SLACK_MM);
    }
    blocks.push({ id, ...grow(box, by), penalty });
  };
  for (const f of fixed) block(f.id, f.box, Infinity);
  for (const w of waiting)
    for (const side of ['from', 'to'] as const) {
      const p = w[side],
        cylinder = cylinderFrom(
          p.at,
          p.direction,
          w.loop.fitting.length_mm + w.limits.atFitting_mm,
          w.loop.fitting.diameter_mm / 2,
        );
      block(w.connection, cylinderBox(cylinder), Infinity, Math.min(kept, 2));
    }
  for (const o of others) {
    const penalty = history
      ? CROSS_COST + HISTORY_COST * (history.get(o.connection) ?? 0)
      : Infinity;
    for (const b of [...o.from.bodies, ...o.to.bodies])
      block(o.connection, bodyBox(b), penalty, Math.min(kept, 2));
    for (const box of tubeBoxes(o))
      block(o.connection, box, penalty, Math.min(kept, 3) + radiusOf(system, o));
  }
  blocks.push(...viewBlocks(system, t, others, (o) => radiusOf(system, o)));
  const { rooms } = system,
    inset = t.radius + Math.min(kept, 2),
    room = t.behind ? rooms?.inside : t.room;
  if (t.outside && rooms?.shell) block('case:shell', rooms.shell, Infinity);
  const bounds = room
    ? grow(room, -inset)
    : grow(
        union([
          ...fixed.map((f) => f.box),
          { min: t.from.at, max: t.from.at },
          { min: t.to.at, max: t.to.at },
        ]),
        200,
      );
  // Behind the tray by its openings alone, when it was asked to run there.
  const box = system.design.case;
  if (t.behind && box && rooms?.behind) {
    const tray = trayBoxes(box);
    for (const sheet of tray) block('case:tray', sheet, Infinity, Math.min(kept, SHEET_MM));
    return {
      bounds: union([
        {
          ...bounds,
          min: [bounds.min[0], bounds.min[1], rooms.behind.min[2] + t.radius],
        },
        ...ends.map((e) => ({ min: e.mouth, max: e.mouth })),
      ]),
      blocks,
    };
  }
  // A mouth outside (a part that sticks out) widens the room to itself.
  const reach = union([bounds, ...ends.map((e) => ({ min: e.mouth, max: e.mouth }))]);
  return { bounds: reach, blocks };
}

/** Boxes along a tube's middle line: a leg each, and pieces of what slants. */
function tubeBoxes(r: Route): readonly Box[] {
  return r.path.flatMap((s): Box[] => {
    const points = samplePath(
      [s],
      s.kind === 'line' &&
        s.from.filter((v, i) => Math.abs(v - (s.to[i] as number)) > 1e-6).length <= 1
        ? 1e9
        : 12,
    );
    return points.slice(1).map((p, i) =>
      union([
        { min: p, max: p },
        { min: points[i] as Vec, max: points[i] as Vec },
      ]),
    );
  });
}
