import { slug } from '@/format';
import { safely, openBuild, refuse, respond } from '@/server';
import { buildPdf } from '@/server/pdf';

export const dynamic = 'force-dynamic';

/** The build as PDF: `?of=list` its parts list, else the whole sheet. */
export const GET = (
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> =>
  safely(async () => {
    const opened = await openBuild((await params).id);
    if (!opened) return respond(refuse(404, 'There is no such build.'));
    const of = new URL(request.url).searchParams.get('of') === 'list' ? 'list' : 'sheet';
    return new Response(new Uint8Array(await buildPdf(opened.design, of)), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `attachment; filename="${slug(opened.design.name)}-${of}.pdf"`,
      },
    });
  });
