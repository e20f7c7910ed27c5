import { formatMillimetres } from '../units';
import { BOARD_STANDARDS } from '../components';
import type { Box } from '../geometry';
import { msg } from '../messages';
import type { CaseDraft, DraftTrouble, MountDraft } from './caseDraft';
import { axesOfMount } from './rails';

const mm = (v: number): string => {
  const tenths = Math.round(v * 10) / 10;
  return formatMillimetres(tenths, Number.isInteger(tenths) ? 0 : 1);
};
const SIDES = ['length', 'height', 'width'] as const;

/**
 * What was measured that cannot be: sticks out of the case, stands upside down, or has no size.
 * Each at its place in the draft.
 */
export function draftTroubles(draft: CaseDraft): readonly DraftTrouble[] {
  const out: DraftTrouble[] = [];
  const say = (place: string, says: string): void => {
    out.push({ place, says });
  };
  const { interior } = draft;
  if (draft.name.trim() === '') say('name', msg`Give the case a name.`);
  SIDES.forEach((side, i) => {
    const v = interior[i] as number;
    if (!(v >= 50 && v <= 3000))
      say(`interior.${i}`, msg`The inside ${side} is ${mm(v)}; it must be 50 to 3,000 mm.`);
  });
  const board = BOARD_STANDARDS.find((s) => s.name === draft.standard);
  if (board) {
    if (draft.boardAt[0] + board.x_mm > interior[0] + 0.5)
      say(
        'boardAt.0',
        msg`A ${board.name} board is ${mm(board.x_mm)} deep: from ${mm(draft.boardAt[0])} it
          sticks out by ${mm(draft.boardAt[0] + board.x_mm - interior[0])}.`,
      );
    if (draft.boardAt[1] + board.y_mm > interior[1] + 0.5)
      say(
        'boardAt.1',
        msg`A ${board.name} board is ${mm(board.y_mm)} high: from ${mm(draft.boardAt[1])} it
          sticks out by ${mm(draft.boardAt[1] + board.y_mm - interior[1])}.`,
      );
  }
  const room = roomOf(draft);
  boxTroubles('bay', msg`The power supply bay`, draft.bay, room, say);
  draft.mounts.forEach((m, i) => mountTroubles(m, i, room, say));
  draft.obstacles.forEach((o, i) => {
    if (o.name.trim() === '')
      say(`obstacles.${i}.name`, msg`Give it a name: cage, shroud, bracket.`);
    boxTroubles(`obstacles.${i}`, o.name || msg`It`, o, room, say);
  });
  draft.spots.forEach((s, i) => {
    if (s.name.trim() === '') say(`spots.${i}.name`, msg`Give the place a name.`);
    s.at.forEach((v, k) => {
      if (v < (room.min[k] as number) || v > (room.max[k] as number))
        say(`spots.${i}.at.${k}`, msg`${s.name || msg`The place`} lies outside the case.`);
    });
  });
  draft.openings.forEach((o, i) => {
    if (o.name.trim() === '') say(`openings.${i}.name`, msg`Give the opening a name.`);
    (
      [
        ['x_mm', 'width_mm', 0],
        ['y_mm', 'height_mm', 1],
      ] as const
    ).forEach(([middle, size, axis]) => {
      if (!(o[size] >= 2))
        say(`openings.${i}.${size}`, msg`It is ${mm(o[size])}; an opening is 2 mm or more.`);
      else if (o[middle] - o[size] / 2 < -0.5 || o[middle] + o[size] / 2 > interior[axis] + 0.5)
        say(
          `openings.${i}.${middle}`,
          msg`It reaches from ${mm(o[middle] - o[size] / 2)} to ${mm(o[middle] + o[size] / 2)};
            the tray there is 0 to ${mm(interior[axis])}.`,
        );
    });
  });
  for (const [key, what] of [
    ['side_mm', msg`side panel`],
    ['frame_mm', 'frame'],
    ['tray_mm', 'tray'],
  ] as const)
    if (!(draft[key] >= 0 && draft[key] <= 40))
      say(key, msg`The ${what} is ${mm(draft[key])} thick; it must be 0 to 40 mm.`);
  if (!(draft.behind_mm >= 0 && draft.behind_mm <= 400))
    say(
      'behind_mm',
      msg`Clearance behind the tray is ${mm(draft.behind_mm)}; it must be 0 to 400 mm.`,
    );
  portTroubles(draft, say);
  chamberTroubles(draft, say);
  return out;
}

/** Openings for pass-throughs lie in their wall. */
function portTroubles({ ports = [], interior }: CaseDraft, say: Say): void {
  ports.forEach((p, i) => {
    if (p.name.trim() === '') say(`ports.${i}.name`, msg`Give the opening a name.`);
    if (!(p.hole_mm >= 5 && p.hole_mm <= 60))
      say(`ports.${i}.hole_mm`, msg`A hole of ${mm(p.hole_mm)} takes no pass-through: 5 to 60 mm.`);
    const upright = p.face === 'front' || p.face === 'rear';
    const flat = p.face === 'side' || p.face === 'tray';
    const limits = [upright ? interior[1] : interior[0], flat ? interior[1] : interior[2]] as const;
    (['first_mm', 'second_mm'] as const).forEach((key, k) => {
      if (p[key] < 0 || p[key] > (limits[k] as number))
        say(
          `ports.${i}.${key}`,
          msg`${p.name || msg`It`} lies beside its wall: ${mm(p[key])} of
            ${mm(limits[k] as number)}.`,
        );
    });
  });
}

/** Rooms have names of their own; mounts open into one there is. */
function chamberTroubles({ chambers = [], mounts }: CaseDraft, say: Say): void {
  chambers.forEach((name, i) => {
    if (name.trim() === '') say(`chambers.${i}`, msg`Give the chamber a name.`);
    if (chambers.indexOf(name) < i) say(`chambers.${i}`, msg`Two chambers have the name ${name}.`);
  });
  mounts.forEach((m, i) => {
    if (m.chamber !== undefined && !chambers.includes(m.chamber))
      say(`mounts.${i}.chamber`, msg`There is no chamber named ${m.chamber}.`);
  });
}

type Say = (place: string, says: string) => void;

function boxTroubles(place: string, name: string, box: Box, room: Box, say: Say): void {
  SIDES.forEach((side, i) => {
    const low = box.min[i] as number,
      high = box.max[i] as number;
    if (high <= low)
      say(
        `${place}.max.${i}`,
        msg`${name} has no ${side}: it starts at ${mm(low)} and ends at ${mm(high)}.`,
      );
    else if (low < (room.min[i] as number) - 0.5 || high > (room.max[i] as number) + 0.5)
      say(
        `${place}.max.${i}`,
        msg`${name} sticks out of the case: ${mm(low)} to ${mm(high)} of
          ${mm(room.min[i] as number)} to ${mm(room.max[i] as number)}.`,
      );
  });
}

/** All that can stand in the case: before the tray, and behind it. */
const roomOf = ({ interior, behind_mm, tray_mm }: CaseDraft): Box => ({
  min: [0, 0, behind_mm > 0 ? -behind_mm - tray_mm : 0],
  max: interior,
});

function mountTroubles(m: MountDraft, i: number, room: Box, say: Say): void {
  const axes = axesOfMount(m);
  const rail = room.max[axes.rail],
    low = room.min[axes.middle],
    wide = room.max[axes.middle];
  const place = `mounts.${i}`,
    name = msg`The ${m.face === 'bottom' ? msg`floor` : m.face} mount`;
  if (m.start_mm < room.min[axes.rail] || m.start_mm + m.length_mm > rail + 0.5)
    say(
      `${place}.length_mm`,
      msg`${name} ends at ${mm(m.start_mm + m.length_mm)}; the case there is ${mm(rail)}.`,
    );
  if (m.fans.every((f) => f.count === 0))
    say(`${place}.fans`, msg`${name} takes no fans: say how many, and of which size.`);
  const sizes = m.fans.map((f) => f.size_mm);
  if (new Set(sizes).size < sizes.length)
    say(`${place}.fans`, msg`${name} names one size twice: put the larger number.`);
  for (const { count, size_mm: size } of m.fans) {
    if (count === 0) continue;
    if (!(size >= 40 && size <= 230))
      say(`${place}.fans`, msg`${mm(size)} is no size of fan: 40 to 230 mm.`);
    if (count * size > m.length_mm + 0.5)
      say(
        `${place}.fans`,
        msg`${count} × ${size} mm are ${mm(count * size)}; the rail is ${mm(m.length_mm)}.`,
      );
    if (m.middle_mm - size / 2 < low - 0.5 || m.middle_mm + size / 2 > wide + 0.5)
      say(
        `${place}.middle_mm`,
        msg`A ${size} mm fan in the middle at ${mm(m.middle_mm)} sticks out of ${mm(wide)}.`,
      );
  }
}
