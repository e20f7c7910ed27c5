import { expect, openStage, test } from './fixtures';

test('help: keys and terms; single keys can be turned off, and stay off', async ({ page }) => {
  await openStage(page, 'dawn-chorus-desk', 'flow');
  await page.keyboard.press('Shift+?');
  const dialog = page.getByRole('dialog', { name: 'Help' });
  await dialog.getByLabel('Find a term').fill('head');
  await expect(dialog.getByText('Pressure of a pump as the height of water')).toBeVisible();
  await expect(dialog.getByText('Fins of a radiator per inch')).toHaveCount(0);
  await dialog.getByRole('switch', { name: 'Single keys without Ctrl' }).click();
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/flow/);
  await page.reload({ waitUntil: 'networkidle' });
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/flow/);
  await page.getByRole('button', { name: 'Help: keys and terms' }).click();
  await dialog.getByRole('switch', { name: 'Single keys without Ctrl' }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/cooling/);
});

test('the first stop of the tab key skips to the stage; figures are said with their names', async ({
  page,
}) => {
  await openStage(page, 'dawn-chorus-desk', 'cooling');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the stage' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#stage')).toBeFocused();
  await expect(page.getByRole('button', { name: /^Coolant ΔT: \+9\.\d K, why\?$/ })).toBeVisible();
  await expect(page.getByRole('status', { name: 'Checks' })).toHaveText('No check fails.');
});
