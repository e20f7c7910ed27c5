import { copyOf, expect, openStage, saved, test } from './fixtures';

test('assembly: steps are marked and noted, an air test is read, and all is there after a reload', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Put together');
  await openStage(page, id, 'assembly');
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toContainText('Step 1 of 28');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(heading).toContainText('Step 2 of 28');
  await page.getByLabel('Note').fill('screws in the blue bag');
  await page.getByLabel('Note').blur();
  // A part dragged by its keys into a turn it cannot have: it says what that breaks.
  const grip = page.getByRole('button', { name: /^Move Put in Kite 200/ });
  await grip.focus();
  await page.keyboard.press('Space');
  for (let i = 0; i < 11; i += 1) {
    await page.waitForTimeout(120);
    await page.keyboard.press('ArrowUp');
  }
  await page.waitForTimeout(300);
  await page.keyboard.press('Space');
  await expect(page.getByText('In your own order.')).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Steps' }).getByText(': does not go in').first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Use the order worked out' }).click();
  await expect(page.getByText(': does not go in')).toHaveCount(0);
  // The air test: over the rating refused, then noted.
  await page.getByRole('radio', { name: 'leak test with air' }).click();
  await page.getByLabel('Gauge', { exact: true }).fill('600');
  await page.getByLabel('Gauge', { exact: true }).blur();
  await expect(page.getByRole('alert').filter({ hasText: '450 mbar' })).toBeVisible();
  await page.getByLabel('Gauge', { exact: true }).fill('0.4 bar');
  await page.getByLabel('Gauge', { exact: true }).blur();
  await page.getByRole('button', { name: 'Note it now' }).click();
  await page.getByRole('radio', { name: 'fill and bleed' }).click();
  await expect(page.getByRole('cell', { name: 'to the mark' })).toBeVisible();
  await page.getByRole('radio', { name: 'calendar' }).click();
  const calendar = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Calendar as ICS' }).click();
  expect((await calendar).suggestedFilename()).toBe('put-together-assembly.ics');
  await saved(page);
  await page.reload();
  await expect(page.getByText(/^1 of 28 steps done/)).toBeVisible();
  await expect(page.getByLabel('Note')).toHaveValue('screws in the blue bag');
  await page.getByRole('radio', { name: 'leak test with air' }).click();
  await expect(page.getByText('two readings tell a first rate')).toBeVisible();
  await page.getByRole('button', { name: 'Start anew' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Start anew' })).toBeVisible();
});
