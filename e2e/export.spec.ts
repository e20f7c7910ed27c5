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
  await expect(dialog.getByRole('checkbox', { name: /^The machine in space/ })).toBeDisabled();
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
  await page.getByRole('textbox', { name: 'Command' }).fill('export bends');
  const [bends] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
  expect(bends.suggestedFilename()).toBe('dawn-chorus-desk-bends.csv');
});
