import { gzipSync } from 'node:zlib';
import { expect, test } from './fixtures';

/** Script of a page when it is first opened, gzip kB; the aims are 220, 350 and 550. */
const LIMITS: readonly (readonly [path: string, most_kB: number])[] = [
  ['/', 245],
  ['/new', 260],
  ['/builds/dawn-chorus-desk/heat', 590],
  ['/builds/dawn-chorus-desk/cooling', 730],
  ['/builds/dawn-chorus-desk/case?view=space', 910],
];

test('no page loads more script than it did', async ({ browser }) => {
  for (const [path, most_kB] of LIMITS) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    const sizes = new Map<string, Promise<number>>();
    page.on('response', (r) => {
      const { pathname } = new URL(r.url());
      if (!pathname.endsWith('.js') || sizes.has(pathname)) return;
      const size = r.body().then(
        (body) => gzipSync(body).length,
        () => 0,
      );
      sizes.set(pathname, size);
    });
    await page.goto(path, { waitUntil: 'networkidle' });
    await page.waitForTimeout(1000);
    const all = await Promise.all(sizes.values());
    const kB = Math.round(all.reduce((sum, n) => sum + n, 0) / 1000);
    console.log(`script of ${path}: ${kB} kB`);
    expect(kB).toBeGreaterThan(100);
    expect(kB).toBeLessThanOrEqual(most_kB);
    await context.close();
  }
});
