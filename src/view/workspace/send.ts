import type { Design } from '@/core/design';

export type SendAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale'; readonly revision: number; readonly design: Design }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'offline' };

/** Puts a build on the server, made on a known revision. */
export async function sendBuild(
  id: string,
  revision: number,
  document: Design,
): Promise<SendAnswer> {
  let response: Response;
  try {
    response = await fetch(`/api/builds/${encodeURIComponent(id)}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ revision, document }),
      keepalive: false,
    });
  } catch {
    return { kind: 'offline' };
  }
  if (response.status >= 500) return { kind: 'offline' };
  const body = (await response.json().catch(() => ({}))) as {
    revision?: number;
    document?: Design;
    error?: string;
    troubles?: { path: string; message: string }[];
  };
  if (response.ok) return { kind: 'saved', revision: body.revision as number };
  if (response.status === 409)
    return { kind: 'stale', revision: body.revision as number, design: body.document as Design };
  const [first] = body.troubles ?? [];
  return {
    kind: 'refused',
    message: first
      ? `${body.error} ${first.path}: ${first.message}`
      : (body.error ?? 'The server refused this build.'),
  };
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
      headers: { 'content-type': 'application/json' },
      body: text,
    });
    const body = (await response.json().catch(() => ({}))) as {
      id?: string;
      error?: string;
      troubles?: { path: string; message: string }[];
    };
    return response.ok && body.id
      ? { ok: true, id: body.id }
      : {
          ok: false,
          message: body.error ?? 'The server refused it.',
          troubles: body.troubles ?? [],
        };
  } catch {
    return {
      ok: false,
      message: 'The server cannot be reached. Nothing was changed.',
      troubles: [],
    };
  }
}
