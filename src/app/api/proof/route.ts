import { proofRows } from '@/proof';
import { safely, ok, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (): Promise<Response> => safely(async () => respond(ok(proofRows())));
