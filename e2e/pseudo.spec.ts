import type { Page } from '@playwright/test';
import { CATALOGUE } from '@/catalogue';
import { expect, STAGES, test } from './fixtures';

const BUILDS = ['fenland-flood-tower', 'pocket-planetarium'];
const UNITS = [
  'bar',
  'min',
  'dba',
  'kpa',
  'fpi',
  'rpm',
  'mpa',
  'eur',
  'csv',
  'inp',
  'json',
  'pdf',
  'svg',
  'dxf',
  'gltf',
  'ics',
];

/** In the pseudo-language: English accented and 40 % longer. */
test.beforeEach(async ({ page, context, baseURL }) => {
  await context.addCookies([{ name: 'zephyron-language', value: 'en-XA', url: baseURL as string }]);
  await page.addInitScript(() => localStorage.setItem('zephyron-language', 'en-XA'));
});

/** Fields whose values are names: chosen by builders, makers and shops, or ids of parts. */
const NAMES =
  /^(name|maker|id|part|family|shop|note|upkeep|layout|pattern|socket|standard|material)$/;

const namesIn = (value: unknown, key = ''): string[] => {
  if (typeof value === 'string') return NAMES.test(key) ? [value] : [];
  if (Array.isArray(value)) return value.flatMap((v) => namesIn(v, key));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([k, v]) => namesIn(v, k));
};

/** Words of names in builds, in the bin, in the catalogue; symbols of units; months of Intl. */
async function dataWords(page: Page): Promise<string[]> {
  const answers = await Promise.all(
    [...BUILDS.map((b) => `/api/builds/${b}`), '/api/builds', '/api/bin', '/api/parts'].map(
      async (path) => (await page.request.get(path)).json() as Promise<unknown>,
    ),
  );
  const months = Array.from({ length: 12 }, (_, i) =>
    new Date(2026, i).toLocaleString('en-XA', { month: 'long' }),
  );
  const names = [...namesIn([answers, CATALOGUE]), ...months, ...UNITS, 'Zephyron'].join(' ');
  return [...new Set((names.match(/\p{L}{3,}/gu) ?? []).map((w) => w.toLowerCase()))];
}

/**
 * What a person sees or hears of this page that is plain English: a word of three letters or more
 * with a vowel and no accent, which no name of the data has. Texts marked as English stay so.
 */
const hardCoded = (page: Page, known: readonly string[]): Promise<string[]> =>
  page.evaluate((allowed) => {
    const isKnown = new Set(allowed);
    const isPlain = (text: string): boolean =>
      (text.match(/\p{L}+/gu) ?? []).some(
        (w) => /^[A-Za-z]{3,}$/.test(w) && /[aeiouy]/i.test(w) && !isKnown.has(w.toLowerCase()),
      );
    const found: string[] = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let n = texts.nextNode(); n; n = texts.nextNode()) {
      const parent = n.parentElement as HTMLElement;
      if (parent.closest('script, style, noscript, [lang="en"]')) continue;
      if (parent.getClientRects().length > 0 && isPlain(n.textContent ?? ''))
        found.push((n.textContent ?? '').trim().slice(0, 120));
    }
    for (const element of document.querySelectorAll('body *:not([lang="en"])'))
      for (const name of ['aria-label', 'title', 'placeholder', 'aria-valuetext', 'alt']) {
        const text = element.getAttribute(name) ?? '';
        if (isPlain(text) && !element.closest('[lang="en"]'))
          found.push(`${name}: ${text.slice(0, 120)}`);
      }
    return [...new Set(found)];
  }, known);

/** Texts that do not fit their box and say nothing of it, by an ellipsis or by scrolling. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    for (const element of document.querySelectorAll<HTMLElement>('body *')) {
      const text = (element.textContent ?? '').trim();
      if (text === '' || element.children.length > 0 || element.closest('svg')) continue;
      const style = getComputedStyle(element),
        box = element.getBoundingClientRect();
      // Words for the ear alone stand in a box of a pixel.
      const isForTheEar = box.width <= 2 || style.clipPath !== 'none' || style.clip !== 'auto';
      const isCut = element.scrollWidth > element.clientWidth + 1 && style.overflowX === 'hidden';
      if (box.width > 0 && isCut && !isForTheEar && style.textOverflow !== 'ellipsis')
        found.push(text.slice(0, 80));
    }
    return [...new Set(found)];
  });

async function look(page: Page, known: readonly string[], where: string): Promise<string[]> {
  const [words, cut] = [await hardCoded(page, known), await cutOff(page)];
  return [...words.map((w) => `${where}: ${w}`), ...cut.map((c) => `${where}, cut off: ${c}`)];
}

for (const build of BUILDS)
  test(`${build}: no stage or tab has a word in the code, or one that is cut off`, async ({
    page,
  }) => {
    test.setTimeout(240_000);
    const known = await dataWords(page),
      found: string[] = [];
    for (const stage of STAGES) {
      await page.goto(`/builds/${build}/${stage}?view=side`, { waitUntil: 'networkidle' });
      await expect(page.locator('[data-awake="true"]')).toBeVisible();
      await expect(page.locator('html')).toHaveAttribute('data-words-in', 'en-XA');
      found.push(...(await look(page, known, stage)));
      const tabs = page.getByRole('tab');
      for (let i = 1; i < (await tabs.count()); i++) {
        await tabs.nth(i).click();
        await page.waitForLoadState('networkidle');
        found.push(...(await look(page, known, `${stage}, tab ${i + 1}`)));
      }
    }
    expect(found).toEqual([]);
  });

test('nor have the pages outside a build', async ({ page }) => {
  const known = await dataWords(page),
    found: string[] = [];
  for (const path of ['/', '/new', '/catalogue', '/validation', '/nowhere']) {
    await page.goto(path, { waitUntil: 'networkidle' });
    await expect(page.locator('html')).toHaveAttribute('data-words-in', 'en-XA');
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    found.push(...(await look(page, known, path)));
  }
  expect(found).toEqual([]);
});

test('nor have help, findings, search, exports, what the server says, or a value that is wrong', async ({
  page,
}) => {
  const known = await dataWords(page),
    found: string[] = [];
  await page.goto('/builds/pocket-planetarium/brief', { waitUntil: 'networkidle' });
  await expect(page.locator('[data-awake="true"]')).toBeVisible();
  for (const key of ['?', 'f', 'Control+k']) {
    await page.keyboard.press(key);
    await page.waitForTimeout(1500);
    found.push(...(await look(page, known, `after ${key}`)));
    await page.keyboard.press('Escape');
  }
  await page.locator('header').getByRole('button').last().click();
  await expect(page.getByRole('dialog')).toBeVisible();
  found.push(...(await look(page, known, 'exports')));
  await page.keyboard.press('Escape');
  const field = page.locator('main input[inputmode], main input[type="text"]').first();
  await field.fill('99999');
  await field.press('Enter');
  found.push(...(await look(page, known, 'a wrong value')));
  const refused = await page.request.post('/api/builds', { data: { format: 'no' } });
  expect(refused.status()).toBe(400);
  expect(await refused.text()).toMatch(/[áéíóúý]{2}/);
  expect(found).toEqual([]);
});

test('help gives English back, and keeps it', async ({ page, context }) => {
  await page.goto('/builds/dawn-chorus-desk/heat', { waitUntil: 'networkidle' });
  await expect(page.locator('[data-awake="true"]')).toBeVisible();
  // The start script would choose again with every load.
  const plain = await context.newPage();
  await plain.goto('/builds/dawn-chorus-desk/heat', { waitUntil: 'networkidle' });
  await expect(plain.locator('[data-awake="true"]')).toBeVisible();
  await plain.keyboard.press('?');
  await plain
    .getByRole('dialog')
    .locator('input[type="checkbox"], input[role="switch"]')
    .last()
    .click();
  await expect(plain.locator('html')).toHaveAttribute('lang', 'en');
  await expect(plain.getByRole('link', { name: /Requirements/ })).toBeVisible();
  await plain.reload();
  await expect(plain.locator('html')).toHaveAttribute('lang', 'en');
});
