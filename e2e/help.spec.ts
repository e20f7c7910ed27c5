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

test('guided tour of a demo with mistakes: each stop shown where it is, tried fixes, solved and undone', async ({
  page,
}) => {
  await page.goto('/', { waitUntil: 'networkidle' });
  await page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Pocket planetarium', exact: true }) })
    .getByRole('link', { name: 'Guided tour' })
    .click();
  const tour = page.getByRole('region', { name: 'Guided tour' });
  await expect(tour).toContainText(/Stop 1 of \d+/);
  expect(page.url()).not.toContain('tour=');
  const [, of] = /Stop 1 of (\d+)/.exec((await tour.textContent()) ?? '') ?? [];
  const stops = Number(of);
  expect(stops).toBeGreaterThan(4);
  const stages = new Set<string>();
  for (let i = 1; i < stops; i += 1) {
    await tour.getByRole('button', { name: 'Next stop' }).click();
    await expect(tour).toContainText(`Stop ${i + 1} of ${stops}`);
    const place = (await tour.getByText(/^Stop/).textContent()) ?? '';
    const stage = place.slice(place.indexOf(': ') + 2);
    stages.add(stage);
    await expect(page).toHaveTitle(new RegExp(`^${stage}`));
  }
  expect(stages.size).toBeGreaterThan(2);
  await tour.getByRole('button', { name: 'Leave the tour' }).click();
  await expect(tour).toHaveCount(0);
  await expect(page.getByRole('main')).toBeFocused();
});

test('parts of one kind are compared figure by figure, beside a build and in the catalogue', async ({
  page,
}) => {
  await openStage(page, 'dawn-chorus-desk', 'flow');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('button', { name: 'Pumps', exact: true }).click();
  await page
    .getByRole('button', { name: /^Compare / })
    .nth(0)
    .click();
  await page
    .getByRole('button', { name: /^Compare / })
    .nth(1)
    .click();
  const compared = page.getByRole('region', { name: 'Compare parts' });
  await expect(compared.getByRole('columnheader')).toHaveCount(3);
  await expect(compared.getByRole('rowheader', { name: 'Head, m' })).toBeVisible();
  await compared.getByRole('button', { name: 'Close the comparison' }).click();
  await expect(compared).toHaveCount(0);
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Fans', exact: true }).click();
  await page.getByRole('gridcell').first().click();
  await page.getByRole('button', { name: 'Compare it' }).click();
  await expect(compared).toContainText('Compare another of its kind');
});
