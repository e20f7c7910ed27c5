import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';

const file = readFileSync('src/core/design/fixtures/v2.json');

interface Stored {
  readonly version: number;
  readonly components: readonly {
    readonly id: string;
    readonly placement: { readonly on: string; readonly at?: readonly number[] };
  }[];
}

const choose = (page: Page): Promise<void> =>
  page.getByLabel('Build file').setInputFiles({
    name: 'kept.zephyron.json',
    mimeType: 'application/json',
    buffer: file,
  });

async function opened(page: Page): Promise<string> {
  await page.goto('/', { waitUntil: 'networkidle' });
  await choose(page);
  await expect(page).toHaveURL(/\/heat$/);
  return /builds\/([^/]+)/.exec(page.url())?.[1] ?? '';
}

const stored = async (page: Page, id: string): Promise<Stored> =>
  ((await (await page.request.get(`/api/builds/${id}`)).json()) as { document: Stored }).document;

test('a build file of an older version opens under the names of this one', async ({ page }) => {
  const id = await opened(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('W under stress test');
  expect((await stored(page, id)).version).toBe(5);
});

/** Holds the scripts back, as a slow machine does: the page stands there and is not awake. */
const slowScripts = (page: Page) =>
  page.route('**/*.js', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });

test('a build file chosen before the page is awake is opened all the same', async ({ page }) => {
  await slowScripts(page);
  await page.goto('/', { waitUntil: 'commit' });
  await choose(page);
  await expect(page).toHaveURL(/\/heat$/);
});

test('what is typed before the page is awake is not lost', async ({ page }) => {
  await slowScripts(page);
  await page.goto('/?q=dawn', { waitUntil: 'commit' });
  await page.getByLabel('Find a build').fill('fenland');
  await expect(page).toHaveURL(/q=fenland$/);
  await expect(page.getByRole('link', { name: 'Fenland flood tower' })).toBeVisible();
  await expect(page.getByLabel('Find a build')).toHaveValue('fenland');
});

test('a reservoir screwed onto the pump moves with it, in one step that undo takes back', async ({
  page,
}) => {
  const id = await opened(page);
  const at = async (component: string): Promise<string> =>
    JSON.stringify((await stored(page, id)).components.find((c) => c.id === component)?.placement);
  const before = { pump: await at('pump'), reservoir: await at('reservoir') };
  await page.getByRole('link', { name: /Case/ }).first().click();
  await page.getByRole('radio', { name: 'window side', exact: true }).click();
  const pump = page.locator('svg g', { has: page.locator('title', { hasText: /^Pump:/ }) }).last();
  const box = await pump.boundingBox();
  if (!box) throw new Error('the pump is not drawn');
  const middle = [box.x + box.width / 2, box.y + box.height / 2] as const;
  await page.mouse.move(...middle);
  await page.mouse.down();
  await page.mouse.move(middle[0] + 20, middle[1] - 4, { steps: 5 });
  await page.mouse.up();
  await expect.poll(() => at('pump')).not.toBe(before.pump);
  await expect.poll(() => at('reservoir')).not.toBe(before.reservoir);
  await page.screenshot({ path: '/tmp/ren/group.png' });
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(() => at('pump')).toBe(before.pump);
  await expect.poll(() => at('reservoir')).toBe(before.reservoir);
});

/** How many lines of a chart lead anywhere. */
const curvesDrawn = (page: Page): Promise<number> =>
  page
    .locator('path.recharts-line-curve')
    .evaluateAll((all) => all.filter((p) => (p.getAttribute('d') ?? '').length > 60).length);

test('every chart draws its curves', async ({ page }) => {
  for (const [stage, least] of [
    ['cooling', 5],
    ['flow', 3],
  ] as const) {
    await page.goto(`/builds/dawn-chorus-desk/${stage}`);
    await expect.poll(() => curvesDrawn(page), { timeout: 20_000 }).toBeGreaterThanOrEqual(least);
  }
  await page.goto('/builds/dawn-chorus-desk/cooling');
  await page.getByRole('radio', { name: 'Over time' }).click();
  await expect.poll(() => curvesDrawn(page), { timeout: 20_000 }).toBeGreaterThanOrEqual(3);
});
