import { copyOf, expect, openLoop, openStage, saved, test } from './fixtures';

test('everything redraws on an edit; undo, redo and reload bring it back', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Redraw');
  await openStage(page, id, 'heat');
  const rail = page.getByRole('navigation', { name: 'Stages' });
  const before = await rail.innerText();
  const draw = page.getByLabel('Full draw of Lantern 8');
  await draw.fill('250');
  await draw.press('Enter');
  await expect(rail).not.toHaveText(before);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('489 W');
  await saved(page);
  await draw.blur();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('364 W');
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('489 W');
  await saved(page);
  await page.reload({ waitUntil: 'networkidle' });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('489 W');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('364 W');
});

test('the fan handle moves by arrow keys and by dragging, the answer with it', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Handle');
  await openStage(page, id, 'cooling');
  const handle = page.getByRole('slider', { name: 'Speed of all fans' });
  await expect(handle).toHaveAttribute('aria-valuenow', '1150');
  await handle.focus();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
  await expect(handle).toHaveAttribute('aria-valuenow', '1180');
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  await page.mouse.move(box.x + 11, box.y + 11);
  await page.mouse.down();
  await page.mouse.move(box.x + 91, box.y + 11, { steps: 6 });
  await page.mouse.up();
  expect(Number(await handle.getAttribute('aria-valuenow'))).toBeGreaterThan(1250);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('too loud');
});

test('findings: what is wrong in the planetarium can be mended from the list', async ({ page }) => {
  const id = await copyOf(page, 'pocket-planetarium', 'Mended');
  await openStage(page, id, 'materials');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('cannot share the coolant');
  await page
    .getByRole('button', { name: /^Put in Tarn Slim 240/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('compatible');
  await page.keyboard.press('6');
  await expect(page).toHaveURL(/runs(\?|$)/);
  await page.getByRole('button', { name: /Put a drain valve/ }).click();
  await page.keyboard.press('f');
  const list = page.getByRole('complementary', { name: 'Findings' });
  await expect(list).not.toContainText('has no drain');
  await list.getByRole('button', { name: 'Pick the right length instead' }).click();
  await expect(list).not.toContainText('pierce');
  await list.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('clash');
});

test('keys: digits, brackets along the flow, Ctrl+K', async ({ page }) => {
  await openStage(page, 'dawn-chorus-desk', 'heat');
  await page.keyboard.press(']');
  await expect(page.getByRole('button', { name: /^Reservoir:/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press(']');
  await expect(page.getByRole('button', { name: /^Pump:/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('[');
  await expect(page.getByRole('button', { name: /^Reservoir:/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Command' }).fill('go mat');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/materials(\?|$)/);
});

test('a station moved in the loop diagram changes the order, and undo brings it back', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Order');
  await openStage(page, id, 'runs');
  await openLoop(page);
  const names = () =>
    page
      .getByRole('region', { name: 'Loop diagram' })
      .getByRole('button')
      .evaluateAll((all) =>
        all
          .map((b) => b.getAttribute('aria-label') ?? '')
          .filter((l) => l.includes('coolant leaves'))
          .map((l) => l.split(':')[0]),
      );
  const before = await names();
  await page.getByRole('button', { name: /^Card block:/ }).focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(names).not.toEqual(before);
  const moved = await names();
  expect([...moved].sort()).toEqual([...before].sort());
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(names).toEqual(before);

  const block = await page.getByRole('button', { name: /^Card block:/ }).boundingBox(),
    radiator = await page.getByRole('button', { name: /^Top radiator:/ }).boundingBox();
  if (!block || !radiator) throw new Error('no stations');
  await page.mouse.move(block.x + 22, block.y + 19);
  await page.mouse.down();
  await page.mouse.move(radiator.x + 22, block.y + 19, { steps: 12 });
  await expect(page.getByText(/m of tube, .* \(both estimated\)/)).toBeVisible();
  await page.mouse.up();
  await expect.poll(names).not.toEqual(before);
});

test("away and back: the browser's back button shows what was saved, without a conflict", async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Back again');
  await openStage(page, id, 'brief');
  await page.getByLabel('Room temperature').fill('19');
  await page.getByLabel('Room temperature').press('Enter');
  await saved(page);
  await page.getByRole('link', { name: 'Zephyron' }).click();
  await expect(page.getByRole('heading', { name: 'Builds' })).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel('Room temperature')).toHaveValue('19.0');
  await page.getByLabel('Noise limit').fill('33');
  await page.getByLabel('Noise limit').press('Enter');
  await saved(page);
  await expect(page.getByRole('heading', { name: 'This build was changed elsewhere' })).toHaveCount(
    0,
  );
});

test('without the server nothing is lost', async ({ page, context }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Cut off');
  await openStage(page, id, 'brief');
  await context.setOffline(true);
  await page.getByLabel('Room temperature').fill('27');
  await page.getByLabel('Room temperature').press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'revision' })).toContainText(
    'kept in this browser',
  );
  // What is not loaded yet cannot come; what is there stays.
  await page.getByRole('button', { name: 'Print and export' }).click();
  await page.waitForTimeout(1500);
  await expect(page.getByLabel('Room temperature')).toHaveValue('27.0');
  await context.setOffline(false);
  await expect(page.getByRole('dialog', { name: 'Export' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('status').filter({ hasText: 'revision' })).toContainText('saved', {
    timeout: 15_000,
  });
  await page.reload({ waitUntil: 'networkidle' });
  await expect(page.getByLabel('Room temperature')).toHaveValue('27.0');
});

test('edits in quick succession all land; their time is reported', async ({ page }) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Quick');
  await openStage(page, id, 'cooling');
  const handle = page.getByRole('slider', { name: 'Speed of all fans' });
  await handle.focus();
  const times = await page.evaluate(async () => {
    const element = document.activeElement as HTMLElement;
    const took: number[] = [];
    for (let i = 0; i < 25; i += 1) {
      const began = performance.now();
      element.dispatchEvent(
        new KeyboardEvent('keydown', {
          key: i % 2 ? 'ArrowLeft' : 'ArrowRight',
          bubbles: true,
          cancelable: true,
        }),
      );
      await new Promise<void>((done) => {
        const c = new MessageChannel();
        c.port1.onmessage = () => done();
        c.port2.postMessage(0);
      });
      took.push(performance.now() - began);
      await new Promise((r) => setTimeout(r, 30));
    }
    return took.sort((a, b) => a - b);
  });
  console.log(
    `edit to redraw, median ${(times[12] ?? 0).toFixed(1)} ms, slowest ${(times[24] ?? 0).toFixed(1)} ms`,
  );
  await expect(handle).toHaveAttribute('aria-valuenow', '1500');
});
