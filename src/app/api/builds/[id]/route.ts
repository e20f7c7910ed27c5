import {
  dropBuild,
  patchBuild,
  putBuild,
  readBuildAnswer,
  readText,
  respond,
  safely,
} from '@/server';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await readBuildAnswer((await params).id)));

/** `{ revision, document }`. */
export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    return respond(read.ok ? await putBuild((await params).id, read.data) : read.answer);
  });

/** `{ revision, patches }`: only what changed. */
export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    return respond(read.ok ? await patchBuild((await params).id, read.data) : read.answer);
  });

/** Puts the build into the bin. */
export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await dropBuild((await params).id)));
