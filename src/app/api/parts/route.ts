import { CATALOGUE } from '@/catalogue';
import { safely, ok, ownParts, respond } from '@/server';

export const dynamic = 'force-dynamic';

/** All parts, or those of a kind; with `own=1` the builder's own alone. */
export const GET = (request: Request): Promise<Response> =>
  safely(async () => {
    const { searchParams } = new URL(request.url);
    const kind = searchParams.get('kind'),
      own = await ownParts();
    const all = searchParams.get('own') === '1' ? own : [...CATALOGUE, ...own];
    return respond(ok(kind ? all.filter((p) => p.kind === kind) : all));
  });
