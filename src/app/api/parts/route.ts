import { CATALOGUE } from '@/catalogue';
import { guarded, ok, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (request: Request): Promise<Response> => guarded(async () => {
  const kind = new URL(request.url).searchParams.get('kind');
  return respond(ok(kind ? CATALOGUE.filter((p) => p.kind === kind) : CATALOGUE));
});
