import { evaluateDocument, validated, readJson, respond, theShelves } from '@/server';

export const dynamic = 'force-dynamic';

/** `?fixes=1` tries the ways out; `?route=1` first routes what is not routed. */
export const POST = (request: Request): Promise<Response> =>
  validated(async () => {
    const read = await readJson(request);
    if (!read.ok) return respond(read.answer);
    const asked = new URL(request.url).searchParams;
    const options = { fixes: asked.get('fixes') === '1', route: asked.get('route') === '1' };
    return respond(await evaluateDocument(read.data, await theShelves(), options));
  });
