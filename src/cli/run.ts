import { readFileSync } from 'node:fs';
import { CATALOGUE, DEMO_BUILDS, demoBuild } from '@/catalogue';
import type { Build } from '@/core/build';
import { evaluate, workOut } from '@/core/evaluate';
import { pressureToHead, solveNetwork } from '@/core/flow';
import { resolve } from '@/core/model';
import { LOAD_CASES, type LoadCaseId } from '@/core/part';
import { FAULTS, runTransient, ScenarioError, type Fault, type FaultKind } from '@/core/transient';
import { parseBuild } from '@/core/guard';
import { InpError, inpLoops, readInp, writeInp } from '@/core/inp';
import { buildToText, listToCsv, transientToCsv } from '@/format';
import { proofRows } from '@/proof';

export interface Ran { readonly code: 0 | 1 | 2; readonly out: string; readonly err: string }

const done = (out: string): Ran => ({ code: 0, out, err: '' });
const failed = (err: string, code: 1 | 2 = 1): Ran => ({ code, out: '', err: err.endsWith('\n') ? err : `${err}\n` });

const HELP = `zephyron: the same core from a terminal

  demo [NAME]              lists the demo builds, or prints one as JSON
  evaluate FILE|-          prints the evaluation of a build as JSON
  list FILE|- [--csv|--json]   prints the parts list
  inp FILE|- [--loop ID]   prints the loops as an EPANET 2.2 input file
  solve FILE.inp|-         solves such a file with our own solver: flows and heads as JSON
  transient FILE|- [--case NAME] [--seconds N] [--step S] [--start cold|steady] [--fault "KIND@SECONDS[:ITEM|AMOUNT]"]
                           runs the loop over time and prints CSV; kinds: pump stops, fan stops, flow sags, room warms
  solids FILE|-            prints every placed solid and port in case coordinates, mm, as JSON
  parts [--kind KIND]      prints the catalogue as JSON
  proof [--json]           prints every reference check

A build that cannot be read: its path and message on standard error, exit 1.
`;

/** Flags that take the word behind them. */
const VALUED = new Set(['--kind', '--loop', '--case', '--seconds', '--step', '--start', '--fault']);

/** The whole terminal, as a function: arguments in, text and exit code out. */
export function run(args: readonly string[], read: (file: string) => string = readInput): Ran {
  const [command, ...rest] = args;
  const flags = new Set(rest.filter((a) => a.startsWith('--')));
  const plain = rest.filter((a, i) => !a.startsWith('--') && !VALUED.has(rest[i - 1] ?? ''));
  switch (command) {
    case 'demo': return demo(plain[0]);
    case 'evaluate': return withBuild(plain[0], read, (build) => done(`${JSON.stringify(evaluate(build, { offer: CATALOGUE }), null, 1)}\n`));
    case 'list': return withBuild(plain[0], read, (build) => {
      const { list } = evaluate(build).reports;
      return done(flags.has('--json') ? `${JSON.stringify(list, null, 1)}\n` : listToCsv(list, build.brief.currency));
    });
    case 'inp': return withBuild(plain[0], read, (build) => inp(build, valueOf(rest, '--loop')));
    case 'solve': return solve(plain[0], read);
    case 'solids': return withBuild(plain[0], read, (build) => done(`${JSON.stringify(solidsOf(build), null, 1)}\n`));
    case 'transient': return withBuild(plain[0], read, (build) => transient(build, rest));
    case 'parts': {
      const kind = valueOf(rest, '--kind');
      return done(`${JSON.stringify(kind === undefined ? CATALOGUE : CATALOGUE.filter((p) => p.kind === kind), null, 1)}\n`);
    }
    case 'proof': return proof(flags.has('--json'));
    case undefined: case 'help': case '--help': return done(HELP);
    default: return failed(`There is no command "${command}".\n\n${HELP}`, 2);
  }
}

function readInput(file: string): string { return readFileSync(file === '-' ? 0 : file, 'utf8'); }

function demo(name: string | undefined): Ran {
  if (name === undefined) return done(DEMO_BUILDS.map((d) => `${d.name}\t${d.about}\n`).join(''));
  const build = demoBuild(name);
  return build ? done(buildToText(build)) : failed(`There is no demo build "${name}"; known: ${DEMO_BUILDS.map((d) => d.name).join(', ')}.`);
}

const valueOf = (args: readonly string[], flag: string): string | undefined => (args.includes(flag) ? args[args.indexOf(flag) + 1] ?? '' : undefined);

function inp(build: Build, only: string | undefined): Ran {
  if (only !== undefined && !build.loops.some((l) => l.id === only)) return failed(`There is no loop "${only}" in this build; known: ${build.loops.map((l) => l.id).join(', ') || 'none'}.`);
  const { model, reports } = workOut(build);
  const loops = inpLoops(model, reports.runs, reports.flow, only);
  return loops.length > 0 ? done(writeInp(build.name, loops)) : failed('This build has no connected loop to write.');
}

/** Flows in L/min and heads in metres over the reservoir, by the names in the file. */
function solve(file: string | undefined, read: (file: string) => string): Ran {
  return withText(file, read, (text) => {
    try {
      const loops = readInp(text).map(({ id, network }) => {
        const { status, iterations, residual, flows, pressures } = solveNetwork(network);
        return { id, status, iterations, residual, flows_Lmin: Object.fromEntries(flows), heads_m: Object.fromEntries([...pressures].map(([node, kPa]) => [node, pressureToHead(kPa, network.fluid.density_kgm3)])) };
      });
      return done(`${JSON.stringify({ loops }, null, 1)}\n`);
    } catch (error) {
      if (error instanceof InpError) return failed(`${file ?? ''}: ${error.message}`);
      throw error;
    }
  });
}

function withText(file: string | undefined, read: (file: string) => string, work: (text: string) => Ran): Ran {
  if (file === undefined) return failed('Name a file, or - for standard input.', 2);
  let text: string;
  try { text = read(file); } catch (error) { return failed(`${file}: ${(error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : 'cannot be read'}`); }
  return work(text);
}

function withBuild(file: string | undefined, read: (file: string) => string, work: (build: Build) => Ran): Ran {
  return withText(file, read, (text) => {
    const parsed = parseBuild(text);
    return parsed.ok ? work(parsed.value) : failed(parsed.troubles.map((t) => `${t.path || '(document)'}: ${t.message}`).join('\n'));
  });
}

function proof(json: boolean): Ran {
  const rows = proofRows();
  const bad = rows.filter((r) => !r.ok).length;
  if (json) return { ...done(`${JSON.stringify(rows, null, 1)}\n`), code: bad > 0 ? 1 : 0 };
  const lines = rows.map((r) => `${r.ok ? 'ok  ' : 'FAIL'} ${r.id.padEnd(34)} ${r.quantity}: expected ${r.expected} ${r.unit}, got ${Number(r.got.toPrecision(8))}, off ${r.measure === 'relative' ? `${(100 * r.deviation).toFixed(4)} %` : r.deviation.toPrecision(3)} (${r.measure === 'relative' ? `${100 * r.tolerance} %` : r.tolerance} allowed) [${r.source}]`);
  return { code: bad > 0 ? 1 : 0, out: `${lines.join('\n')}\n${rows.length - bad} of ${rows.length} hold\n`, err: '' };
}

function transient(build: Build, args: readonly string[]): Ran {
  const cases: readonly string[] = [...LOAD_CASES, 'own'];
  const load = valueOf(args, '--case') ?? build.brief.loadCase, seconds = Number(valueOf(args, '--seconds') ?? 3600), start = valueOf(args, '--start') ?? 'cold';
  if (!cases.includes(load)) return failed(`There is no load case "${load}"; known: ${cases.join(', ')}.`);
  if (!(seconds > 0)) return failed('--seconds wants a number above 0.');
  if (start !== 'cold' && start !== 'steady') return failed(`--start is cold or steady, not "${start}".`);
  const faults: Fault[] = [];
  for (const [i, word] of args.entries()) {
    if (word !== '--fault') continue;
    const fault = faultOf(args[i + 1] ?? '');
    if (!fault) return failed(`"${args[i + 1] ?? ''}" is no fault; write "pump stops@60", "fan stops@60:front-fans" or "flow sags@60:0.5". Kinds: ${FAULTS.join(', ')}.`);
    faults.push(fault);
  }
  const step = valueOf(args, '--step');
  const { setup, reports } = workOut(build);
  try {
    const result = runTransient(setup, reports.flow, reports.runs, { profile: [{ load: load as LoadCaseId, seconds }], start, faults, ...(step === undefined ? {} : { step_s: Number(step) }) });
    return result ? done(transientToCsv(result)) : failed('Stopped.');
  } catch (error) {
    if (error instanceof ScenarioError) return failed(`${error.place}: ${error.message}`);
    throw error;
  }
}

/** Bodies and ports as a stranger's geometry would want them. */
function solidsOf(build: Build): readonly object[] {
  const model = resolve(build);
  const placed = [...model.placed.values()];
  return [
    ...[...placed.flatMap((p) => p.solids), ...model.obstacles].map((s) => (s.cylinder ? { item: s.item, name: s.name, shape: 'cylinder', ...s.cylinder } : { item: s.item, name: s.name, shape: 'box', ...s.box })),
    ...placed.flatMap((p) => p.ports.map((q) => ({ item: q.item, port: q.port.id, at: q.at, direction: q.direction }))),
  ];
}

/** "pump stops@60", "fan stops@60:front-fans", "flow sags@60:0.5", "room warms@0:8". */
function faultOf(word: string): Fault | null {
  const [, kind, at, tail] = /^([a-z ]+)@([\d.]+)(?::(.+))?$/.exec(word) ?? [];
  if (kind === undefined || at === undefined || !(FAULTS as readonly string[]).includes(kind)) return null;
  if (tail === undefined) return { kind: kind as FaultKind, at_s: Number(at) };
  return Number.isFinite(Number(tail)) ? { kind: kind as FaultKind, at_s: Number(at), amount: Number(tail) } : { kind: kind as FaultKind, at_s: Number(at), item: tail };
}
