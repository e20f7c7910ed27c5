import { safely, ok, respond, retiredParts } from '@/server';

export const dynamic = 'force-dynamic';

/** Numbers of the parts that are out of use. */
export const GET = (): Promise<Response> => safely(async () => respond(ok(await retiredParts())));
