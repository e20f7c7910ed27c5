import { health, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

/** Whether builds can be read, and what waits. */
export const GET = (): Promise<Response> => safely(async () => respond(await health()));
