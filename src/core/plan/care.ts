import { isBentCold } from '../tubing';
import { formatMillimetres, formatNumber } from '../units';
import { msg, sentences } from '../messages';
import type { BendSheet, SheetBend } from './bendSheet';
import type { TubeTurn } from './bendSteps';

/** Steps of making a run, in order. Habits of the trade (common practice, no source). */
export function makingSteps(sheet: BendSheet): readonly string[] {
  const cut = formatMillimetres(sheet.cut_mm + sheet.trim_mm, 1);
  if (!sheet.hard) {
    return [
      msg`Cut ${cut}, square, with a sharp blade or tube snips.`,
      msg`Warm the ends in hot water if they will not go on; no oil, no soap.`,
      msg`Push both ends home on their barbs, ${formatMillimetres(sheet.grip_mm)} deep, and
        screw the collars on by hand.`,
      msg`Let it hang as it wants before you tighten: a twisted tube unwinds a fitting while the
        other end is tightened.`,
    ];
  }
  const tool =
    sheet.material === 'acrylic'
      ? msg`a fine saw, in a mitre box: acrylic cracks in a tube cutter`
      : msg`a tube cutter or a fine saw`;
  if (isBentCold(sheet)) return coldSteps(sheet, cut);
  const ends = [msg`Deburr inside and out and chamfer the edge: a sharp one slices the O-ring.`];
  if (sheet.bends.length === 0)
    return [
      msg`Cut ${cut} with ${tool}.`,
      ...ends,
      msg`Wet the ends with water and push both ${formatMillimetres(sheet.grip_mm)} deep into
        their fittings.`,
    ];
  return [
    msg`Cut ${cut} with ${tool}: ${formatMillimetres(sheet.trim_mm)} more than it needs, to be
      cut off at the far end when it is bent.`,
    ...ends,
    msg`Lay a line of tape along the tube and put the marks on with a pen that wipes off: what
      heat bakes in stays. Write "first" on the end that goes to ${sheet.endNames.from}; all
      marks are measured from it.`,
    msg`Push a silicone cord through, a hand longer than the tube.`,
    msg`Hold the tube at the end that goes to ${sheet.endNames.to}; the first end points to the
      mandrel. Bend every bend the same way round the mandrel.`,
    ...benchWords(sheet),
    ...sheet.bends.map((b, i) => bendWords(sheet, b, i)),
    msg`Check it: ${formatMillimetres(sheet.span_mm, 1)} from end to end through the air. Hold
      it in place; then cut the far end to fit and deburr it.`,
    msg`Wash it out before it goes in.`,
  ];
}

/** So high a tube lies over the bench on its mandrel, mm (common practice, no source). */
const OVER_BENCH_MM = 20;

/** Which way round to bend, and where what is formed would meet the bench all the same. */
function benchWords({ onBench, outer_mm }: BendSheet): readonly string[] {
  if (onBench === null || onBench.way === 'either') return [];
  const { way, below_mm, bend } = onBench;
  const isOver = below_mm + outer_mm / 2 <= OVER_BENCH_MM;
  const round =
    way === 'right'
      ? msg`Bend to the right as seen from the end you hold: that way what is formed stays higher.`
      : msg`Bend to the left as seen from the end you hold: that way what is formed stays higher.`;
  return isOver
    ? [round]
    : [
        sentences(
          round,
          msg`At bend ${bend + 1} it still points ${formatMillimetres(below_mm)} below the tube:
            work at the edge of the bench and let it hang over.`,
        ),
      ];
}

/** Metal is bent cold, on a bender with a former for its size. */
function coldSteps(sheet: BendSheet, cut: string): readonly string[] {
  const ends = msg`Deburr inside and out and chamfer the edge: a sharp one slices the O-ring.`;
  if (sheet.bends.length === 0)
    return [
      msg`Cut ${cut} with a tube cutter.`,
      ends,
      msg`Wet the ends with water and push both ${formatMillimetres(sheet.grip_mm)} deep into
        their fittings.`,
    ];
  return [
    msg`Cut ${cut} with a tube cutter: ${formatMillimetres(sheet.trim_mm)} more than it needs,
      to be cut off at the far end when it is bent.`,
    ends,
    msg`Put the marks on with a pen and write "first" on the end that goes to
      ${sheet.endNames.from}; all marks are measured from it.`,
    msg`Hold the tube at the end that goes to ${sheet.endNames.to}; the first end points to the
      bender. Bend every bend the same way round its former.`,
    ...benchWords(sheet),
    ...sheet.bends.map((b, i) => coldBendWords(sheet, b, i)),
    msg`Check it: ${formatMillimetres(sheet.span_mm, 1)} from end to end through the air. Hold
      it in place; then cut the far end to fit and deburr it.`,
    msg`Wash oil and filings out before it goes in.`,
  ];
}

function coldBendWords(sheet: BendSheet, bend: SheetBend, index: number): string {
  const turn = index > 0 && turnWords(bend.turn);
  const set = formatNumber(bend.set_deg, { decimals: 1 }),
    left = formatNumber(bend.angle_deg, { decimals: 1 });
  const kept =
    sheet.springBack?.from === 'material'
      ? msg`${left}° is left, estimated`
      : msg`${left}° is left`;
  return sentences(
    turn,
    msg`Bend ${index + 1}: start ${formatMillimetres(bend.setBack_mm, 1)} before the corner, at
      ${formatMillimetres(bend.start_mm, 1)}.`,
    msg`Draw it slowly round the former of ${formatMillimetres(bend.mandrel_mm, 1)} to ${set}° and
      let go (${kept}).`,
  );
}

function bendWords(sheet: BendSheet, bend: SheetBend, index: number): string {
  const turn = index > 0 && turnWords(bend.turn);
  const place = msg`Bend ${index + 1}: start ${formatMillimetres(bend.setBack_mm, 1)} before the
    corner, at ${formatMillimetres(bend.start_mm, 1)}.`;
  const from = formatMillimetres(bend.start_mm, 0),
    to = formatMillimetres(bend.end_mm, 0),
    mandrel = formatMillimetres(bend.mandrel_mm, 1),
    set = formatNumber(bend.set_deg, { decimals: 1 }),
    left = formatNumber(bend.angle_deg, { decimals: 1 });
  const warm =
    sheet.springBack === null
      ? msg`Warm it gently from ${from} to ${to}, turning it, until it sags; lay it round the
          mandrel of ${mandrel} to ${set}° and hold until it is cool: let go warm, 90° ends near
          100°.`
      : msg`Warm it gently from ${from} to ${to}, turning it, until it sags; lay it round the
          mandrel of ${mandrel} to ${set}° and hold until it is cool (${left}° is left).`;
  return sentences(turn, place, warm);
}

/** The turn of the tube before a bend, as the hand makes it. */
export function turnWords(turn: TubeTurn | null): string {
  if (!turn) return msg`Do not turn the tube: this bend lies in the same plane.`;
  return msg`Turn the tube ${formatNumber(turn.angle_deg, { decimals: 1 })}° ${turn.direction},
    seen from the end you hold, looking towards the mandrel.`;
}

/** What can hurt, shown with every sheet (cautions of the trade). */
export function makingCautions(sheet: Pick<BendSheet, 'hard' | 'material'>): readonly string[] {
  if (!sheet.hard)
    return [
      msg`Blades: cut away from the hand.`,
      msg`Measure before you cut: soft tube forgives 5 mm, not 20.`,
    ];
  if (isBentCold(sheet))
    return [
      msg`Bender and cutters: keep fingers out from between tube and former; gloves against
        sharp edges.`,
      msg`Metal filings carry current: cut and deburr away from the machine, and wash the tube
        out.`,
      msg`Copper counts among the metals of the loop: see Materials.`,
    ];
  return [
    msg`Heat gun: burns, fire and fumes. Keep it moving, ventilate, never point it at the machine.`,
    msg`Saws and cutters: gloves, eye protection, and clear the dust out of the tube.`,
    ...(sheet.material === 'acrylic'
      ? [
          msg`Acrylic splinters, and cracks where alcohol touches it: wash with water and mild
            soap.`,
        ]
      : []),
    msg`Hot tube holds its heat inside: let it cool before the cord is drawn out.`,
  ];
}
