import type { Page } from '@playwright/test';
import { copyOf, expect, test, reload } from './fixtures';

/** A copy of the desk at a stage; the devices' events never fall silent, so nothing waits for that. */
async function openDesk(page: Page, name: string, stage: string): Promise<string> {
  const id = await copyOf(page, 'dawn-chorus-desk', name);
  await page.goto(`/builds/${id}/${stage}`);
  await expect(page.locator('[data-awake="true"]')).toBeVisible();
  return id;
}

test('the desk from its first hour with live devices to a model that goes by it', async ({
  page,
}) => {
  test.setTimeout(150_000);
  await openDesk(page, 'First hour', 'log');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('No reading of the machine yet');
  await page.getByRole('button', { name: 'Switch this machine on' }).click();
  const take = page.getByRole('button', { name: 'Take this reading' });
  for (let i = 1; i <= 4; i += 1) {
    await page.getByRole('button', { name: 'Set the machine so' }).first().click();
    await expect(take).toBeDisabled();
    await expect(take).toBeEnabled({ timeout: 25_000 });
    await take.click();
    await expect(page.getByRole('heading', { name: `Readings (${i})` })).toBeVisible();
  }
  await expect(page.getByRole('button', { name: 'Set the machine so' })).toHaveCount(0);

  await page.getByRole('radio', { name: 'predicted and measured' }).click();
  await expect(page.getByText('Heat that the radiators pass')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/^Nothing: it runs as worked out/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Go by these from now on' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    '4 readings; the model uses them',
  );
  await page
    .getByRole('link', { name: /Cooling/ })
    .first()
    .click();
  await expect(page.getByText(/^Measured here: corrected by 4 readings/)).toBeVisible();
  await reload(page);
  await expect(page.getByText(/^Measured here: corrected by 4 readings/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/^Measured here/)).toHaveCount(0);
});

test('readings by hand and from a table; what is wrong in one is told and nothing is lost', async ({
  page,
}) => {
  await openDesk(page, 'Log by hand', 'log');
  await page.getByText('Paste a table, or open a CSV').click();
  const table = page.getByLabel('Readings as a table');
  await table.fill('on;load;room_C;coolant_C/loop\n2026-12-01T10:00Z;stress;warm;31');
  await page.getByRole('button', { name: 'Take these readings' }).click();
  await expect(page.getByText('Row 2, room_C: "warm" is no number.')).toBeVisible();
  await expect(table).toHaveValue(/warm/);
  await table.fill('on;load;room_C;coolant_C/loop\n2026-12-01T10:00Z;stress;22;31');
  await page.getByRole('button', { name: 'Take these readings' }).click();
  await expect(page.getByRole('heading', { name: 'Readings (1)' })).toBeVisible();

  const form = page.locator('section', {
    has: page.getByRole('heading', { name: 'Read by hand' }),
  });
  await form.getByLabel('Coolant', { exact: true }).fill('15');
  await form.getByLabel('Coolant', { exact: true }).blur();
  await expect(page.getByText(/no radiator cools below the room/)).toBeVisible();
  await form.getByLabel('Coolant', { exact: true }).fill('31');
  await form.getByLabel('Coolant', { exact: true }).blur();
  await page.getByRole('button', { name: 'Note this reading' }).click();
  await expect(page.getByRole('heading', { name: 'Readings (2)' })).toBeVisible();
});

test('service is marked done, a quote is kept, and both papers come as PDF', async ({ page }) => {
  const id = await openDesk(page, 'Papers', 'log');
  await page.getByRole('radio', { name: 'quote and handover' }).click();
  await page.getByLabel('Built for').fill('The rookery');
  await page.getByLabel('Built for').blur();
  await page.getByRole('radio', { name: 'years and service' }).click();
  await page.getByRole('button', { name: 'done today' }).first().click();
  await expect(page.getByText('never').first()).toBeVisible();
  await expect
    .poll(async () => {
      const { document } = (await (await page.request.get(`/api/builds/${id}`)).json()) as {
        document: { choices: { work?: { service?: unknown[]; client?: { client: string } } } };
      };
      const { work } = document.choices;
      return [work?.service?.length, work?.client?.client];
    })
    .toEqual([1, 'The rookery']);
  for (const of of ['quote', 'handover', 'checklist']) {
    const pdf = await page.request.get(`/api/builds/${id}/pdf?of=${of}`);
    expect(pdf.status()).toBe(200);
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  }
});

test('the air test is read live from a gauge, and a tight loop is not called leaking', async ({
  page,
}) => {
  await openDesk(page, 'Under air', 'assembly');
  await page.getByRole('radio', { name: 'leak test with air' }).click();
  await page.getByRole('button', { name: 'Connect the simulated gauge' }).click();
  await page.getByRole('button', { name: /^Pump up to/ }).click();
  await page.getByLabel('every two minutes by itself').check();
  await expect(page.getByText(/Tight|Not yet known/).first()).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText('It leaks')).toHaveCount(0);
});
