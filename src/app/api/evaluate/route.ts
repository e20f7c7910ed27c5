import {
  evaluateDocument,
  safely,
  readText,
  respond,
  respondWatched,
  partListsNow,
} from '@/server';

export const dynamic = 'force-dynamic';

/** `?fixes=1` tries the ways out; `?route=1` first routes what is not routed. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    if (!read.ok) return respond(read.answer);
    const asked = new URL(request.url).searchParams;
    const options = { fixes: asked.get('fixes') === '1', route: asked.get('route') === '1' };
    const partLists = await partListsNow();
    return respondWatched(request, (watch) =>
      evaluateDocument(read.data, partLists, { ...options, ...watch }),
    );
  });
