// Small faults put into the physics, one at a time: how many do the tests find? Mutants are drawn by
// a seed from all places of a room; a run tells the share killed in each and names the survivors.
//
//   npm run mutation                       60 mutants a room
//   npm run mutation -- airflow thermal    these rooms
//   npm run mutation -- --each 200         so many a room
//   npm run mutation -- --known            faults that once lived, by name
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
import { EQUIVALENT } from './mutation/equivalent.mjs';
import { KNOWN } from './mutation/known.mjs';
import { sitesOf } from './mutation/sites.mjs';

const ROOT = resolve(import.meta.dirname, '..');
const ROOMS = {
  fluids: ['fluids', 'hydraulics'],
  hydraulics: ['hydraulics'],
  thermal: ['thermal', 'transient'],
  airflow: ['airflow', 'thermal'],
  acoustics: ['acoustics', 'thermal'],
  corrosion: ['corrosion'],
  clearance: ['clearance', 'plan'],
  tubing: ['tubing', 'plan', 'hydraulics', 'bom'],
  bom: ['bom', 'plan'],
};
/** Longer than the whole set takes without a fault, several times over: it hangs, and is found. */
const TIME_MS = 120_000;
const THREADS = 2;
const SEED = 11;
/** Files of a room that hold no computing of their own. */
const NO_COMPUTING = /\.(test|fixture)\.ts$|(^|\/)(index|types)\.ts$/;

const args = process.argv.slice(2);
const each = args.includes('--each') ? Number(args[args.indexOf('--each') + 1]) : 60;
const asked = args.filter((a) => a in ROOMS);

/** Mulberry32 (public domain, from memory). */
function randomBy(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const filesIn = (room) =>
  readdirSync(join(ROOT, 'src/core', room)).map((f) => join(ROOT, 'src/core', room, f));
const PINNED = join(ROOT, 'src/proof/pinned');
const testsOf = (rooms) => [
  ...rooms.flatMap((r) => filesIn(r).filter((f) => f.endsWith('.test.ts'))),
  ...rooms.map((r) => join(PINNED, `${r}.test.ts`)).filter((f) => existsSync(f)),
  join(ROOT, 'src/proof/proof.test.ts'),
];

function mutantsOf(room) {
  const all = filesIn(room)
    .filter((f) => f.endsWith('.ts') && !NO_COMPUTING.test(f))
    .flatMap((file) => {
      const text = readFileSync(file, 'utf8');
      return sitesOf(file, text).map((site) => ({ file, text, ...site }));
    });
  const random = randomBy(SEED);
  const drawn = [];
  const left = [...all];
  while (drawn.length < each && left.length > 0)
    drawn.push(...left.splice(Math.floor(random() * left.length), 1));
  return { of: all.length, drawn };
}

/** All tests of some rooms as one script, with one file changed. */
async function bundled(tests, mutant) {
  const changed = mutant && {
    name: 'mutant',
    setup: (b) =>
      b.onLoad({ filter: /\.ts$/ }, ({ path }) =>
        path === mutant.file
          ? {
              loader: 'ts',
              contents:
                mutant.text.slice(0, mutant.start) + mutant.to + mutant.text.slice(mutant.end),
            }
          : undefined,
      ),
  };
  const entry = [
    ...tests.map((t) => `import ${JSON.stringify(t)};`),
    `export { run } from ${JSON.stringify(join(ROOT, 'scripts/mutation/globals.mjs'))};`,
  ].join('\n');
  const { outputFiles } = await build({
    stdin: { contents: entry, resolveDir: ROOT, loader: 'ts' },
    bundle: true,
    write: false,
    format: 'cjs',
    platform: 'node',
    target: 'node20',
    logLevel: 'silent',
    // A test is imported for what it does: what package.json says of side effects is for the app.
    ignoreAnnotations: true,
    alias: {
      '@jest/globals': join(ROOT, 'scripts/mutation/globals.mjs'),
      '@reference': join(ROOT, 'reference'),
      '@': join(ROOT, 'src'),
    },
    external: ['epanet-js', 'joi'],
    plugins: changed ? [changed] : [],
  });
  return outputFiles[0].text;
}

function ran(code) {
  return new Promise((done) => {
    const worker = new Worker(join(ROOT, 'scripts/mutation/worker.mjs'), {
      workerData: { root: ROOT, code },
    });
    const timer = setTimeout(() => end({ failed: 'over time' }), TIME_MS);
    const end = (result) => {
      clearTimeout(timer);
      void worker.terminate();
      done(result);
    };
    worker.on('message', end);
    worker.on('error', (error) => end({ failed: 'crash', message: String(error) }));
  });
}

async function mutateRoom(room) {
  const tests = testsOf(ROOMS[room]);
  const sound = await ran(await bundled(tests, null));
  if (sound.failed !== null)
    throw new Error(`${room}: without a fault "${sound.failed}" fails: ${sound.message}`);
  if (sound.count === 0) throw new Error(`${room}: no test was run, so nothing can be found`);
  const { of, drawn } = mutantsOf(room);
  const survivors = [];
  let next = 0;
  const work = async () => {
    while (next < drawn.length) {
      const mutant = drawn[next];
      next += 1;
      let result;
      try {
        result = await ran(await bundled(tests, mutant));
      } catch {
        result = { failed: 'does not compile' };
      }
      if (result.failed === null) survivors.push(mutant);
    }
  };
  await Promise.all(Array.from({ length: THREADS }, work));
  const equivalent = survivors.flatMap((m) => {
    const why = whyEquivalent(m);
    return why ? [{ ...m, why }] : [];
  });
  return {
    room,
    of,
    tried: drawn.length - equivalent.length,
    tests: sound.count,
    survivors: survivors.filter((m) => !whyEquivalent(m)),
    equivalent,
  };
}

const lineOf = (m) => m.text.split('\n')[m.line - 1];
const whyEquivalent = (m) =>
  EQUIVALENT.find((e) => e.file.test(m.file) && e.line.test(lineOf(m)))?.why;

/** Each of the faults that once lived, put in and found or not. */
async function tryKnown() {
  let alive = 0;
  for (const [room, name, from, to, what] of KNOWN) {
    const file = join(ROOT, 'src/core', name),
      text = readFileSync(file, 'utf8'),
      start = text.indexOf(from);
    if (start < 0) throw new Error(`${name} has no "${from}" any more`);
    const mutant = { file, text, start, end: start + from.length, to };
    const { failed } = await ran(await bundled(testsOf(ROOMS[room]), mutant));
    if (failed === null) alive += 1;
    console.log(`${failed === null ? 'LIVES ' : 'killed'} ${what}${failed ? `: ${failed}` : ''}`);
  }
  console.log(`${KNOWN.length - alive} of ${KNOWN.length} killed`);
  process.exit(alive > 0 ? 1 : 0);
}

const told = (m) =>
  `${m.file.slice(ROOT.length + 1)}:${m.line} ${m.what}: ${m.text.split('\n')[m.line - 1].trim().slice(0, 90)}`;

if (args.includes('--known')) await tryKnown();

const results = [];
for (const room of asked.length > 0 ? asked : Object.keys(ROOMS)) {
  const began = Date.now();
  const result = await mutateRoom(room);
  results.push(result);
  const killed = result.tried - result.survivors.length;
  console.log(
    `${room}: ${killed} of ${result.tried} killed, ${((100 * killed) / result.tried).toFixed(1)} % (of ${result.of} places, ${result.tests} tests, ${Math.round((Date.now() - began) / 1000)} s)`,
  );
  for (const m of result.survivors) console.log(`  lives: ${told(m)}`);
  for (const m of result.equivalent) console.log(`  same:  ${told(m)} (${m.why})`);
}
if (asked.length === 0) {
  const rows = results.map((r) => {
    const killed = r.tried - r.survivors.length;
    return `| ${r.room} | ${r.of} | ${r.tried} | ${killed} | ${((100 * killed) / r.tried).toFixed(0)} % |`;
  });
  const listed = (of) =>
    results
      .flatMap((r) => r[of])
      .map((m) => `- \`${told(m).replaceAll('`', '')}\`${m.why ? `: ${m.why}` : ''}`)
      .join('\n') || 'None.';
  writeFileSync(
    join(ROOT, 'docs/mutation.md'),
    [
      '# Faults put in, faults found',
      'Last result of `npm run mutation`: numbers made 10 % wrong, operators, conditions and signs changed, one at a time, drawn by a seed.',
      ['| room | places | tried | killed | share |', '|---|---|---|---|---|', ...rows].join('\n'),
      '## Survivors',
      listed('survivors'),
      '## Without effect',
      'They live and cannot be found: the result is the same.',
      `${listed('equivalent')}\n`,
    ].join('\n\n'),
  );
}
