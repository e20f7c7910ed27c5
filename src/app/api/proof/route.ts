import { proofRows } from '@/proof';
import { guarded, ok, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => guarded(async () => respond(ok(proofRows())));
