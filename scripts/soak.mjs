// Kills, locks, crowds and hostile documents against the built app, and what is left afterwards.
// `npm run soak` runs all; `npm run soak kills locks` the named; `--quick` a tenth of each. The
// figures go into docs/reliability.md.
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { ensureBuilt } from './built.mjs';
import * as browsers from './soak/browsers.mjs';
import * as crowd from './soak/crowd.mjs';
import * as hostile from './soak/hostile.mjs';
import * as kills from './soak/kills.mjs';
import * as locks from './soak/locks.mjs';
import * as restores from './soak/restores.mjs';
import * as shelf from './soak/shelf.mjs';

const PARTS = { kills, browsers, locks, crowd, shelf, restores, hostile };
const PAGE = 'docs/reliability.md';
const asked = process.argv.slice(2);
const share = asked.includes('--quick') ? 0.1 : 1;
const names = asked.filter((a) => a in PARTS);

ensureBuilt();
const page = readFileSync(PAGE, 'utf8');
const rows = new Map(
  [...page.matchAll(/^\| (\w+) \| (.+) \|$/gm)].map(([, name, rest]) => [name, rest]),
);
/** Writes what was measured into the page, the other parts as they stand there. */
function note() {
  const head = page.slice(0, page.indexOf('<!-- figures -->'));
  const table = Object.keys(PARTS)
    .filter((name) => rows.has(name))
    .map((name) => `| ${name} | ${rows.get(name)} |`);
  writeFileSync(
    PAGE,
    `${head}<!-- figures -->\n\nMeasured ${new Date().toISOString().slice(0, 10)} on ${cpus().length} cores, Node ${process.version}.\n\n| part | asked | measured | |\n|---|---|---|---|\n${table.join('\n')}\n`,
  );
}

let failed = 0;
for (const name of names.length > 0 ? names : Object.keys(PARTS)) {
  const began = Date.now();
  const { asks, figures, ok } = await PARTS[name].run(share);
  const seconds = ((Date.now() - began) / 1000).toFixed(0);
  console.log(`${name}: ${figures} (${ok ? 'met' : 'NOT MET'}), ${seconds} s`);
  if (!ok) failed += 1;
  if (share < 1) continue;
  rows.set(name, `${asks} | ${figures} | ${ok ? 'met' : '**not met**'}`);
  note();
}
process.exit(failed > 0 ? 1 : 0);
