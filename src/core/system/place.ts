import {
  findComponent,
  type Component,
  type ComponentId,
  type Design,
  type Placement,
  type Turn,
  type Up,
} from '../design';
import type {
  BoardPart,
  Bodied,
  CardPart,
  CasePart,
  FanPart,
  InlinePart,
  Mount,
  RadiatorPart,
} from '../components';
import {
  UPRIGHT,
  add,
  boxIn,
  cellsOf,
  cross,
  cylinderBox,
  cylinderIn,
  directionIn,
  isAlongAxes,
  middleIn,
  pointIn,
  roundIn,
  scale,
  tiltedFrame,
  union,
  type Frame,
  type Vec,
} from '../geometry';
import { msg } from '../messages';
import { placeFloating } from './floating';
import type { Mates } from './mates';
import { frameSheet } from './shell';
import type { PlacedComponent, PlacedPort, Solid } from './types';

/** How high a card's lower edge stands over the board, mm: the slot's connector. */
const SLOT_HEIGHT_MM = 8;

interface Context {
  readonly design: Design;
  readonly mates: Mates;
  readonly done: Map<ComponentId, PlacedComponent>;
  readonly busy: Set<ComponentId>;
}

/** Places every component of a build. Never throws: what has no place says why. */
export function placeAll(design: Design, mates: Mates): ReadonlyMap<ComponentId, PlacedComponent> {
  const context: Context = { design, mates, done: new Map(), busy: new Set() };
  for (const component of design.components) place(context, component.id);
  return placeFloating(
    design,
    new Map(design.components.map((i) => [i.id, context.done.get(i.id) as PlacedComponent])),
  );
}

type Spot =
  | { readonly frame: Frame; readonly count?: number }
  | { readonly unplaced: string }
  | { readonly hangs: true };

function place(context: Context, id: string): PlacedComponent | null {
  const known = context.done.get(id);
  if (known) return known;
  const component = findComponent(context.design, id);
  if (!component || context.busy.has(id)) return null;
  context.busy.add(id);
  const spot = locate(context, component, component.placement);
  const placedAt = () => {
    if ('hangs' in spot) return { ...unplaced(component, ''), unplaced: null };
    if ('unplaced' in spot) return unplaced(component, spot.unplaced);
    return occupy(context, component, spot.frame, spot.count ?? 1);
  };
  const placed = placedAt();
  context.busy.delete(id);
  context.done.set(id, placed);
  return placed;
}

/** How many pieces an unplaced component stands for. */
const loose = (component: Component): number =>
  component.part.kind === 'memory' ? component.part.modules : 1;

function unplaced(component: Component, why: string): PlacedComponent {
  const { id, part, placement } = component;
  return {
    id,
    part,
    placement,
    frame: null,
    solids: [],
    ports: [],
    count: loose(component),
    unplaced: why,
  };
}

function locate(context: Context, component: Component, p: Placement): Spot {
  const { case: box } = context.design;
  if (p.on === 'unplaced') return { unplaced: msg`is not placed` };
  if (!box) return { unplaced: msg`no case is chosen` };
  switch (p.on) {
    case 'tray':
      return { frame: { at: box.boardAt, ...UPRIGHT } };
    case 'bay':
      return { frame: cornered(component.part, box.bay.min, axesOf(p.turn ?? 0, p.up)) };
    case 'board':
      return onBoard(context, component);
    case 'slot':
      return inSlot(context, component, p.slot);
    case 'riser':
      return onRiser(context, component, box, p.faces ?? 'glass');
    case 'against':
      return againstFace(context, component, p);
    case 'cage':
      return inCage(context.design, component, p);
    case 'port':
      return throughWall(component.part, box, p.port);
    case 'component':
      return onComponent(context, component, p.component);
    case 'radiator':
      return onRadiator(context, component, p.component, p.face);
    case 'mount':
      return onMount(context, component, box, p);
    case 'spot': {
      const spot = box.spots.find((s) => s.id === p.spot);
      return spot
        ? { frame: standing(component.part, spot.at, p.turn, p.up) }
        : { unplaced: msg`the case has no spot "${p.spot}"` };
    }
    case 'free':
      return { frame: freely(component.part, p) };
    case 'line': {
      const frame = context.design.layout.poses[component.id];
      return frame ? { frame } : { hangs: true };
    }
  }
}

const TURNS: Record<Turn, { readonly x: Vec; readonly z: Vec }> = {
  0: { x: [1, 0, 0], z: [0, 0, 1] },
  90: { x: [0, 0, -1], z: [1, 0, 0] },
  180: { x: [-1, 0, 0], z: [0, 0, -1] },
  270: { x: [0, 0, 1], z: [-1, 0, 0] },
};

type Axes = Omit<Frame, 'at'>;

/** Where own axes look before a part is turned, by the one that looks up; right-handed, all of them. */
const TIPPED: Readonly<Record<Up, Axes>> = {
  '+y': UPRIGHT,
  '-y': { x: [1, 0, 0], y: [0, -1, 0], z: [0, 0, -1] },
  '+x': { x: [0, 1, 0], y: [0, 0, 1], z: [1, 0, 0] },
  '-x': { x: [0, -1, 0], y: [0, 0, 1], z: [-1, 0, 0] },
  '+z': { x: [0, 0, 1], y: [1, 0, 0], z: [0, 1, 0] },
  '-z': { x: [0, 0, 1], y: [-1, 0, 0], z: [0, -1, 0] },
};

/** Own axes of a part that is tipped and then turned about the upright axis. */
function axesOf(turn: Turn, up: Up = '+y'): Axes {
  const { x, z } = TURNS[turn];
  const turned = (d: Vec): Vec => add(add(scale(x, d[0]), [0, d[1], 0]), scale(z, d[2]));
  const tipped = TIPPED[up];
  return { x: turned(tipped.x), y: turned(tipped.y), z: turned(tipped.z) };
}

/** A part whose box begins at a corner, whichever way its axes look. */
function cornered({ size }: Bodied, corner: Vec, axes: Axes): Frame {
  const own = [axes.x, axes.y, axes.z] as const;
  const back = ([0, 1, 2] as const).map((i) =>
    own.reduce((least, axis, k) => least + Math.min(0, axis[i] * (size[k] as number)), 0),
  ) as unknown as Vec;
  return { at: add(corner, scale(back, -1)), ...axes };
}

/** A part that stands on the middle of its foot: of whatever face looks down. */
function standing(part: Bodied, foot: Vec, turn: Turn, up: Up = '+y'): Frame {
  const axes = axesOf(turn, up);
  const wide = ([0, 2] as const).map((i) =>
    [axes.x, axes.y, axes.z].reduce(
      (sum, axis, k) => sum + Math.abs(axis[i] * (part.size[k] as number)),
      0,
    ),
  ) as [number, number];
  return cornered(part, add(foot, [-wide[0] / 2, 0, -wide[1] / 2]), axes);
}

/** Anywhere, aslant about its middle where it is held so. */
function freely(part: Bodied, p: Extract<Placement, { on: 'free' }>): Frame {
  const frame = standing(part, p.at, p.turn, p.up);
  return p.tilt ? tiltedFrame(frame, middleIn(frame, part.size), p.tilt) : frame;
}

function boardOf(
  context: Context,
): { readonly placed: PlacedComponent; readonly part: BoardPart; readonly at: Vec } | null {
  const component = context.design.components.find(
    (i) => i.part.kind === 'board' && i.placement.on === 'tray',
  );
  const placed = component && place(context, component.id);
  return placed?.frame ? { placed, part: placed.part as BoardPart, at: placed.frame.at } : null;
}

function onBoard(context: Context, component: Component): Spot {
  const board = boardOf(context);
  if (!board) return { unplaced: msg`no board is on the tray yet` };
  const { size } = component.part;
  const surface = board.part.size[2];
  const own: Vec =
    component.part.kind === 'memory'
      ? [board.part.memoryAt[0], board.part.memoryAt[1], surface]
      : [board.part.processorAt[0] - size[0] / 2, board.part.processorAt[1] - size[1] / 2, surface];
  return { frame: { at: add(board.at, own), ...UPRIGHT } };
}

/** Whether a block replaces a card's air cooler. */
const hasBlock = ({ design, mates }: Context, card: ComponentId): boolean =>
  mates.standingOn(card).some((id) => findComponent(design, id)?.part.kind === 'block');

/** Thickness a card takes: bare under a block, whole with its own cooler. */
const cardThickness = (context: Context, component: Component, card: CardPart): number =>
  hasBlock(context, component.id) ? card.bareThickness_mm : card.size[1];

function inSlot(context: Context, component: Component, slot: number): Spot {
  const board = boardOf(context);
  if (!board) return { unplaced: msg`no board is on the tray yet` };
  const plane = board.part.slots_mm[slot - 1];
  if (plane === undefined) return { unplaced: msg`the board has no slot ${slot}` };
  const thickness =
    component.part.kind === 'card'
      ? cardThickness(context, component, component.part)
      : component.part.size[1];
  return {
    frame: { at: add(board.at, [0, plane - thickness, SLOT_HEIGHT_MM]), ...UPRIGHT },
  };
}

function onComponent(context: Context, component: Component, hostId: string): Spot {
  const host = place(context, hostId);
  if (!host?.frame)
    return {
      unplaced: host
        ? msg`what it sits on has no place yet`
        : msg`what it sits on is not in the build`,
    };
  const { size } = component.part;
  const f = host.frame;
  const hostPart = host.part;
  const own: Vec =
    hostPart.kind === 'card'
      ? [Math.max(0, (hostPart.size[0] - size[0]) / 2), -size[1], hostPart.size[2] - size[2]]
      : [(hostPart.size[0] - size[0]) / 2, (hostPart.size[1] - size[1]) / 2, hostPart.size[2]];
  return { frame: { ...f, at: pointIn(f, own) } };
}

/**
 * Standing on a riser, the card's edge down and its cooler to the glass; or hung with its edge up,
 * its back where the riser is and its cooler away from the glass.
 */
function onRiser(
  context: Context,
  component: Component,
  { riser }: CasePart,
  faces: 'glass' | 'back',
): Spot {
  if (!riser) return { unplaced: msg`this case has no upright slot` };
  const { part } = component;
  if (faces === 'glass')
    return { frame: { at: riser.at, x: [1, 0, 0], y: [0, 0, -1], z: [0, 1, 0] } };
  const thick = part.kind === 'card' ? cardThickness(context, component, part) : part.size[1];
  return {
    frame: {
      at: add(riser.at, [0, part.size[2], -thick]),
      x: [1, 0, 0],
      y: [0, 0, 1],
      z: [0, -1, 0],
    },
  };
}

/** Right-handed axes on each face of a box, with y out of it. */
const ON_FACE: Readonly<Record<Up, Axes>> = {
  '+y': UPRIGHT,
  '-y': { x: [1, 0, 0], y: [0, -1, 0], z: [0, 0, -1] },
  '+z': { x: [1, 0, 0], y: [0, 0, 1], z: [0, -1, 0] },
  '-z': { x: [1, 0, 0], y: [0, 0, -1], z: [0, 1, 0] },
  '+x': { x: [0, 1, 0], y: [1, 0, 0], z: [0, 0, -1] },
  '-x': { x: [0, 1, 0], y: [-1, 0, 0], z: [0, 0, 1] },
};

/** On a face of another part: the foot on it, whichever way that face looks. */
function againstFace(
  context: Context,
  { part }: Component,
  p: Extract<Placement, { on: 'against' }>,
): Spot {
  const host = place(context, p.component),
    guest = findComponent(context.design, p.component);
  if (!host?.frame || !guest)
    return {
      unplaced: host
        ? msg`what it stands on has no place yet`
        : msg`what it stands on is not in the build`,
    };
  const { min, max } = union(ownBoxes(context, guest, host.count));
  const axes = ON_FACE[p.face];
  const middle = ([0, 1, 2] as const).map((i) => {
    if (axes.y[i] === 0) return (min[i] + max[i]) / 2;
    return axes.y[i] > 0 ? max[i] : min[i];
  }) as unknown as Vec;
  const own = standing(part, [p.along_mm, 0, p.across_mm], p.turn, p.up);
  const onHost: Frame = { at: middle, ...axes };
  const within = (d: Vec): Vec => directionIn(host.frame as Frame, directionIn(onHost, d));
  return {
    frame: {
      at: pointIn(host.frame, pointIn(onHost, own.at)),
      x: within(own.x),
      y: within(own.y),
      z: within(own.z),
    },
  };
}

/** In a cage, on its place counted from below, its long side along the cage's. */
function inCage(
  { case: box, choices }: Design,
  { part }: Component,
  { cage: id, place: number }: Extract<Placement, { on: 'cage' }>,
): Spot {
  const cage = box?.obstacles.find((o) => o.id === id);
  if (!cage?.drives || choices.removed.includes(id))
    return { unplaced: msg`its cage is not in the case` };
  const { format, places } = cage.drives;
  if (part.kind !== 'device' || part.format !== format)
    return { unplaced: msg`${cage.name} takes ${format} drives` };
  if (number > places) return { unplaced: msg`${cage.name} has ${places} places` };
  const [wide, high, deep] = [0, 1, 2].map(
    (i) => (cage.max[i] as number) - (cage.min[i] as number),
  ) as [number, number, number];
  const foot: Vec = [
    cage.min[0] + wide / 2,
    cage.min[1] + (high * (number - 1)) / places,
    cage.min[2] + deep / 2,
  ];
  return { frame: standing(part, foot, wide >= deep ? 0 : 90) };
}

/** Through a wall of the case: its own x looks out, the panel where its data say. */
function throughWall(part: Bodied, { ports = [] }: CasePart, id: string): Spot {
  const opening = ports.find((o) => o.id === id);
  if (!opening) return { unplaced: msg`the case has no opening "${id}" for it` };
  const x = opening.direction,
    y: Vec = x[1] === 0 ? [0, 1, 0] : [1, 0, 0],
    z = cross(x, y);
  const panel = 'panel' in part ? (part as InlinePart).panel : undefined;
  const depth = panel?.at_mm ?? part.size[0] / 2;
  const frame: Frame = { at: [0, 0, 0], x, y, z };
  return {
    frame: {
      ...frame,
      at: add(opening.at, directionIn(frame, [-depth, -part.size[1] / 2, -part.size[2] / 2])),
    },
  };
}

/** Depth that fans between a radiator and its frame take, mm. */
function fanDepth({ design, mates }: Context, radiator: ComponentId): number {
  const depths = mates.standingOn(radiator).flatMap((id) => {
    const guest = findComponent(design, id);
    if (guest?.part.kind !== 'fan' || guest.placement.on !== 'radiator') return [];
    return guest.placement.face === 'frame' ? [guest.part.size[2]] : [];
  });
  return Math.max(0, ...depths);
}

function railFrame(
  mount: Mount,
  part: { readonly size: Vec },
  slide: number,
  ports: 'start' | 'end',
  off: number,
): Frame {
  const corner = add(mount.at, add(scale(mount.along, slide), scale(mount.inward, off)));
  if (ports === 'end')
    return {
      at: add(corner, scale(mount.across, -part.size[1] / 2)),
      x: mount.along,
      y: mount.across,
      z: mount.inward,
    };
  return {
    at: add(add(corner, scale(mount.along, part.size[0])), scale(mount.across, part.size[1] / 2)),
    x: scale(mount.along, -1),
    y: scale(mount.across, -1),
    z: mount.inward,
  };
}

function onMount(
  context: Context,
  component: Component,
  box: CasePart,
  p: Extract<Placement, { on: 'mount' }>,
): Spot {
  const mount = box.mounts.find((m) => m.id === p.mount);
  if (!mount) return { unplaced: msg`the case has no mount "${p.mount}"` };
  if (component.part.kind === 'fan') {
    const { section_mm } = component.part;
    const row = mount.fans.find((f) => f.size_mm === section_mm);
    if (!row) return { unplaced: msg`${mount.name} has no holes for ${section_mm} mm fans` };
    const count = piecesOf(component, row.count);
    return {
      frame: railFrame(
        mount,
        { size: [section_mm * count, component.part.size[1], component.part.size[2]] },
        p.slide_mm,
        'end',
        0,
      ),
      count,
    };
  }
  return {
    frame: railFrame(mount, component.part, p.slide_mm, p.ports, fanDepth(context, component.id)),
  };
}

function onRadiator(
  context: Context,
  component: Component,
  radiatorId: string,
  face: 'frame' | 'interior' | 'outside',
): Spot {
  const host = place(context, radiatorId);
  if (!host?.frame || host.part.kind !== 'radiator')
    return { unplaced: msg`its radiator has no place yet` };
  const radiator: RadiatorPart = host.part;
  const fan = component.part as FanPart;
  const on = host.placement,
    mount = context.design.case?.mounts.find((m) => on.on === 'mount' && m.id === on.mount);
  const z =
    face === 'interior'
      ? radiator.size[2]
      : -fan.size[2] -
        (face === 'outside' && mount && context.design.case
          ? frameSheet(context.design.case, mount.face)
          : 0);
  const f = host.frame;
  return {
    frame: {
      ...f,
      at: pointIn(f, [radiator.finStart_mm, (radiator.size[1] - fan.size[1]) / 2, z]),
    },
    count: piecesOf(component, radiator.sections),
  };
}

/** Fans of a set: as many as there are places for, or fewer where the builder says so. */
const piecesOf = ({ settings }: Component, places: number): number =>
  Math.min(settings.pieces ?? places, places);

function ownBoxes(
  context: Context,
  component: Component,
  count: number,
): readonly NonNullable<Bodied['boxes']>[number][] {
  const { part } = component;
  if (part.kind === 'fan') {
    return Array.from({ length: count }, (_, i) => ({
      name: count > 1 ? msg`fan ${i + 1}` : '',
      min: [i * part.section_mm, 0, 0] as Vec,
      max: [i * part.section_mm + part.size[0], part.size[1], part.size[2]] as Vec,
    }));
  }
  if (part.kind === 'card')
    return [
      {
        name: '',
        min: [0, 0, 0],
        max: [part.size[0], cardThickness(context, component, part), part.size[2]],
      },
      ...(part.powerPlug ? [{ ...part.powerPlug, name: msg`power plug` }] : []),
    ];
  return part.boxes ?? [{ name: '', min: [0, 0, 0], max: part.size }];
}

/** A part that stands aslant is measured in cells of so many mm. */
const CELL_MM = 8;

/** A body where it stands: one solid, or as many as it takes to hold one that is aslant. */
function solidsOf(
  frame: Frame,
  body: NonNullable<Bodied['boxes']>[number],
  of: Pick<Solid, 'component' | 'detail'>,
): readonly Solid[] {
  const isUpright = isAlongAxes(frame);
  const whole = { frame, box: { min: body.min, max: body.max } };
  if (body.round) {
    const cylinder = cylinderIn(frame, roundIn(body, body.round));
    return isUpright
      ? [{ ...of, box: boxIn(frame, body), cylinder }]
      : [{ ...of, box: cylinderBox(cylinder), cylinder, whole }];
  }
  if (isUpright) return [{ ...of, box: boxIn(frame, body) }];
  return cellsOf(frame, body, CELL_MM).map((box) => ({ ...of, box, whole }));
}

function occupy(
  context: Context,
  component: Component,
  frame: Frame,
  count: number,
): PlacedComponent {
  const solids = ownBoxes(context, component, count).flatMap((b) =>
    solidsOf(frame, b, {
      component: component.id,
      detail: b.name === component.part.name ? '' : b.name,
    }),
  );
  const ports: PlacedPort[] =
    'ports' in component.part
      ? component.part.ports.map((port) => ({
          component: component.id,
          port,
          at: pointIn(frame, port.at),
          direction: directionIn(frame, port.direction),
        }))
      : [];
  const { id, part, placement } = component;
  return {
    id,
    part,
    placement,
    frame,
    solids,
    ports,
    count: part.kind === 'memory' ? part.modules : count,
    unplaced: null,
  };
}
