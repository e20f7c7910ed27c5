import { gzipSync } from 'node:zlib';
import { expect, test } from './fixtures';

/**
 * Script of a page when it is first opened, gzip kB; the aims are 220, 350 and 550. What the engine
 * of a build loads beside the page, in a thread of its own, holds no page up: it is told apart.
 */
const LIMITS: readonly (readonly [path: string, most_kB: number])[] = [
  ['/', 220],
  ['/new', 250],
  ['/builds/dawn-chorus-desk/heat', 500],
  ['/builds/dawn-chorus-desk/cooling', 660],
  ['/builds/dawn-chorus-desk/case?view=space', 840],
];
const ENGINE_KB = 260;

test('no page loads more script than it did', async ({ browser }) => {
  for (const [path, most_kB] of LIMITS) {
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
    const kB = async (of: 'page' | 'engine'): Promise<number> =>
      Math.round((await Promise.all(sizes[of].values())).reduce((sum, n) => sum + n, 0) / 1000);
    const [own, engine] = [await kB('page'), await kB('engine')];
    console.log(`script of ${path}: ${own} kB, its engine ${engine} kB`);
    expect(own).toBeGreaterThan(100);
    expect(own).toBeLessThanOrEqual(most_kB);
    expect(engine).toBeLessThanOrEqual(ENGINE_KB);
    await context.close();
  }
});
