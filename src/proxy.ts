import { randomBytes } from 'node:crypto';
import { NextResponse, type NextRequest } from 'next/server';
import { isSession, SESSION_COOKIE, tryBasic } from '@/server/session';

const LOOPBACK = /^(127(?:\.\d{1,3}){3}|localhost|\[::1\])(:\d+)?$/;

/** Open to anyone with the address: the page where the passphrase is said, and what it calls. */
const DOORS = new Set(['/enter', '/api/session']);
/** GETs that cost: another site's page may not send its visitors for them. */
const COSTLY = /^\/api\/(backup|proof|devices\/events|builds\/[^/]+\/(pdf|list|file))$/;

/**
 * Who may talk to the app: this machine, or with a passphrase those it was opened to. Other sites'
 * pages never. What goes on bears the policy of its page.
 */
export function proxy(request: NextRequest): NextResponse {
  return notServed(request) ?? notKnown(request) ?? fromElsewhere(request) ?? goOn(request);
}

const refused = (
  text: string,
  status: number,
  headers: Record<string, string> = {},
): NextResponse =>
  new NextResponse(text, { status, headers: { ...headers, 'cache-control': 'no-store' } });

/**
 * Without a passphrase only this machine is served: by the name that was asked for, and by the
 * address the server is bound to, which `scripts/serve.mjs` tells.
 */
function notServed(request: NextRequest): NextResponse | null {
  if (process.env.ZEPHYRON_PASSPHRASE) return null;
  const bound = process.env.ZEPHYRON_BOUND,
    isBound =
      process.env.NODE_ENV !== 'production' || (bound !== undefined && LOOPBACK.test(bound));
  if (isBound && LOOPBACK.test(request.headers.get('host') ?? '')) return null;
  return refused(
    'This address is not served. Set HOST and ZEPHYRON_PASSPHRASE and use "npm run demo" to open the app to others.',
    403,
  );
}

function notKnown(request: NextRequest): NextResponse | null {
  const passphrase = process.env.ZEPHYRON_PASSPHRASE;
  const { pathname } = request.nextUrl;
  if (!passphrase || DOORS.has(pathname)) return null;
  if (isSession(request.cookies.get(SESSION_COOKIE)?.value)) return null;
  const tried = tryBasic(request.headers.get('authorization'), passphrase);
  if (tried?.kind === 'right') return null;
  if (tried?.kind === 'wait')
    return refused(`Too many wrong tries. Wait ${tried.seconds} s.`, 429, {
      'retry-after': String(tried.seconds),
    });
  if (!pathname.startsWith('/api/') && request.headers.get('accept')?.includes('text/html'))
    return NextResponse.redirect(new URL('/enter', request.url), 303);
  return refused('Passphrase wanted.', 401, {
    'www-authenticate': 'Basic realm="Zephyron", charset="UTF-8"',
  });
}

function fromElsewhere(request: NextRequest): NextResponse | null {
  const isChange = !['GET', 'HEAD', 'OPTIONS'].includes(request.method);
  if (!isChange && !COSTLY.test(request.nextUrl.pathname)) return null;
  const origin = request.headers.get('origin'),
    site = request.headers.get('sec-fetch-site');
  const isOwnOrigin = origin === null || hostOf(origin) === request.headers.get('host');
  const isOwnSite = site === null || ['same-origin', 'none'].includes(site);
  return isOwnOrigin && isOwnSite
    ? null
    : refused("This is taken from the app's own pages only.", 403);
}

function hostOf(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return '';
  }
}

/**
 * The page's policy, with a number that its own scripts bear and nothing put in from outside; and
 * the path that is asked for, which a layout is not told.
 */
function goOn(request: NextRequest): NextResponse {
  const nonce = randomBytes(16).toString('base64');
  const policy = policyOf(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-path', request.nextUrl.pathname);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

function policyOf(nonce: string): string {
  const dev = process.env.NODE_ENV !== 'production';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon).*)'] };
