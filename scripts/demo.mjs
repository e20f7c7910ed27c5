// Everything to see Zephyron at work: builds when needed, opens the database with the demo builds
// in it, serves.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { ensureBuilt } from './built.mjs';
import { startDevices } from './devices.mjs';

const port = Number(process.env.PORT ?? 4310);
const host = process.env.HOST ?? '127.0.0.1';

if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT must be 1 to 65535, not "${process.env.PORT}".`);
  process.exit(1);
}
const free = await new Promise((resolve) => {
  const probe = createServer();
  probe.once('error', () => resolve(false));
  probe.once('listening', () => probe.close(() => resolve(true)));
  probe.listen(port, host);
});
if (!free) {
  console.error(
    `Port ${port} on ${host} is taken. Stop what runs there, or choose another: PORT=4311 npm run demo`,
  );
  process.exit(1);
}

ensureBuilt();
// Devices of the builder's own stand in ZEPHYRON_DEVICES; else stand-ins run beside the app.
const own = process.env.ZEPHYRON_DEVICES;
const devices = own ? null : startDevices(port + 1);
const server = spawn(process.execPath, ['scripts/serve.mjs', host, String(port)], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env: {
    ...process.env,
    ZEPHYRON_DEVICES: own ?? `http://127.0.0.1:${port + 1}`,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: 'production',
  },
});
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    devices?.kill(signal);
    server.kill(signal);
  });
server.on('exit', () => devices?.kill());
server.on('exit', (code) => process.exit(code ?? 0));

const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
const auth = process.env.ZEPHYRON_PASSPHRASE
  ? {
      authorization: `Basic ${Buffer.from(`zephyron:${process.env.ZEPHYRON_PASSPHRASE}`).toString('base64')}`,
    }
  : {};
for (let i = 0; i < 120; i += 1) {
  try {
    const answer = await fetch(`${address}/api/builds`, { headers: auth });
    if (answer.ok) {
      console.log(
        `\nZephyron is ready: ${address}\n${answer.headers.get('x-total-count')} builds. Stop with Ctrl+C.`,
      );
      break;
    }
    if (answer.status >= 500 && i > 20) {
      console.error('The server answers with a fault; see above. Is DATABASE_URL right?');
      server.kill();
      break;
    }
  } catch {
    /* not listening yet */
  }
  await new Promise((r) => setTimeout(r, 250));
}
