import { NextResponse, type NextRequest } from 'next/server';

const LOOPBACK = /^(127(?:\.\d{1,3}){3}|localhost|\[::1\])(:\d+)?$/;

/**
 * Who may talk to the app: this machine, or with a passphrase those it was opened to. Other sites'
 * pages never.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  const passphrase = process.env.ZEPHYRON_PASSPHRASE;
  if (!LOOPBACK.test(host) && !passphrase)
    return new NextResponse(
      'This address is not served. Set HOST and ZEPHYRON_PASSPHRASE to open the app to others.',
      { status: 403 },
    );
  if (passphrase && !knows(request.headers.get('authorization'), passphrase))
    return new NextResponse('Passphrase wanted.', {
      status: 401,
      headers: { 'www-authenticate': 'Basic realm="Zephyron", charset="UTF-8"' },
    });
  if (!['GET', 'HEAD', 'OPTIONS'].includes(request.method)) {
    const origin = request.headers.get('origin');
    const site = request.headers.get('sec-fetch-site');
    if (
      (origin !== null && hostOf(origin) !== host) ||
      (site !== null && !['same-origin', 'none'].includes(site))
    )
      return new NextResponse("Changes are taken from the app's own pages only.", { status: 403 });
  }
  return NextResponse.next();
}

function hostOf(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return '';
  }
}

/** Compares without stopping at the first wrong letter. */
function knows(header: string | null, passphrase: string): boolean {
  if (!header?.startsWith('Basic ')) return false;
  let credentials: string;
  try {
    credentials = new TextDecoder().decode(
      Uint8Array.from(atob(header.slice(6)), (c) => c.charCodeAt(0)),
    );
  } catch {
    return false;
  }
  const diagnostic = credentials.slice(credentials.indexOf(':') + 1);
  let differs = diagnostic.length ^ passphrase.length;
  for (let i = 0; i < passphrase.length; i += 1)
    differs |= passphrase.charCodeAt(i) ^ (diagnostic.charCodeAt(i) || 0);
  return differs === 0;
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon).*)'] };
