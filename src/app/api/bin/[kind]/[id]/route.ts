import { removeFromBin, respond, restoreFromBin, safely } from '@/server';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ kind: string; id: string }>;
}

/** Takes a build (`build`) or an own part (`part`) out of the bin. */
export const POST = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const { kind, id } = await params;
    return respond(await restoreFromBin(kind, id));
  });

/** Removes a build in the bin for good. */
export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await removeFromBin((await params).id)));
