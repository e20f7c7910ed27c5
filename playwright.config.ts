import { defineConfig } from '@playwright/test';

/** Workers, and the port of the first one's server; the next stand ten further on. */
const WORKERS = 2,
  PORT = 4400,
  APART = 10;
const addressOf = (worker: number): string => `http://127.0.0.1:${PORT + APART * worker}`;

/** The built app in Debian's Chromium: for each worker a server on a database of its own. */
export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  workers: WORKERS,
  // One more try in CI, where two cores are shared with whatever else runs.
  retries: process.env.CI ? 1 : 0,
  expect: { timeout: 10_000 },
  reporter: 'list',
  use: {
    baseURL: addressOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0)),
    // What a test says about the network holds for the page itself; offline.spec.ts lets it in.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--enable-unsafe-swiftshader',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: Array.from({ length: WORKERS }, (_, worker) => ({
    command: `node e2e/serve.mjs ${PORT + APART * worker}`,
    url: `${addressOf(worker)}/api/builds`,
    timeout: 60_000,
    reuseExistingServer: false,
  })),
});
