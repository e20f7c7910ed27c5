import same from 'fast-deep-equal';
import { looseReferences } from './references';
import type { Design } from './types';

/** Where in a document: keys, and ids in lists whose entries have one. */
export type DocumentPath = readonly string[];

/** One thing that differs between two documents. Undefined where it is not there. */
export interface Difference {
  readonly path: DocumentPath;
  readonly before: unknown;
  readonly after: unknown;
}

/** One thing that both sides changed, each otherwise. */
export interface Clash {
  readonly path: DocumentPath;
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged {
  /** Both sides' changes; of what clashes, mine. */
  readonly design: Design;
  readonly clashes: readonly Clash[];
  /** What the merged document names that is not there: the sides do not go together as they are. */
  readonly loose: readonly { readonly path: string; readonly message: string }[];
}

type Entry = Readonly<Record<string, unknown>> & { readonly id: string };
type Keyed = Readonly<Record<string, unknown>>;

const isObject = (value: unknown): value is Keyed =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isEntries = (value: unknown): value is readonly Entry[] =>
  Array.isArray(value) && value.every((e) => isObject(e) && typeof e.id === 'string');

/** Whether something is taken apart rather than compared whole: a part is one thing, by its id. */
const isWhole = (path: DocumentPath): boolean => path.at(-1) === 'part' || path[0] === 'case';

/**
 * What differs between two documents, field by field; of a list whose entries have ids, entry by
 * entry. What was computed into the layout is told as one difference.
 */
export function differences(before: Design, after: Design): readonly Difference[] {
  const found: Difference[] = [];
  const walk = (a: unknown, b: unknown, path: DocumentPath): void => {
    if (a === b || same(a, b)) return;
    const keys = path[0] === 'layout' || isWhole(path) ? null : keysOf(a, b);
    if (keys === null) {
      found.push({ path, before: a, after: b });
      return;
    }
    for (const key of keys) walk(at(a, key), at(b, key), [...path, key]);
  };
  walk(before, after, []);
  return found;
}

/** The keys, or ids, by which two values are walked; null where they are compared whole. */
function keysOf(a: unknown, b: unknown): readonly string[] | null {
  if (isEntries(a) && isEntries(b) && a.length + b.length > 0)
    return [...new Set([...a, ...b].map((e) => e.id))];
  if (isObject(a) && isObject(b)) return [...new Set([...Object.keys(a), ...Object.keys(b)])];
  return null;
}

const at = (value: unknown, key: string): unknown =>
  Array.isArray(value)
    ? (value as readonly Entry[]).find((e) => e.id === key)
    : (value as Keyed)[key];

/**
 * Both sides' changes since `base` in one document. What both changed alike, or only one side
 * changed, is taken; the rest clashes. Routes and poses never clash: they are checked against the
 * merged document and routed again where they no longer hold. With no base everything that differs
 * clashes.
 */
export function mergeDesigns(base: Design | null, mine: Design, theirs: Design): Merged {
  const clashes: Clash[] = [];
  const merge = (from: unknown, ours: unknown, others: unknown, path: DocumentPath): unknown => {
    if (same(ours, others)) return ours;
    if (base && same(from, ours)) return others;
    if (base && same(from, others)) return ours;
    const keys = isWhole(path) ? null : keysOf(ours, others);
    if (keys === null) {
      if (path[0] !== 'layout') clashes.push({ path, base: from, mine: ours, theirs: others });
      return ours;
    }
    const entries = keys.flatMap((key): (readonly [string, unknown])[] => {
      const old = from === undefined || from === null ? undefined : atOrNone(from, key);
      const value = merge(old, at(ours, key), at(others, key), [...path, key]);
      return value === undefined ? [] : [[key, value]];
    });
    return Array.isArray(ours) ? entries.map(([, value]) => value) : Object.fromEntries(entries);
  };
  const design = merge(base ?? undefined, mine, theirs, []) as Design;
  return { design, clashes, loose: looseReferences(design) };
}

const atOrNone = (value: unknown, key: string): unknown =>
  isEntries(value) || isObject(value) ? at(value, key) : undefined;

/** The document with one thing in it as the other side has it. */
export function withTheirs(design: Design, clash: Clash): Design {
  return put(design, clash.path, clash.theirs) as Design;
}

function put(into: unknown, path: DocumentPath, value: unknown): unknown {
  const [key, ...rest] = path;
  if (key === undefined) return value;
  if (Array.isArray(into)) {
    const list = into as readonly Entry[],
      found = list.find((e) => e.id === key);
    const next = put(found, rest, value);
    if (next === undefined) return list.filter((e) => e !== found);
    return found ? list.map((e) => (e === found ? next : e)) : [...list, next];
  }
  const { [key]: old, ...others } = (into ?? {}) as Keyed;
  const next = put(old, rest, value);
  return next === undefined ? others : { ...(into as Keyed), [key]: next };
}
