import { copyOf, expect, openStage, test } from './fixtures';

test('the scene: looked at from a side, cut with hatch, flow and parts by name', async ({
  page,
}) => {
  await openStage(page, 'dawn-chorus-desk', 'case');
  await page.getByRole('radio', { name: 'in space' }).click();
  const canvas = page.locator('canvas');
  await expect(canvas).toBeVisible({ timeout: 20_000 });
  await page.waitForTimeout(800);
  const picture = async (): Promise<string> => {
    await page.waitForTimeout(400);
    return canvas.evaluate((c) => (c as HTMLCanvasElement).dataset.triangles ?? '');
  };
  const whole = Number(await picture());
  // The cut faces are triangles of their own.
  await page.getByRole('radio', { name: 'section' }).click();
  await page.getByLabel('Cut from the window').fill('80');
  await page.getByLabel('Cut from the window').fill('81');
  expect(Number(await picture())).toBeGreaterThan(whole);
  await page.getByRole('radio', { name: 'in space' }).click();
  await page.getByLabel('Look from').selectOption('top');

  // A part is hidden by its name in the tree, and comes back.
  await page.getByRole('button', { name: 'Parts', exact: true }).click();
  const tree = page.getByRole('tree');
  await tree.getByRole('treeitem', { name: 'Reservoir', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Reservoir' })).toBeVisible();
  await page.getByRole('button', { name: 'Hide', exact: true }).click();
  await expect(tree.getByRole('treeitem', { name: 'Reservoir, hidden' })).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(tree.getByRole('treeitem', { name: 'Reservoir, hidden' })).toHaveCount(0);

  // The picked part has its nearest gaps as dimension lines with figures.
  await expect(page.locator('[data-at]').first()).toContainText('mm');
  await page.getByRole('button', { name: 'Flow', exact: true }).click();
  await expect(page.locator('[data-at]').first()).toContainText('m/s');
  await page.getByRole('button', { name: 'Flow', exact: true }).click();
});

test('the tree is worked by keyboard: arrows, Enter picks everywhere', async ({ page }) => {
  await openStage(page, 'dawn-chorus-desk', 'case');
  await page.getByRole('radio', { name: 'in space' }).click();
  await expect(page.locator('canvas')).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Parts', exact: true }).press('Enter');
  await page.getByRole('treeitem', { name: 'Processors' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Lantern 8' })).toBeVisible();
});

test('findings: one change clears many; a line leads to its stage and part; focus stays', async ({
  page,
}) => {
  const id = await copyOf(page, 'pocket-planetarium', 'Grouped');
  await openStage(page, id, 'heat');
  await page.keyboard.press('f');
  const sheet = page.getByRole('complementary', { name: 'Findings' });
  await expect(sheet.getByRole('heading', { name: 'Findings' })).toBeFocused();
  await expect(sheet.getByRole('heading', { name: /clears \d+ findings$/ })).toBeVisible({
    timeout: 30_000,
  });
  await sheet.getByRole('button', { name: /^Aluminium and copper/ }).click();
  await expect(page).toHaveURL(/\/materials/);
  await sheet.getByRole('button', { name: 'Apply this change' }).click();
  await expect(sheet.getByRole('heading', { name: 'Findings' })).toBeFocused();
  await expect(sheet.getByRole('button', { name: /^Aluminium and copper/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await page.keyboard.press('Control+z');
});
