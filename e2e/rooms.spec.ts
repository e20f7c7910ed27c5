import AxeBuilder from '@axe-core/playwright';
import { copyOf, expect, openStage, STAGES, test } from './fixtures';

for (const demo of ['dawn-chorus-desk', 'fenland-flood-tower', 'pocket-planetarium'] as const) {
  test(`every stage of ${demo} opens and shows no NaN`, async ({ page }) => {
    await openStage(page, demo, 'brief');
    for (const [i, stage] of STAGES.entries()) {
      await page.keyboard.press(String(i));
      await expect(page).toHaveURL(new RegExp(`${stage}(\\?|$)`));
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      const text = await page.locator('body').innerText();
      expect(text).not.toMatch(/NaN|undefined|\[object/);
    }
  });
}

for (const scheme of ['light', 'dark'] as const) {
  test(`accessible, ${scheme}`, async ({ browser }) => {
    test.setTimeout(600_000);
    const context = await browser.newContext({ colorScheme: scheme, reducedMotion: 'reduce' });
    const page = await context.newPage();
    for (const path of [
      '/',
      '/new',
      '/catalogue',
      '/validation',
      ...STAGES.map((s) => `/builds/pocket-planetarium/${s}`),
    ]) {
      await page.goto(path, { waitUntil: 'networkidle' });
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      const axe = new AxeBuilder({ page });
      // The night theme differs in colours alone.
      const { violations } = await (
        scheme === 'dark'
          ? axe.withRules(['color-contrast'])
          : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa'])
      ).analyze();
      expect(
        violations.map(
          (v) =>
            `${path}: ${v.id}: ${v.nodes[0]?.html.slice(0, 140)} ${v.nodes[0]?.failureSummary?.slice(0, 160)}`,
        ),
      ).toEqual([]);
    }
    await context.close();
  });
}

test('the proof page shows every check, all holding', async ({ page }) => {
  await page.goto('/validation');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('published checks pass');
  expect(await page.locator('tbody tr').count()).toBeGreaterThanOrEqual(60);
});

test('export and import bring the same build', async ({ page }) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Round trip');
  const file = await page.request.get(`/api/builds/${id}/file`);
  expect(file.headers()['content-disposition']).toContain('round-trip.zephyron.json');
  await page.goto('/', { waitUntil: 'networkidle' });
  await page.getByLabel('Build file').setInputFiles({
    name: 'round-trip.zephyron.json',
    mimeType: 'application/json',
    buffer: await file.body(),
  });
  await expect(page).toHaveURL(/\/heat$/);
  const copy = /builds\/([^/]+)/.exec(page.url())?.[1] ?? '';
  expect(copy).not.toBe(id);
  const read = async (b: string) =>
    ((await (await page.request.get(`/api/builds/${b}`)).json()) as { document: unknown }).document;
  expect(await read(copy)).toEqual(await read(id));
});

test('a bad file is refused with its place, and nothing changes', async ({ page }) => {
  await page.goto('/', { waitUntil: 'networkidle' });
  const count = await page.getByRole('listitem').count();
  const choose = (name: string, text: string) =>
    page
      .getByLabel('Build file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  const alert = page.getByRole('alert').filter({ hasText: 'Nothing was changed' });
  await choose(
    'broken.json',
    '{"format":"zephyron-build","version":1,"name":"<img src=x onerror=alert(1)>"}',
  );
  await expect(alert).toContainText('brief: brief is required');
  await choose('future.json', '{"format":"zephyron-build","version":7}');
  await expect(alert).toContainText('newer Zephyron');
  await choose('huge.json', ' '.repeat(10_500_000));
  await expect(alert).toContainText('never larger than');
  expect(await page.getByRole('listitem').count()).toBeLessThanOrEqual(count + 8);
});

test('a script in a name is only a name', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', '<img src=x onerror="document.title=1">');
  await openStage(page, id, 'heat');
  await expect(page.getByLabel('Name of the build')).toHaveValue(
    '<img src=x onerror="document.title=1">',
  );
  await page.goto('/');
  await expect(page.getByText('<img src=x')).toBeVisible();
  expect(await page.title()).not.toBe('1');
  await page.request.delete(`/api/builds/${id}`);
});

test('an unknown build or stage has a way back', async ({ page }) => {
  const answer = await page.goto('/builds/no-such-build/heat');
  expect(answer?.status()).toBe(404);
  await page.getByRole('link', { name: 'All builds' }).click();
  await expect(page.getByRole('heading', { name: 'Builds' })).toBeVisible();
});

test('phone width: nothing runs off the side', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  for (const path of ['/', '/new', ...STAGES.map((s) => `/builds/dawn-chorus-desk/${s}`)]) {
    await page.goto(path, { waitUntil: 'networkidle' });
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect([path, wide]).toEqual([path, 390]);
  }
  await context.close();
});

test('at a desk: the page stands still, only its panels scroll, and none of them sideways', async ({
  page,
}) => {
  const paths = STAGES.map((s) => `/builds/fenland-flood-tower/${s}`);
  for (const path of [...paths, '/builds/pocket-planetarium/runs']) {
    await page.goto(path, { waitUntil: 'networkidle' });
    // The room that a scroll bar takes where it takes some.
    await page.addStyleTag({ content: 'aside { border-right: 15px solid #0000 !important; }' });
    const off = await page.evaluate(() => {
      const { scrollHeight, clientHeight } = document.documentElement;
      const sideways = [...document.querySelectorAll('aside, main')].filter(
        (e) => getComputedStyle(e).overflowX === 'auto' && e.scrollWidth > e.clientWidth + 1,
      );
      return [scrollHeight - clientHeight, sideways.map((e) => e.className)];
    });
    expect([path, ...off]).toEqual([path, 0, []]);
  }
});

test('other sites cannot change anything, nor can other hosts be served', async ({ page }) => {
  expect(
    (
      await page.request.post('/api/builds', {
        data: {},
        headers: { origin: 'http://evil.example' },
      })
    ).status(),
  ).toBe(403);
  expect(
    (await page.request.get('/api/builds', { headers: { host: 'evil.example' } })).status(),
  ).toBe(403);
  expect(
    (
      await page.request.post('/api/evaluate', {
        data: '{',
        headers: { 'content-type': 'application/json' },
      })
    ).status(),
  ).toBe(400);
  expect(
    (
      await page.request.post('/api/evaluate', {
        data: 'a=1',
        headers: { 'content-type': 'text/plain' },
      })
    ).status(),
  ).toBe(415);
});
