import { msg } from '@/core/messages';
import { ok, refuse, type Answer } from './answer';

/** What devices may be told (docs/devices.md). */
const WRITES = new Set(['controls', 'faults', 'machine']);
/** Longest that devices may take to answer, ms; a stream of events only until it begins. */
const ANSWER_MS = 10_000;

const none = () =>
  refuse(
    503,
    msg`No devices are connected. "npm run demo" starts stand-ins; real ones are named by
      ZEPHYRON_DEVICES (docs/devices.md).`,
  );

/** Where devices answer: one address on this machine or its network, told at the start. */
function address(): string | null {
  const told = process.env.ZEPHYRON_DEVICES;
  if (!told) return null;
  try {
    const url = new URL(told);
    return url.protocol === 'http:' ? url.origin : null;
  } catch {
    return null;
  }
}

/** What devices are there; where there are none, `none` says why: that is no fault. */
export async function deviceList(): Promise<Answer> {
  const answer = await passed('devices', { method: 'GET' });
  if (answer.status === 200) return answer;
  return ok({ none: (answer.body as { readonly error: string }).error });
}

/** Tells devices what to do; `what` is one of controls, faults, machine. */
export async function tellDevices(what: string, body: string): Promise<Answer> {
  if (!WRITES.has(what)) return refuse(404, msg`There is no such device.`);
  return passed(what, {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/json' },
  });
}

/** What devices measure, as server-sent events, until the asker goes. */
export async function deviceEvents(gone: AbortSignal): Promise<Response | Answer> {
  const at = address();
  if (at === null) return none();
  const late = new AbortController();
  const timer = setTimeout(() => late.abort(), ANSWER_MS);
  try {
    const response = await fetch(`${at}/events`, {
      redirect: 'error',
      signal: AbortSignal.any([gone, late.signal]),
    });
    if (!response.ok || !response.body) return refuse(502, msg`The devices send no events.`);
    return new Response(response.body, {
      headers: {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store, no-transform',
        'x-accel-buffering': 'no',
      },
    });
  } catch {
    return refuse(502, msg`The devices do not answer.`);
  } finally {
    clearTimeout(timer);
  }
}

async function passed(what: string, init: RequestInit): Promise<Answer> {
  const at = address();
  if (at === null) return none();
  try {
    const response = await fetch(`${at}/${what}`, {
      ...init,
      redirect: 'error',
      signal: AbortSignal.timeout(ANSWER_MS),
    });
    const body: unknown = await response.json();
    if (response.ok) return ok(body);
    const { error } = (body ?? {}) as { readonly error?: unknown };
    return refuse(
      response.status === 400 ? 400 : 502,
      typeof error === 'string' ? error : msg`The devices refuse.`,
    );
  } catch {
    return refuse(502, msg`The devices do not answer.`);
  }
}
