const WORDS: Readonly<Record<string, string>> = {
  'size.0': 'length, mm',
  'size.1': 'width, mm',
  'size.2': 'depth, mm',
  price_minor: 'price',
  'core.fpi': 'fins an inch',
  id: 'number',
  'screw.depthToTube_mm': 'depth to the tube, mm',
};
const UNITS = /_(mm|rpm|dBA|kPa|W|mL|mm2|months|m|uScm|Lmin|m3h|A)$/;

/** A field of a part in words: its unit behind a comma, its parts apart. */
export function fieldWords(field: string): string {
  const known = WORDS[field];
  if (known) return known;
  const unit = UNITS.exec(field)?.[1],
    bare = field.replace(UNITS, '').replace(/^core\./, '');
  const unitWords = () => {
    if (unit === 'mm2') return 'mm²';
    if (unit === 'uScm') return 'µS/cm';
    if (unit === 'Lmin') return 'L/min';
    if (unit === 'm3h') return 'm³/h';
    if (unit === 'KW') return 'K/W';
    if (unit === 'C') return '°C';
    return unit;
  };
  return `${bare.replace(/\./g, ' ').replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`)}${unit ? `, ${unitWords()}` : ''}`;
}
