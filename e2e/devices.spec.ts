import type { Page } from '@playwright/test';
import { copyOf, expect, openStage, saved, test } from './fixtures';

/** Drives, lights, thermometers, adapters and slots: each used as a builder would. */

async function add(page: Page, kind: string, part: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a part' }).first().click();
  const stores = page
    .getByRole('presentation')
    .filter({ has: page.getByRole('heading', { name: 'Catalogue', exact: true }) });
  await stores.getByRole('button', { name: kind, exact: true }).click();
  await stores.getByRole('button', { name: `Add ${part}`, exact: true }).click();
  await stores.getByRole('button', { name: 'Close' }).click();
}
const place = (page: Page) => page.getByLabel('Place', { exact: true });
const documentOf = async (page: Page, id: string) => {
  await saved(page);
  const { document } = (await (await page.request.get(`/api/builds/${id}`)).json()) as {
    document: {
      components: readonly { name: string; placement: object; settings: object }[];
      loops: readonly {
        caps: readonly { port: string; piece?: { id: string }; under?: object }[];
      }[];
    };
  };
  return document;
};

test('a disk goes into its cage, a strip is tilted and taped, and both are on the list', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Disks and lights');
  await openStage(page, id, 'case');
  await page.getByRole('checkbox', { name: 'taken out' }).uncheck();
  await add(page, 'Drives, lights and other devices', 'Silo 8 TB disk, 3.5 in');
  await page.getByRole('button', { name: /List all/ }).click();
  await page
    .getByRole('main')
    .getByRole('button', { name: 'Silo 8 TB disk, 3.5 in' })
    .first()
    .click();
  await expect(place(page).locator('option:checked')).toHaveText('In Drive cage, place 1');
  await place(page).selectOption({ label: 'In Drive cage, place 2' });
  await add(page, 'Drives, lights and other devices', 'Firefly strip, 300 mm');
  await page
    .getByRole('main')
    .getByRole('button', { name: 'Firefly strip, 300 mm' })
    .first()
    .click();
  await place(page).selectOption({ label: 'free-standing (bracket or tape)' });
  await page.getByLabel('Above the floor').fill('430');
  await page.getByLabel('Above the floor').press('Enter');
  await page
    .getByLabel('Tilted', { exact: true })
    .selectOption({ label: 'to the front or the rear' });
  await page.getByLabel('By', { exact: true }).fill('12');
  await page.getByLabel('By', { exact: true }).press('Enter');
  const { components } = await documentOf(page, id);
  expect(components.find((c) => c.name.startsWith('Silo'))?.placement).toEqual({
    on: 'cage',
    cage: 'cage',
    place: 2,
  });
  expect(components.find((c) => c.name.startsWith('Firefly'))?.placement).toMatchObject({
    on: 'free',
    tilt: { about: 'z', by_deg: 12 },
  });
  await openStage(page, id, 'parts');
  await expect(page.getByRole('main')).toContainText('Silo 8 TB disk, 3.5 in');
  await expect(page.getByRole('main')).toContainText('Firefly strip, 300 mm');
});

test('a thermometer in a spare port tells its temperature; a valve stands on an elbow', async ({
  page,
}) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Probe');
  await openStage(page, id, 'runs');
  await page.getByText(/^Spare ports/).click();
  await page
    .getByLabel('Which part closes Reservoir low side')
    .selectOption({ label: 'Plug with a thermometer' });
  await page
    .getByLabel('What is under it in Pump low outlet')
    .selectOption({ label: 'on an elbow, looking down' });
  const { loops } = await documentOf(page, id);
  expect(loops[0]?.caps.find((c) => c.piece)?.piece?.id).toBe('fit-plug-sensor');
  expect(loops[0]?.caps.find((c) => c.under)?.under).toEqual({
    piece: 'rotary90',
    direction: [0, -1, 0],
  });
  await openStage(page, id, 'cooling');
  await page
    .getByRole('button', { name: /^Coolant ΔT: .* K, why\?$/ })
    .first()
    .click();
  await expect(page.getByText('what the sensor in Reservoir would read')).toBeVisible();
});

test('a case with plain holes holds a radiator only where they are', async ({ page }) => {
  const id = await copyOf(page, 'dawn-chorus-desk', 'Plain holes');
  await openStage(page, id, 'case');
  await page.getByRole('button', { name: 'Measure this one again' }).click();
  await page.getByRole('radio', { name: '3 mounts' }).click();
  await page.getByLabel('Screwed through').first().selectOption({ label: 'plain holes' });
  await page.getByRole('radio', { name: '6 keep it' }).click();
  await page.getByRole('button', { name: 'Save it to the catalogue and use it' }).click();
  await page.getByRole('button', { name: /List all/ }).click();
  await page
    .getByRole('main')
    .getByRole('button', { name: 'Front radiator', exact: true })
    .first()
    .click();
  await expect(page.getByText(/mm, to its holes/)).toBeVisible();
  const slide = page.getByRole('button', { name: 'Slide Front radiator to its holes' });
  await slide.click();
  await expect(slide).toHaveCount(0);
  await page.getByLabel('Slid along the rail').fill('9');
  await page.getByLabel('Slid along the rail').press('Enter');
  const { components } = await documentOf(page, id);
  const radiator = components.find((c) => c.name === 'Front radiator')?.placement as {
    slide_mm: number;
  };
  expect(radiator.slide_mm).not.toBe(9);
});
