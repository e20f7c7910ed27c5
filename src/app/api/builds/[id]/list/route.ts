import { safely, partsListCsv, respond } from '@/server';

export const dynamic = 'force-dynamic';

export const GET = (
  _: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> =>
  safely(async () => {
    const answer = await partsListCsv((await params).id);
    if (answer.status !== 200) return respond(answer);
    const { name, csv } = answer.body as { readonly name: string; readonly csv: string };
    return new Response(csv, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="${name}"`,
      },
    });
  });
