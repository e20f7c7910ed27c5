import { photosOf, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string }>;
}

/** Photos of the steps, without their pictures. */
export const GET = (_: Request, { params }: Context): Promise<Response> =>
  safely(async () => respond(await photosOf((await params).id)));
