import { LIMITS } from '@/core/validation';
import { StoreBusyError } from '@/store';
import { JsonText, refuse, type Answer } from './answer';
import type { Watch } from './pool';

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

/** What is answered to a client that has closed its request (common practice, no standard). */
const GONE_AWAY = 499;

/** Runs a handler so that a fault inside never shows its insides. */
export async function safely(work: () => Promise<Response>): Promise<Response> {
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
    // Nobody listens any more: no fault, and nothing to log.
    if (error instanceof Error && error.name === 'AbortError')
      return new Response(null, { status: GONE_AWAY });
    console.error(error);
    return respond(refuse(500, 'Something went wrong on our side. Nothing was changed.'));
  }
}

const LINES = 'application/x-ndjson';

/**
 * Answers a long task: as JSON when it is done; to whoever accepts lines of JSON, with `{
 * "routing": { "done", "of" } }` on the way and `{ "status", "body" }` at the end. Who goes away
 * stops the task.
 */
export async function respondWatched(
  request: Request,
  work: (watch: Watch) => Promise<Answer>,
): Promise<Response> {
  if (!request.headers.get('accept')?.includes(LINES))
    return respond(await work({ signal: request.signal }));
  const text = new TextEncoder();
  const stop = new AbortController();
  const signal = AbortSignal.any([stop.signal, request.signal]);
  const lines = new ReadableStream<Uint8Array>({
    async start(out) {
      const put = (line: string): void => {
        if (!signal.aborted) out.enqueue(text.encode(`${line}\n`));
      };
      try {
        const { status, body } = await work({
          signal,
          tell: (done, of) => put(JSON.stringify({ routing: { done, of } })),
        });
        const said = body instanceof JsonText ? body.text : JSON.stringify(body);
        put(`{"status":${status},"body":${said}}`);
      } catch (error) {
        if (!signal.aborted) console.error(error);
        put(
          '{"status":500,"body":{"error":"Something went wrong on our side. Nothing was changed."}}',
        );
      }
      if (!signal.aborted) out.close();
    },
    cancel: () => stop.abort(),
  });
  return new Response(lines, { headers: { 'content-type': LINES } });
}
