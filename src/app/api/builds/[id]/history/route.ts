import { historyOf, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

/** The moments kept of a build, newest first. */
export const GET = (
  _: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> => safely(async () => respond(await historyOf((await params).id)));
