import type { Part } from '@/core/components';
import { freeId } from '@/core/design';
import type { StarterAsked } from '@/core/starter';
import { msg } from '@/core/messages';
import { BY_WATTS, cardsOf, LATER, NONE, type Sources } from './SourceFields';

/** What was said cannot be taken up; the words say why. */
export type Asked =
  | { readonly ok: true; readonly asked: StarterAsked }
  | { readonly ok: false; readonly why: string };

/**
 * What a first build is to be made from; parts told by their watts are made and kept first. Null
 * where no heat source was named.
 */
export async function askedFrom(
  sources: Sources,
  own: readonly Part[],
  keep: (part: Part) => Promise<string | null>,
): Promise<Asked | null> {
  const ids = own.map((p) => p.id);
  const idOf = async (kind: 'processor' | 'card'): Promise<string | null> => {
    const chosen = sources[kind];
    if (chosen === NONE || chosen === LATER) return null;
    if (chosen !== BY_WATTS) return chosen;
    const heat_W = sources[`${kind}_W`];
    const what = kind === 'card' ? msg`graphics card` : 'processor';
    if (heat_W === null) throw new Error(`Say how many watts the ${what} draws.`);
    const id = freeId(ids, `own-${kind}-${Math.round(heat_W)}`);
    ids.push(id);
    const name = `${kind === 'card' ? msg`Card` : msg`Processor`}, ${Math.round(heat_W)} W`;
    const { makeHeatSource } = await import('@/core/making');
    const refused = await keep(makeHeatSource(kind, { id, name, heat_W }));
    if (refused !== null) throw new Error(refused);
    return id;
  };
  try {
    const processor = await idOf('processor'),
      card = await idOf('card');
    if (processor === null && card === null) return null;
    return { ok: true, asked: { processor, card, cards: cardsOf(sources), tube: sources.tube } };
  } catch (error) {
    return { ok: false, why: (error as Error).message };
  }
}

const KEY = 'first';

/** The address of a new build that is to be begun with what was asked. */
export const addressWith = (id: string, asked: StarterAsked | null): string =>
  `/builds/${id}/heat${asked ? `?${KEY}=${encodeURIComponent(JSON.stringify(asked))}` : ''}`;

/** What the address asks for, once: it is taken out of it. */
export function takeAsked(): StarterAsked | null {
  const address = new URL(window.location.href);
  const text = address.searchParams.get(KEY);
  if (text === null) return null;
  address.searchParams.delete(KEY);
  window.history.replaceState(null, '', `${address.pathname}${address.search}`);
  return readAsked(text);
}

/** Nothing that an address holds is trusted. */
function readAsked(text: string): StarterAsked | null {
  try {
    const { processor, card, cards, tube } = JSON.parse(text) as Partial<StarterAsked>;
    const id = (v: unknown): string | null => (typeof v === 'string' ? v.slice(0, 80) : null);
    return {
      processor: id(processor),
      card: id(card),
      cards: cards === 2 ? 2 : Number(id(card) !== null),
      tube: tube === 'hard' ? 'hard' : 'soft',
    };
  } catch {
    return null;
  }
}
