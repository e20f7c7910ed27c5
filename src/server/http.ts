import { LIMITS } from '@/core/validation';
import { troubleTold, type StoreTrouble } from '@/store';
import { msg, worded, formatNumber } from '@/core/messages';
import { JsonText, refuse, type Answer } from './answer';
import { forReader } from './reader';
import type { Watch } from './pool';

export function respond({ status, body, headers = {} }: Answer): Response {
  if (body === null) return new Response(null, { status, headers });
  if (body instanceof JsonText)
    return new Response(body.text, {
      status,
      headers: { ...headers, 'content-type': 'application/json' },
    });
  return Response.json(body, { status, headers });
}

/** A file to be kept under a name. */
export const download = (
  body: string | Uint8Array,
  name: string,
  type: string,
  headers: Readonly<Record<string, string>> = {},
): Response =>
  new Response(typeof body === 'string' ? body : new Uint8Array(body), {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      ...headers,
    },
  });

type Read<T> =
  { readonly ok: true; readonly data: T } | { readonly ok: false; readonly answer: Answer };

/** Longest that a body may take to arrive, ms. */
const ARRIVE_MS = 30_000;

/** Reads a body of a type within bounds, or says what is wrong with it. */
export async function readBytes(
  request: Request,
  type: RegExp,
  typeName: string,
  limit: number,
): Promise<Read<Uint8Array>> {
  if (!type.test(request.headers.get('content-type') ?? ''))
    return { ok: false, answer: refuse(415, msg`Send ${typeName}.`) };
  const tooLarge = {
    ok: false,
    answer: refuse(413, msg`The body is larger than ${formatNumber(limit)} bytes.`),
  } as const;
  if (Number(request.headers.get('content-length') ?? 0) > limit) return tooLarge;
  const reader = request.body?.getReader();
  const late = setTimeout(() => void reader?.cancel(), ARRIVE_MS);
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
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
  } finally {
    clearTimeout(late);
  }
  return { ok: true, data: Buffer.concat(chunks) };
}

/** Reads the text of a JSON body within bounds; parsing it is for the pool. */
export async function readText(request: Request): Promise<Read<string>> {
  const read = await readBytes(
    request,
    /^application\/(.+\+)?json\b/,
    msg`JSON (content-type: application/json)`,
    LIMITS.bytes,
  );
  return read.ok ? { ok: true, data: Buffer.from(read.data).toString('utf8') } : read;
}

/** Bodies that are parsed here are short. */
const SHORT_BYTES = 20_000;

/** Reads a short JSON body. */
export async function readJson(request: Request): Promise<Read<unknown>> {
  const read = await readText(request);
  if (!read.ok) return read;
  if (read.data.length > SHORT_BYTES)
    return {
      ok: false,
      answer: refuse(413, msg`The body is larger than ${formatNumber(SHORT_BYTES)} bytes.`),
    };
  try {
    return { ok: true, data: JSON.parse(read.data) as unknown };
  } catch {
    return { ok: false, answer: refuse(400, msg`The body is not JSON.`) };
  }
}

/** What is wrong with the database, in words, with what to do; and the status that says it. */
const TROUBLE_WORDS: Readonly<Record<StoreTrouble, readonly [status: number, words: string]>> =
  worded(() => ({
    locked: [
      503,
      msg`Another program has locked the database. Nothing was saved; try again in a moment.`,
    ],
    full: [507, msg`The disk is full. Nothing was saved; free some space, then try again.`],
    'read-only': [
      503,
      msg`The database cannot be written. Nothing was saved; what is there can be read.`,
    ],
    corrupt: [
      503,
      msg`The database is damaged. Nothing was changed; copies of the last seven days lie in
        "copies" beside it.`,
    ],
    newer: [
      503,
      msg`The database was written by a newer Zephyron. Nothing was changed; open it with that
        one, or take the copy it made beside it.`,
    ],
    unreachable: [
      503,
      msg`The database cannot be opened. Is DATABASE_URL right, and may it be read?`,
    ],
  }));

/** A trouble of the database as an answer, `trouble` naming its kind. */
export function troubleAnswer(trouble: StoreTrouble): Answer {
  const [status, error] = TROUBLE_WORDS[trouble];
  return {
    status,
    body: { error, trouble, troubles: [] },
    headers: trouble === 'locked' ? { 'retry-after': '2' } : {},
  };
}

/** What is answered to a client that has closed its request (common practice, no standard). */
const GONE_AWAY = 499;

/** Runs a handler so that a fault inside never shows its insides. */
export async function safely(work: () => Promise<Response>): Promise<Response> {
  try {
    return await forReader(work);
  } catch (error) {
    // Nobody listens any more: no fault, and nothing to log.
    if (error instanceof Error && error.name === 'AbortError')
      return new Response(null, { status: GONE_AWAY });
    return respond(faultAnswer(error));
  }
}

function faultAnswer(error: unknown, quiet = false): Answer {
  const trouble = troubleTold(error);
  if (trouble) return troubleAnswer(trouble);
  if (!quiet) console.error(error);
  return refuse(500, msg`Something went wrong on our side. Nothing was changed.`);
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
        const { status, body } = faultAnswer(error, signal.aborted);
        put(JSON.stringify({ status, body }));
      }
      if (!signal.aborted) out.close();
    },
    cancel: () => stop.abort(),
  });
  return new Response(lines, { headers: { 'content-type': LINES } });
}
