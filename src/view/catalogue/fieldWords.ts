const WORDS: Readonly<Record<string, string>> = {
  'size.0': 'size along x, mm',
  'size.1': 'size along y, mm',
  'size.2': 'size along z, mm',
  'interior.0': 'inside, rear to front, mm',
  'interior.1': 'inside, floor to top, mm',
  'interior.2': 'inside, tray to glass, mm',
  'headers.fan': 'fan headers',
  'headers.pump': 'pump headers',
  'headers.fan_A': 'a fan header gives, A',
  'headers.pump_A': 'a pump header gives, A',
  'memory.slots': 'slots for memory',
  'memory.pitch_mm': 'memory slots apart, mm',
  'span_mm.0': 'slides from, mm',
  'span_mm.1': 'slides to, mm',
  'air.open': 'open frame',
  'air.behind': 'clearance behind the tray',
  'air.leakage_cm2': 'seams and gaps, cm²',
  'base.volumeShare': 'share of glycol by volume',
  'base.glycol': 'glycol',
  'panel.hole_mm': 'hole it needs, mm',
  'panel.at_mm': 'panel from its inner end, mm',
  'tube.outer_mm': 'tube, outer, mm',
  'tube.inner_mm': 'tube, inner, mm',
  'foot.x_mm': 'screw holes apart along x, mm',
  'foot.z_mm': 'screw holes apart along z, mm',
  price_minor: 'price',
  volume_L: 'volume, L',
  'core.fpi': 'fins an inch',
  behind_mm: 'clearance behind the tray, mm',
  bareThickness_mm: 'thickness without its cooler, mm',
  minFlow_Lmin: 'least flow, L/min',
  minSpeed_rpm: 'slowest, rpm',
  minBend_mm: 'least bend radius, mm',
  fullSpeed_rpm: 'fastest, rpm',
  section_mm: 'side of its fans, mm',
  holeGap_mm: "between neighbouring fans' holes, mm",
  finStart_mm: 'from its end to the first fan, mm',
  k: 'loss factor K',
  kSource: 'where K is from',
  id: 'number',
  'screw.depthToTube_mm': 'depth to the tube, mm',
};

/** Where a place on a board is measured from, by its axis. */
const FROM = ['from its rear edge', 'from its lower edge', 'over its back'] as const;
const CASE_FROM = ['from the rear panel', 'from the floor', 'from the tray'] as const;

/** Families of fields that are told alike; the first that fits. */
const FAMILIES: readonly (readonly [RegExp, (m: RegExpExecArray) => string])[] = [
  [/^slots_mm\.(\d+)$/, (m) => `slot ${Number(m[1]) + 1} over the lower edge, mm`],
  [/^panels_mm\.(\w+)$/, (m) => `sheet of the ${m[1] === 'bottom' ? 'floor' : m[1]}, mm`],
  [/^shares\.(\w+)$/, (m) => `share of its draw when ${m[1] === 'idle' ? 'idle' : `in ${m[1]}`}`],
  [/^boardAt\.(\d)$/, (m) => `board ${CASE_FROM[Number(m[1])]}, mm`],
  [/^riser\.at\.(\d)$/, (m) => `riser ${CASE_FROM[Number(m[1])]}, mm`],
  [
    /^bay\.(min|max)\.(\d)$/,
    (m) => `bay ${m[1] === 'min' ? 'starts' : 'ends'} ${CASE_FROM[Number(m[2])]}, mm`,
  ],
  [/^(\w+)At\.(\d)$/, (m) => `${m[1]} ${FROM[Number(m[2])]}, mm`],
  [
    /^powerPlug\.(min|max)\.(\d)$/,
    (m) => `power plug ${m[1] === 'min' ? 'from' : 'to'}, along ${'xyz'[Number(m[2])]}, mm`,
  ],
];
const UNITS = /_(mm|rpm|dBA|kPa|W|mL|L|mm2|months|m|uScm|Lmin|m3h|A|K|KW|C|Pa)$/;
const UNIT_WORDS: Readonly<Record<string, string>> = {
  mm2: 'mm²',
  uScm: 'µS/cm',
  Lmin: 'L/min',
  m3h: 'm³/h',
  KW: 'K/W',
  C: '°C',
};

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
