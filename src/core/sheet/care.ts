import { formatMillimetres, formatNumber } from '../quantity';
import type { BendSheet } from './sheet';

/** Steps of making a run, in order. Habits of the trade (common practice, no source). */
export function makingSteps(sheet: BendSheet): readonly string[] {
  const cut = formatMillimetres(sheet.cut_mm + sheet.trim_mm, 1);
  if (!sheet.hard) {
    return [
      `Cut ${cut}, square, with a sharp blade or tube snips.`,
      'Warm the ends in hot water if they will not go on; no oil, no soap.',
      `Push both ends home on their barbs, ${formatMillimetres(sheet.grip_mm)} deep, and screw the collars on by hand.`,
      'Let it hang as it wants before you tighten: a twisted tube unwinds a fitting while the other end is tightened.',
    ];
  }
  const tool = sheet.material === 'acrylic' ? 'a fine saw, in a mitre box: acrylic cracks in a tube cutter' : 'a tube cutter or a fine saw';
  const ends = ['Deburr inside and out and chamfer the edge: a sharp one slices the O-ring.'];
  if (sheet.bends.length === 0) return [`Cut ${cut} with ${tool}.`, ...ends, `Wet the ends with water and push both ${formatMillimetres(sheet.grip_mm)} deep into their fittings.`];
  return [
    `Cut ${cut} with ${tool}: ${formatMillimetres(sheet.trim_mm)} more than it needs, to be cut off at the far end when it is bent.`,
    ...ends,
    'Mark along the tube with a line of tape and put the marks on with a pen that wipes off: what heat bakes in stays.',
    'Push a silicone cord through, a hand longer than the tube.',
    ...sheet.bends.map((b, i) => `${i === 0 ? '' : turnWords(b.rotation_deg ?? 0)}Bend ${i + 1}: start ${formatMillimetres(b.setBack_mm, 1)} before the corner, at ${formatMillimetres(b.start_mm, 1)}. Warm it gently from ${formatMillimetres(b.start_mm, 0)} to ${formatMillimetres(b.end_mm, 0)}, turning it, until it sags; lay it round the mandrel of ${formatMillimetres(sheet.radius_mm, 1)} to ${formatNumber(b.set_deg, { decimals: 1 })}° and hold until it is cool${sheet.springBack === null ? ': let go warm, 90° ends near 100°' : ` (${formatNumber(b.angle_deg, { decimals: 1 })}° is left)`}.`),
    `Check it: ${formatMillimetres(sheet.span_mm, 1)} from end to end through the air. Hold it in place; then cut the far end to fit and deburr it.`,
    'Wash it out before it goes in.',
  ];
}

function turnWords(rotation_deg: number): string {
  const r = Math.round(rotation_deg * 10) / 10;
  if (Math.abs(r) < 0.5) return 'Same plane. ';
  if (Math.abs(Math.abs(r) - 180) < 0.5) return 'Turn the tube by half a turn. ';
  return `Turn the tube ${formatNumber(Math.abs(r), { decimals: 1 })}° ${r > 0 ? 'clockwise' : 'anticlockwise'}, seen from the first end. `;
}

/** What can hurt, shown with every sheet (cautions of the trade). */
export function makingCautions(sheet: Pick<BendSheet, 'hard' | 'material'>): readonly string[] {
  if (!sheet.hard) return ['Blades: cut away from the hand.', 'Measure before you cut: soft tube forgives 5 mm, not 20.'];
  return [
    'Heat gun: burns, fire and fumes. Keep it moving, ventilate, never point it at the machine.',
    'Saws and cutters: gloves, eye protection, and clear the dust out of the tube.',
    ...(sheet.material === 'acrylic' ? ['Acrylic splinters, and cracks where alcohol touches it: wash with water and mild soap.'] : []),
    'Hot tube holds its heat inside: let it cool before the cord is drawn out.',
  ];
}
