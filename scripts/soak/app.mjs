// The built app as a process that can be killed, and what is asked of it.
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

// A server is started twenty times and more: each is ended with this process.
process.setMaxListeners(0);

let nextPort = 4410;

/** A server on its own port and database; `kill` is kill -9. */
export class App {
  constructor(file = join(mkdtempSync(join(tmpdir(), 'zephyron-soak-')), 'soak.db')) {
    this.file = file;
    this.port = nextPort;
    nextPort += 1;
    this.address = `http://127.0.0.1:${this.port}`;
  }

  async start() {
    this.process = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(this.port)], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: `file:${this.file}`,
        NEXT_TELEMETRY_DISABLED: '1',
        NODE_ENV: 'production',
      },
    });
    const own = this.process;
    process.once('exit', () => own.kill('SIGKILL'));
    for (let i = 0; i < 400; i += 1) {
      const health = await this.ask('/api/health').catch(() => null);
      if (health?.status === 200) return this;
      await wait(50);
    }
    throw new Error('the app does not start');
  }

  kill() {
    const gone = new Promise((resolve) => this.process.once('exit', resolve));
    this.process.kill('SIGKILL');
    return gone;
  }

  async ask(path, init) {
    const response = await fetch(`${this.address}${path}`, init);
    const text = await response.text();
    const isJson = response.headers.get('content-type')?.includes('json');
    return { status: response.status, body: isJson && text !== '' ? JSON.parse(text) : text };
  }

  send(method, path, data, type = 'application/json') {
    return this.ask(path, {
      method,
      headers: { 'content-type': type },
      body: typeof data === 'string' || data instanceof Uint8Array ? data : JSON.stringify(data),
    });
  }

  /** A new build from a shipped one: its id, revision and document. */
  async newBuild(from = 'pocket-planetarium', name = 'Soak') {
    const { body } = await this.ask(`/api/builds/${from}`);
    const document = { ...body.document, name };
    const added = await this.send('POST', '/api/builds', document);
    if (added.status !== 201) throw new Error(`no build: ${JSON.stringify(added.body)}`);
    return { ...added.body, document };
  }
}

/** The share of sorted values, 0.99 for the 99th of a hundred. */
export function percentile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
}

/** Asks for the health of an app over and over; `stop` gives how long the answers took, ms. */
export function pinging(app, every_ms = 20) {
  let live = true;
  const took = [];
  const done = (async () => {
    while (live) {
      const began = performance.now();
      await app.ask('/api/retired').catch(() => took.push(Infinity));
      took.push(performance.now() - began);
      await wait(every_ms);
    }
  })();
  return {
    stop: async () => {
      live = false;
      await done;
      return took;
    },
  };
}
