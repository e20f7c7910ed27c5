import { ok, provenRows, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => safely(async () => respond(ok(await provenRows())));
