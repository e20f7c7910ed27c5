// Stand-in devices beside the app: a gauge, thermometers, a flow meter, controllers, on 127.0.0.1.
import { spawn } from 'node:child_process';

export const startDevices = (port, pace = 60) =>
  spawn(process.execPath, ['--import', 'tsx', 'src/devices/index.ts', String(port), String(pace)], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
