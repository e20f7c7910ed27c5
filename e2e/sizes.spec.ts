import { gzipSync } from 'node:zlib';
import { expect, test } from './fixtures';

/**
 * Script over the wire until a page that was opened rests, gzip kB: the page's own, with charts and
 * the scene (whose aim is 550), and all that comes with it, the two threads of a build included
 * (analyst and engine). What a page names as sent is held by `.size-limit.mjs`.
 */
const LIMITS: readonly (readonly [path: string, page_kB: number, all_kB: number])[] = [
  ['/', 220, 220],
  ['/new', 250, 250],
  ['/builds/dawn-chorus-desk/heat', 300, 495],
  ['/builds/dawn-chorus-desk/cooling', 440, 635],
  ['/builds/dawn-chorus-desk/flow', 449, 645],
  ['/builds/dawn-chorus-desk/case?view=space', 540, 730],
  ['/builds/dawn-chorus-desk/runs?view=space', 550, 740],
  ['/builds/dawn-chorus-desk/assembly?view=space', 550, 740],
];

test('no page loads more script than it did', async ({ browser }) => {
  for (const [path, page_kB, all_kB] of LIMITS) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    const sizes = { page: new Map<string, Promise<number>>(), engine: new Map() } as Record<
      'page' | 'engine',
      Map<string, Promise<number>>
    >;
    page.on('response', (r) => {
      const { pathname } = new URL(r.url());
      if (!pathname.endsWith('.js')) return;
      // A worker's scripts are no scripts of the document.
      const of = r.request().resourceType() === 'script' ? sizes.page : sizes.engine;
      if (of.has(pathname)) return;
      const size = r.body().then(
        (body) => gzipSync(body).length,
        () => 0,
      );
      of.set(pathname, size);
    });
    await page.goto(path, { waitUntil: 'networkidle' });
    await page.waitForTimeout(1000);
    const kB = async (of: Iterable<Promise<number>>): Promise<number> =>
      Math.round((await Promise.all(of)).reduce((sum, n) => sum + n, 0) / 1000);
    // What both load is one file.
    const own = await kB(sizes.page.values()),
      all = await kB(new Map([...sizes.engine, ...sizes.page]).values());
    console.log(`script of ${path}: ${own} kB, with its engine ${all} kB`);
    expect(own).toBeGreaterThan(100);
    expect(own).toBeLessThanOrEqual(page_kB);
    expect(all).toBeLessThanOrEqual(all_kB);
    await context.close();
  }
});
