import { copyOf, expect, openStage, saved, test } from './fixtures';

test('case: a radiator is picked, slid, turned, its fans moved, and the gaps follow', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Sliding');
  await openStage(page, id, 'case');
  await page.getByRole('button', { name: /^Top radiator:/ }).click();
  const panel = page.getByRole('complementary', { name: 'Working panel' });
  await expect(panel.getByRole('heading', { name: 'Top radiator' })).toBeVisible();
  await panel.getByRole('button', { name: '+5', exact: true }).click();
  await panel.getByRole('button', { name: '+1', exact: true }).click();
  await expect(panel.getByLabel('Slid along the rail')).toHaveValue('6');
  await panel.getByLabel('Slid along the rail').fill('2 in');
  await panel.getByLabel('Slid along the rail').press('Enter');
  await expect(panel.getByLabel('Slid along the rail')).toHaveValue('51');
  await panel.getByLabel('Slid along the rail').fill('900');
  await panel.getByLabel('Slid along the rail').press('Enter');
  await expect(panel.getByRole('alert')).toContainText('outside 0 to 133 mm');
  await panel.getByLabel('Slid along the rail').press('Escape');
  await panel.getByRole('radio', { name: 'ports to the rear' }).click();
  await expect(panel.getByRole('radio', { name: 'ports to the rear' })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  const cooling = page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /Cooling/ });
  const [before = 'no ΔT'] = /\+[\d.]+ K/.exec((await cooling.textContent()) ?? '') ?? [];
  expect(before).toMatch(/K$/);
  await panel.getByRole('radio', { name: 'exhaust' }).click();
  await expect(cooling).not.toContainText(before);
  await saved(page);
});

test('case: a thicker radiator clashes, says by how much, and a tried fix clears it', async ({
  page,
}) => {
  const id = await copyOf(page, 'pocket-planetarium', 'Clash');
  await openStage(page, id, 'case');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('4 clashes');
  await expect(page.getByRole('table').filter({ hasText: 'between' })).toContainText('−8.0 mm');
  await page
    .getByRole('button', { name: /^Use a thinner radiator/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('clash');
  for (const view of ['front', 'top', 'window side']) {
    await page.getByRole('radio', { name: view, exact: true }).click();
    await expect(page.getByRole('img', { name: /^The case/ })).toBeVisible();
  }
});

test('case: another case keeps what it can hold; the rest goes to the bench with a way back', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Moving house');
  await openStage(page, id, 'case');
  await page.getByLabel('Case', { exact: true }).selectOption({ label: 'Orrery 11' });
  await expect(page.getByText('Front radiator has no place').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Everything fits');
});

test('materials: water without an inhibitor narrows what is allowed', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Water');
  await openStage(page, id, 'materials');
  await expect(page.getByText('ordinary: inhibitor in date, 0.25 V allowed')).toBeVisible();
  await page
    .getByLabel('Coolant', { exact: true })
    .selectOption({ label: 'Distilled water with biocide' });
  await expect(page.getByText('harsh: no inhibitor in date, 0.15 V allowed')).toBeVisible();
  await page
    .getByLabel('Coolant', { exact: true })
    .selectOption({ label: 'Winter concentrate, mixed 1 to 3' });
  await expect(page.getByText('toxic, to pets above all').first()).toBeVisible();
  await page.getByLabel('Months in use').fill('40');
  await expect(page.getByText('harsh: no inhibitor in date')).toBeVisible();
});

test('runs: tube, fittings, ends, caps, ports; apart and together again', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Plumbing');
  await openStage(page, id, 'runs');
  await page.getByLabel('Fitting').selectOption({ label: 'Compression 13/10' });
  await expect(
    page.getByText('Compression 13/10 does not fit Rubber tube 16/10, black'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Use Compression 16/10 throughout' }).click();
  await expect(page.getByLabel('Fitting')).toHaveValue('fit-comp-16-10');
  await page.getByLabel('Tube').selectOption({ label: 'PETG stick 14/10, 1 m' });
  await expect(page.getByLabel('Fitting')).toHaveValue('fit-hard-14');

  await page.getByRole('button', { name: 'Pump → Card block', exact: true }).click();
  await page.getByLabel('At Card block').selectOption('rotary90');
  await expect(page.getByRole('row', { name: /Pump → Card block/ })).toContainText('90°');
  await page.getByLabel('Leaves by').selectOption({ label: 'low outlet' });
  await page.getByText(/^Spare ports/).click();
  await page.getByLabel('What closes Pump outlet, rear').selectOption('drain');
  await expect(page.getByText(/^Spare ports/)).toContainText('1 drain');

  await page.getByRole('button', { name: 'Remove this run' }).click();
  await expect(page.getByText('Main loop is not closed')).toBeVisible();
  await page.getByRole('button', { name: 'Re-route in this order' }).click();
  await expect(page.getByText('Main loop is not closed')).toHaveCount(0);
  await page.getByRole('button', { name: 'Disconnect this loop' }).click();
  await expect(page.getByRole('heading', { name: 'No loop yet' })).toBeVisible();
  await page.getByRole('main').getByRole('button', { name: 'Connect the loop' }).click();
  await page.getByRole('button', { name: /^Connect 6 parts/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('5 runs');
});

test('parts: owned parts cost nothing, the budget is judged, each line says why', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Counting');
  await openStage(page, id, 'parts');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('EUR 768.45 of EUR 800.00');
  await page
    .getByRole('row', { name: /Osier Large/ })
    .getByRole('button', { name: 'own it' })
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('EUR 679.45 of EUR 800.00');
  await page.getByLabel('Budget', { exact: true }).fill('500');
  await page.getByLabel('Budget', { exact: true }).press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('EUR 179.45 over the budget');
  await page.getByLabel('Budget', { exact: true }).fill('lots');
  await page.getByLabel('Budget', { exact: true }).press('Enter');
  await expect(page.getByRole('main').getByRole('alert')).toContainText('not an amount');
  await expect(page.getByLabel('Budget', { exact: true })).toHaveValue('lots');
  await page.getByRole('radio', { name: 'by run' }).click();
  await expect(page.getByRole('row', { name: /Card block → Processor block/ })).toContainText(
    'Rubber tube 16/10, black',
  );
});

test('builds: copy, rename, delete', async ({ page }) => {
  await page.goto('/', { waitUntil: 'networkidle' });
  // Other tests leave builds of their own; the list shows the newest of many.
  const search = page.getByLabel('Find a build');
  if ((await search.count()) > 0) await search.fill('Dawn chorus desk');
  const desk = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Dawn chorus desk', exact: true }) });
  await desk.getByRole('button', { name: 'Copy' }).click();
  const copy = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Dawn chorus desk, copy' }) });
  await expect(copy).toBeVisible();
  await copy.getByRole('link', { name: 'Dawn chorus desk, copy' }).click();
  await page.getByLabel('Name of the build').fill('Evening desk');
  await page.getByLabel('Name of the build').press('Enter');
  await expect(page.getByRole('banner').getByText(/revision 2/)).toBeVisible();
  await saved(page);
  await page.getByRole('link', { name: 'Zephyron' }).click();
  const evening = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Evening desk' }) });
  await evening.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('"Evening desk" is in the bin for 30 days.')).toBeVisible();
  await expect(evening).toHaveCount(0);
});

test('case: room at the ports is told when asked for, and a port is picked', async ({ page }) => {
  await openStage(page, 'pocket-planetarium', 'case');
  await page.getByRole('button', { name: 'Look', exact: true }).click();
  await expect(page.getByText(/Fill cap runs into Top radiator/)).toBeVisible();
  await page.getByRole('button', { name: 'Reservoir, top', exact: true }).click();
  await expect(
    page.getByRole('region', { name: 'Loop diagram' }).getByRole('button', { name: /^Reservoir:/ }),
  ).toHaveAttribute('aria-pressed', 'true');
});
