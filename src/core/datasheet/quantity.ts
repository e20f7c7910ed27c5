/** What a number measures, as far as its unit tells. */
export type Dimension =
  | 'length'
  | 'power'
  | 'speed'
  | 'sound'
  | 'air'
  | 'flow'
  | 'pressure'
  | 'head'
  | 'resistance'
  | 'volume'
  | 'fins'
  | 'temperature'
  | 'money'
  | 'other'
  | 'none';

/** A number of a text with its unit, and where it stands. */
export interface Quantity {
  readonly low: number;
  /** The same as `low` unless it is a range. */
  readonly high: number;
  readonly unit: string;
  /** What the unit may mean, with the factor to this program's own unit. */
  readonly as: Readonly<Partial<Record<Dimension, number>>>;
  /** Offsets in the whole text. */
  readonly from: number;
  readonly to: number;
  readonly line: number;
}

interface Unit {
  readonly words: RegExp;
  readonly as: Quantity['as'];
}

/** Own units: mm, W, rpm, dBA, m³/h, L/min, kPa, m, K/W, mL, fins an inch, °C, money. */
const UNITS: readonly Unit[] = [
  { words: /^(?:K\/W|°?C\/W|K·W⁻¹)(?![a-z])/i, as: { resistance: 1 } },
  { words: /^(?:m³\/h|m3\/h|m\^3\/h|cbm\/h)(?![a-z])/i, as: { air: 1, flow: 1000 / 60 } },
  { words: /^(?:cfm|ft³\/min)(?![a-z])/i, as: { air: 1.699011 } },
  { words: /^(?:l\/min|lpm|litres? (?:a|per) minute)(?![a-z])/i, as: { flow: 1, air: 0.06 } },
  { words: /^(?:l\/h|litres? (?:an|per) hour)(?![a-z])/i, as: { flow: 1 / 60 } },
  { words: /^(?:gpm|gal(?:lons)?\/min)(?![a-z])/i, as: { flow: 3.785412 } },
  { words: /^(?:mmH2O|mm ?H₂O|mm ?Aq|mmWC|mm ?WS)(?![a-z])/i, as: { pressure: 0.00980665 } },
  {
    words: /^(?:mH2O|m ?H₂O|mWC|m ?WS|mWs|metres? of water)(?![a-z])/i,
    as: { head: 1, pressure: 9.80665 },
  },
  { words: /^(?:mbar|hPa)(?![a-z])/i, as: { pressure: 0.1 } },
  { words: /^(?:kPa)(?![a-z])/i, as: { pressure: 1 } },
  { words: /^(?:bar)(?![a-z])/i, as: { pressure: 100 } },
  { words: /^(?:psi)(?![a-z])/i, as: { pressure: 6.894757 } },
  { words: /^(?:Pa)(?![a-z])/, as: { pressure: 0.001 } },
  { words: /^(?:rpm|r\/min|U\/min|min-1|min⁻¹|1\/min)(?![a-z])/i, as: { speed: 1 } },
  { words: /^(?:dB ?\(A\)|dBA|dB)(?![a-z])/i, as: { sound: 1 } },
  { words: /^(?:fpi|fins (?:an|per|\/) ?inch|fins\/in)(?![a-z])/i, as: { fins: 1 } },
  { words: /^(?:kW)(?![a-z])/, as: { power: 1000 } },
  { words: /^(?:W|watts?)(?![a-z])/i, as: { power: 1 } },
  { words: /^(?:ml|cm³|cc|cm3)(?![a-z])/i, as: { volume: 1 } },
  { words: /^(?:l|litres?|liters?)(?![a-z/])/i, as: { volume: 1000 } },
  { words: /^(?:mm)(?![a-z])/i, as: { length: 1 } },
  { words: /^(?:cm)(?![a-z³])/i, as: { length: 10 } },
  { words: /^(?:inch(?:es)?|in\.|″|")/i, as: { length: 25.4 } },
  { words: /^(?:ft|feet)(?![a-z])/i, as: { head: 0.3048, length: 304.8 } },
  { words: /^(?:m|metres?|meters?)(?![a-z²³/^])/i, as: { head: 1, length: 1000 } },
  { words: /^(?:°\s?C|degrees? C)(?![a-z/])/i, as: { temperature: 1 } },
  { words: /^(?:€|EUR|USD|\$|£|GBP)/, as: { money: 1 } },
  {
    words: /^(?:V|A|mA|Hz|kHz|kg|g|h|hours|years?|months?|%|pcs|pieces)(?![a-z])/i,
    as: { other: 1 },
  },
];

const NUMBER = /[+-]?\d{1,3}(?:[  '’]\d{3})+(?:[.,]\d+)?|[+-]?\d+(?:[.,]\d+)*/;
const JOINS = /^\s*(?:–|—|-|to|…|\.\.\.?|~)\s*(?=\d)/;

/** The unit that a text begins with. */
export function unitAt(
  text: string,
): { readonly unit: string; readonly as: Quantity['as'] } | null {
  for (const { words, as } of UNITS) {
    const [unit] = words.exec(text) ?? [];
    if (unit) return { unit, as };
  }
  return null;
}

/**
 * A number as it is written: comma or point before decimals, blanks or either between thousands. A
 * separator with exactly three digits behind it parts thousands where `isLarge` says that such
 * figures are large; 0.125 and 0,125 are decimals whatever it says.
 */
export function numberOf(written: string, isLarge: boolean): number {
  const bare = written.replace(/[  '’]/g, '');
  const marks = bare.match(/[.,]/g) ?? [];
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  if (marks.length === 0) return Number(bare);
  const behind = bare.length - last - 1;
  const parted =
    (marks.length > 1 && new Set(marks).size === 1) ||
    (marks.length === 1 && behind === 3 && isLarge && !/^[+-]?0/.test(bare));
  const whole = bare.replace(/[.,]/g, (mark, at: number) => (!parted && at === last ? '.' : ''));
  return Number(whole);
}

/** Speeds go by thousands; so do watts and money of a machine. */
const LARGE: readonly Dimension[] = ['speed', 'money'];

/** Every number of a text with its unit, in order. Ranges are one quantity. */
export function quantitiesIn(text: string): readonly Quantity[] {
  const found: Quantity[] = [];
  let line = 1,
    counted = 0,
    at = 0;
  while (at < text.length) {
    const next = NUMBER.exec(text.slice(at));
    if (!next) break;
    const from = at + next.index;
    // Part of a word (G1/4, M3, UNC 6-32, v2): no quantity.
    const isWord = /[A-Za-z_]$/.test(text.slice(Math.max(0, from - 1), from));
    let to = from + next[0].length;
    if (isWord) {
      at = to;
      continue;
    }
    const join = JOINS.exec(text.slice(to));
    const second = join ? NUMBER.exec(text.slice(to + join[0].length)) : null;
    const isRange = join !== null && second?.index === 0 && !/^[+-]/.test(next[0]);
    if (isRange) to += join[0].length + second[0].length;
    const gap = /^[\s[(]{0,2}/.exec(text.slice(to))?.[0] ?? '';
    const unit = gap.includes('\n') ? null : unitAt(text.slice(to + gap.length));
    const before = /(€|\$|£|EUR)\s?$/.exec(text.slice(Math.max(0, from - 4), from));
    if (unit) to += gap.length + unit.unit.length;
    const as = unit?.as ?? (before ? { money: 1 } : { none: 1 });
    const isLarge = LARGE.some((d) => d in as);
    const low = numberOf(next[0], isLarge);
    line += (text.slice(counted, from).match(/\n/g) ?? []).length;
    counted = from;
    found.push({
      low,
      high: isRange ? numberOf(second[0], isLarge) : low,
      unit: unit?.unit ?? before?.[1] ?? '',
      as,
      from,
      to,
      line,
    });
    at = to;
  }
  return found;
}
