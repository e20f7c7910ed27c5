import { readFileSync } from 'node:fs';
import { expect, pickCase, saved, test } from './fixtures';

/** The whole path of a newcomer: from nothing to an exported parts list. */
test('a build from nothing to the list', async ({ page }) => {
  await page.goto('/', { waitUntil: 'networkidle' });
  await expect(page.getByRole('link', { name: 'Dawn chorus desk' })).toBeVisible();
  await page.getByRole('link', { name: 'New build' }).click();

  await page.getByRole('button', { name: 'Start the build' }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText('Give the build a name');
  await page.getByLabel('Name').fill('Kingfisher bench');
  await page.getByLabel('Room', { exact: true }).fill('70 F');
  await page.getByLabel('Room', { exact: true }).press('Tab');
  await expect(page.getByLabel('Room', { exact: true })).toHaveValue('21.1');
  await pickCase(page, 'Alder 42');
  await page.getByRole('button', { name: 'Start the build' }).click();

  await expect(page.getByRole('heading', { name: 'Nothing makes heat yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Open the catalogue' }).click();
  const stores = page
    .getByRole('presentation')
    .filter({ has: page.getByRole('heading', { name: 'Catalogue' }) });
  const add = async (kind: string, part: string): Promise<void> => {
    await stores.getByRole('button', { name: kind, exact: true }).click();
    await stores.getByRole('button', { name: `Add ${part}`, exact: true }).click();
  };
  await add('Boards', 'Barnacre Standard');
  await add('Processors', 'Lantern 8');
  await add('Memory', 'Stack 2 × 16');
  await add('Graphics cards', 'Kite 200');
  await add('Power supplies', 'Hum 750');
  await add('Blocks', 'Hearth P1');
  await add('Blocks', 'Hearth Cover L');
  await add('Radiators', 'Tarn 360, 30 mm');
  await add('Fans', 'Wren 120, 2,000 rpm');
  await add('Pumps', 'Osier Large');
  await add('Reservoirs', 'Mere 150');
  await stores.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('W under stress test');

  await page.getByRole('banner').getByRole('button', { name: 'Connect the loop' }).click();
  await page.getByRole('button', { name: 'Connect 5 parts' }).click();
  await expect(page.getByRole('region', { name: 'Loop diagram' })).toContainText('L/min');

  await page.keyboard.press('2');
  await expect(page).toHaveURL(/\/case(\?|$)/);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/fits|marginal|clash/);
  await page.keyboard.press('3');
  await expect(page.getByRole('slider', { name: 'Speed of all fans' })).toBeVisible();
  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('L/min');
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The metals are compatible');
  await page.keyboard.press('6');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d runs?, /);
  await page.keyboard.press('7');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('EUR');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Parts list as CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('kingfisher-bench-parts.csv');
  const csv = readFileSync((await download.path()) ?? '', 'utf8');
  expect(csv).toContain('Osier Large');
  expect(csv).toContain('Compression 16/10');

  await saved(page);
  await page.reload({ waitUntil: 'networkidle' });
  await expect(page.getByLabel('Name of the build')).toHaveValue('Kingfisher bench');
  await expect(
    page.getByRole('region', { name: 'Loop diagram' }).getByRole('button', { name: /^Mere 150:/ }),
  ).toBeVisible();
});

test('empty stages say what to do first', async ({ page }) => {
  await page.goto('/new', { waitUntil: 'networkidle' });
  await page.getByLabel('Name').fill('Bare');
  await page.getByRole('button', { name: 'Start the build' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing makes heat yet' })).toBeVisible();
  for (const [key, words] of [
    ['2', 'Choose the case'],
    ['3', 'No radiator in a loop yet'],
    ['4', 'Nothing flows yet'],
    ['5', 'Nothing is wetted yet'],
    ['6', 'No loop yet'],
    ['7', 'Nothing on the list'],
    ['8', 'Nothing to put together yet'],
    ['9', 'Nothing to log yet'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: words })).toBeVisible();
  }
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^Orrery 11/ }).click();
  await expect(page.getByRole('img', { name: /^The case in space/ })).toBeVisible();
});

test('new build: told the heat, cases that hold radiators enough come first, the smallest is offered', async ({
  page,
}) => {
  await page.goto('/new', { waitUntil: 'networkidle' });
  const cases = page.getByLabel('Case', { exact: true });
  // Litres and the largest radiators are told of every case.
  for (const label of (await cases.locator('option').allTextContents()).slice(1))
    expect(label).toMatch(/, \d+(\.\d)? L/);
  await page.getByLabel('Heat of all parts, about').fill('10');
  await page.keyboard.press('Tab');
  const small = await cases.locator('option').nth(1).textContent();
  await page.getByLabel('Heat of all parts, about').fill('650');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/must hold about 7 sections of 120 mm/)).toBeVisible();
  const first = (await cases.locator('option').nth(1).textContent()) ?? '';
  expect(first).not.toBe(small);
  const take = page.getByRole('button', { name: /^Take / });
  expect(first.startsWith(((await take.textContent()) ?? '').replace('Take ', ''))).toBe(true);
  await take.click();
  await expect(page.getByText(/holds radiators enough for 650 W/)).toBeVisible();
  await page.getByLabel('Name').fill('Told by heat');
  await page.getByRole('button', { name: 'Start the build' }).click();
  await expect(page).toHaveURL(/\/heat$/);
});

test('new build: heat sources as a part and as plain watts, the loop made at once, quiet within the brief', async ({
  page,
}) => {
  await page.goto('/new', { waitUntil: 'networkidle' });
  await page.getByLabel('Name').fill('Named at once');
  await page.getByLabel('Processor', { exact: true }).selectOption({ label: 'choose later' });
  const options = await page
    .getByLabel('Processor', { exact: true })
    .locator('option')
    .allTextContents();
  await page
    .getByLabel('Processor', { exact: true })
    .selectOption({ label: options.find((o) => o.startsWith('Lantern 8')) ?? '' });
  await page
    .getByLabel('Graphics card', { exact: true })
    .selectOption({ label: 'another one, by its watts' });
  await pickCase(page, 'Alder 42');
  await page.getByRole('button', { name: 'Start the build' }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText(
    'Say how many watts the graphics card draws',
  );
  await page.getByLabel('Power draw of each card').fill('215');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/holds radiators enough for 340 W/)).toBeVisible();
  await page.getByRole('button', { name: 'Start the build' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('W under', {
    timeout: 60_000,
  });
  expect(page.url()).not.toContain('first=');
  await saved(page);
  const rail = page.getByRole('navigation', { name: 'Stages' });
  await expect(rail.getByRole('link', { name: /Cooling/ })).toContainText(/K, \d+ dBA/);
  await page.keyboard.press('3');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Meets the brief', {
    timeout: 30_000,
  });
  // Loaded again, it is not made a second time.
  await page.goto(page.url().replace('/cooling', '/heat'), { waitUntil: 'networkidle' });
  await expect(
    page
      .getByRole('row', { name: /Card, 215 W/ })
      .or(page.getByText('Card, 215 W'))
      .first(),
  ).toBeVisible();
});

test('the catalogue: a heat source by name, watts and size', async ({ page }) => {
  await page.goto('/new', { waitUntil: 'networkidle' });
  await page.getByLabel('Name').fill('By watts');
  await page.getByRole('button', { name: 'Start the build' }).click();
  await page.getByRole('button', { name: 'Open the catalogue' }).click();
  await page.getByRole('button', { name: 'Add a heat source by its watts' }).click();
  const form = page.getByRole('form', { name: 'Heat source' });
  await form.getByRole('button', { name: 'Add heat source' }).click();
  await expect(form.getByRole('alert')).toContainText('Give the heat source a name');
  await form.getByLabel('Name').fill('Tide lamp');
  await form.getByLabel('Stands for a').selectOption({ label: 'device' });
  await form.getByLabel('Power draw').fill('40');
  await form.getByLabel('Length').fill('5 in');
  await form.getByLabel('Length').press('Tab');
  await form.getByRole('button', { name: 'Add heat source' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('Tide lamp').first()).toBeVisible();
  await saved(page);
});
