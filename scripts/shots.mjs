// One PNG of each main view from demo data, into docs/screenshots. Needs the app built; serves it
// on a fresh database.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ensureBuilt } from './built.mjs';
import { ensureChromium, HOW } from './chromium.mjs';

const PORT = 4398;
/** What a machine a little off its papers shows in four states. */
const READINGS = [
  'on;load;room_C;fans_rpm;pumps_rpm;coolant_C/loop;flow_Lmin/loop;spots_C/card/core;spots_C/processor/die',
  '2026-12-01T10:00Z;stress;22.0;;;32.9;2.75;42.9;67.1',
  '2026-12-01T11:00Z;stress;22.1;1300;;30.4;2.76;40.6;65.0',
  '2026-12-01T12:00Z;stress;22.0;1300;2400;30.8;1.9;41.4;67.0',
  '2026-12-01T13:00Z;gaming;22.0;1300;2400;28.3;1.9;38.0;48.1',
].join('\n');
const VIEWS = [
  { name: 'builds', path: '/' },
  { name: 'catalogue', path: '/catalogue' },
  { name: 'validation', path: '/validation' },
  { name: 'requirements', path: '/builds/dawn-chorus-desk/brief' },
  { name: 'heat', path: '/builds/dawn-chorus-desk/heat' },
  {
    name: 'case',
    path: '/builds/pocket-planetarium/case?view=side',
    act: async (page) => {
      await page.getByRole('button', { name: /^Top radiator:/ }).click();
    },
  },
  {
    name: 'space',
    path: '/builds/fenland-flood-tower/case?view=space',
    act: async (page) => {
      await page.locator('canvas').waitFor();
      await page.waitForTimeout(1500);
    },
  },
  { name: 'cooling', path: '/builds/dawn-chorus-desk/cooling', act: curves },
  { name: 'cooling-dark', path: '/builds/dawn-chorus-desk/cooling', scheme: 'dark', act: curves },
  { name: 'flow', path: '/builds/dawn-chorus-desk/flow' },
  { name: 'materials', path: '/builds/pocket-planetarium/materials' },
  {
    name: 'runs',
    path: '/builds/fenland-flood-tower/runs?view=side',
    act: async (page) => {
      await page.getByText(/^Every run is routed/).waitFor({ timeout: 60_000 });
      await page
        .getByRole('table')
        .filter({ hasText: 'from, to' })
        .first()
        .getByRole('button', { name: 'Front radiator → Filter', exact: true })
        .click();
    },
  },
  { name: 'parts', path: '/builds/dawn-chorus-desk/parts' },
  {
    name: 'buying',
    path: '/builds/dawn-chorus-desk/parts',
    act: async (page) => {
      await page.getByRole('radio', { name: 'buying' }).click();
      await page.getByText(/shipping and tax included/).waitFor();
    },
  },
  {
    name: 'sheets',
    path: '/builds/fenland-flood-tower/runs',
    act: async (page) => {
      await page.getByText(/^Every run is routed/).waitFor({ timeout: 60_000 });
      await page.getByRole('radio', { name: 'sheets and cuts' }).click();
    },
  },
  {
    name: 'assembly',
    path: '/builds/dawn-chorus-desk/assembly',
    act: async (page) => {
      await page.getByRole('button', { name: /^Put in Front radiator/ }).click();
      await page.locator('canvas').waitFor();
      await page.waitForTimeout(2000);
    },
  },
  {
    name: 'log',
    path: '/builds/dawn-chorus-desk/log',
    act: async (page) => {
      await page.getByText('Paste a table, or open a CSV').click();
      await page.getByLabel('Readings as a table').fill(READINGS);
      await page.getByRole('button', { name: 'Take these readings' }).click();
      await page.getByRole('radio', { name: 'predicted and measured' }).click();
      await page.getByText('What is likely').waitFor();
      await page.waitForTimeout(12_000);
    },
  },
  { name: 'time', path: '/builds/pocket-planetarium/cooling', act: overTime },
  {
    name: 'phone',
    path: '/builds/dawn-chorus-desk/cooling',
    size: { width: 390, height: 844 },
    act: curves,
  },
];

/** Until the curves are drawn. */
async function curves(page) {
  await page.getByText('Working out the curves').waitFor({ state: 'hidden', timeout: 60_000 });
}

/** Fans on a curve, the pump stopping after ten minutes. */
async function overTime(page) {
  await page.getByRole('radio', { name: 'Over time' }).click();
  await page.getByRole('button', { name: 'Let them follow a curve' }).click();
  await page.getByRole('button', { name: 'pump stops' }).click();
  await page.getByText(/reaches its limit after/).waitFor();
  await page.waitForTimeout(1500);
}

ensureBuilt();
const executablePath = ensureChromium();
if (!executablePath) {
  console.error(HOW);
  process.exit(1);
}
const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(PORT)], {
  stdio: 'ignore',
  env: {
    ...process.env,
    DATABASE_URL: `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-shots-')), 'shots.db')}`,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: 'production',
  },
});
for (let i = 0; i < 80; i += 1) {
  try {
    if ((await fetch(`http://127.0.0.1:${PORT}/api/builds`)).ok) break;
  } catch {
    /* not yet */
  }
  await new Promise((r) => setTimeout(r, 250));
}
mkdirSync('docs/screenshots', { recursive: true });
const browser = await chromium.launch({
  executablePath,
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
});
for (const v of VIEWS) {
  const context = await browser.newContext({
    viewport: v.size ?? { width: 1280, height: 800 },
    colorScheme: v.scheme ?? 'light',
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  await page.goto(`http://127.0.0.1:${PORT}${v.path}`, { waitUntil: 'networkidle' });
  // What is likely of such builds is worked out after the page stands.
  await page.waitForTimeout(5000);
  await v.act?.(page);
  await page.waitForTimeout(300);
  await page.screenshot({ path: `docs/screenshots/${v.name}.png` });
  await context.close();
}
await browser.close();
server.kill();
console.log(`${VIEWS.length} pictures in docs/screenshots`);
