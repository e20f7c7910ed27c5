import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, saved, test } from './fixtures';

const STAGES = 'brief heat case cooling flow materials runs parts assembly log'.split(' ');
const PATHS = ['/', '/new', '/catalogue', ...STAGES.map((s) => `/builds/pocket-planetarium/${s}`)];

async function violationsOf(page: Page, path: string): Promise<readonly string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return violations.map(
    (v) => `${path}: ${v.id}: ${v.nodes[0]?.html.slice(0, 140)} ${v.nodes[0]?.failureSummary}`,
  );
}

/** 1280 px at 400 % are 320 px wide (WCAG 2.2, 1.4.10 Reflow). */
test('at 400 % zoom every page is whole: nothing to scroll sideways, no barrier', async ({
  page,
}) => {
  test.setTimeout(300_000);
  await page.setViewportSize({ width: 320, height: 256 });
  const wide: string[] = [],
    barred: string[] = [];
  for (const path of PATHS) {
    await page.goto(path, { waitUntil: 'networkidle' });
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeAttached();
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    if (width > 320) wide.push(`${path}: ${width} px`);
    barred.push(...(await violationsOf(page, path)));
  }
  expect(wide).toEqual([]);
  expect(barred).toEqual([]);
});

test('in forced colours every page keeps its words, its focus and its marks', async ({ page }) => {
  test.setTimeout(300_000);
  await page.emulateMedia({ forcedColors: 'active' });
  const barred: string[] = [];
  for (const path of PATHS) {
    await page.goto(path, { waitUntil: 'networkidle' });
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    expect(await page.evaluate(() => matchMedia('(forced-colors: active)').matches)).toBe(true);
    barred.push(...(await violationsOf(page, path)));
    // What has the focus is outlined, whatever draws it.
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    const outline = await page.evaluate(() => {
      const at = document.activeElement;
      if (!at || at === document.body) return 'nothing has the focus';
      const style = getComputedStyle(at);
      return style.outlineStyle === 'none' && style.boxShadow === 'none'
        ? `${at.outerHTML.slice(0, 120)} has no outline`
        : '';
    });
    expect([path, outline]).toEqual([path, '']);
  }
  expect(barred).toEqual([]);

  // What is chosen is told by its line, and what is taken by a bar: neither is lost to the colours.
  await page.goto('/builds/fenland-flood-tower/case?view=space', { waitUntil: 'networkidle' });
  const view = page.getByRole('radiogroup', { name: 'View' });
  const lineOf = (name: string): Promise<string> =>
    view
      .getByRole('radio', { name, exact: true })
      .evaluate((e) => getComputedStyle(e).borderBottomColor);
  const ground = await page.evaluate(() => {
    document.body.style.setProperty('outline-color', 'Canvas');
    return getComputedStyle(document.body).outlineColor;
  });
  expect(await lineOf('front')).toBe(ground);
  expect(await lineOf('in space')).not.toBe(ground);
  const colours = await page
    .getByRole('img', { name: /^Front mount: / })
    .locator('div')
    .evaluateAll((bars) => bars.map((b) => getComputedStyle(b).backgroundColor));
  expect(new Set(colours).size).toBeGreaterThan(1);
});

test('from Builds to the exported list by keyboard alone, in 150 keys', async ({ page }) => {
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    await page.keyboard.press(key);
    keys += 1;
  };
  const type = async (text: string): Promise<void> => {
    await page.keyboard.type(text);
    keys += text.length;
  };
  /** Tab until what has the focus is called so. */
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let i = 0; i < 60; i += 1) {
      const at = await page.evaluate(() => {
        const on = document.activeElement;
        const label = on instanceof HTMLInputElement || on instanceof HTMLSelectElement;
        return on === null
          ? ''
          : (on.getAttribute('aria-label') ??
              (label ? (on.labels?.[0]?.textContent ?? '') : (on.textContent ?? '')));
      });
      if (name.test(at.trim())) return;
      await press('Tab');
    }
    throw new Error(`the keyboard does not reach ${String(name)}`);
  };
  await page.goto('/', { waitUntil: 'networkidle' });
  await tabTo(/^New build/);
  await press('Enter');
  await expect(page).toHaveURL(/\/new$/);
  await expect(page.getByLabel('Name')).toBeFocused();
  await type('Q');
  await tabTo(/^Case/);
  await type('Al');
  await tabTo(/^Start the build/);
  await press('Enter');
  await expect(page).toHaveURL(/\/heat$/);
  await expect(page.locator('[data-awake="true"]')).toBeVisible();
  await tabTo(/^Make a first build/);
  await press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('W under', {
    timeout: 60_000,
  });
  await press('Control+k');
  await expect(page.getByRole('combobox', { name: 'Command' })).toBeFocused();
  await type('export list');
  const [list] = await Promise.all([page.waitForEvent('download'), press('Enter')]);
  const csv = readFileSync((await list.path()) ?? '', 'utf8');
  expect(csv).toMatch(/radiator/i);
  await saved(page);
  console.log(`by keyboard, from Builds to the exported list: ${keys} keys`);
  expect(keys).toBeGreaterThan(20);
  expect(keys).toBeLessThanOrEqual(150);
});
