import { safely, respond, restore, retire } from '@/server';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Takes a part out of use. */
export const PUT = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await retire((await params).id)));

/** Brings it back. */
export const DELETE = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await restore((await params).id)));
