import { LIMITS } from '@/core/validation';
import { StoreBusyError } from '@/store';
import { JsonText, refuse, type Answer } from './answer';

export function respond({ status, body }: Answer): Response {
  if (body === null) return new Response(null, { status });
  if (body instanceof JsonText)
    return new Response(body.text, { status, headers: { 'content-type': 'application/json' } });
  return Response.json(body, { status });
}

/** Reads a JSON body within bounds, or says what is wrong with it. */
export async function readJson(
  request: Request,
): Promise<
  { readonly ok: true; readonly data: unknown } | { readonly ok: false; readonly answer: Answer }
> {
  if (!/^application\/(.+\+)?json\b/.test(request.headers.get('content-type') ?? ''))
    return { ok: false, answer: refuse(415, 'Send JSON (content-type: application/json).') };
  const limit = LIMITS.bytes;
  const tooLarge = {
    ok: false,
    answer: refuse(413, `The body is larger than ${limit.toLocaleString('en')} bytes.`),
  } as const;
  if (Number(request.headers.get('content-length') ?? 0) > limit) return tooLarge;
  const reader = request.body?.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > limit) {
      await reader.cancel();
      return tooLarge;
    }
    chunks.push(value);
  }
  try {
    return { ok: true, data: JSON.parse(Buffer.concat(chunks).toString('utf8')) as unknown };
  } catch {
    return { ok: false, answer: refuse(400, 'The body is not JSON.') };
  }
}

/** Runs a handler so that a fault inside never shows its insides. */
export async function validated(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof StoreBusyError)
      return respond(
        refuse(
          503,
          'Another program holds the database. Nothing was saved; try again in a moment.',
        ),
      );
    console.error(error);
    return respond(refuse(500, 'Something went wrong on our side. Nothing was changed.'));
  }
}
