import { deviceEvents, deviceList, readText, respond, safely, tellDevices } from '@/server';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';

interface Asked {
  readonly params: Promise<{ readonly what: string }>;
}

/** `devices`: what is connected. `events`: what it measures, as server-sent events. */
export const GET = (request: Request, { params }: Asked): Promise<Response> =>
  safely(async () => {
    const { what } = await params;
    if (what === 'devices') return respond(await deviceList());
    if (what !== 'events') return respond({ status: 404, body: { error: msg`Not found.` } });
    const events = await deviceEvents(request.signal);
    return events instanceof Response ? events : respond(events);
  });

/** `controls`, and of stand-ins `faults` and `machine`. */
export const POST = (request: Request, { params }: Asked): Promise<Response> =>
  safely(async () => {
    const read = await readText(request);
    return respond(read.ok ? await tellDevices((await params).what, read.data) : read.answer);
  });
