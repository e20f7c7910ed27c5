import { readJson, refuse, respond, safely } from '@/server';
import {
  closeSession,
  openSession,
  SESSION_COOKIE,
  sessionCookie,
  tryPassphrase,
} from '@/server/session';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';

const isSecure = (request: Request): boolean =>
  new URL(request.url).protocol === 'https:' ||
  request.headers.get('x-forwarded-proto') === 'https';

const cookieOf = (request: Request): string | undefined =>
  new RegExp(`(?:^|; )${SESSION_COOKIE}=([^;]*)`).exec(request.headers.get('cookie') ?? '')?.[1];

/** `{ passphrase }` opens a session. */
export const POST = (request: Request): Promise<Response> =>
  safely(async () => {
    const read = await readJson(request);
    if (!read.ok) return respond(read.answer);
    const { passphrase } = (read.data ?? {}) as { readonly passphrase?: unknown };
    const wanted = process.env.ZEPHYRON_PASSPHRASE;
    if (!wanted) return new Response(null, { status: 204 });
    if (typeof passphrase !== 'string')
      return respond(
        refuse(400, msg`Say the passphrase.`, [{ path: 'passphrase', message: msg`is missing` }]),
      );
    const tried = tryPassphrase(passphrase, wanted);
    if (tried.kind === 'wait')
      return respond({
        ...refuse(429, msg`Too many wrong tries. Wait ${tried.seconds} s.`),
        headers: { 'retry-after': String(tried.seconds) },
      });
    if (tried.kind === 'wrong') return respond(refuse(401, msg`This is not the passphrase.`));
    return new Response(null, {
      status: 204,
      headers: { 'set-cookie': sessionCookie(openSession(), isSecure(request)) },
    });
  });

/** Ends the session. */
export const DELETE = (request: Request): Promise<Response> =>
  safely(() => {
    closeSession(cookieOf(request));
    return Promise.resolve(
      new Response(null, {
        status: 204,
        headers: { 'set-cookie': sessionCookie(null, isSecure(request)) },
      }),
    );
  });
