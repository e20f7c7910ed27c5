import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';

const PORT = 4398,
  ADDRESS = `http://127.0.0.1:${PORT}`,
  PASSPHRASE = 'wren reed willow';
let server: ChildProcess;

const serve = (passphrase: string, host = '127.0.0.1'): ChildProcess =>
  spawn(process.execPath, ['scripts/serve.mjs', host, String(PORT)], {
    env: {
      ...process.env,
      DATABASE_URL: `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-door-')), 'test.db')}`,
      ZEPHYRON_PASSPHRASE: passphrase,
      NODE_ENV: 'production',
    },
  });

const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => child.once('exit', resolve));

test.beforeAll(async () => {
  server = serve(PASSPHRASE);
  await expect
    .poll(async () => (await fetch(`${ADDRESS}/enter`).catch(() => null))?.status, {
      timeout: 30_000,
    })
    .toBe(200);
});
test.afterAll(() => {
  server.kill('SIGKILL');
});

test('the passphrase lets in, the session goes on, logging out ends it', async ({ page }) => {
  await page.goto(`${ADDRESS}/builds/dawn-chorus-desk/flow`);
  await expect(page).toHaveURL(`${ADDRESS}/enter`);
  await page.getByLabel('Passphrase').fill('not this one');
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByText('This is not the passphrase.')).toBeVisible();
  await page.getByLabel('Passphrase').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByRole('heading', { name: 'Builds' })).toBeVisible();
  const [cookie] = await page.context().cookies();
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' });
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Builds' })).toBeVisible();
  await page.getByRole('button', { name: 'Log out' }).click();
  await expect(page).toHaveURL(`${ADDRESS}/enter`);
});

test('a short passphrase, and none on an open address, are refused at the start', async () => {
  expect(await ended(serve('wren reed'))).toBe(1);
  expect(await ended(serve('', '0.0.0.0'))).toBe(1);
});
