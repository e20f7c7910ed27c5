import { buildPdf, download, respond, safely } from '@/server';

export const dynamic = 'force-dynamic';

const PAPERS = ['sheet', 'list', 'quote', 'handover', 'checklist'] as const;

/** The build as PDF: `?of=` list, quote, handover or checklist, else the whole sheet. */
export const GET = (
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> =>
  safely(async () => {
    const asked = new URL(request.url).searchParams.get('of');
    const of = PAPERS.find((p) => p === asked) ?? 'sheet';
    const answer = await buildPdf((await params).id, of, { signal: request.signal });
    if (answer.status !== 200) return respond(answer);
    const { name, pdf } = answer.body as { readonly name: string; readonly pdf: Uint8Array };
    return download(pdf, name, 'application/pdf');
  });
