import { download, partsListCsv, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> =>
  safely(async () => {
    const answer = await partsListCsv((await params).id, { signal: request.signal });
    if (answer.status !== 200) return respond(answer);
    const { name, csv } = answer.body as { readonly name: string; readonly csv: string };
    return download(csv, name, 'text/csv; charset=utf-8');
  });
