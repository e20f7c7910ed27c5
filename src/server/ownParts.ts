import { CATALOGUE } from '@/catalogue';
import { validatePart } from '@/core/validation';
import type { Part } from '@/core/components';
import { msg } from '@/core/messages';
import { ok, refuse, type Answer } from './answer';
import { inPool } from './pool';
import { LOOK_OVER_MS, pooled } from './pooled';
import { theStore } from './store';

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
  return (await (await theStore()).listParts()).flatMap((row): Part[] => {
    const before = validatedBefore.get(row.id);
    if (before?.document === row.document) return before.part ? [before.part] : [];
    const validated = validatePart(JSON.parse(row.document) as unknown),
      part = validated.ok ? validated.value : null;
    if (validatedBefore.size > 2 * MOST_OWN) validatedBefore.clear();
    validatedBefore.set(row.id, { document: row.document, part });
    return part ? [part] : [];
  });
}

/** Keeps a part under its own id; the catalogue's own ids stay its. */
export const putPart = (id: string, text: string): Promise<Answer> =>
  pooled(async () => {
    const validated = await inPool('acceptPart', { text }, LOOK_OVER_MS);
    if (!validated.ok)
      return refuse(400, msg`This is not a part that can be kept.`, validated.troubles);
    return keepPart(id, validated.value);
  });

async function keepPart(id: string, part: Part): Promise<Answer> {
  if (part.id !== id)
    return refuse(400, msg`The part's id is another than the address says.`, [
      { path: 'id', message: msg`must be ${id.slice(0, 64)}` },
    ]);
  if (CATALOGUE.some((p) => p.id === id))
    return refuse(409, msg`The catalogue has a part of this number; give yours another.`);
  const store = await theStore();
  const rows = await store.listParts();
  if (rows.length >= MOST_OWN && !rows.some((r) => r.id === id))
    return refuse(409, msg`At most ${MOST_OWN} parts of your own are kept.`);
  await store.savePart({ id, kind: part.kind, document: JSON.stringify(part) }, Date.now());
  return ok({ id });
}

/** Puts an own part into the bin, where it lies for thirty days. */
export async function dropPart(id: string): Promise<Answer> {
  const store = await theStore();
  // One that comes back under its number is in use.
  await store.restorePart(id);
  return (await store.binPart(id, Date.now()))
    ? { status: 204, body: null }
    : refuse(404, msg`There is no such part of your own.`);
}

/** What is wrong with each of several parts; keeps none. */
export const checkParts = (text: string): Promise<Answer> =>
  pooled(async () => {
    const checked = await inPool('checkParts', { text }, LOOK_OVER_MS);
    return checked.ok
      ? ok(checked.value)
      : refuse(400, msg`These parts cannot be looked over.`, checked.troubles);
  });
