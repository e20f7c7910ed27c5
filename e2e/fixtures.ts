import { expect, test as base, type Page } from '@playwright/test';

/** Every page must be free of errors in the console and of uncaught faults. */
export const test = base.extend<{ quiet: void }>({
  quiet: [
    async ({ page }, use) => {
      const heard: string[] = [];
      page.on('console', (m) => {
        if (
          m.type() === 'error' &&
          !/404|409|400|413|ERR_INTERNET_DISCONNECTED|ERR_FAILED/.test(m.text())
        )
          heard.push(m.text());
      });
      page.on('pageerror', (e) => heard.push(String(e)));
      await use();
      expect(heard).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Every stage, in working order. */
export const STAGES = [
  'brief',
  'heat',
  'case',
  'cooling',
  'flow',
  'materials',
  'runs',
  'parts',
  'assembly',
  'log',
] as const;

/** Opens a stage and waits until the page answers. */
export async function openStage(page: Page, design: string, stage: string): Promise<void> {
  // Flat, where a test does not ask for the scene: pictures in space take long without a graphics card.
  await page.goto(`/builds/${design}/${stage}?view=side`, { waitUntil: 'load' });
  await expect(page.locator('[data-awake="true"]')).toBeVisible();
}

/** Loads the page again and waits until it answers: a click before that is lost. */
export async function reload(page: Page): Promise<void> {
  await page.reload();
  await page.locator('[data-awake="true"]').waitFor();
}

export const saved = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: 'revision' })).toContainText('saved');

interface Document {
  readonly components: readonly { readonly id: string; readonly placement: object }[];
}

/**
 * A copy of a demo to change freely; its id comes back. `slides`: radiators that stand elsewhere on
 * their rails, mm, with every run to be routed again.
 */
export async function copyOf(
  page: Page,
  demo: string,
  name: string,
  slides: Readonly<Record<string, number>> = {},
): Promise<string> {
  const source = await page.request.get(`/api/builds/${demo}`);
  const { document } = (await source.json()) as { document: Document };
  const moved =
    Object.keys(slides).length === 0
      ? document
      : {
          ...document,
          layout: { routes: {}, poses: {}, noRoute: {} },
          components: document.components.map((c) =>
            c.id in slides ? { ...c, placement: { ...c.placement, slide_mm: slides[c.id] } } : c,
          ),
        };
  const made = await page.request.post('/api/builds', { data: { ...moved, name } });
  expect(made.status()).toBe(201);
  return ((await made.json()) as { id: string }).id;
}

/** The loop diagram in full, with numbers and pressures. */
export async function openLoop(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Show the loop diagram' }).click();
}

/** Picks a case on the page of a new build, whose list tells litres and radiators beside the name. */
export async function pickCase(page: Page, name: string): Promise<void> {
  const cases = page.getByLabel('Case', { exact: true });
  const label = (await cases.locator('option').allTextContents()).find((o) =>
    o.startsWith(`${name},`),
  );
  await cases.selectOption({ label: label ?? name });
}
