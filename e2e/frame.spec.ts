import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { copyOf, expect, openStage, test } from './fixtures';

/** Pixels of the scene that nothing covers, as a share of all. */
async function shareOfScene(page: Page): Promise<number> {
  return page.evaluate(() => {
    const scene = document.querySelector('[data-scene]')?.getBoundingClientRect();
    const panel = document.querySelector('aside[data-open="true"]')?.getBoundingClientRect();
    if (!scene) return 0;
    const covered = panel ? scene.right - panel.left : 0;
    return ((scene.width - covered) * scene.height) / (window.innerWidth * window.innerHeight);
  });
}
const space = async (page: Page, build: string, stage: string): Promise<void> => {
  await page.goto(`/builds/${build}/${stage}?view=space`, { waitUntil: 'networkidle' });
  await expect(page.locator('[data-awake="true"]')).toBeVisible();
};

test('the machine fills the screen, with the panel and without; what is folded stays folded', async ({
  page,
}) => {
  await space(page, 'fenland-flood-tower', 'runs');
  await expect(page.locator('canvas')).toBeVisible({ timeout: 20_000 });
  expect(await shareOfScene(page)).toBeGreaterThan(0.6);
  await page.getByRole('button', { name: 'Collapse the panel' }).click();
  expect(await shareOfScene(page)).toBeGreaterThan(0.8);
  await page.reload({ waitUntil: 'networkidle' });
  await expect(page.getByRole('button', { name: 'Show the panel' })).toBeVisible();
  await page.getByRole('button', { name: 'Show the panel' }).click();
  await page.setViewportSize({ width: 1024, height: 768 });
  expect(await shareOfScene(page)).toBeGreaterThan(0.5);
  // The page itself does not scroll.
  const [high, shown] = await page.evaluate(() => [
    document.documentElement.scrollHeight,
    window.innerHeight,
  ]);
  expect(high).toBeLessThanOrEqual(shown ?? 0);
});

test('the largest demo is drawn in few calls', async ({ page }) => {
  await space(page, 'fenland-flood-tower', 'runs');
  const canvas = page.locator('canvas');
  await expect(canvas).toBeVisible({ timeout: 20_000 });
  await page.waitForTimeout(1500);
  // Turned a little: what it cost is known from the drawing before.
  const box = await canvas.boundingBox();
  if (!box) throw new Error('no scene');
  await page.mouse.move(box.x + 300, box.y + 500);
  await page.mouse.down({ button: 'right' });
  await page.mouse.move(box.x + 320, box.y + 510, { steps: 4 });
  await page.mouse.up({ button: 'right' });
  const [calls, triangles] = await canvas.evaluate((c) => [
    Number(c.dataset.calls),
    Number(c.dataset.triangles),
  ]);
  console.log(`scene of the tower: ${calls} draw calls, ${triangles} triangles`);
  expect(calls).toBeGreaterThan(10);
  expect(calls).toBeLessThanOrEqual(150);
  expect(triangles).toBeLessThanOrEqual(300_000);
});

test('parts drawn apart, a picture for print and the machine as glTF', async ({ page }) => {
  await space(page, 'dawn-chorus-desk', 'case');
  const canvas = page.locator('canvas');
  await expect(canvas).toBeVisible({ timeout: 20_000 });
  await page.waitForTimeout(1000);
  // What a drawing cost is known at the one after it.
  const costOf = async (
    view: string,
    label: string,
    values: readonly string[],
  ): Promise<number> => {
    await page.getByRole('radio', { name: view, exact: true }).click();
    for (const value of values) {
      await page.getByLabel(label).fill(value);
      await page.waitForTimeout(500);
    }
    return Number(await canvas.getAttribute('data-calls'));
  };
  const apart = await costOf('exploded', 'Parts drawn apart', ['60', '61']);
  await expect(page).toHaveURL(/view=exploded/);
  const together = await costOf('section', 'Cut from the window', ['1', '0']);
  await expect(page).toHaveURL(/view=section/);
  // Tubes are not drawn while the parts stand apart.
  expect(apart).toBeGreaterThan(10);
  expect(together).toBeGreaterThan(apart);
  const [glb] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'glTF' }).click(),
  ]);
  expect(glb.suggestedFilename()).toBe('dawn-chorus-desk.glb');
  const bytes = readFileSync((await glb.path()) ?? '');
  // glTF 2.0, section 4.4 (binary form): magic, version, length; then the JSON chunk.
  expect(bytes.toString('latin1', 0, 4)).toBe('glTF');
  expect(bytes.readUInt32LE(4)).toBe(2);
  expect(bytes.readUInt32LE(8)).toBe(bytes.length);
  const json = JSON.parse(bytes.toString('utf8', 20, 20 + bytes.readUInt32LE(12))) as {
    nodes: readonly { name?: string }[];
  };
  const names = json.nodes.map((n) => n.name);
  for (const name of ['Front radiator', 'Pump', 'Reservoir']) expect(names).toContain(name);
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PNG' }).click(),
  ]);
  const picture = readFileSync((await png.path()) ?? '');
  // PNG, section 11.2.1: width and height stand at bytes 16 and 20.
  expect([picture.readUInt32BE(16), picture.readUInt32BE(20)]).toEqual([3840, 2160]);
});

test('the loop diagram is a ribbon on every stage, and opens by a key', async ({ page }) => {
  await openStage(page, 'fenland-flood-tower', 'materials');
  const diagram = page.getByRole('region', { name: 'Loop diagram' });
  const ribbon = await diagram.boundingBox();
  expect(ribbon?.height).toBeGreaterThanOrEqual(44);
  expect(ribbon?.height).toBeLessThanOrEqual(48);
  await expect(
    diagram.getByRole('button', { name: /^Card pump: coolant leaves at/ }),
  ).toBeVisible();
  await page.keyboard.press('l');
  await expect(diagram.getByText('kPa above reservoir').first()).toBeVisible();
  await page.keyboard.press('l');
  await expect(diagram.getByText('kPa above reservoir')).toHaveCount(0);
  // With two loops one press opens it on the stages of the loop too.
  await page.evaluate(() => window.localStorage.removeItem('zephyron-frame'));
  await openStage(page, 'fenland-flood-tower', 'flow');
  await page.keyboard.press('l');
  await expect(diagram.getByText('kPa above reservoir').first()).toBeVisible();
  // One loop is shown in full where the stage is about it.
  const id = await copyOf(page, 'dawn-chorus-desk', 'Ribbon');
  await page.evaluate(() => window.localStorage.removeItem('zephyron-frame'));
  await openStage(page, id, 'flow');
  await expect(diagram.getByText('kPa above reservoir')).toBeVisible();
});

test('every view has an address of its own: stage, view and part come back', async ({ page }) => {
  await page.goto('/builds/dawn-chorus-desk/case?view=top&part=pump', {
    waitUntil: 'networkidle',
  });
  await expect(page.getByRole('radio', { name: 'top', exact: true })).toBeChecked();
  await expect(page.getByRole('heading', { name: 'Pump', exact: true })).toBeVisible();
  await expect(page).toHaveTitle(/^Case · Dawn chorus desk/);
  await page.getByRole('radio', { name: 'front', exact: true }).click();
  await expect(page).toHaveURL(/view=front/);
  await page.getByRole('link', { name: /Runs/ }).click();
  // The same way of looking on the next stage.
  await expect(page.getByRole('radio', { name: 'front', exact: true })).toBeChecked();
  await expect(page).toHaveTitle(/^Runs · Dawn chorus desk/);
});

test('one line says what to do next, and does it', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Next');
  await openStage(page, id, 'heat');
  const next = page.getByRole('banner').getByRole('button', { name: 'Ready to order' });
  await expect(next).toBeVisible();
  await next.click();
  await expect(page).toHaveURL(/\/parts/);
  await page.goto('/new', { waitUntil: 'networkidle' });
  await page.getByLabel('Name').fill('What now');
  await page.getByRole('button', { name: 'Start the build' }).click();
  await page.waitForURL(/\/builds\/[^/]+\/heat/);
  await page
    .getByRole('banner')
    .getByRole('button', { name: /^(Choose a case|Add a board)$/ })
    .click();
});

/** Rows of tables of which a part is seen: cut by the edge of what scrolls, and not clipped away. */
const halfRows = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const cut: string[] = [];
    for (const row of document.querySelectorAll('main tr, aside tr')) {
      const box = row.getBoundingClientRect();
      let scroller = row.parentElement;
      while (scroller && !/auto|scroll/.test(getComputedStyle(scroller).overflowY))
        scroller = scroller.parentElement;
      if (!scroller || box.height > 90) continue;
      const { top } = scroller.getBoundingClientRect(),
        edge = top + scroller.clientHeight,
        clipped = Number(/calc\(100% - (\d+)px\)/.exec(scroller.style.clipPath)?.[1] ?? 0);
      if (box.top < edge - clipped - 1 && box.bottom > edge + 1)
        cut.push((row.textContent ?? '').slice(0, 60));
    }
    return cut;
  });

/** Stages whose tables scroll, and where the pointer is over them, px; a sheet that floats stands at the right. */
const SCROLLING: readonly (readonly [
  where: string,
  stages: readonly (readonly [string, number])[],
])[] = [
  [
    'the page',
    [
      ['parts', 500],
      ['materials', 500],
      ['log', 500],
    ],
  ],
  [
    'the panel',
    [
      ['cooling', 1080],
      ['flow', 1080],
    ],
  ],
  [
    'a floating sheet',
    [
      ['case', 1100],
      ['runs', 1100],
      ['assembly', 1100],
    ],
  ],
];
for (const [where, stages] of SCROLLING)
  test(`tables of ${where} end in whole rows, before and after scrolling`, async ({ page }) => {
    for (const [stage, x] of stages) {
      await openStage(page, 'fenland-flood-tower', stage);
      await expect.poll(() => halfRows(page), { message: stage }).toEqual([]);
      for (const far of [37, 111, 190]) {
        await page.mouse.move(x, 500);
        await page.mouse.wheel(0, far);
        await page.waitForTimeout(300);
        await expect.poll(() => halfRows(page), { message: `${stage}, by ${far}` }).toEqual([]);
      }
    }
  });

test('a row that is cut would be found: without the clipping one is', async ({ page }) => {
  await openStage(page, 'fenland-flood-tower', 'cooling');
  await expect.poll(() => halfRows(page)).toEqual([]);
  await page.evaluate(() => {
    for (const e of document.querySelectorAll<HTMLElement>('[style*="clip-path"]'))
      e.style.clipPath = '';
  });
  expect(await halfRows(page)).toHaveLength(1);
});

test('nothing moves under a finger that is down; the sheet ends in whole rows once it is up', async ({
  page,
}) => {
  await openStage(page, 'fenland-flood-tower', 'runs');
  const panel = page.getByRole('complementary', { name: 'Working panel' });
  await expect.poll(() => halfRows(page)).toEqual([]);
  const height = () => panel.evaluate((e) => (e as HTMLElement).offsetHeight);
  const rolled = async (far: number): Promise<void> => {
    await panel.evaluate((e, by) => (e.scrollTop += by), far);
    await page.waitForTimeout(300);
  };
  // Rolled by these the sheet takes several heights while nothing is pressed.
  const free = new Set<number>();
  for (const far of [11, 13, 17]) {
    await rolled(far);
    free.add(await height());
  }
  expect(free.size).toBeGreaterThan(1);
  await page.mouse.move(1100, 500);
  await page.mouse.down();
  const held = new Set([await height()]);
  for (const far of [11, 13, 17]) {
    await rolled(far);
    held.add(await height());
  }
  expect(held.size).toBe(1);
  await page.mouse.up();
  await expect.poll(() => halfRows(page)).toEqual([]);
});
