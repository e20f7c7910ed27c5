import { evaluate } from '@/core/evaluate';
import { listToCsv, slug } from '@/format';
import { guarded, openBuild, refuse, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (_: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> => guarded(async () => {
  const opened = await openBuild((await params).id);
  if (!opened) return respond(refuse(404, 'There is no such build.'));
  const csv = listToCsv(evaluate(opened.build).reports.list, opened.build.brief.currency);
  return new Response(csv, { headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${slug(opened.build.name)}-parts.csv"` } });
});
