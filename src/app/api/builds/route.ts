import { addBuild, safely, ok, readJson, respond, respondWatched, listedBuilds } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => safely(async () => respond(ok(await listedBuilds())));

/** `?route=1` routes what is not routed before the build is stored. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readJson(request);
    if (!read.ok) return respond(read.answer);
    const route = new URL(request.url).searchParams.get('route') === '1';
    return respondWatched(request, (watch) => addBuild(read.data, { route, ...watch }));
  });
