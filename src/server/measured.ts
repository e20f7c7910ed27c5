import { measuredParts, type MeasuredPart } from '@/core/log';
import { inPool } from './pool';
import { OPEN_MS } from './pooled';
import { theStore } from './store';

/** What each document told, as it was then. */
const toldBefore = new Map<string, readonly MeasuredPart[]>();
const MOST_KEPT = 100;

/** What readings of any build here told of its parts, newest change first. */
export async function partsMeasured(): Promise<readonly MeasuredPart[]> {
  const all: MeasuredPart[] = [];
  for (const document of await (await theStore()).listMeasured()) {
    const before = toldBefore.get(document);
    if (before) {
      all.push(...before);
      continue;
    }
    const opened = await inPool('open', { document }, OPEN_MS);
    const told = opened.ok ? measuredParts(opened.value) : [];
    if (toldBefore.size >= MOST_KEPT) toldBefore.clear();
    toldBefore.set(document, told);
    all.push(...told);
  }
  return all;
}
