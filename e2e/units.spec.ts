import { copyOf, expect, openStage, saved, test } from './fixtures';

/** A figure with a unit that the other system writes otherwise. */
const METRIC = /\d ?(?:mm|cm²|°C|L\/min|kPa|K|m³\/h|mL|mbar|Pa)(?![A-Za-z/²³])/;

test('United States units: chosen once, kept, in every figure, field and chart', async ({
  page,
}) => {
  await openStage(page, 'fenland-flood-tower', 'flow');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('4.3 L/min');
  await page.keyboard.press('Shift+?');
  await page.getByRole('switch', { name: 'United States units: in, °F, gpm, psi' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('1.14 gpm');
  await expect(page.getByText('flow, gpm')).toBeVisible();

  for (const stage of ['heat', 'case', 'cooling', 'flow', 'materials', 'assembly']) {
    await openStage(page, 'fenland-flood-tower', stage);
    // Prose of sources stays as it was published; figures of the build do not.
    const found = await page
      .locator('h1, td, [aria-valuetext], .num')
      .evaluateAll((all) =>
        all.map((e) => `${e.textContent ?? ''} ${e.getAttribute('aria-valuetext') ?? ''}`),
      );
    expect([stage, found.filter((t) => METRIC.test(t))]).toEqual([stage, []]);
  }

  await page.goto('/');
  await page.getByRole('button', { name: /^Units: United States/ }).click();
  await expect(page.getByRole('button', { name: /^Units: metric/ })).toBeVisible();
});

test('a bare number is taken in the units shown; the build keeps its own', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'In Fahrenheit');
  await page.addInitScript(() => localStorage.setItem('zephyron-units', 'us'));
  await openStage(page, id, 'brief');
  const room = page.getByLabel('Room temperature');
  await room.fill('77');
  await room.press('Enter');
  await expect(room).toHaveValue('77.0');
  await page.getByLabel('Flow target').fill('4 L/min');
  await page.getByLabel('Flow target').press('Enter');
  await expect(page.getByLabel('Flow target')).toHaveValue('1.06');
  await page.getByLabel('Listener distance').fill('900');
  await page.getByLabel('Listener distance').press('Enter');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('900.0 ft is outside');
  await page.getByLabel('Listener distance').press('Escape');
  await saved(page);
  const { document } = (await (await page.request.get(`/api/builds/${id}`)).json()) as {
    document: { brief: { room_C: number; limits: { flow_Lmin: number } } };
  };
  expect(document.brief.room_C).toBeCloseTo(25, 9);
  expect(document.brief.limits.flow_Lmin).toBe(4);
});

test('another currency at an exchange rate: list and budget follow, one undo', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'In other money');
  await openStage(page, id, 'brief');
  const budget = page.getByLabel('Budget', { exact: true });
  const before = Number((await budget.inputValue()).replaceAll(',', ''));
  await page.getByLabel('Currency, three letters').fill('x');
  await page.getByLabel('Currency, three letters').press('Enter');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('three letters');
  await page.getByLabel('Currency, three letters').fill('xts');
  await page.getByLabel('Currency, three letters').press('Enter');
  await page.getByLabel('Exchange rate').fill('2');
  await page.getByLabel('Exchange rate').press('Enter');
  await expect
    .poll(async () => Number((await budget.inputValue()).replaceAll(',', '')))
    .toBeCloseTo(2 * before, 2);
  await page.getByLabel('Exchange rate').blur();
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('XTS');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('0');
  await expect(page.getByLabel('Exchange rate')).toHaveValue('1');
});

test('the command search reaches findings and units', async ({ page }) => {
  await openStage(page, 'fenland-flood-tower', 'flow');
  await page.keyboard.press('Control+k');
  const search = page.getByRole('combobox', { name: 'Command' });
  await search.fill('united states');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('gpm');
  await page.keyboard.press('Control+k');
  const findings = page.getByRole('group', { name: 'Findings' }).getByRole('option');
  await expect(findings).toHaveCount(8);
  const title = ((await findings.first().textContent()) ?? '').replace(
    /(fails|marginal|note)$/,
    '',
  );
  await search.fill(title);
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/part=/);
});
