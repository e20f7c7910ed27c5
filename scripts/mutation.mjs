// Small faults put into the physics, one at a time: how many do the tests find? Mutants are drawn by
// a seed from all places of a room; a run tells the share killed in each and names the survivors.
//
//   npm run mutation                       60 mutants a room
//   npm run mutation -- airflow thermal    these rooms
//   npm run mutation -- --each 200         so many a room
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Worker } from 'node:worker_threads';
import { build } from 'esbuild';
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
const testsOf = (rooms) => [
  ...rooms.flatMap((r) => filesIn(r).filter((f) => f.endsWith('.test.ts'))),
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
  return { room, of, tried: drawn.length, tests: sound.count, survivors };
}

const told = (m) =>
  `${m.file.slice(ROOT.length + 1)}:${m.line} ${m.what}: ${m.text.split('\n')[m.line - 1].trim().slice(0, 90)}`;

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
}
if (asked.length === 0) {
  const rows = results.map((r) => {
    const killed = r.tried - r.survivors.length;
    return `| ${r.room} | ${r.of} | ${r.tried} | ${killed} | ${((100 * killed) / r.tried).toFixed(0)} % |`;
  });
  const lives = results.flatMap((r) =>
    r.survivors.map((m) => `- \`${told(m).replaceAll('`', '')}\``),
  );
  writeFileSync(
    join(ROOT, 'docs/mutation.md'),
    `# Faults put in, faults found\n\nLast result of \`npm run mutation\`: numbers made 10 % wrong, operators, conditions and signs changed, one at a time, drawn by a seed.\n\n| room | places | tried | killed | share |\n|---|---|---|---|---|\n${rows.join('\n')}\n\n## Survivors\n\n${lives.join('\n') || 'None.'}\n`,
  );
}
