import { evaluateDocument, guarded, readJson, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const POST = (request: Request): Promise<Response> => guarded(async () => {
  const read = await readJson(request);
  return respond(read.ok ? evaluateDocument(read.data) : read.answer);
});
