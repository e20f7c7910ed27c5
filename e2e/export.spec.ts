import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { expect, openStage, test } from './fixtures';

test('export: one dialog for every file; several go into a ZIP, the book is a PDF', async ({
  page,
}) => {
  await openStage(page, 'dawn-chorus-desk', 'parts');
  await page.getByRole('button', { name: 'Print and export' }).click();
  const dialog = page.getByRole('dialog', { name: 'Export' });
  // What is chosen at first is the list for the shop.
  await expect(dialog.getByRole('checkbox', { name: 'Parts list, CSV' })).toBeChecked();
  await dialog.getByRole('checkbox', { name: 'Build book, PDF' }).check();
  await dialog.getByRole('checkbox', { name: /^Elevations/ }).check();
  const [zip] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    dialog.getByRole('button', { name: 'Export 3 as ZIP' }).click(),
  ]);
  expect(zip.suggestedFilename()).toBe('dawn-chorus-desk.zip');
  const files = unzipSync(new Uint8Array(readFileSync((await zip.path()) ?? '')));
  const book = files['dawn-chorus-desk-book.pdf'] ?? new Uint8Array();
  expect(Buffer.from(book.slice(0, 5)).toString('latin1')).toBe('%PDF-');
  expect(Object.keys(files).filter((n) => n.endsWith('.svg')).length).toBe(3);
  await expect(dialog).toHaveCount(0);

  // From the command search, too.
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Command' }).fill('export bends');
  const [bends] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
  expect(bends.suggestedFilename()).toBe('dawn-chorus-desk-bends.csv');
});

test('the scene is exported from a stage that does not show it, and stands on the book', async ({
  page,
}) => {
  await openStage(page, 'dawn-chorus-desk', 'parts');
  await page.getByRole('button', { name: 'Print and export' }).click();
  const dialog = page.getByRole('dialog', { name: 'Export' });
  for (const name of [/^Picture of the scene/, /^The machine in space/, /^Build book/])
    await dialog.getByRole('checkbox', { name }).check();
  const [zip] = await Promise.all([
    page.waitForEvent('download', { timeout: 60_000 }),
    dialog.getByRole('button', { name: 'Export 4 as ZIP' }).click(),
  ]);
  const files = unzipSync(new Uint8Array(readFileSync((await zip.path()) ?? '')));
  const named = (name: string): Buffer => Buffer.from(files[`dawn-chorus-desk${name}`] ?? []);
  // PNG (ISO/IEC 15948): width and height are the first words of the first chunk.
  const png = named('.png');
  expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([3840, 2160]);
  // A page of one colour packs into a few tens of kB.
  expect(png.length).toBeGreaterThan(150_000);
  // glTF 2.0, section 4.4: the magic word, then the version.
  expect(named('.glb').toString('latin1', 0, 4)).toBe('glTF');
  expect(named('.glb').toString('latin1')).toContain('Top radiator');
  expect(named('-book.pdf').toString('latin1')).toContain('/Subtype /Image');
  // What was drawn for it is gone.
  await expect(page.locator('canvas')).toHaveCount(0);
});

test('charts are saved as SVG and PNG, tables copied, from the command search', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await openStage(page, 'dawn-chorus-desk', 'cooling');
  await expect(page.locator('svg.recharts-surface').first()).toBeVisible();
  const run = async (words: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Command' }).fill(words);
    await page.keyboard.press('Enter');
  };
  const [svg] = await Promise.all([page.waitForEvent('download'), run('save chart: ')]);
  const text = readFileSync((await svg.path()) ?? '', 'utf8');
  expect(svg.suggestedFilename()).toMatch(/^dawn-chorus-desk-.*\.svg$/);
  expect(text).toMatch(/^<svg[^>]+xmlns="http:\/\/www.w3.org\/2000\/svg"/);
  // The colours are in the file: no variable of our style sheet is left.
  expect(text).toContain('stroke="rgb(');
  const [png] = await Promise.all([page.waitForEvent('download'), run('chart as picture')]);
  expect(readFileSync((await png.path()) ?? '').toString('latin1', 1, 4)).toBe('PNG');
  await run('copy table: radiators');
  await expect(page.getByText('Copied: Radiators.')).toBeVisible();
  const copied = await page.evaluate(() => navigator.clipboard.readText());
  expect(copied.split('\n')[0]).toContain('radiator\t');
  expect(copied).toContain('Front radiator\t');
});
