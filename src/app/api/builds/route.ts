import { addBuild, guarded, ok, readJson, respond, shelf } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => guarded(async () => respond(ok(await shelf())));

export const POST = (request: Request): Promise<Response> =>
  guarded(async () => {
    const read = await readJson(request);
    return respond(read.ok ? await addBuild(read.data) : read.answer);
  });
