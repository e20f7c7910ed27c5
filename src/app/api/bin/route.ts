import { binEntries, ok, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

/** What was deleted in the last thirty days. */
export const GET = (): Promise<Response> => safely(async () => respond(ok(await binEntries())));
