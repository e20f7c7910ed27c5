import { buildPdf, download, readBytes, respond, safely } from '@/server';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';

const PAPERS = ['sheet', 'list', 'quote', 'handover', 'checklist', 'book'] as const;
/** Of the picture on the cover. */
const MOST_COVER_BYTES = 12_000_000;

interface Asked {
  readonly params: Promise<{ id: string }>;
}

async function print(request: Request, { params }: Asked, cover?: Uint8Array): Promise<Response> {
  const asked = new URL(request.url).searchParams;
  const of = PAPERS.find((p) => p === asked.get('of')) ?? 'sheet';
  const size = asked.get('size') === 'LETTER' ? 'LETTER' : 'A4';
  const units = asked.get('units') === 'us' ? 'us' : 'metric';
  const answer = await buildPdf(
    (await params).id,
    { of, size, units, ...(cover ? { cover } : {}) },
    { signal: request.signal },
  );
  if (answer.status !== 200) return respond(answer);
  const { name, pdf } = answer.body as { readonly name: string; readonly pdf: Uint8Array };
  return download(pdf, name, 'application/pdf');
}

/**
 * The build as PDF: `?of=` list, quote, handover, checklist or book, else the whole sheet; `&size=`
 * A4 or LETTER, of the book; `&units=` us or metric.
 */
export const GET = (request: Request, asked: Asked): Promise<Response> =>
  safely(() => print(request, asked));

/** The same with a picture for the cover of the book, as PNG. */
export const POST = (request: Request, asked: Asked): Promise<Response> =>
  safely(async () => {
    const read = await readBytes(
      request,
      /^image\/png\b/,
      msg`a picture (content-type: image/png)`,
      MOST_COVER_BYTES,
    );
    if (!read.ok) return respond(read.answer);
    const isPng = read.data[0] === 0x89 && read.data[1] === 0x50;
    return print(request, asked, isPng ? read.data : undefined);
  });
