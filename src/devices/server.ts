import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import Joi from 'joi';
import { EVERY_LOAD_CASE } from '@/core/components';
import { parseDesign } from '@/core/validation';
import { Bench } from './bench';
import { BENCH_FAULTS, type BenchFault, type Controls } from './types';

/** A build as text is no longer than this, bytes. */
const MOST_BYTES = 4_000_000;
/** Real time between two moments, ms. */
const EVERY_MS = 500;
/** Listeners at once. */
const MOST_LISTENERS = 16;
/** Machine seconds a second: an hour in one minute. */
const PACE = 60;

const CONTROLS = Joi.object({
  fans: Joi.number().min(0).max(20_000),
  pumps: Joi.number().min(0).max(20_000),
  load: Joi.string().valid(...EVERY_LOAD_CASE),
  gauge_mbar: Joi.number().min(0).max(1000),
}).min(1);
const FAULTS = Joi.array()
  .items(Joi.string().valid(...BENCH_FAULTS))
  .unique();

/**
 * Stand-in devices over the protocol of docs/devices.md: plain HTTP and server-sent events. Without
 * a build they measure nothing; `POST /machine` gives them one.
 */
export function deviceServer(pace = PACE): Server {
  let bench: Bench | null = null;
  const listeners = new Set<ServerResponse>();
  const timer = setInterval(() => {
    if (!bench || listeners.size === 0) return;
    bench.advance((pace * EVERY_MS) / 1000);
    const text = `event: moment\ndata: ${JSON.stringify(bench.read())}\n\n`;
    for (const response of listeners) response.write(text);
  }, EVERY_MS);

  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const { pathname } = new URL(request.url ?? '/', 'http://devices.invalid');
    switch (`${request.method} ${pathname}`) {
      case 'GET /devices':
        return tell(response, 200, {
          standIn: true,
          pace,
          machine: bench?.name ?? null,
          channels: bench?.channels() ?? [],
          faults: BENCH_FAULTS,
        });
      case 'GET /events': {
        if (listeners.size >= MOST_LISTENERS)
          return tell(response, 503, { error: `At most ${MOST_LISTENERS} may listen at once.` });
        response.writeHead(200, {
          'content-type': 'text/event-stream',
          'cache-control': 'no-store',
        });
        response.write(': listening\n\n');
        listeners.add(response);
        request.on('close', () => listeners.delete(response));
        return;
      }
      case 'POST /controls': {
        const asked = CONTROLS.validate(await json(request));
        if (asked.error) return tell(response, 400, { error: asked.error.message });
        bench?.set(asked.value as Controls);
        return tell(response, 200, { ok: bench !== null });
      }
      case 'POST /faults': {
        const asked = FAULTS.validate(await json(request));
        if (asked.error) return tell(response, 400, { error: asked.error.message });
        bench?.befall(asked.value as readonly BenchFault[]);
        return tell(response, 200, { ok: bench !== null });
      }
      case 'POST /machine': {
        const read = parseDesign(await body(request));
        if (!read.ok)
          return tell(response, 400, { error: read.troubles[0]?.message ?? 'no build' });
        bench = new Bench(read.value);
        return tell(response, 200, { channels: bench.channels() });
      }
      default:
        return tell(response, 404, { error: 'There is no such device.' });
    }
  };

  const server = createServer((request, response) => {
    answer(request, response).catch((error: unknown) => {
      if (!response.headersSent)
        tell(response, 400, { error: error instanceof Error ? error.message : 'bad request' });
      else response.end();
    });
  });
  server.on('close', () => clearInterval(timer));
  return server;
}

function tell(response: ServerResponse, status: number, value: object): void {
  response.writeHead(status, { 'content-type': 'application/json; charset=utf-8' });
  response.end(JSON.stringify(value));
}

async function body(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > MOST_BYTES) throw new RangeError(`At most ${MOST_BYTES} bytes are read.`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

const json = async (request: IncomingMessage): Promise<unknown> =>
  JSON.parse((await body(request)) || 'null') as unknown;
