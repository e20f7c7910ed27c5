import { componentName, type Design, type DocumentPath } from '@/core/design';
import { formatNumber } from '@/core/units';
import { counted, msg, worded } from '@/core/messages';

const ROOMS: Readonly<Record<string, string>> = worded(() => ({
  name: msg`Name of the build`,
  brief: msg`Requirements`,
  case: msg`Case`,
  kit: msg`Fittings and consumables`,
  layout: msg`Routes of the tubes`,
  choices: msg`Choices`,
  limits: '',
  settings: '',
  placement: msg`place`,
  connections: '',
}));

/** Fields whose key says too little. */
const FIELDS: Readonly<Record<string, string>> = worded(() => ({
  deltaT_K: msg`coolant ΔT at most, K`,
  noise_dBA: msg`noise at most, dBA`,
  flow_Lmin: msg`flow at least, L/min`,
  part_C: msg`hottest part at most, °C`,
  budget_minor: msg`budget, hundredths`,
  clear_mm: msg`least clearance, mm`,
  speed_rpm: msg`speed, rpm`,
}));
/** Units as they are written, where the key cannot bear them. */
const UNITS: Readonly<Record<string, string>> = { C: '°C', Lmin: 'L/min', m3h: 'm³/h' };

/** "powerDraw_W" → "power draw, W"; "loadCase" → "load case". */
function fieldWords(key: string): string {
  const known = FIELDS[key];
  if (known !== undefined) return known;
  const [words = '', unit] = key.split('_');
  const apart = words.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
  return unit === undefined ? apart : `${apart}, ${UNITS[unit] ?? unit}`;
}

/** Where two documents differ, in words: "Pump: speed, rpm". */
export function placeWords(path: DocumentPath, ...designs: readonly Design[]): string {
  const [room = '', id, ...rest] = path;
  const fields = (keys: readonly string[]): string =>
    keys
      .map((key) => ROOMS[key] ?? fieldWords(key))
      .filter((w) => w !== '')
      .join(' ');
  if (room === 'components' && id !== undefined) {
    const owner = designs.find((d) => d.components.some((c) => c.id === id));
    const name = owner ? componentName(owner, id) : id;
    return rest.length > 0 ? `${name}: ${fields(rest)}` : name;
  }
  if (room === 'loops' && id !== undefined) {
    const loop = designs.flatMap((d) => d.loops).find((l) => l.id === id);
    const of = loop?.name ?? id;
    return rest.length > 0 ? `${of}: ${fields(rest)}` : of;
  }
  return [ROOMS[room] ?? fieldWords(room), fields(path.slice(1))]
    .filter((w) => w !== '')
    .join(': ');
}

/** A value of a document in a few words. */
export function valueWords(value: unknown): string {
  if (value === undefined) return msg`not there`;
  if (value === null) return msg`none`;
  if (typeof value === 'number')
    return formatNumber(value, { decimals: Number.isInteger(value) ? 0 : 2 });
  if (typeof value === 'boolean') return value ? msg`yes` : msg`no`;
  if (typeof value === 'string') return value.length > 60 ? `${value.slice(0, 57)}…` : value;
  if (Array.isArray(value)) return msg`${counted(value.length, '1 entry', '# entries')}`;
  const { name } = value as { readonly name?: unknown };
  return typeof name === 'string' ? name : msg`there`;
}
