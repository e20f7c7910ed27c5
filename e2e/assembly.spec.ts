import { copyOf, expect, openStage, saved, test, reload } from './fixtures';

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
    page.getByRole('list', { name: 'Steps' }).getByText('(does not go in)').first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Use the order worked out' }).click();
  await expect(page.getByText('(does not go in)')).toHaveCount(0);
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
  await reload(page);
  await expect(page.getByText(/^1 of 28 steps done/)).toBeVisible();
  await expect(page.getByLabel('Note')).toHaveValue('screws in the blue bag');
  await page.getByRole('radio', { name: 'leak test with air' }).click();
  await expect(page.getByText('two readings tell a first rate')).toBeVisible();
  await page.getByRole('button', { name: 'Restart the test' }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Restart the test' })).toBeVisible();
});

test.describe('the checklist beside the bench', () => {
  test.use({ serviceWorkers: 'allow', viewport: { width: 390, height: 780 }, hasTouch: true });

  test('on a phone, the server away: a step is ticked, a photo taken; both are sent when it is back', async ({
    page,
    context,
    request,
  }) => {
    const id = await copyOf(page, 'dawn-chorus-desk', 'Wet thumb');
    await openStage(page, id, 'assembly');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await reload(page);
    await context.setOffline(true);
    const done = page.getByRole('button', { name: 'Done', exact: true });
    const box = await done.boundingBox();
    expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(44);
    const picture = await page.screenshot({ type: 'png' });
    await page
      .getByLabel('Photo of this step')
      .setInputFiles({ name: 'before.png', mimeType: 'image/png', buffer: picture });
    await expect(page.getByText('not sent yet')).toBeVisible();
    await done.tap();
    await expect(page.getByText(/^1 of 28 steps done/)).toBeVisible();
    await reload(page);
    await expect(page.getByText(/^1 of 28 steps done/)).toBeVisible();
    await page
      .getByRole('list', { name: 'Steps' })
      .getByRole('button', { name: /Unpack, count/ })
      .last()
      .click();
    await expect(page.getByText('not sent yet')).toBeVisible();
    await context.setOffline(false);
    await expect(page.getByText('not sent yet')).toHaveCount(0, { timeout: 20_000 });
    await expect
      .poll(async () => {
        const { document } = (await (await request.get(`/api/builds/${id}`)).json()) as {
          document: { choices: { work?: { done?: Record<string, unknown> } } };
        };
        return Object.keys(document.choices.work?.done ?? {}).length;
      })
      .toBe(1);
    const photos = (await (await request.get(`/api/builds/${id}/photos`)).json()) as {
      id: string;
    }[];
    expect(photos).toHaveLength(1);
    const kept = await request.get(`/api/builds/${id}/photos/${photos[0]?.id}`);
    expect(kept.headers()['content-type']).toBe('image/jpeg');
    // Taken away by mistake, it comes back.
    await page.getByRole('button', { name: 'Take away' }).tap();
    await expect(page.getByRole('img', { name: /^Taken/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Bring it back' }).tap();
    await expect(page.getByRole('img', { name: /^Taken/ })).toHaveCount(1);
  });
});
