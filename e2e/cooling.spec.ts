import { readFileSync } from 'node:fs';
import { copyOf, expect, openStage, saved, test, reload } from './fixtures';

test("heat: a bar's end is moved by keys and by dragging; clock and voltage change the draw; the supply is watched", async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Tuning');
  await openStage(page, id, 'heat');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('364 W');
  const kite = page.getByRole('cell', { name: /^Kite 200 200 W.*under stress test/ });
  await kite.focus();
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('ArrowLeft');
  await expect(
    page.getByRole('cell', { name: /^Kite 200 190 W.*95 % of its draw under stress test/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('364 W');
  const box = await kite.boundingBox();
  if (!box) throw new Error('no bar');
  await page.mouse.move(box.x + box.width - 3, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 63, box.y + 20, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('364 W');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Lantern 8', exact: true }).first().click();
  await page.getByLabel('Voltage').fill('110');
  await page.getByLabel('Voltage').press('Enter');
  await expect(page.getByLabel('Full draw of Lantern 8')).toHaveValue('151');
  await page.getByRole('button', { name: /^As its maker says/ }).click();
  await expect(page.getByLabel('Full draw of Lantern 8')).toHaveValue('125');
  await expect(page.getByText(/of 750 W in the heaviest load/)).toBeVisible();
  await saved(page);
});

test('cooling: the page arrives with its curves, other stages without', async ({ page }) => {
  const sent = async (stage: string): Promise<string> =>
    (await page.request.get(`/builds/dawn-chorus-desk/${stage}`)).text();
  const curves = /data-curves(?:.(?!<\/svg>))*<polyline/s;
  expect(await sent('cooling')).toMatch(curves);
  expect(await sent('flow')).not.toMatch(/data-curves|push-pull/);
});

test('cooling: the band is shown, summer is worked out, the limit crossed is told', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Band');
  await openStage(page, id, 'cooling');
  await expect(page.getByText(/\([78]\.\d to 10\.\d\)/)).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText(/The band crosses the limit/)).toBeVisible();
  await page.getByLabel('In summer').fill('95 F');
  await page.getByLabel('In summer').press('Enter');
  await expect(page.getByRole('columnheader', { name: 'summer' })).toBeVisible();
  await page.getByRole('button', { name: /^Heat the loops would carry.*why\?$/ }).click();
  await expect(page.getByText('of today’s heat')).toBeVisible();
});

test('cooling: every change is worked out, the best use of money is done with a click and undone', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Changing', { 'front-radiator': 0 });
  await openStage(page, id, 'cooling');
  await page.getByRole('radio', { name: 'Changes' }).click();
  await expect(page.getByText(/^Best use of it/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Do it', exact: true }).click();
  await expect(page.getByText(/You have 6\./)).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText(/You have 5\./)).toBeVisible();
  await page.getByLabel('Kind').selectOption('air direction reversed');
  await expect(page.getByText('Top radiator as exhaust')).toBeVisible();
});

test('cooling: over time a stopped pump ends in throttling; fans follow a curve; the run comes down as CSV', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Timing');
  await openStage(page, id, 'cooling');
  await page.getByRole('radio', { name: 'Over time' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    'No part reaches its limit in 1:00:00',
    { timeout: 20_000 },
  );
  await page.getByRole('button', { name: 'pump stops' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    /reaches its limit after 1\d:\d\d/,
    { timeout: 20_000 },
  );
  await page.getByLabel('Time of fault 1').fill('soon');
  await page.getByLabel('Time of fault 1').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'is no time' })).toBeVisible();
  await page.getByLabel('Time of fault 1').press('Escape');
  await page.getByRole('button', { name: 'Take fault 1 out' }).click();
  await page.getByRole('button', { name: 'Let them follow a curve' }).click();
  const knob = page.getByRole('slider', { name: "Point 2 of the fans' curve" });
  await knob.focus();
  const before = Number(await knob.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowUp');
  await expect(knob).toHaveAttribute('aria-valuenow', String(before + 50));
  await page.getByRole('slider', { name: 'Time' }).focus();
  await page.keyboard.press('Home');
  await expect(page.getByText(/^coolant 22\.0 °C/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await expect(page.getByText(/^coolant 22\.0 °C/)).toBeHidden();
  await page.getByRole('button', { name: 'Pause', exact: true }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'This run as CSV' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8').split('\n')[0]).toContain('time_s,load,room_C');
  await reload(page);
  await page.getByRole('radio', { name: 'Over time' }).click();
  await expect(page.getByText('Fans follow')).toBeVisible();
});

test('cooling: measured points replace the model and say so; a rating without its difference is refused', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Measuring');
  await openStage(page, id, 'cooling');
  await page.getByRole('radio', { name: 'Data' }).click();
  await page.getByRole('button', { name: 'Enter measured points' }).first().click();
  await page.getByRole('textbox', { name: 'Points' }).fill('800 4');
  await expect(page.getByRole('alert')).toContainText('Line 1: three numbers are wanted');
  await page.getByRole('textbox', { name: 'Points' }).fill('1150 3.1 26');
  await page.getByRole('button', { name: 'Use these points in this build' }).click();
  await expect(
    // 26 W/K in the open, less what the case holds back.
    page.getByText(/2[456]\.\d W\/K at 1,150 rpm, measured/).first(),
  ).toBeVisible();
  await page.getByLabel('Carries').first().fill('900');
  await page.getByLabel('Carries').first().press('Enter');
  await expect(page.getByRole('note')).toContainText('say nothing without the difference');
  await page.getByLabel('at a difference of').first().fill('10');
  await page.getByLabel('at a difference of').first().press('Enter');
  await page.getByLabel('and fans at').first().fill('1150');
  await page.getByLabel('and fans at').first().press('Enter');
  await expect(page.getByText(/^Printed: 90\.0 W\/K/)).toBeVisible();
  await page.getByRole('radio', { name: 'Case airflow', exact: true }).click();
  await page
    .getByRole('radiogroup', { name: 'Way of Top radiator' })
    .getByRole('radio', { name: 'out' })
    .click();
  await expect(page.getByText(/exhaust, so it takes in that air/)).toBeVisible();
});
