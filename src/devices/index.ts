import { deviceServer } from './server';

/** Stand-in devices on this machine: `tsx src/devices/index.ts PORT [PACE]`. */
const [port = '4311', pace = '60'] = process.argv.slice(2);
const server = deviceServer(Number(pace));
server.listen(Number(port), '127.0.0.1', () =>
  process.stdout.write(`Stand-in devices: http://127.0.0.1:${port}\n`),
);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.closeAllConnections();
    server.close(() => process.exit(0));
  });
