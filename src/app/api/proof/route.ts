import { proofRows } from '@/proof';
import { validated, ok, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => validated(async () => respond(ok(proofRows())));
