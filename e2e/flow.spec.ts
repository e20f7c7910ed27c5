import { readFileSync } from 'node:fs';
import { copyOf, expect, openStage, saved, test } from './fixtures';

test('flow: the pump speed handle moves the operating point; more is asked than it gives', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Pumping');
  await openStage(page, id, 'flow');
  // With its runs laid; before that it is an estimate.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('3.1 L/min', {
    timeout: 45_000,
  });
  await page.getByLabel('Speed of Pump').first().fill('2000');
  await page.getByLabel('Speed of Pump').first().press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/1\.\d L\/min, poor/);
  await page.getByRole('button', { name: /^Run Pump at/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/3\.\d L\/min, (fair|good)/);
  await page.getByLabel('Flow wanted').fill('4 gpm');
  await page.getByLabel('Flow wanted').press('Enter');
  await expect(page.getByText('The pump is at its end')).toBeVisible();
  await page.getByRole('button', { name: /^Pressure drop of Processor block: / }).click();
  await expect(page.getByText('a scaled with viscosity')).toBeVisible();
});

test('flow: the handle in the chart answers to keys, and undo takes it back', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Handle');
  await openStage(page, id, 'flow');
  // With its runs laid: what differs then is the handle's doing.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('3.1 L/min', {
    timeout: 45_000,
  });
  const handle = page.getByRole('slider', { name: 'Speed of the pumps' });
  await handle.focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('3.1 L/min');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('3.1 L/min');
});

test('flow: stairs are sorted three ways; a click picks the part everywhere; dirt and other points change the flow', async ({
  page,
}) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Stairs');
  await openStage(page, id, 'flow');
  const steps = page.getByRole('complementary', { name: 'Working panel' }).getByRole('listitem');
  await expect(steps.first()).toContainText('Processor block');
  await page.getByLabel('Order').selectOption('in flow order');
  await expect(steps.first()).toContainText('Processor reservoir');
  await page.getByLabel('Order').selectOption('by name');
  await expect(steps.first()).toContainText('Filter');
  await steps.first().getByRole('button', { name: 'Filter', exact: true }).click();
  await expect(
    page.getByRole('region', { name: 'Loop diagram' }).getByRole('button', { name: /^Filter:/ }),
  ).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Clogged').fill('60');
  await page.getByLabel('Clogged').press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('4.4 L/min');
  await page.getByRole('radio', { name: 'Clogging' }).click();
  await expect(page.getByText('60 % already')).toBeVisible();
  await page.getByRole('radio', { name: 'Losses' }).click();
  await page.getByRole('button', { name: 'Measured points', exact: true }).click();
  const points = page.getByRole('textbox', { name: 'Points' });
  await points.fill('flow gpm\tdrop psi\n0.5 gpm\tnothing');
  await expect(page.getByRole('alert')).toContainText('Line 2');
  await expect(page.getByRole('button', { name: 'Use these points in this build' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await expect(points).toHaveValue(/nothing/);
  await points.fill('0.5 gpm\t0.6 psi\n1 gpm\t2.2 psi');
  await page.getByLabel('Where from').fill('own bench');
  await page.getByRole('button', { name: 'Use these points in this build' }).click();
  await expect(page.getByText('own bench')).toBeVisible();
  await saved(page);
});

test('flow: a pump curve that rises is explained, and ratings that contradict its points', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Curves');
  await openStage(page, id, 'flow');
  await page.getByRole('button', { name: 'Measured points of Pump' }).click();
  await page.getByRole('textbox', { name: 'Points' }).fill('0 4.0\n2 4.3\n6 3.2\n10 1.5');
  await expect(page.getByRole('note')).toContainText('Point 2 lies no lower than the one before');
  await page.getByRole('dialog').getByLabel('Pressure').fill('150');
  await page.getByRole('dialog').getByLabel('Pressure').press('Enter');
  await expect(page.getByText('Printed pressure of 150.0 kPa')).toBeVisible();
  await page.getByRole('button', { name: 'Leave as it was' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('3.1 L/min');
});

test('flow: pumps of the catalogue are tried beside, one is used, two in series, undone', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Choosing');
  await openStage(page, id, 'flow');
  await page.getByRole('radio', { name: 'Pump selection' }).click();
  await expect(page.getByText(/^Quietest that reaches it/)).toBeVisible({ timeout: 20_000 });
  const line = page.getByRole('region', { name: 'Loop diagram' });
  await page.getByRole('button', { name: 'Try Brook Compact, one' }).click();
  const plan = page.getByRole('group', { name: 'Brook Compact, one' });
  await expect(plan.getByRole('row', { name: /^flow/ })).toContainText(/\d\.\d L\/min/);
  await plan.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('row', { name: /Brook Compact in place/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Run Pump at/ })).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/3\.\d L\/min/);
  await page.getByRole('radio', { name: 'two in series' }).click();
  await page.getByRole('button', { name: 'Try Brook Compact, two in series' }).click();
  const pair = page.getByRole('group', { name: 'Brook Compact, two in series' });
  await expect(pair.getByText('must be routed again')).toBeVisible();
  await page.getByRole('radio', { name: 'today’s flow' }).click();
  await pair.getByRole('button', { name: 'Take it' }).click();
  await expect(line.getByRole('button', { name: /^Pump.*leaves at/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(line.getByRole('button', { name: /^Pump.*leaves at/ })).toHaveCount(1);
});

test('flow: blocks side by side and in a row again; lanes tell their flow', async ({ page }) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Split');
  await openStage(page, id, 'flow');
  await page.getByRole('radio', { name: 'Card loop' }).click();
  await page.getByRole('radio', { name: 'Branches' }).click();
  const branches = page.getByRole('table').filter({ hasText: 'stretch' });
  await expect(branches.getByRole('row', { name: /Block of card A/ })).toContainText(/\d\d %/);
  await page.getByRole('button', { name: 'Set them in series' }).click();
  await expect(page.getByText('This loop does not split')).toBeVisible();
  await page.getByRole('button', { name: 'Set them in parallel' }).click();
  await expect(branches.getByRole('row', { name: /Block of card A/ })).toContainText(/\d\d %/);
  await saved(page);
});

test('flow: pressures name the lowest place; the EPANET file comes down and is read back', async ({
  page,
}) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Heights');
  await openStage(page, id, 'flow');
  await page.getByRole('radio', { name: 'Pressures' }).click();
  await expect(page.getByText('What flows presses least at Processor pump, in.')).toBeVisible();
  await page.getByRole('radio', { name: 'absolute' }).click();
  await expect(page.getByRole('columnheader', { name: 'absolute, kPa' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'EPANET file' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/\.inp$/);
  const text = readFileSync(await file.path(), 'utf8');
  for (const part of ['[PIPES]', '[PUMPS]', 'UNITS LPM', 'HEADLOSS D-W'])
    expect(text.replace(/[ \t]+/g, ' ').toUpperCase()).toContain(part);
});

test('flow: a filter from the catalogue waits under the loop diagram and is let in with one click', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Filtering');
  await openStage(page, id, 'flow');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('button', { name: 'Inline parts' }).click();
  await page.getByRole('button', { name: 'Add Mesh filter', exact: true }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Put Mesh filter into Main loop' }).click();
  await expect(
    page
      .getByRole('region', { name: 'Loop diagram' })
      .getByRole('button', { name: /^Mesh filter:/ }),
  ).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('3.1 L/min');
});
