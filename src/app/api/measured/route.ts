import { ok, partsMeasured, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

/** What was measured of parts, in every build. */
export const GET = (): Promise<Response> => safely(async () => respond(ok(await partsMeasured())));
