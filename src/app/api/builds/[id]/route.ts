import { dropBuild, safely, ok, openBuild, putBuild, readJson, refuse, respond } from '@/server';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const opened = await openBuild((await params).id);
    return respond(
      opened
        ? ok({ id: opened.id, revision: opened.revision, document: opened.design })
        : refuse(404, 'There is no such build.'),
    );
  });

export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const read = await readJson(request);
    return respond(read.ok ? await putBuild((await params).id, read.data) : read.answer);
  });

export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await dropBuild((await params).id)));
