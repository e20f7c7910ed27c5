import { evaluateDocument, guarded, readJson, respond, storesOffer } from '@/server';

export const dynamic = 'force-dynamic';

export const POST = (request: Request): Promise<Response> => guarded(async () => {
  const read = await readJson(request);
  return respond(read.ok ? evaluateDocument(read.data, await storesOffer()) : read.answer);
});
