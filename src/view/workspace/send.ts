import type { Design, PatchEdit } from '@/core/design';
import { msg, worded } from '@/core/messages';

export type SendAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale'; readonly revision: number; readonly design: Design }
  | { readonly kind: 'refused'; readonly message: string }
  /** The server is there and says what keeps it from saving. */
  | { readonly kind: 'trouble'; readonly message: string; readonly short: string }
  /** The build was put into the bin, or removed for good. */
  | { readonly kind: 'gone'; readonly isBinned: boolean }
  /** There is no answer in time. */
  | { readonly kind: 'hung' }
  | { readonly kind: 'offline' };

/** How long an answer is waited for, ms. */
export const ANSWER_MS = 10_000;
/** A browser lets a closing page send no more than this, bytes. */
const KEEPALIVE_BYTES = 60_000;

const addressOf = (id: string): string => `/api/builds/${encodeURIComponent(id)}`;
const JSON_TYPE = { 'content-type': 'application/json' };

interface AnswerBody {
  readonly revision?: number;
  readonly document?: Design;
  readonly error?: string;
  readonly trouble?: string;
  readonly troubles?: readonly { readonly path: string; readonly message: string }[];
}

/** Puts a build on the server, made on a known revision. */
export async function sendBuild(
  id: string,
  revision: number,
  document: Design,
): Promise<SendAnswer> {
  const body = JSON.stringify({ revision, document });
  const late = new AbortController();
  const timer = setTimeout(() => late.abort(), ANSWER_MS);
  try {
    const response = await fetch(addressOf(id), {
      method: 'PUT',
      headers: JSON_TYPE,
      body,
      keepalive: body.length < KEEPALIVE_BYTES,
      signal: late.signal,
    });
    return answerOf(response.status, (await response.json().catch(() => ({}))) as AnswerBody);
  } catch {
    return { kind: late.signal.aborted ? 'hung' : 'offline' };
  } finally {
    clearTimeout(timer);
  }
}

/** Troubles of the database in a word or two. */
const TROUBLES: Readonly<Record<string, string>> = worded(() => ({
  locked: msg`database locked`,
  full: msg`disk full`,
  'read-only': msg`database read-only`,
  corrupt: msg`database damaged`,
  newer: msg`database of a newer version`,
  unreachable: msg`database not reached`,
}));

function answerOf(status: number, body: AnswerBody): SendAnswer {
  if (status === 200) return { kind: 'saved', revision: body.revision as number };
  if (status === 409)
    return { kind: 'stale', revision: body.revision as number, design: body.document as Design };
  if (status === 410 || status === 404) return { kind: 'gone', isBinned: status === 410 };
  if (status >= 500 && body.error)
    return {
      kind: 'trouble',
      message: body.error,
      short: TROUBLES[body.trouble ?? ''] ?? msg`server in trouble`,
    };
  if (status >= 500) return { kind: 'offline' };
  if (status === 401 || status === 429)
    return {
      kind: 'trouble',
      message: msg`The passphrase is wanted again: open the app in another tab and say it there.`,
      short: msg`passphrase wanted`,
    };
  const [first] = body.troubles ?? [];
  return {
    kind: 'refused',
    message: first
      ? `${body.error} ${first.path}: ${first.message}`
      : (body.error ?? msg`The server refused this build.`),
  };
}

/** Sends what changed while the page closes; no answer is heard. False when it is too much. */
export function sendLast(id: string, revision: number, patches: PatchEdit['patches']): boolean {
  const body = JSON.stringify({ revision, patches });
  if (body.length >= KEEPALIVE_BYTES) return false;
  const init = { method: 'PATCH', headers: JSON_TYPE, body, keepalive: true };
  void (async () => fetch(addressOf(id), init))().catch(() => undefined);
  return true;
}

/** Takes a build out of the bin. */
export async function takeFromBin(id: string): Promise<boolean> {
  const response = await fetch(`/api/bin/build/${encodeURIComponent(id)}`, {
    method: 'POST',
  }).catch(() => null);
  return response?.ok ?? false;
}

export type AddAnswer =
  | { readonly ok: true; readonly id: string }
  | {
      readonly ok: false;
      readonly message: string;
      readonly troubles: readonly { readonly path: string; readonly message: string }[];
    };

/** Sends a new build, for instance one read from a file: the server's guard decides. */
export async function addBuild(text: string): Promise<AddAnswer> {
  try {
    const response = await fetch('/api/builds', {
      method: 'POST',
      headers: JSON_TYPE,
      body: text,
    });
    const body = (await response.json().catch(() => ({}))) as AnswerBody & { id?: string };
    return response.ok && body.id
      ? { ok: true, id: body.id }
      : {
          ok: false,
          message: body.error ?? msg`The server refused it.`,
          troubles: body.troubles ?? [],
        };
  } catch {
    return {
      ok: false,
      message: msg`The server cannot be reached. Nothing was changed.`,
      troubles: [],
    };
  }
}
