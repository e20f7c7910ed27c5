import { addBuild, validated, ok, readJson, respond, shelf } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => validated(async () => respond(ok(await shelf())));

/** `?route=1` routes what is not routed before the build is stored. */
export const POST = (request: Request): Promise<Response> =>
  validated(async () => {
    const read = await readJson(request);
    if (!read.ok) return respond(read.answer);
    const route = new URL(request.url).searchParams.get('route') === '1';
    return respond(await addBuild(read.data, { route }));
  });
