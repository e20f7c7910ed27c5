import { evaluateDocument, guarded, readJson, respond, theShelves } from '@/server';

export const dynamic = 'force-dynamic';

export const POST = (request: Request): Promise<Response> => guarded(async () => {
  const read = await readJson(request);
  return respond(read.ok ? await evaluateDocument(read.data, await theShelves()) : read.answer);
});
