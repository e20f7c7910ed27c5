import { createHash, randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { msg } from '@/core/messages';

export const SESSION_COOKIE = 'zephyron-session';
/** How long one stays known, ms. */
export const SESSION_MS = 30 * 86_400_000;
/** Wrong tries before each further one has to wait. */
const FREE_TRIES = 5;
const FIRST_WAIT_MS = 2000;
const LONGEST_WAIT_MS = 15 * 60_000;
/** Sessions held; the oldest goes when there are more. */
const MOST_SESSIONS = 500;

interface Gate {
  readonly salt: Buffer;
  /** What the passphrase is compared by, and which passphrase that is. */
  key?: { readonly of: string; readonly key: Buffer };
  /** Hashes of the tokens handed out, with the time they end. */
  readonly sessions: Map<string, number>;
  /** Hashes of credentials that were right: scrypt is slow on purpose. */
  readonly right: Set<string>;
  failures: number;
  waitsUntil: number;
}
const gate: Gate = ((globalThis as unknown as { zephyronGate?: Gate }).zephyronGate ??= {
  salt: randomBytes(16),
  sessions: new Map(),
  right: new Set(),
  failures: 0,
  waitsUntil: 0,
});

const hash = (text: string): string => createHash('sha256').update(text).digest('base64url');
const keyOf = (text: string): Buffer => scryptSync(text, gate.salt, 32, { N: 16_384, r: 8, p: 1 });

export type Tried =
  | { readonly kind: 'right' }
  | { readonly kind: 'wrong' }
  | { readonly kind: 'wait'; readonly seconds: number };

/**
 * Whether this is the passphrase. After five wrong tries each further one doubles the wait, up to a
 * quarter of an hour, for everyone: behind a proxy all come from one address.
 */
export function tryPassphrase(given: string, passphrase: string, now = Date.now()): Tried {
  if (now < gate.waitsUntil)
    return { kind: 'wait', seconds: Math.ceil((gate.waitsUntil - now) / 1000) };
  if (gate.key?.of !== hash(passphrase)) {
    gate.key = { of: hash(passphrase), key: keyOf(passphrase) };
    gate.right.clear();
  }
  if (timingSafeEqual(keyOf(given.slice(0, 1000)), gate.key.key)) {
    gate.failures = 0;
    return { kind: 'right' };
  }
  gate.failures += 1;
  const over = gate.failures - FREE_TRIES;
  if (over >= 0) gate.waitsUntil = now + Math.min(FIRST_WAIT_MS * 2 ** over, LONGEST_WAIT_MS);
  return { kind: 'wrong' };
}

/** A new session's token. */
export function openSession(now = Date.now()): string {
  const token = randomBytes(32).toString('base64url');
  gate.sessions.set(hash(token), now + SESSION_MS);
  const [oldest] = gate.sessions.keys();
  if (gate.sessions.size > MOST_SESSIONS && oldest !== undefined) gate.sessions.delete(oldest);
  return token;
}

export function isSession(token: string | undefined, now = Date.now()): boolean {
  if (!token) return false;
  const until = gate.sessions.get(hash(token));
  if (until !== undefined && until <= now) gate.sessions.delete(hash(token));
  return until !== undefined && until > now;
}

export function closeSession(token: string | undefined): void {
  if (token) gate.sessions.delete(hash(token));
}

/** Credentials of a terminal or script (`authorization: Basic`, any name). */
export function tryBasic(header: string | null, passphrase: string): Tried | null {
  const encoded = /^basic +(\S+)$/i.exec(header ?? '')?.[1];
  if (encoded === undefined) return null;
  const known = hash(`${passphrase}\n${encoded}`);
  if (gate.right.has(known)) return { kind: 'right' };
  const credentials = Buffer.from(encoded, 'base64').toString('utf8'),
    colon = credentials.indexOf(':');
  const tried = tryPassphrase(credentials.slice(colon + 1), passphrase);
  if (tried.kind === 'right' && gate.right.size < MOST_SESSIONS) gate.right.add(known);
  return tried;
}

/** The cookie that bears a token, or takes it back with null. */
export const sessionCookie = (token: string | null, isSecure: boolean): string =>
  [
    `${SESSION_COOKIE}=${token ?? ''}`,
    'Path=/',
    'HttpOnly',
    'SameSite=Strict',
    msg`Max-Age=${token === null ? 0 : SESSION_MS / 1000}`,
    ...(isSecure ? ['Secure'] : []),
  ].join('; ');

/** Forgets all tries and sessions: for tests. */
export function resetGate(): void {
  gate.sessions.clear();
  gate.right.clear();
  gate.failures = 0;
  gate.waitsUntil = 0;
}
