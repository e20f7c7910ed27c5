import { copyOf, expect, openStage, saved, test, reload } from './fixtures';

const runs = (page: import('@playwright/test').Page) =>
  page.getByRole('table').filter({ hasText: 'from, to' });

test('runs: routed as the document says, kept over a reload, routed again after a change, undone in one step', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Routed');
  await openStage(page, id, 'runs');
  await expect(page.getByText(/^Every run is routed past everything/)).toBeVisible();
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).not.toContainText('about');
  const before = await heading.textContent();
  await reload(page);
  await expect(heading).toHaveText(before ?? '', { timeout: 15_000 });
  await runs(page).getByRole('button', { name: 'Pump → Card block', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Tube of \d/ })).toBeVisible();
  await expect(page.getByText(/^Nearest object along the route/)).toBeVisible();
  await page.getByText('What if it comes out too short?').click();
  await expect(page.getByText('Make it again.')).toBeVisible();
  // A slide on the Case stage: routed again, and what differs is told; one undo brings parts and
  // routes back.
  await page.getByRole('link', { name: /Case/ }).first().click();
  await page.getByRole('button', { name: /^Top radiator:/ }).click();
  await page.getByRole('button', { name: '+5', exact: true }).click();
  await page.keyboard.press('6');
  await expect(page.getByText(/^Since the change/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Show the routes before' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(heading).toHaveText(before ?? '', { timeout: 30_000 });
  await saved(page);
});

test('runs: hard tube by hand: a leg dragged, pinned, let go; where no way is found it is said', async ({
  page,
}) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'By hand');
  await openStage(page, id, 'runs');
  await expect(page.getByText(/^Every run is routed past everything/)).toBeVisible();
  await runs(page)
    .first()
    .getByRole('button', { name: 'Processor pump → Front radiator', exact: true })
    .click();
  await expect(page.getByText(/^Start the first bend/)).toBeVisible();
  await page.waitForTimeout(400);
  const leg = page.locator('path:has(title:text-is("Drag this leg into another plane"))').nth(1);
  const box = await leg.boundingBox();
  if (!box) throw new Error('the leg is not drawn');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 12, box.y + box.height / 2 + 12, { steps: 6 });
  await page.mouse.move(box.x + box.width / 2 + 14, box.y + box.height / 2 + 14, { steps: 4 });
  await expect(page.getByText(/; it was|too short for its bends/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText('Passes 1')).toBeVisible();
  await expect(page.getByText(/^Since the change/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Pin it as it lies' }).click();
  await expect(page.getByText('Route by hand, pinned')).toBeVisible();
  await page.getByRole('button', { name: 'Reset to automatic route' }).click();
  await expect(page.getByText('Passes 1')).toBeHidden();
  await openStage(page, 'pocket-planetarium', 'runs');
  await expect(page.getByText(/without a possible route/)).toBeVisible();
  await expect(page.getByText(/^No route found for/).first()).toBeVisible();
});

test('runs: a corner dragged on the sheet, one step back', async ({ page }) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'In the hand');
  await openStage(page, id, 'runs');
  // Of four legs along the axes: two of its corners lie behind one another on the sheet.
  const run = runs(page).getByRole('button', {
    name: 'Top radiator → Floor radiator',
    exact: true,
  });
  await run.click();
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  const corner = page.locator('rect:has(title:text-is("Drag this corner"))').nth(1);
  const box = await corner.boundingBox();
  if (!box) throw new Error('the corner is not drawn');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 12, box.y + box.height / 2 - 10, { steps: 6 });
  await expect(page.getByText(/; it was|too short for its bends/)).toBeVisible();
  await page.mouse.up();
  // Of its two legs the one that ends at no port leads into the depth: put off along x and y.
  await expect(page.getByText('Passes 2')).toBeVisible();
  await expect(undo).toBeEnabled();
  await undo.click();
  await expect(page.getByText('Passes 1')).toBeHidden();
});

test('runs: a leg aslant slides along its run on the sheet, no farther than its bends have room, one step back', async ({
  page,
}) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Aslant in the hand');
  await openStage(page, id, 'runs');
  await runs(page)
    .getByRole('button', { name: 'Block of card B → Card reservoir', exact: true })
    .first()
    .click();
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  const leg = page.locator('g:has(title:text-is("Slide this leg along the run")) circle').first();
  const middle = async (): Promise<readonly [number, number]> => {
    const box = await leg.boundingBox();
    if (!box) throw new Error('the leg has no grip');
    return [box.x + box.width / 2, box.y + box.height / 2];
  };
  const [x, y] = await middle();
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 90, y, { steps: 5 });
  await expect(page.getByText(/too short for its bends/)).toBeVisible();
  await page.mouse.move(x - 20, y, { steps: 5 });
  await expect(page.getByText(/2 bends; it was .* 2 bends/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText('Passes 1')).toBeVisible();
  // Along its run alone, by as far as the hand went.
  const [x1, y1] = await middle();
  expect(Math.abs(x1 - (x - 20))).toBeLessThan(2);
  expect(Math.abs(y1 - y)).toBeLessThan(1);
  await undo.click();
  await expect(page.getByText('Passes 1')).toBeHidden();
});

test('runs: a leg dragged in space, one step back', async ({ page }) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'In the hand in space');
  await openStage(page, id, 'runs');
  await runs(page)
    .first()
    .getByRole('button', { name: 'Front radiator → Filter', exact: true })
    .click();
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  await page.getByRole('radio', { name: 'in space', exact: true }).click();
  const canvas = page.locator('canvas');
  await expect(canvas).toHaveAttribute('data-calls', /./, { timeout: 30_000 });
  // A grip shows a hand: looked for as an eye would, left of the panel.
  const hand = (): Promise<readonly [number, number] | null> =>
    canvas.evaluate((c) => {
      const { left, top, width, height } = c.getBoundingClientRect();
      for (let y = top + 60; y < top + height - 60; y += 6)
        for (let x = left + 200; x < left + width - 360; x += 6) {
          const at = { clientX: x, clientY: y, bubbles: true, pointerId: 1 };
          c.dispatchEvent(new PointerEvent('pointermove', at));
          if (c.style.cursor === 'grab') return [x, y];
        }
      return null;
    });
  await expect.poll(hand, { timeout: 30_000 }).not.toBeNull();
  const at = await hand();
  if (!at) throw new Error('no grip in the scene');
  await page.mouse.move(...at);
  await page.mouse.down();
  await page.mouse.move(at[0] + 14, at[1] + 10, { steps: 8 });
  await expect(page.getByText(/; it was|too short for its bends/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText('Passes 1')).toBeVisible();
  await undo.click();
  await expect(page.getByText('Passes 1')).toBeHidden();
});

test('runs: orders side by side, sheets at 1:1, test bend, cuts', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Orders');
  await openStage(page, id, 'runs');
  await page.getByRole('radio', { name: 'orders' }).click();
  await expect(page.getByText(/^Order moves no part by more than/)).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'take it' }).first().click();
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeEnabled();
  await openStage(page, 'fenland-flood-tower', 'runs');
  await expect(page.getByText(/^Every run is routed past everything/)).toBeVisible();
  await page.getByRole('radio', { name: 'sheets and cuts' }).click();
  await page
    .getByRole('button', { name: 'Processor block → Flow meter', exact: true })
    .first()
    .click();
  await expect(
    page.getByRole('heading', { name: 'Processor block → Flow meter, step by step' }),
  ).toBeVisible();
  await expect(
    page.getByText('Heat gun: burns, fire and fumes.', { exact: false }).first(),
  ).toBeVisible();
  await expect(
    page.getByText('No plan needs fewer sticks.', { exact: false }).first(),
  ).toBeVisible();
  await page.getByLabel('Left when cool').first().fill('86');
  await page.getByLabel('Left when cool').first().press('Enter');
  await expect(page.getByText('95.6 % of the set angle is left', { exact: false })).toBeVisible();
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DXF' }).first().click();
  expect((await file).suggestedFilename()).toMatch(/\.dxf$/);
});

test('runs: the best layout so far is told while it is looked for, stays where it is stopped, and is looked for further', async ({
  page,
}) => {
  const id = await copyOf(page, 'fenland-flood-tower', 'Stopped on the way', {
    'front-radiator': 0,
  });
  await openStage(page, id, 'runs');
  await page.getByRole('button', { name: 'Improve layout' }).click();
  await expect(page.getByText(/^The best so far/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText(/^Stopped before all was looked at/)).toBeVisible();
  const [row] = [page.getByRole('row', { name: /^runs with a route/ })];
  await expect(row).toHaveText('runs with a route09');
  await page.getByRole('button', { name: 'Look further' }).click();
  await expect(page.getByText(/^The best so far/)).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await page.getByRole('button', { name: 'Use this layout' }).click();
  await expect(page.getByText(/^Every run is routed past everything/)).toBeVisible();
});

test('runs: a better layout shown before and after, taken in one step and undone; other routes of a run', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Laid better', {
    'front-radiator': 0,
    'top-radiator': 10,
  });
  await openStage(page, id, 'runs');
  await page.getByRole('banner').getByRole('button', { name: 'Route 5 runs' }).click();
  await expect(page.getByText(/^Every run is routed past everything/)).toBeVisible({
    timeout: 60_000,
  });
  const heading = page.getByRole('heading', { level: 1 }).first();
  await page.getByLabel('Style of Main loop').first().waitFor();
  await page.getByRole('button', { name: 'Improve layout' }).click();
  await expect(page.getByRole('button', { name: 'Use this layout' })).toBeVisible({
    timeout: 90_000,
  });
  const before = await heading.textContent();
  await page.getByRole('radio', { name: 'after', exact: true }).click();
  await page.getByRole('button', { name: 'Use this layout' }).click();
  await expect(heading).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(heading).toHaveText(before ?? '');
  await openStage(page, 'fenland-flood-tower', 'runs');
  await runs(page)
    .first()
    .getByRole('button', { name: 'Front radiator → Filter', exact: true })
    .click();
  await page.getByRole('button', { name: 'Other routes' }).click();
  const second = page.getByRole('button', { name: 'route 2' });
  await expect(second).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('.');
  await expect(second).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press(',');
  await expect(page.getByRole('button', { name: 'now', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});
