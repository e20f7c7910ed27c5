import { readFileSync } from 'node:fs';
import { copyOf, expect, openStage, saved, test } from './fixtures';

test('what fits: the radiators of the catalogue on each mount; one is hung, the whole answer follows', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'What goes in', { 'front-radiator': 0 });
  await openStage(page, id, 'case');
  await page.getByRole('radio', { name: 'what fits?' }).click();
  await expect(page.getByRole('heading', { name: 'Largest sets for this case' })).toBeVisible({
    timeout: 20_000,
  });
  await page.getByRole('radio', { name: 'inside' }).click();
  const cell = page.getByRole('button', { name: /^Tarn Slim 360, 27 mm on the top mount: clear/ });
  await cell.click();
  await expect(page.getByText(/stack 52 mm/)).toBeVisible();
  await page.getByRole('button', { name: 'mount it', exact: true }).click();
  await expect(page.getByRole('row', { name: /^Tarn Slim 360/ })).toContainText('in place', {
    timeout: 20_000,
  });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Everything fits');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('row', { name: /^Tarn 240, 30/ })).toContainText('in place', {
    timeout: 20_000,
  });
  await page.getByRole('button', { name: 'mount this set' }).first().click();
  await expect(page.getByRole('row', { name: /^Tarn Slim 360/ })).toContainText(
    /in place.*in place/,
    { timeout: 20_000 },
  );
  await saved(page);
});

test('dragging along the rail, keys, and the drop is one step to undo', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Dragged');
  await openStage(page, id, 'case');
  const part = page
    .locator('svg g', { has: page.locator('title', { hasText: /^Top radiator:/ }) })
    .last();
  const at = await part.boundingBox();
  if (!at) throw new Error('the radiator is not drawn');
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 + 900, at.y + at.height / 2, { steps: 8 });
  await page.mouse.up();
  const panel = page.getByRole('complementary', { name: 'Working panel' });
  await expect(panel.getByLabel('Slid along the rail')).toHaveValue('133');
  const sheet = page.getByRole('group', { name: /^Drawing of the case/ });
  await sheet.focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(panel.getByLabel('Slid along the rail')).toHaveValue('127');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(panel.getByLabel('Slid along the rail')).toHaveValue('0');
});

test('the case in space: seen from all sides, cut open, and a part picked by its list', async ({
  page,
}) => {
  await openStage(page, 'fenland-flood-tower', 'case');
  await page.getByRole('radio', { name: 'in space' }).click();
  await expect(page.getByRole('img', { name: /^The case in space/ }).locator('canvas')).toBeVisible(
    { timeout: 20_000 },
  );
  for (const from of ['window', 'front', 'top', 'corner']) {
    await page.getByLabel('Look from').selectOption(from);
    await expect(page.getByLabel('Look from')).toHaveValue(from);
  }
  await page.getByRole('radio', { name: 'section' }).click();
  await page.getByLabel('Cut from the window').fill('90');
  await expect(page.getByText('90 mm', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^List all/ }).click();
  await page
    .getByRole('table')
    .filter({ hasText: 'nearest thing' })
    .getByRole('button', { name: 'Card reservoir' })
    .click();
  await expect(page.getByRole('heading', { name: 'Card reservoir' })).toBeVisible();
});

test("a case of one's own: measured, wrong first, kept through a reload, used, and found in the catalogue", async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Own case');
  await openStage(page, id, 'case');
  await page.getByRole('button', { name: 'Measure your own case' }).click();
  await page.getByLabel('Name', { exact: true }).fill(`Shed find ${id.slice(-4)}`);
  await page.getByLabel('Floor to top frame').fill('300');
  await page.getByRole('button', { name: 'Next: board' }).click();
  await expect(page.getByRole('alert').first()).toContainText('sticks out by');
  await page.reload({ waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Measure your own case' }).click();
  await expect(page.getByLabel('Floor to top frame')).toHaveValue('300');
  await page.getByLabel('Floor to top frame').fill('18 in');
  await page.getByRole('radio', { name: '6 keep it' }).click();
  await expect(page.getByText('Nothing contradicts itself')).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export as a file' }).click(),
  ]);
  expect(JSON.parse(readFileSync(await file.path(), 'utf8'))).toMatchObject({
    kind: 'case',
    interior: [450, 457.2, 210],
  });
  await page.getByRole('button', { name: 'Save it to the catalogue and use it' }).click();
  await expect(page.getByText(new RegExp(`Shed find ${id.slice(-4)}, \\d+`))).toBeVisible();
  await saved(page);
  // What is in the Stores is no draft any more: the next one starts empty.
  expect(await page.evaluate(() => localStorage.getItem('zephyron-case-draft'))).toBeNull();
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
  await page.getByLabel('Search the catalogue').fill(`Shed find ${id.slice(-4)}`);
  await expect(page.getByRole('grid')).toContainText('measured by hand');
});

test('a bracket: drawn, exported at full size, its trouble told', async ({ page }) => {
  await openStage(page, 'dawn-chorus-desk', 'case');
  await page.getByRole('button', { name: 'Make a bracket' }).click();
  await page.getByLabel('Screwed to').selectOption({ label: '180 mm fan, 153 mm' });
  await page.getByLabel('Carries').selectOption({ label: 'Reservoir, 105 × 105 mm' });
  await expect(page.getByRole('img', { name: 'Plate 173 × 173 mm with 8 holes' })).toBeVisible();
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'SVG, 1:1 with ruler' }).click(),
  ]);
  expect(readFileSync(await svg.path(), 'utf8')).toContain('width="197mm"');
  const [dxf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'DXF', exact: true }).click(),
  ]);
  expect(readFileSync(await dxf.path(), 'utf8')).toContain('CIRCLE');
  await page.getByLabel('Edge beyond the holes').fill('3');
  await page.getByLabel('Edge beyond the holes').press('Enter');
  await expect(page.getByText(/too near the edge/)).toBeVisible();
});

test('a pump anywhere: free place, turned, its header told', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Taped');
  await openStage(page, id, 'case');
  await page.getByRole('button', { name: /^Pump:/ }).click();
  const panel = page.getByRole('complementary', { name: 'Working panel' });
  await panel
    .getByLabel('Place', { exact: true })
    .selectOption({ label: 'free-standing (bracket or tape)' });
  await panel.getByLabel('From the tray').fill('90');
  await panel.getByLabel('From the tray').press('Enter');
  await panel.getByRole('radio', { name: '90°' }).click();
  await expect(panel.getByLabel('From the tray')).toHaveValue('90');
  await expect(panel.getByRole('table').filter({ hasText: 'header' })).toContainText(
    'pump header 1',
  );
});
