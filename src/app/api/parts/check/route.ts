import { checkParts, safely, readText, respond } from '@/server';

export const dynamic = 'force-dynamic';

/** What is wrong with each of several parts; keeps none. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    return respond(read.ok ? await checkParts(read.data) : read.answer);
  });
