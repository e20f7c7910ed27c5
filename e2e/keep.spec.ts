import { request as http } from 'node:http';
import { expect, test, type APIRequestContext, type Page } from '@playwright/test';
import { reload } from './fixtures';

async function newBuild(request: APIRequestContext, name: string): Promise<string> {
  const { document } = await (await request.get('/api/builds/dawn-chorus-desk')).json();
  const added = await request.post('/api/builds', { data: { ...document, name } });
  return (await added.json()).id;
}

async function openBuild(page: Page, id: string, stage = 'brief'): Promise<void> {
  await page.goto(`/builds/${id}/${stage}`);
  await page.locator('[data-awake="true"]').waitFor();
}

const nameField = (page: Page) => page.getByLabel('Name of the build');
async function rename(page: Page, name: string): Promise<void> {
  await nameField(page).fill(name);
  await nameField(page).press('Enter');
}
const room = (page: Page) => page.getByLabel('Room temperature');
async function setRoom(page: Page, value: string): Promise<void> {
  await room(page).fill(value);
  await room(page).press('Enter');
}

test('two windows on one build: what does not touch goes together, what touches is asked', async ({
  page,
  request,
  context,
}) => {
  const id = await newBuild(request, 'Two windows');
  const other = await context.newPage();
  await openBuild(page, id);
  await openBuild(other, id);
  await rename(page, 'Named here');
  await expect(page.getByText(/^saved, revision 2/)).toBeVisible();
  await setRoom(other, '31');
  await expect(other.getByText(/^saved, revision 3/)).toBeVisible();
  await expect(nameField(other)).toHaveValue('Named here');

  await rename(page, 'Again here');
  await expect(page.getByText(/^saved, revision 4/)).toBeVisible();
  await expect(room(page)).toHaveValue(/31/);
  await rename(other, 'And there');
  const dialog = other.getByRole('dialog');
  await expect(dialog).toContainText('Name of the build');
  await expect(dialog.getByRole('row')).toHaveCount(2);
  await dialog.getByRole('button', { name: 'theirs', exact: true }).click();
  await dialog.getByRole('button', { name: 'Go on with these' }).click();
  await expect(nameField(other)).toHaveValue('Again here');
  await other.keyboard.press('Control+z');
  await expect(nameField(other)).toHaveValue('And there');
});

test('history: a moment is compared, named and restored, and that can be undone', async ({
  page,
  request,
}) => {
  const id = await newBuild(request, 'First name');
  await openBuild(page, id);
  await rename(page, 'Second name');
  await expect(page.getByText(/^saved, revision 2/)).toBeVisible();
  await page.getByRole('button', { name: /revision 2/ }).click();
  await page.getByRole('button', { name: /revision 1/ }).click();
  await expect(page.getByRole('row', { name: /Name of the build/ })).toContainText('First name');
  await page.getByLabel('Name of this moment').fill('as it began');
  await page.getByRole('button', { name: 'Keep the name' }).click();
  await expect(page.getByRole('button', { name: /as it began/ })).toBeVisible();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(nameField(page)).toHaveValue('First name');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Control+z');
  await expect(nameField(page)).toHaveValue('Second name');
});

test('a deleted build comes back at once, from the bin, and by its address', async ({
  page,
  request,
}) => {
  const id = await newBuild(request, 'Reed bunting rig');
  await page.goto('/?q=bunting', { waitUntil: 'networkidle' });
  const row = page.getByRole('listitem').filter({ hasText: 'Reed bunting rig' });
  await row.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('is in the bin for 30 days')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Reed bunting rig' })).toBeVisible();
  await row.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('No build is named "bunting"')).toBeVisible();
  // A click before the page is awake is lost.
  await page.goto(`/builds/${id}/heat`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(nameField(page)).toHaveValue('Reed bunting rig');
});

test('deleted while someone works on it: put back, and the work is saved', async ({
  page,
  request,
}) => {
  const id = await newBuild(request, 'Here one moment');
  await openBuild(page, id);
  await request.delete(`/api/builds/${id}`);
  await rename(page, 'Here again');
  await page.getByRole('button', { name: 'Put it back and save' }).click();
  await expect(page.getByText(/^saved, revision 2/)).toBeVisible();
  expect((await (await request.get(`/api/builds/${id}`)).json()).document.name).toBe('Here again');
});

test.describe('the server away', () => {
  test.use({ serviceWorkers: 'allow' });

  test('with the files kept in the browser the engine still works: curves and bands come, with the server away too', async ({
    page,
    context,
    request,
  }) => {
    const id = await newBuild(request, 'Kept engine');
    await page.goto(`/builds/${id}/cooling`);
    await page.evaluate(() => navigator.serviceWorker.ready);
    const band = page.getByRole('button', { name: /^90 % range over such builds: .*, why\?$/ });
    for (const isAway of [false, true]) {
      await context.setOffline(isAway);
      await reload(page);
      await expect(page.getByText('Working out the curves')).toHaveCount(0, { timeout: 30_000 });
      await expect(band).toBeVisible({ timeout: 30_000 });
    }
    await context.setOffline(false);
  });

  test('stages change, the page reloads, work goes on and is sent when it is back', async ({
    page,
    context,
    request,
  }) => {
    const id = await newBuild(request, 'Kept here');
    await openBuild(page, id);
    await page.evaluate(() => navigator.serviceWorker.ready);
    // The files are kept before the worker is ready to answer.
    await reload(page);
    await context.setOffline(true);
    await rename(page, 'Renamed away');
    await expect(page.getByText(/server not reached; kept in this browser/)).toBeVisible();
    for (const [stage, path] of [
      ['Flow', 'flow'],
      ['Runs', 'runs'],
      ['Parts list', 'parts'],
      ['Requirements', 'brief'],
    ] as const) {
      await page
        .getByRole('navigation', { name: 'Stages' })
        .getByText(stage, { exact: true })
        .click();
      // The stage before is there until this one is, and the address may follow it once more.
      await expect(
        page.getByRole('navigation', { name: 'Stages' }).locator('[aria-current="page"]'),
      ).toContainText(stage);
      await expect(page).toHaveURL(new RegExp(`/${path}(\\?|$)`));
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    }
    await page.reload();
    await expect(nameField(page)).toHaveValue('Renamed away');
    await setRoom(page, '33');
    // Cold: another window, at a stage never opened.
    await page.close();
    const cold = await context.newPage();
    await cold.goto(`/builds/${id}/materials`);
    await expect(nameField(cold)).toHaveValue('Renamed away');
    await cold.goto('/');
    await expect(cold.getByRole('link', { name: 'Renamed away' })).toBeVisible();
    await cold.getByRole('link', { name: 'Renamed away' }).click();
    await expect(nameField(cold)).toHaveValue('Renamed away');
    await context.setOffline(false);
    await expect(cold.getByText(/^saved, revision/)).toBeVisible({ timeout: 20_000 });
    const { document } = await (await request.get(`/api/builds/${id}`)).json();
    expect(document).toMatchObject({ name: 'Renamed away', brief: { room_C: 33 } });
  });
});

/** A request as it stands, with nothing tidied on the way. */
const raw = (address: string | undefined, method: string, path: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(address ?? '');
    const asked = http({ host: hostname, port, method, path }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    });
    asked.on('error', reject);
    asked.end();
  });

test('bad escapes, TRACE and * are answered as what they are', async ({ baseURL }) => {
  expect(await raw(baseURL, 'GET', '/builds/%E0%A4%A/heat')).toBe(400);
  expect(await raw(baseURL, 'GET', '/api/builds/%ff')).toBe(400);
  expect(await raw(baseURL, 'TRACE', '/')).toBe(405);
  expect(await raw(baseURL, 'OPTIONS', '*')).toBe(400);
  expect(await raw(baseURL, 'GET', '//evil.example/')).toBe(400);
});

test('pages and calls bear their policies; no script of a page is without its number', async ({
  page,
  request,
}) => {
  const faults: string[] = [];
  page.on('console', (m) => {
    if (/Content Security Policy/.test(m.text())) faults.push(m.text());
  });
  const response = await page.goto('/');
  const headers = response?.headers() ?? {};
  expect(headers['content-security-policy']).not.toMatch(/script-src [^;]*unsafe-inline/);
  expect(headers).toMatchObject({
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'x-content-type-options': 'nosniff',
  });
  expect(headers['permissions-policy']).toContain('camera=()');
  for (const path of ['/catalogue', '/new', '/validation', '/builds/fenland-flood-tower/flow'])
    await page.goto(path);
  await page.locator('[data-awake="true"]').waitFor();
  expect(faults).toEqual([]);
  expect(await (await request.get('/api/health')).json()).toMatchObject({
    ok: true,
    database: 'ok',
  });
});
