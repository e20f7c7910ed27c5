import { copyOf, expect, openStage, saved, test } from './fixtures';

test('buying: the cheapest basket, a quote read in with what is wrong, lines marked as ordered', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Buying');
  await openStage(page, id, 'parts');
  await page.getByRole('radio', { name: 'buying' }).click();
  await expect(page.getByText(/shipping and tax included/)).toBeVisible({ timeout: 15_000 });
  await page.getByLabel('CSV file').setInputFiles({
    name: 'market.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('part,price\nfit-plug,"0,10"\nghost,3\n'),
  });
  await expect(page.getByText('1 price taken, 1 row not.')).toBeVisible();
  await expect(page.getByText('Line 3: The catalogue has no part “ghost”.')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /market/ })).toBeChecked();
  await page.getByRole('button', { name: 'Mark as ordered' }).first().click();
  await page.getByRole('radio', { name: 'by kind' }).click();
  await expect(page.getByText(/lines? ordered/)).toBeVisible();
  await saved(page);
});

test('the list: counted in the spare parts, another family of fittings, undone', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Drawer');
  await openStage(page, id, 'parts');
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toContainText('EUR 768.45 of EUR 800.00', { timeout: 15_000 });
  await page.getByLabel('Plug spare').fill('3');
  await page.getByLabel('Plug spare').press('Enter');
  await expect(heading).toContainText('EUR 762.75 of EUR 800.00');
  await page
    .getByRole('row', { name: /^Rushlight/ })
    .getByRole('button', { name: 'change all' })
    .click();
  await expect(page.getByRole('cell', { name: /^Rushlight compression/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('cell', { name: /^Compression 16\/10/ })).toBeVisible();
});

test('the catalogue: a part copied, changed and kept, one read in by its columns, retired again', async ({
  page,
}) => {
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Screws', exact: true }).click();
  await page.getByText('Screw M3 × 30').click();
  await page.getByRole('button', { name: 'Copy it as a part of your own' }).click();
  await page.getByRole('textbox', { name: 'length, mm' }).fill('31');
  await page.getByRole('textbox', { name: 'pack', exact: true }).fill('many');
  await expect(page.getByRole('button', { name: 'Save it to the catalogue' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'pack', exact: true }).fill('10');
  await page.getByRole('button', { name: 'Save it to the catalogue' }).click();
  await page.getByText('Screw M3 × 30, mine').click();
  await page.getByRole('button', { name: 'Retire it' }).click();
  await expect(page.getByText(/is retired: no build is offered it/)).toBeVisible();
  await page.getByRole('button', { name: 'Show what is retired (1)' }).click();
  await page.getByRole('gridcell', { name: /Screw M3 × 30, mine/ }).click();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByText(/is in the bin for 30 days/)).toBeVisible();
  await page.getByRole('button', { name: 'Show what is in use' }).click();
  await page.getByRole('button', { name: 'Read parts in' }).click();
  await page.getByLabel('CSV or JSON file').setInputFiles({
    name: 'fans.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,price,full speed\nReed 120,12.5,1800\nWillow 120,9,fast\n'),
  });
  await page.getByRole('button', { name: 'Look at 2 parts' }).click();
  await expect(page.getByText('fullSpeed_rpm: fullSpeed_rpm must be a number')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep the 1 that are right' })).toBeEnabled();
});

test("a pump of one's own: its curve typed and seen, offered in a build, and one of the catalogue out of use no longer", async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Own pump');
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
  await page.getByRole('textbox', { name: 'Search the catalogue' }).fill('Brook Small');
  await page.getByRole('row', { name: /pump/ }).first().click();
  await page.getByRole('button', { name: 'Copy it as a part of your own' }).click();
  await page.getByRole('textbox', { name: 'name', exact: true }).fill('Bench pump seven');
  await page.getByRole('button', { name: 'Head over flow, at full speed' }).click();
  await page.getByRole('textbox', { name: 'Points' }).fill('0 4.1\n4 3.7\n8 3\nmany');
  await expect(page.getByRole('alert').filter({ hasText: 'Line 4' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save it to the catalogue' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Points' }).fill('0 4.1\n4 3.7\n8 3\n16 0.5');
  await expect(page.getByRole('img', { name: '4 points and the curve used' })).toBeVisible();
  await page.getByRole('button', { name: 'Save it to the catalogue' }).click();
  await openStage(page, id, 'flow');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('textbox', { name: 'Search the catalogue' }).fill('bench pump');
  await page.getByRole('button', { name: 'Add Bench pump seven' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  const model = (await (await page.request.get('/api/parts?own=1')).json()) as {
    id: string;
    name: string;
    points: number[][];
  }[];
  expect(model.find((p) => p.name === 'Bench pump seven')?.points).toEqual([
    [0, 4.1],
    [4, 3.7],
    [8, 3],
    [16, 0.5],
  ]);
  // One of the Stores taken out of use is offered no more, and comes back.
  expect((await page.request.put('/api/retired/res-osier-250')).status()).toBe(204);
  await openStage(page, id, 'flow');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('textbox', { name: 'Search the catalogue' }).fill('Mere');
  await expect(page.getByRole('button', { name: 'Add Mere 200' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add Mere 250' })).toHaveCount(0);
  await page.goto('/catalogue', { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Show what is retired (1)' }).click();
  await page.getByRole('gridcell', { name: 'Mere 250' }).click();
  await page.getByRole('button', { name: 'Bring it back into use' }).click();
  await expect(page.getByText('Mere 250 is in use again.')).toBeVisible();
});

test('coolants compared, and a part against all of its kind in its place', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Compared');
  await openStage(page, id, 'materials');
  await page.getByRole('radio', { name: 'coolants compared' }).click();
  await page
    .getByRole('row', { name: /^Winter concentrate/ })
    .getByRole('button', { name: 'fill' })
    .click();
  await expect(page.getByText('Ethylene glycol is toxic', { exact: false }).first()).toBeVisible();
  await openStage(page, id, 'case');
  await page
    .getByRole('button', { name: /^Front radiator:/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Compare all radiators in its place' }).click();
  await page
    .getByRole('row', { name: /^Fell 360, 45 mm/ })
    .getByRole('button')
    .click({ timeout: 20_000 });
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeEnabled();
});

test('the list and the build as PDF; an unknown build has none', async ({ page }) => {
  for (const of of ['list', 'sheet']) {
    const file = await page.request.get(`/api/builds/dawn-chorus-desk/pdf?of=${of}`);
    expect(file.headers()['content-disposition']).toContain(`dawn-chorus-desk-${of}.pdf`);
    expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-');
  }
  expect((await page.request.get('/api/builds/no-such-build/pdf')).status()).toBe(404);
});

test('a radiator comes in by its pasted sheet and cools a build, in a few clicks', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'From a sheet');
  await openStage(page, id, 'cooling');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('button', { name: /Paste its datasheet/ }).click();
  await page
    .getByLabel("The maker's sheet, as text")
    .fill(
      'Withybank 120 radiator\nSize 157 x 120 x 38\n1 x 120 mm\n18 FPI\nfins: copper\nM3 screws\n41.90 EUR',
    );
  await page.getByRole('button', { name: 'mm', exact: true }).click();
  await expect(page.getByText(/Not in the sheet, taken as usual/)).toBeVisible();
  await page.getByRole('button', { name: 'Confirm and keep it' }).click();
  await page.getByRole('button', { name: 'Add Withybank 120 radiator' }).click();
  await page.getByRole('button', { name: 'Close' }).first().click();
  await expect(page.getByText('Withybank 120 radiator').first()).toBeVisible();
  await saved(page);
});

test('a line of one’s own stands on the list and counts; undone it is gone', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'With a light');
  await openStage(page, id, 'parts');
  await page.getByLabel('What of a line of your own').fill('Light strip');
  await page.getByLabel('Pieces of a line of your own').fill('2');
  await page.getByLabel('Each, EUR of a line of your own').fill('12,90');
  await page.getByRole('button', { name: 'Add to the list' }).click();
  await expect(page.getByRole('button', { name: 'Light strip', exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('794.25');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('768.45');
  await saved(page);
});
