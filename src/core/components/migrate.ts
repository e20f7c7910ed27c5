type Document = Record<string, unknown>;

const isObject = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const KINDS: Readonly<Record<string, string>> = { lead: 'cable', sundry: 'consumable' };
const LOADS: Readonly<Record<string, string>> = {
  play: 'gaming',
  torture: 'stress',
  own: 'custom',
};
const HEATED = new Set(['processor', 'card', 'board', 'memory', 'supply']);

/** A load case by the name it has had since version 3 of the document; any other value as it is. */
export const loadCaseNow = (old: unknown): unknown =>
  typeof old === 'string' ? (LOADS[old] ?? old) : old;

/** The same object with some of its keys named anew; what has the new name already keeps it. */
export function renameKeys(old: Document, names: Readonly<Record<string, string>>): Document {
  return Object.fromEntries(Object.entries(old).map(([key, value]) => [names[key] ?? key, value]));
}

/** Shares of a load by case, under the names of version 3. */
export const sharesNow = (old: unknown): unknown => (isObject(old) ? renameKeys(old, LOADS) : old);

/**
 * A part as the document names it now. Parts carry no version of their own: what has the names of
 * versions 2 and 3 (before December 2026) is known by them. Anything that is no part stays as it is, for
 * validation to refuse.
 */
export function migratePart(old: unknown): unknown {
  if (!isObject(old)) return old;
  const kind = typeof old.kind === 'string' ? (KINDS[old.kind] ?? old.kind) : old.kind;
  const isHeated = typeof kind === 'string' && HEATED.has(kind);
  const part = renameKeys(
    { ...old, kind },
    { softs: 'polymers', ...(isHeated ? { spots: 'hotSpots' } : {}) },
  );
  const named = part.duty === 'joint' ? { ...part, duty: 'maleToMale' } : part;
  return 'shares' in named ? { ...named, shares: sharesNow(named.shares) } : named;
}
