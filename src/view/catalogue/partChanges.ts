import {
  isComponentPart,
  type BlockFits,
  type Included,
  type Part,
  type PartKind,
} from '@/core/components';
import { resizedRadiator, resizeSide } from '@/core/making';
import { msg, worded } from '@/core/messages';

/** A figure that a part may have and need not. */
interface OptionalField {
  readonly path: string;
  readonly words: string;
  /** How it is typed; as a line of text where not given. */
  readonly as?: 'number' | 'yes' | 'boxed';
}
const LEAD: OptionalField = worded(() => ({
  path: 'lead_mm',
  words: msg`its cable, mm`,
  as: 'number',
}));
const SENSOR: OptionalField = worded(() => ({
  path: 'sensor',
  words: msg`reads the coolant (yes)`,
  as: 'yes',
}));
const CONNECTOR: OptionalField = worded(() => ({
  path: 'connector',
  words: msg`ends in, as four-pin fan`,
}));
const OF_KIND: Readonly<Partial<Record<PartKind, readonly OptionalField[]>>> = worded(() => ({
  processor: [{ path: 'pattern', words: msg`mounting pattern, as 75 × 75 M4` }],
  card: [{ path: 'layout', words: msg`card layout` }],
  board: [
    { path: 'pattern', words: msg`mounting pattern at the processor` },
    { path: 'layout', words: msg`board layout` },
  ],
  block: [
    { path: 'fits.patterns', words: msg`mounting patterns it fits, by commas` },
    { path: 'fits.cards', words: msg`card layouts it fits` },
    { path: 'fits.boards', words: msg`board layouts it fits` },
    { path: 'fits.sticks', words: msg`sticks it fits, as 2 × 9 mm apart` },
  ],
  fan: [LEAD],
  pump: [LEAD],
  reservoir: [SENSOR],
  inline: [SENSOR],
  cable: [{ path: 'length_mm', words: msg`length, mm`, as: 'number' }, CONNECTOR],
  device: [{ path: 'format', words: msg`size of drive, as 2.5 in` }, CONNECTOR],
}));
const OF_ALL: readonly OptionalField[] = worded(() => [
  { path: 'soldIn', words: msg`parts in a pack, where sold so`, as: 'number' },
  { path: 'includes', words: msg`in its box, as 2 × fit-plug, 1 × paste`, as: 'boxed' },
]);

/** The figures that a part of this kind may have and need not. */
export const optionalOf = (part: Part): readonly OptionalField[] => [
  ...(OF_KIND[part.kind] ?? []),
  ...(part.kind === 'fitting' && part.duty === 'plug' ? [SENSOR] : []),
  ...OF_ALL,
];

const BOXED = /^(\d+)\s*[×x]?\s*([A-Za-z0-9][\w.:-]*)$/;
const boxedOf = (text: string): readonly Included[] =>
  listed(text).flatMap((t) => {
    const [, quantity, what] = BOXED.exec(t) ?? [];
    return quantity && what ? [{ what, quantity: Number(quantity) }] : [];
  });
const asTyped: Readonly<Record<NonNullable<OptionalField['as']>, (text: string) => unknown>> = {
  number: (text) => Number(text.replace(',', '.')),
  yes: (text) => (/^y/i.test(text) ? true : undefined),
  boxed: (text) => boxedOf(text),
};

const STICKS = /(\d+)\D+(\d+(?:[.,]\d+)?)/;
const listed = (text: string): readonly string[] =>
  text
    .split(',')
    .map((t) => t.trim())
    .filter((t) => t !== '');

function plainText(part: Part, path: string): string {
  const value = (part as unknown as Readonly<Record<string, unknown>>)[path];
  if (value === true) return msg`yes`;
  if (path === 'includes')
    return (part.includes ?? []).map((i) => `${i.quantity} × ${i.what}`).join(', ');
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** What a part says of such a figure, as text. */
export function optionalText(part: Part, path: string): string {
  if (part.kind === 'block' && path.startsWith('fits.')) {
    const { patterns = [], cards = [], boards = [], sticks = [] } = part.fits ?? {};
    const texts: Readonly<Record<string, string>> = {
      'fits.patterns': patterns.map((p) => p.pattern).join(', '),
      'fits.cards': cards.join(', '),
      'fits.boards': boards.join(', '),
      'fits.sticks': sticks.map((s) => `${s.count} × ${s.pitch_mm}`).join(', '),
    };
    return texts[path] ?? '';
  }
  return plainText(part, path);
}

/** The part with such a figure typed; without it where the text is empty. */
export function withOptional(part: Part, path: string, text: string): Part {
  if (part.kind !== 'block' || !path.startsWith('fits.')) {
    const { [path]: _old, ...rest } = part as unknown as Record<string, unknown>;
    const as = optionalOf(part).find((o) => o.path === path)?.as;
    const typed = text.trim(),
      value = as ? asTyped[as](typed) : typed;
    return (typed === '' || value === undefined
      ? rest
      : { ...rest, [path]: value }) as unknown as Part;
  }
  const { patterns: known = [], ...others } = part.fits ?? {};
  const list = listed(text);
  const changed: BlockFits =
    path === 'fits.patterns'
      ? {
          ...others,
          patterns: list.map((pattern) => known.find((p) => p.pattern === pattern) ?? { pattern }),
        }
      : { ...others, patterns: known, ...otherFits(path, list) };
  return { ...part, fits: changed };
}

function otherFits(path: string, list: readonly string[]): BlockFits {
  if (path === 'fits.cards') return { cards: list };
  if (path === 'fits.boards') return { boards: list };
  return {
    sticks: list.flatMap((t) => {
      const [, count, pitch] = STICKS.exec(t) ?? [];
      return count && pitch
        ? [{ count: Number(count), pitch_mm: Number(pitch.replace(',', '.')) }]
        : [];
    }),
  };
}

/**
 * A part of another size: a radiator with its ports, core, volume and drop, any other body with its
 * ports where they were on their faces; null for any other change.
 */
export function resized(part: Part, path: string, value: number): Part | null {
  if (value <= 0) return null;
  const side = /^size\.([012])$/.exec(path)?.[1];
  if (part.kind !== 'radiator')
    return side !== undefined && isComponentPart(part)
      ? resizeSide(part, Number(side) as 0 | 1 | 2, value)
      : null;
  switch (path) {
    case 'section_mm':
      return resizedRadiator(part, { section: value });
    case 'sections':
      return resizedRadiator(part, { sections: value });
    case 'size.2':
      return resizedRadiator(part, { thick: value });
    default:
      return null;
  }
}
