import { momentOf, nameMoment, readJson, refuse, respond, safely } from '@/server';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';
interface Context {
  readonly params: Promise<{ id: string; revision: string }>;
}

/** The document of one revision, byte for byte as it was kept; with `?now=1` as it is read now. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const { id, revision } = await params;
    const isPresent = new URL(request.url).searchParams.get('now') === '1';
    const document = await momentOf(id, Number(revision), isPresent);
    return document === null
      ? respond(refuse(404, msg`This revision is not kept.`))
      : new Response(document, { headers: { 'content-type': 'application/json' } });
  });

/** `{ name }` names the moment; null takes the name away. */
export const PUT = (request: Request, { params }: Context): Promise<Response> =>
  safely(async () => {
    const read = await readJson(request);
    if (!read.ok) return respond(read.answer);
    const { id, revision } = await params;
    return respond(await nameMoment(id, Number(revision), read.data));
  });
