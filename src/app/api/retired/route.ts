import { guarded, ok, respond, retiredParts } from '@/server';

export const dynamic = 'force-dynamic';

/** Numbers of the parts that are out of use. */
export const GET = (): Promise<Response> => guarded(async () => respond(ok(await retiredParts())));
