/**
 * The built app, served: an evaluation over HTTP with what it does to other requests, and from an
 * edit to the next paint.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { demoDesign } from '../src/catalogue';

const PORT = 4397;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const TOWER = 'fenland-flood-tower';
const EVALUATIONS = 30;
const EDITS = 100;

const sorted = (list: readonly number[]): number[] => [...list].sort((a, b) => a - b);
const quantile = (list: readonly number[], share: number): number =>
  sorted(list)[Math.min(list.length - 1, Math.floor(share * list.length))] ?? NaN;
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

async function serve(): Promise<ChildProcess> {
  const folder = mkdtempSync(join(tmpdir(), 'zephyron-bench-'));
  const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(PORT)], {
    stdio: 'ignore',
    env: {
      ...process.env,
      DATABASE_URL: `file:${join(folder, 'bench.db')}`,
      NODE_ENV: 'production',
    },
  });
  for (let i = 0; i < 100; i += 1) {
    if (
      await fetch(`${ADDRESS}/api/builds`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return server;
    await pause(100);
  }
  throw new Error('the app does not start');
}

/** Evaluations one after the other, with a small request every few milliseconds beside them. */
async function overHttp(): Promise<void> {
  const body = JSON.stringify(demoDesign(TOWER));
  const ask = async (): Promise<number> => {
    const began = performance.now();
    const answer = await fetch(`${ADDRESS}/api/evaluate`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
    });
    await answer.text();
    if (!answer.ok) throw new Error(`evaluate answers ${answer.status}`);
    return performance.now() - began;
  };
  const small = async (): Promise<number> => {
    const began = performance.now();
    await (await fetch(`${ADDRESS}/api/retired`)).text();
    return performance.now() - began;
  };
  for (let i = 0; i < 8; i += 1) await ask();
  const alone: number[] = [];
  for (let i = 0; i < EVALUATIONS; i += 1) alone.push(await small());
  const took: number[] = [];
  const beside: number[] = [];
  let on = true;
  const others = (async () => {
    while (on) {
      beside.push(await small());
      await pause(4);
    }
  })();
  for (let i = 0; i < EVALUATIONS; i += 1) took.push(await ask());
  on = false;
  await others;
  const delay = quantile(beside, 0.95) - quantile(alone, 0.5);
  console.log(
    `\nevaluation over HTTP, largest demo routed: median ${quantile(took, 0.5).toFixed(1)} ms (limit 40); another request beside it: ${delay.toFixed(1)} ms later at the 95th of a hundred (limit 20)`,
  );
}

/** A browser that draws without a graphics card. */
const launchFlat = () =>
  chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--enable-unsafe-swiftshader', '--disable-sync'],
  });

/** Where the kernel counts what each processor did, in hundredths of a second; not everywhere. */
const PROCESSORS = '/proc/stat';
const TAKEN_COLUMN = 8;

/** Hundredths of a second so far in which a processor was wanted here and given to another machine. */
const takenSoFar = (): number =>
  existsSync(PROCESSORS)
    ? Number(readFileSync(PROCESSORS, 'utf8').split('\n')[0]?.split(/\s+/)[TAKEN_COLUMN] ?? 0)
    : 0;

/** When time was taken from this machine, by its clock, ms. */
function watchTaken(): { stop(): readonly number[] } {
  const moments: number[] = [];
  let last = takenSoFar();
  const timer = setInterval(() => {
    const now = takenSoFar();
    if (now > last) moments.push(Date.now());
    last = now;
  }, TICK);
  return {
    stop: () => {
      clearInterval(timer);
      return moments;
    },
  };
}

/** What the kernel counts in, ms. */
const TICK = 10;

interface Gesture {
  readonly name: string;
  readonly stage: string;
  /** Median and 95th of a hundred before, ms. */
  readonly before: string;
  ready(page: Page): Promise<void>;
  readonly keys: readonly [string, string];
}

const GESTURES: readonly Gesture[] = [
  {
    name: 'fan speed',
    stage: 'cooling',
    before: '53 / 74',
    ready: (page) => page.getByRole('slider', { name: 'Speed of all fans' }).focus(),
    keys: ['ArrowRight', 'ArrowLeft'],
  },
  {
    name: 'pump speed',
    stage: 'flow',
    before: '115 / 136',
    ready: (page) => page.getByRole('slider').first().focus(),
    keys: ['ArrowRight', 'ArrowLeft'],
  },
  {
    name: 'radiator nudged by an arrow key',
    stage: 'case?view=side',
    before: '68 / 120',
    ready: async (page) => {
      await page
        .locator('svg g', { has: page.locator('title', { hasText: /^Top radiator:/ }) })
        .last()
        .click();
      await page.getByRole('group', { name: /^Drawing of the case/ }).focus();
    },
    keys: ['ArrowRight', 'ArrowLeft'],
  },
];

interface Took {
  /** By the machine's clock, ms. */
  readonly began: number;
  /** To the frame with the new figures, ms. */
  readonly ms: number;
  /** To the first frame that shows anything of it: a slider that moved, ms. */
  readonly first_ms: number;
  /** What a fixed sum took just after it, ms. */
  readonly sum_ms: number;
}

/** Those during which nothing was taken from the machine, to the kernel's own tick. */
const undisturbed = (took: readonly Took[], taken: readonly number[]): readonly Took[] =>
  took.filter(({ began, ms }) => !taken.some((at) => at >= began && at <= began + ms + 2 * TICK));

const told = (took: readonly Took[], of: 'ms' | 'first_ms' = 'ms'): string => {
  const list = took.map((one) => one[of]);
  return `${quantile(list, 0.5).toFixed(0)} / ${quantile(list, 0.95).toFixed(0)} ms`;
};

/**
 * From a key to the frame after what it changed is drawn, in the page's own clock: figures are
 * worked out beside, so the frame counts in which the stage says something else.
 */
const press = (
  page: Page,
  keys: readonly [string, string],
  edits: number,
): Promise<readonly Took[]> =>
  page.evaluate(
    async ([one, other, count]) => {
      const took: { began: number; ms: number; first_ms: number; sum_ms: number }[] = [];
      /** A fixed sum: how quick the machine is at this moment. */
      const sum = (): number => {
        const start = performance.now();
        let x = 1;
        for (let k = 0; k < 2e6; k += 1) x = (x * 31 + k) | 0;
        return performance.now() - start + (x === 0 ? 1e-9 : 0);
      };
      const stage = document.querySelector('main') ?? document.body;
      /** All that the stage says, but for what a slider says of itself. */
      const said = (): string => {
        const texts = document.createTreeWalker(stage, NodeFilter.SHOW_TEXT, (node) =>
          node.parentElement?.closest('[role="slider"]')
            ? NodeFilter.FILTER_REJECT
            : NodeFilter.FILTER_ACCEPT,
        );
        let all = '';
        while (texts.nextNode()) all += texts.currentNode.nodeValue;
        return all;
      };
      for (let i = 0; i < count; i += 1) {
        const before = said();
        const target = document.activeElement ?? document.body;
        let first_ms = 0;
        const watch = new MutationObserver(() => {
          watch.disconnect();
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => (first_ms = performance.now() - began);
            channel.port2.postMessage(0);
          });
        });
        watch.observe(stage, {
          subtree: true,
          childList: true,
          characterData: true,
          attributes: true,
        });
        const began = performance.now();
        target.dispatchEvent(
          new KeyboardEvent('keydown', {
            key: i % 2 ? other : one,
            bubbles: true,
            cancelable: true,
          }),
        );
        await new Promise<void>((done) => {
          const look = (): void => {
            if (said() === before && performance.now() - began < 2000) {
              requestAnimationFrame(look);
              return;
            }
            const channel = new MessageChannel();
            channel.port1.onmessage = () => done();
            channel.port2.postMessage(0);
          };
          requestAnimationFrame(look);
        });
        const ms = performance.now() - began;
        await new Promise((r) => setTimeout(r, 80));
        took.push({ began: performance.timeOrigin + began, ms, first_ms, sum_ms: sum() });
      }
      return took;
    },
    [keys[0], keys[1], edits] as const,
  );

async function toPaint(): Promise<void> {
  const browser = await launchFlat();
  console.log(
    '\nfrom an edit to the next paint, Chromium without a graphics card, largest demo: median / 95th of a hundred (limit 25 / 60):\nto the first frame that shows it, to the frame with its figures, and both where no other machine took time from this one',
  );
  for (const { name, stage, ready, keys, before } of GESTURES) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${ADDRESS}/builds/${TOWER}/${stage}`, { waitUntil: 'load' });
    await page.locator('[data-awake="true"]').waitFor();
    await pause(3000);
    await ready(page);
    await press(page, keys, 10);
    const watch = watchTaken();
    const took = await press(page, keys, EDITS);
    const own = undisturbed(took, watch.stop());
    const sums = took.map(({ sum_ms }) => sum_ms);
    console.log(
      `${name.padEnd(34)}${told(took, 'first_ms').padStart(14)}${told(took).padStart(14)}   ${`${told(own, 'first_ms')}, ${told(own)} in ${own.length}`.padStart(36)}   a fixed sum ${quantile(sums, 0.5).toFixed(1)}, at best ${Math.min(...sums).toFixed(1)}   before ${before}`,
    );
    await page.close();
  }
  await browser.close();
}

const OPENINGS = 7;

/** From the address being asked for to the frame that shows the curves, the browser knowing nothing. */
async function toCurves(): Promise<void> {
  const browser = await launchFlat();
  const took: number[] = [];
  for (let i = 0; i <= OPENINGS; i += 1) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.addInitScript(() => {
      const look = (): void => {
        const isDrawn = document.querySelector('[data-curves] polyline, .recharts-line-curve');
        if (isDrawn) requestAnimationFrame(() => performance.mark('curves'));
        else requestAnimationFrame(look);
      };
      look();
    });
    await page.goto(`${ADDRESS}/builds/${TOWER}/cooling`, { waitUntil: 'load' });
    const shown = await page.waitForFunction(() => {
      const painted = performance.getEntriesByName('first-contentful-paint')[0]?.startTime,
        drawn = performance.getEntriesByName('curves')[0]?.startTime;
      return painted && drawn ? Math.max(painted, drawn) : 0;
    });
    // The first opening wakes the server.
    if (i > 0) took.push((await shown.jsonValue()) as number);
    await pause(2500);
    await context.close();
  }
  await browser.close();
  console.log(
    `\nCooling opened by its address, largest demo, to its curves: median ${quantile(took, 0.5).toFixed(0)} ms (limit 1000)`,
  );
}

/** A build with nothing in it but the tower's case; its address. */
async function emptyBuild(): Promise<string> {
  const design = demoDesign(TOWER);
  const answer = await fetch(`${ADDRESS}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      ...design,
      name: 'Empty tower',
      components: [],
      loops: [],
      layout: { ...design?.layout, routes: {} },
    }),
  });
  if (!answer.ok) throw new Error(`an empty build is refused: ${await answer.text()}`);
  return ((await answer.json()) as { id: string }).id;
}

/** Turned by a key to the last pixel drawn: what the renderer owes is waited for. */
const turned = (page: Page, count: number): Promise<number[]> =>
  page.evaluate(async (times) => {
    const sheet = document.querySelector('[data-turns]'),
      canvas = sheet?.querySelector('canvas');
    const gl = canvas?.getContext('webgl2');
    if (!sheet || !gl) throw new Error('nothing is drawn in space');
    const took: number[] = [];
    const pixel = new Uint8Array(4);
    for (let i = 0; i < times; i += 1) {
      const began = performance.now();
      sheet.dispatchEvent(
        new KeyboardEvent('keydown', { key: i % 2 ? 'ArrowLeft' : 'ArrowRight', bubbles: true }),
      );
      await new Promise<void>((done) =>
        requestAnimationFrame(() =>
          requestAnimationFrame(() => {
            gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
            done();
          }),
        ),
      );
      took.push(performance.now() - began);
      await new Promise((r) => setTimeout(r, 60));
    }
    return took;
  }, count);

/** A frame of the largest demo in space beside one of its bare case, drawn by software. */
async function inSpace(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--use-gl=angle',
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
      '--disable-sync',
    ],
  });
  const frames = async (id: string): Promise<number> => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${ADDRESS}/builds/${id}/case?view=space`, { waitUntil: 'load' });
    await page.locator('[data-turns] canvas[data-calls]').waitFor();
    await pause(4000);
    await turned(page, 5);
    const took = await turned(page, EDITS / 2);
    await page.close();
    return quantile(took, 0.5);
  };
  const empty = await frames(await emptyBuild()),
    whole = await frames(TOWER);
  console.log(
    `\nscene turned by a key, software GL, 1280 × 800: bare case ${empty.toFixed(0)} ms, largest demo ${whole.toFixed(0)} ms, × ${(whole / empty).toFixed(2)}`,
  );
  await browser.close();
}

export async function servedBench(): Promise<void> {
  const server = await serve();
  try {
    await overHttp();
    await toCurves();
    await toPaint();
    await inSpace();
  } finally {
    server.kill();
  }
}
