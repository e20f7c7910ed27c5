// The built app on a fresh database, for the interface tests.
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDevices } from '../scripts/devices.mjs';

const port = Number(process.argv[2] ?? '4399');
// An hour goes by in three seconds.
const devices = startDevices(port + 1, 1200);
const folder = mkdtempSync(join(tmpdir(), 'zephyron-e2e-'));
const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(port)], {
  stdio: 'inherit',
  env: {
    ...process.env,
    DATABASE_URL: `file:${join(folder, 'test.db')}`,
    ZEPHYRON_DEVICES: `http://127.0.0.1:${port + 1}`,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: 'production',
  },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => {
  devices.kill();
  process.exit(code ?? 0);
});
