import { copyOf, expect, openStage, saved, test } from './fixtures';

test('runs: routed in space, the strip of a run, what holds and what does not after a change', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Routed');
  await openStage(page, id, 'runs');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('about');
  await page.getByRole('button', { name: 'Route the runs in space' }).click();
  await expect(page.getByText(/^Routed past everything in the case/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('about');
  await page.getByRole('table').filter({ hasText: 'from, to' }).getByRole('button', { name: 'Pump → Card block', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Tube of \d/ })).toBeVisible();
  await expect(page.getByText(/^Nearest thing along its way/)).toBeVisible();
  // A slide on the Case stage makes estimates of them again, and an undo brings the ways back.
  await page.getByRole('link', { name: /Case/ }).first().click();
  await page.getByRole('button', { name: /^Top radiator:/ }).click();
  await page.getByRole('button', { name: '+5', exact: true }).click();
  await page.keyboard.press('6');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('about');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('about');
  await saved(page);
});

test('runs: hard tube of two loops, marks and rotations; where no way is found it is said', async ({ page }) => {
  await openStage(page, 'fenland-flood-tower', 'runs');
  await page.getByRole('button', { name: 'Route the runs in space' }).click();
  await expect(page.getByText(/^Routed past everything in the case\./)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('table').filter({ hasText: 'from, to' }).first().getByRole('button', { name: 'Processor pump → Front radiator', exact: true }).click();
  await expect(page.getByText(/^Start the first bend/)).toBeVisible();
  await openStage(page, 'pocket-planetarium', 'runs');
  await page.getByRole('button', { name: 'Route the runs in space' }).click();
  await expect(page.getByText(/no way found for/)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^No way found for/).first()).toBeVisible();
});
