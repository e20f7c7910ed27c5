import { CATALOGUE, offered, type PartLists } from '@/catalogue';
import type { Part } from '@/core/components';
import { msg } from '@/core/messages';
import { refuse, type Answer } from './answer';
import { ownParts } from './ownParts';
import { theStore } from './store';

export const retiredParts = async (): Promise<readonly string[]> =>
  (await theStore()).listRetired();

/** Custom parts, and numbers of parts out of use. */
export const partListsNow = async (): Promise<PartLists> => ({
  own: await ownParts(),
  retired: await retiredParts(),
});

/**
 * What the builder's catalogue offers: custom parts and the catalogue's, less what is out of use.
 */
export const storesOffer = async (): Promise<readonly Part[]> => offered(await partListsNow());

/**
 * Takes a part of the Stores, or one of one's own, out of use. Builds that have it keep their copy.
 */
export async function retire(id: string): Promise<Answer> {
  const store = await theStore();
  if (!CATALOGUE.some((p) => p.id === id) && !(await store.listParts()).some((p) => p.id === id))
    return refuse(404, msg`There is no such part in the catalogue.`);
  await store.retirePart(id, Date.now());
  return { status: 204, body: null };
}

export async function restore(id: string): Promise<Answer> {
  return (await (await theStore()).restorePart(id))
    ? { status: 204, body: null }
    : refuse(404, msg`This part is in use already.`);
}
