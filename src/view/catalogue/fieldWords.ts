import { msg, worded } from '@/core/messages';

const WORDS: Readonly<Record<string, string>> = worded(() => ({
  'size.0': msg`size along x, mm`,
  'size.1': msg`size along y, mm`,
  'size.2': msg`size along z, mm`,
  'interior.0': msg`inside, rear to front, mm`,
  'interior.1': msg`inside, floor to top, mm`,
  'interior.2': msg`inside, tray to glass, mm`,
  'headers.fan': msg`fan headers`,
  'headers.pump': msg`pump headers`,
  'headers.fan_A': msg`a fan header gives, A`,
  'headers.pump_A': msg`a pump header gives, A`,
  'memory.slots': msg`slots for memory`,
  'memory.pitch_mm': msg`memory slots apart, mm`,
  'span_mm.0': msg`slides from, mm`,
  'span_mm.1': msg`slides to, mm`,
  'air.open': msg`open frame`,
  'air.behind': msg`clearance behind the tray`,
  'air.leakage_cm2': msg`seams and gaps, cm²`,
  'base.volumeShare': msg`share of glycol by volume`,
  'base.glycol': msg`glycol`,
  'panel.hole_mm': msg`hole it needs, mm`,
  'panel.at_mm': msg`panel from its inner end, mm`,
  'tube.outer_mm': msg`tube, outer, mm`,
  'tube.inner_mm': msg`tube, inner, mm`,
  'foot.x_mm': msg`screw holes apart along x, mm`,
  'foot.z_mm': msg`screw holes apart along z, mm`,
  price_minor: msg`price`,
  volume_L: msg`volume, L`,
  'core.fpi': msg`fins an inch`,
  behind_mm: msg`clearance behind the tray, mm`,
  bareThickness_mm: msg`thickness without its cooler, mm`,
  minFlow_Lmin: msg`least flow, L/min`,
  minSpeed_rpm: msg`slowest, rpm`,
  minBend_mm: msg`least bend radius, mm`,
  fullSpeed_rpm: msg`fastest, rpm`,
  section_mm: msg`side of its fans, mm`,
  holeGap_mm: msg`between neighbouring fans' holes, mm`,
  finStart_mm: msg`from its end to the first fan, mm`,
  k: msg`loss factor K`,
  kSource: msg`where K is from`,
  id: 'number',
  'screw.depthToTube_mm': msg`depth to the tube, mm`,
}));

/** Where a place on a board is measured from, by its axis. */
const FROM = worded(
  () => [msg`from its rear edge`, msg`from its lower edge`, msg`over its back`] as const,
);
const CASE_FROM = worded(
  () => [msg`from the rear panel`, msg`from the floor`, msg`from the tray`] as const,
);

/** Families of fields that are told alike; the first that fits. */
const FAMILIES: readonly (readonly [RegExp, (m: RegExpExecArray) => string])[] = [
  [/^slots_mm\.(\d+)$/, (m) => msg`slot ${Number(m[1]) + 1} over the lower edge, mm`],
  [
    /^panels_mm\.(\w+)$/,
    (m) => msg`sheet of the ${m[1] === 'bottom' ? msg`floor` : (m[1] ?? '')}, mm`,
  ],
  [
    /^shares\.(\w+)$/,
    (m) => msg`share of its draw when ${m[1] === 'idle' ? msg`idle` : msg`in ${m[1] ?? ''}`}`,
  ],
  [/^boardAt\.(\d)$/, (m) => msg`board ${CASE_FROM[Number(m[1])] ?? ''}, mm`],
  [/^riser\.at\.(\d)$/, (m) => msg`riser ${CASE_FROM[Number(m[1])] ?? ''}, mm`],
  [
    /^bay\.(min|max)\.(\d)$/,
    (m) =>
      msg`bay ${m[1] === 'min' ? msg`starts` : msg`ends`} ${CASE_FROM[Number(m[2])] ?? ''}, mm`,
  ],
  [/^(\w+)At\.(\d)$/, (m) => msg`${m[1] ?? ''} ${FROM[Number(m[2])] ?? ''}, mm`],
  [
    /^powerPlug\.(min|max)\.(\d)$/,
    (m) =>
      msg`power plug ${m[1] === 'min' ? msg`from` : msg`to`}, along
        ${'xyz'[Number(m[2])] ?? ''}, mm`,
  ],
];
const UNITS = /_(mm|rpm|dBA|kPa|W|mL|L|mm2|months|m|uScm|Lmin|m3h|A|K|KW|C|Pa)$/;
const UNIT_WORDS: Readonly<Record<string, string>> = worded(() => ({
  mm2: 'mm²',
  uScm: 'µS/cm',
  Lmin: 'L/min',
  m3h: 'm³/h',
  KW: 'K/W',
  C: '°C',
}));

/** A field of a part in words: what it is along which axis, its unit behind a comma. */
export function fieldWords(field: string): string {
  const known = WORDS[field];
  if (known) return known;
  for (const [pattern, words] of FAMILIES) {
    const found = pattern.exec(field);
    if (found) return words(found);
  }
  const unit = UNITS.exec(field)?.[1],
    bare = field.replace(UNITS, '').replace(/^core\./, '');
  const words = bare
    .replace(/\./g, ' ')
    .replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
  return unit ? `${words}, ${UNIT_WORDS[unit] ?? unit}` : words;
}
