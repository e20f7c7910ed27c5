import {
  addBuild,
  listedBuilds,
  ok,
  pageAsked,
  readText,
  respond,
  respondWatched,
  safely,
} from '@/server';

export const dynamic = 'force-dynamic';

/** A page of builds: `?limit=`, `?offset=`, `?q=`; how many there are stands in `x-total-count`. */
export const GET = (request: Request): Promise<Response> =>
  safely(async () => {
    const { entries, total } = await listedBuilds(pageAsked(new URL(request.url).searchParams));
    return respond({ ...ok(entries), headers: { 'x-total-count': String(total) } });
  });

/** `?route=1` routes what is not routed before the build is stored. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    if (!read.ok) return respond(read.answer);
    const route = new URL(request.url).searchParams.get('route') === '1';
    return respondWatched(request, (watch) => addBuild(read.data, { route, ...watch }));
  });
