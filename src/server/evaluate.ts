import type { PartLists } from '@/catalogue';
import { slug } from '@/format';
import { msg } from '@/core/messages';
import { JsonText, ok, refuse, type Answer } from './answer';
import { openBuild } from './builds';
import type { PdfAsked } from './pdf/worker';
import { inPool, printed, type Watch } from './pool';
import { JUDGE_MS, pooled, PRINT_MS, ROUTE_MS } from './pooled';

/**
 * What follows from a build, with fixes from what the builder's catalogue offers. Worked out in the
 * pool.
 */
export const evaluateDocument = (
  text: string,
  partLists: PartLists,
  {
    fixes = false,
    route = false,
    ...watch
  }: { readonly fixes?: boolean; readonly route?: boolean } & Watch = {},
): Promise<Answer> =>
  pooled(async () => {
    const evaluated = await inPool(
      'evaluate',
      { text, partLists, fixes, route },
      fixes || route ? ROUTE_MS : JUDGE_MS,
      watch,
    );
    if (!evaluated.ok)
      return refuse(400, msg`This is not a build that can be evaluated.`, evaluated.troubles);
    return { status: 200, body: new JsonText(evaluated.json) };
  });

/** The parts list of a stored build as CSV. */
export const partsListCsv = (id: string, watch: Watch = {}): Promise<Answer> =>
  pooled(async () => {
    const opened = await openBuild(id);
    if (!opened) return refuse(404, msg`There is no such build.`);
    return ok(await inPool('listCsv', { design: opened.design }, PRINT_MS, watch));
  });

/** A stored build as PDF, the whole sheet or one of its other papers: name and bytes. */
export const buildPdf = (
  id: string,
  asked: Omit<PdfAsked, 'design'>,
  watch: Watch = {},
): Promise<Answer> =>
  pooled(async () => {
    const opened = await openBuild(id);
    if (!opened) return refuse(404, msg`There is no such build.`);
    const { design } = opened;
    return ok({
      name: `${slug(design.name)}-${asked.of}.pdf`,
      pdf: await printed({ design, ...asked }, PRINT_MS, watch),
    });
  });

let proof: ReturnType<typeof workOutProof> | null = null;
const workOutProof = () => inPool('proof', {}, ROUTE_MS);

/** Every published check; they never change while the server runs. */
export async function provenRows(): ReturnType<typeof workOutProof> {
  proof ??= workOutProof();
  try {
    return await proof;
  } catch (error) {
    proof = null;
    throw error;
  }
}
