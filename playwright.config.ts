import { defineConfig } from '@playwright/test';

const PORT = 4399;

/** The built app on its own database, in Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  timeout: 60_000,
  workers: 1,
  // One more try in CI, where two cores are shared with whatever else runs.
  retries: process.env.CI ? 1 : 0,
  expect: { timeout: 10_000 },
  reporter: 'list',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
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
  webServer: {
    command: `node e2e/serve.mjs ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/builds`,
    timeout: 60_000,
    reuseExistingServer: false,
  },
});
