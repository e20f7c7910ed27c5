import { CATALOGUE } from '@/catalogue';
import { validatePart } from '@/core/validation';
import type { Part } from '@/core/components';
import { listParts, removePart, restorePart, savePart } from '@/store';
import { ok, refuse, type Answer } from './answer';
import { theStore } from './builds';

/** Parts a builder may keep of their own. */
const MOST_OWN = 2000;

/**
 * What the guard said of a document as it was kept then: guarding hundreds anew at each asking
 * takes a while.
 */
const validatedBefore = new Map<
  string,
  { readonly document: string; readonly part: Part | null }
>();

/**
 * The builder's own parts. What an older guard let in and this one does not is left out, not lost.
 */
export async function ownParts(): Promise<readonly Part[]> {
  return (await listParts(await theStore())).flatMap((row): Part[] => {
    const before = validatedBefore.get(row.id);
    if (before?.document === row.document) return before.part ? [before.part] : [];
    const validated = validatePart(JSON.parse(row.document) as unknown),
      part = validated.ok ? validated.value : null;
    if (validatedBefore.size > 2 * MOST_OWN) validatedBefore.clear();
    validatedBefore.set(row.id, { document: row.document, part });
    return part ? [part] : [];
  });
}

/** Keeps a part under its own id; the Stores' own ids stay theirs. */
export async function putPart(id: string, data: unknown): Promise<Answer> {
  const validated = validatePart(data);
  if (!validated.ok) return refuse(400, 'This is not a part that can be kept.', validated.troubles);
  const part = validated.value;
  if (part.id !== id)
    return refuse(400, "The part's id is another than the address says.", [
      { path: 'id', message: `must be ${id.slice(0, 64)}` },
    ]);
  if (CATALOGUE.some((p) => p.id === id))
    return refuse(409, 'The Stores have a part of this number; give yours another.');
  const rows = await listParts(await theStore());
  if (rows.length >= MOST_OWN && !rows.some((r) => r.id === id))
    return refuse(409, `At most ${MOST_OWN} parts of your own are kept.`);
  await savePart(
    await theStore(),
    { id, kind: part.kind, document: JSON.stringify(part) },
    Date.now(),
  );
  return ok({ id });
}

export async function dropPart(id: string): Promise<Answer> {
  const store = await theStore();
  // One that comes back under its number is in use.
  await restorePart(store, id);
  return (await removePart(store, id))
    ? { status: 204, body: null }
    : refuse(404, 'There is no such part of your own.');
}

/** Rows looked at in one asking. */
const MOST_ROWS = 500;

/** What is wrong with each of several parts, without keeping any: for the preview of an import. */
export function checkParts(data: unknown): Answer {
  if (!Array.isArray(data)) return refuse(400, 'Send a list of parts.');
  if (data.length > MOST_ROWS)
    return refuse(413, `At most ${MOST_ROWS} parts are looked at together.`);
  return ok(
    data.map((part: unknown) => {
      const validated = validatePart(part);
      if (!validated.ok) return { ok: false, troubles: validated.troubles };
      return CATALOGUE.some((p) => p.id === validated.value.id)
        ? {
            ok: false,
            troubles: [
              { path: 'id', message: 'the Stores have a part of this number; give yours another' },
            ],
          }
        : { ok: true, troubles: [] };
    }),
  );
}
