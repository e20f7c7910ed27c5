import { checkParts, safely, readJson, respond } from '@/server';

export const dynamic = 'force-dynamic';

/** What is wrong with each of several parts; keeps none. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readJson(request);
    return respond(read.ok ? checkParts(read.data) : read.answer);
  });
