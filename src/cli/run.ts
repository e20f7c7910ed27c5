import { calibrate, diagnose, ranOn, readingDoubts, serviceDue, trendsOf } from '@/core/log';
import { assemblySteps, metOnWayIn, type Step } from '@/core/assembly';
import { readFileSync } from 'node:fs';
import { bendTable } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import { CATALOGUE, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '@/core/design';
import { evaluate, analyse } from '@/core/analysis';
import { guessKind, partOfSheet, readSheet, SHEET_KINDS } from '@/core/datasheet';
import { pressureToHead, solveNetwork } from '@/core/hydraulics';
import { rerouteEdit } from '@/core/routing';
import { compileSystem, solidLabel } from '@/core/system';
import { LOAD_CASES, type LoadCaseId, loadCaseNow } from '@/core/components';
import { FAULTS, runTransient, ScenarioError, type Fault, type FaultKind } from '@/core/transient';
import { parseDesign, validateReadings } from '@/core/validation';
import { InpError, inpLoops, readInp, writeInp } from '@/format/inp';
import { bendSheet, bendSteps, farEndOf, makingOrder, putInOf } from '@/core/plan';
import { designToText, listToCsv, transientToCsv } from '@/format';
import { proofRows } from '@/proof';

export interface Ran {
  readonly code: 0 | 1 | 2;
  readonly out: string;
  readonly err: string;
}

const done = (out: string): Ran => ({ code: 0, out, err: '' });
const failed = (err: string, code: 1 | 2 = 1): Ran => ({
  code,
  out: '',
  err: err.endsWith('\n') ? err : `${err}\n`,
});

const HELP = `zephyron: the same core from a terminal

  demo [NAME]              lists the demo builds, or prints one as JSON
  evaluate FILE|- [--no-fixes]   prints the evaluation of a build as JSON, with the fixes that were tried and work
  list FILE|- [--csv|--json]   prints the parts list
  inp FILE|- [--loop ID]   prints the loops as an EPANET 2.2 input file
  solve FILE.inp|-         solves such a file with our own solver: flows and heads as JSON
  transient FILE|- [--case NAME] [--seconds N] [--step S] [--start cold|steady] [--fault "KIND@SECONDS[:COMPONENT|AMOUNT]"]
                           runs the loop over time and prints CSV; kinds: pump stops, fan stops, flow sags, room warms
  bend FILE.csv|- --radius R
                           turns corners (x,y,z a line, mm) into straights, rotations and angles as CSV
  sheets FILE|-            prints the bend sheets as JSON: per run what to push, how to turn the tube and how far to bend
  assembly FILE|-          prints the steps of the work in their order as JSON: why, how, parts, minutes, what each needs
  log FILE READINGS.json   prints readings of the finished machine against the prediction, the factors they show, what is likely wrong, trends and service due, as JSON
  solids FILE|-            prints every placed solid and port in case coordinates, mm, as JSON
  parts [--kind KIND]      prints the catalogue as JSON
  datasheet FILE|- [--kind KIND]
                           prints what a maker's sheet in plain text says, what it leaves open, and the part it makes, as JSON
  proof [--json]           prints every reference check
  backup FILE.zip          everything in the database (DATABASE_URL) as one ZIP of open JSON
  restore FILE.zip         puts such a ZIP back beside what is there; nothing there is lost

Runs are as the build's layout says; --route first routes those that are not (up to 120 s).
A build that cannot be read: its path and message on standard error, exit 1.
`;

/** Flags that take the word behind them. */
const VALUED = new Set([
  '--kind',
  '--loop',
  '--case',
  '--seconds',
  '--step',
  '--start',
  '--fault',
  '--radius',
]);

/** The whole terminal, as a function: arguments in, text and exit code out. */
export function run(args: readonly string[], read: (file: string) => string = readInput): Ran {
  const [command, ...rest] = args;
  const flags = new Set(rest.filter((a) => a.startsWith('--')));
  const withBuild: WithBuild = (file, work) =>
    readBuild(file, read, (design) => work(flags.has('--route') ? routed(design) : design));
  const plain = rest.filter((a, i) => !a.startsWith('--') && !VALUED.has(rest[i - 1] ?? ''));
  switch (command) {
    case 'demo':
      return demo(plain[0]);
    case 'evaluate':
      return withBuild(plain[0], (design) =>
        done(
          `${JSON.stringify(evaluate(design, { offer: CATALOGUE, fixes: !flags.has('--no-fixes') }), null, 1)}\n`,
        ),
      );
    case 'list':
      return withBuild(plain[0], (design) => {
        const { bom: list } = analyse(design).reports;
        return done(
          flags.has('--json')
            ? `${JSON.stringify(list, null, 1)}\n`
            : listToCsv(list, design.brief.currency),
        );
      });
    case 'inp':
      return withBuild(plain[0], (design) => inp(design, valueOf(rest, '--loop')));
    case 'solve':
      return solve(plain[0], read);
    case 'bend':
      return bend(plain[0], valueOf(rest, '--radius'), read);
    case 'sheets':
      return withBuild(plain[0], (design) =>
        done(`${JSON.stringify(sheetsOf(design), null, 1)}\n`),
      );
    case 'assembly':
      return withBuild(plain[0], (design) => done(`${JSON.stringify(workOf(design), null, 1)}\n`));
    case 'log':
      return withBuild(plain[0], (design) =>
        withText(plain[1], read, (text) => logOf(design, text)),
      );
    case 'solids':
      return withBuild(plain[0], (design) =>
        done(`${JSON.stringify(solidsOf(design), null, 1)}\n`),
      );
    case 'transient':
      return withBuild(plain[0], (design) => transient(design, rest));
    case 'datasheet':
      return withText(plain[0], read, (text) => datasheet(text, valueOf(rest, '--kind')));
    case 'parts': {
      const kind = valueOf(rest, '--kind');
      return done(
        `${JSON.stringify(kind === undefined ? CATALOGUE : CATALOGUE.filter((p) => p.kind === kind), null, 1)}\n`,
      );
    }
    case 'proof':
      return proof(flags.has('--json'));
    case undefined:
    case 'help':
    case '--help':
      return done(HELP);
    default:
      return failed(`There is no command "${command}".\n\n${HELP}`, 2);
  }
}

function readInput(file: string): string {
  return readFileSync(file === '-' ? 0 : file, 'utf8');
}

function demo(name: string | undefined): Ran {
  if (name === undefined) return done(DEMO_BUILDS.map((d) => `${d.name}\t${d.about}\n`).join(''));
  const design = demoDesign(name);
  return design
    ? done(designToText(design))
    : failed(
        `There is no demo build "${name}"; known: ${DEMO_BUILDS.map((d) => d.name).join(', ')}.`,
      );
}

const valueOf = (args: readonly string[], flag: string): string | undefined =>
  args.includes(flag) ? (args[args.indexOf(flag) + 1] ?? '') : undefined;

function inp(design: Design, only: string | undefined): Ran {
  if (only !== undefined && !design.loops.some((l) => l.id === only))
    return failed(
      `There is no loop "${only}" in this build; known: ${design.loops.map((l) => l.id).join(', ') || 'none'}.`,
    );
  const { system, reports } = analyse(design);
  const loops = inpLoops(system, reports.runs, reports.flow, only);
  return loops.length > 0
    ? done(writeInp(design.name, loops))
    : failed('This build has no connected loop to write.');
}

/** Flows in L/min and heads in metres over the reservoir, by the names in the file. */
function solve(file: string | undefined, read: (file: string) => string): Ran {
  return withText(file, read, (text) => {
    try {
      const loops = readInp(text).map(({ id, network }) => {
        const { status, iterations, residual, flows, pressures } = solveNetwork(network);
        return {
          id,
          status,
          iterations,
          residual,
          flows_Lmin: Object.fromEntries(flows),
          heads_m: Object.fromEntries(
            [...pressures].map(([node, kPa]) => [
              node,
              pressureToHead(kPa, network.fluid.density_kgm3),
            ]),
          ),
        };
      });
      return done(`${JSON.stringify({ loops }, null, 1)}\n`);
    } catch (error) {
      if (error instanceof InpError) return failed(`${file ?? ''}: ${error.message}`);
      throw error;
    }
  });
}

function withText(
  file: string | undefined,
  read: (file: string) => string,
  work: (text: string) => Ran,
): Ran {
  if (file === undefined) return failed('Name a file, or - for standard input.', 2);
  let text: string;
  try {
    text = read(file);
  } catch (error) {
    return failed(
      `${file}: ${(error as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : 'cannot be read'}`,
    );
  }
  return work(text);
}

type WithBuild = (file: string | undefined, work: (design: Design) => Ran) => Ran;

function readBuild(
  file: string | undefined,
  read: (file: string) => string,
  work: (design: Design) => Ran,
): Ran {
  return withText(file, read, (text) => {
    const parsed = parseDesign(text);
    return parsed.ok
      ? work(parsed.value)
      : failed(parsed.troubles.map((t) => `${t.path || '(document)'}: ${t.message}`).join('\n'));
  });
}

/** Longest that routing may take, and how often it says how far it is, ms. */
const ROUTE_MS = 120_000;
const TELL_MS = 500;

/**
 * The build with everything routed that was not, or no longer is. What does not come to an end in
 * time stays an estimate.
 */
function routed(design: Design): Design {
  const began = Date.now();
  let reported = began;
  const edit = rerouteEdit(design, (done, of) => {
    const now = Date.now();
    if (now - reported > TELL_MS) {
      reported = now;
      process.stderr.write(`routing: ${done} of ${of} runs\n`);
    }
    return now - began < ROUTE_MS;
  });
  return edit ? applyEdit(design, edit).design : design;
}

function proof(json: boolean): Ran {
  const rows = proofRows();
  const bad = rows.filter((r) => !r.ok).length;
  if (json) return { ...done(`${JSON.stringify(rows, null, 1)}\n`), code: bad > 0 ? 1 : 0 };
  const lines = rows.map(
    (r) =>
      `${r.ok ? 'ok  ' : 'FAIL'} ${r.id.padEnd(34)} ${r.quantity}: expected ${r.expected} ${r.unit}, got ${Number(r.got.toPrecision(8))}, off ${r.measure === 'relative' ? `${(100 * r.deviation).toFixed(4)} %` : r.deviation.toPrecision(3)} (${r.measure === 'relative' ? `${100 * r.tolerance} %` : r.tolerance} allowed) [${r.source}]`,
  );
  return {
    code: bad > 0 ? 1 : 0,
    out: `${lines.join('\n')}\n${rows.length - bad} of ${rows.length} hold\n`,
    err: '',
  };
}

function transient(design: Design, args: readonly string[]): Ran {
  const cases: readonly string[] = [...LOAD_CASES, 'custom'];
  // The names of before version 3 are understood as well.
  const load = loadCaseNow(valueOf(args, '--case') ?? design.brief.loadCase) as string,
    seconds = Number(valueOf(args, '--seconds') ?? 3600),
    start = valueOf(args, '--start') ?? 'cold';
  if (!cases.includes(load))
    return failed(`There is no load case "${load}"; known: ${cases.join(', ')}.`);
  if (!(seconds > 0)) return failed('--seconds wants a number above 0.');
  if (start !== 'cold' && start !== 'steady')
    return failed(`--start is cold or steady, not "${start}".`);
  const faults: Fault[] = [];
  for (const [i, word] of args.entries()) {
    if (word !== '--fault') continue;
    const fault = faultOf(args[i + 1] ?? '');
    if (!fault)
      return failed(
        `"${args[i + 1] ?? ''}" is no fault; write "pump stops@60", "fan stops@60:front-fans" or "flow sags@60:0.5". Kinds: ${FAULTS.join(', ')}.`,
      );
    faults.push(fault);
  }
  const step = valueOf(args, '--step');
  const { thermalModel, reports } = analyse(design);
  try {
    const result = runTransient(thermalModel, reports.flow, reports.runs, {
      profile: [{ load: load as LoadCaseId, seconds }],
      start,
      faults,
      ...(step === undefined ? {} : { step_s: Number(step) }),
    });
    return result ? done(transientToCsv(result)) : failed('Stopped.');
  } catch (error) {
    if (error instanceof ScenarioError) return failed(`${error.place}: ${error.message}`);
    throw error;
  }
}

/** The bends of every routed run in the order of the work, easiest run first within a loop. */
function sheetsOf(design: Design): { readonly runs: readonly object[] } {
  const {
    system,
    reports: { runs },
  } = analyse(design);
  const putIns = new Map(
    runs.map((run) => {
      const put = putInOf(run);
      return [run.id, put && { ...put, in_the_way: metOnWayIn(system, runs, run) }];
    }),
  );
  const farEnds = new Map(runs.map((run) => [run.id, farEndOf(run)]));
  const sheets = design.loops.flatMap((loop) => {
    const own = runs.filter((run) => run.loop === loop.id);
    return makingOrder(own.flatMap((run) => bendSheet(run, loop) ?? []));
  });
  return {
    runs: sheets.map((sheet) => {
      const { steps, last_mm } = bendSteps(sheet);
      return {
        id: sheet.run,
        name: sheet.name,
        loop: sheet.loop,
        radius_mm: sheet.radius_mm,
        spring_back: sheet.springBack,
        cut_mm: sheet.cut_mm,
        trim_mm: sheet.trim_mm,
        grip_mm: sheet.grip_mm,
        steps,
        last_mm,
        put_in: putIns.get(sheet.run) ?? null,
        far_end: farEnds.get(sheet.run) ?? null,
      };
    }),
  };
}

/** Steps of the work, in the builder's own order of parts where there is one. */
function workOf(design: Design): { readonly steps: readonly Step[] } {
  const { system, reports } = analyse(design);
  const { order } = design.choices.work ?? {};
  return {
    steps: assemblySteps({
      system,
      runs: reports.runs,
      bom: reports.bom,
      portFits: reports.clearance.ports,
      ...(order ? { order } : {}),
    }),
  };
}

/** What a sheet tells and leaves open, and the part it makes once nothing is open. */
function datasheet(text: string, asked: string | undefined): Ran {
  const kind =
    SHEET_KINDS.find((k) => k === asked) ?? (asked === undefined ? guessKind(text) : null);
  if (kind === null)
    return failed(
      `The sheet is of none of these, or does not say: ${SHEET_KINDS.join(', ')}. Name one with --kind.`,
    );
  const { found, asks, unread } = readSheet(text, kind);
  const told = found.map((f) => ({ ...f, text: text.slice(f.words.from, f.words.to).trim() }));
  const values = Object.fromEntries(found.map((f) => [f.field, f.value]));
  const made = asks.length === 0 ? partOfSheet(kind, 'own-sheet', values) : null;
  return done(
    `${JSON.stringify({ kind, found: told, asks, unread, part: made?.part ?? null, assumed: made?.assumed ?? [] }, null, 1)}\n`,
  );
}

/** Readings against the prediction, what is doubtful in them, and the factors they tell. */
function logOf(design: Design, text: string): Ran {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return failed('The readings are no JSON.');
  }
  const checked = validateReadings(value);
  if (!checked.ok) return failed(checked.troubles.map((t) => `${t.path}: ${t.message}`).join('\n'));
  const readings = checked.value;
  try {
    const doubts = readings.map((r) => readingDoubts(design, r));
    const told = {
      doubts,
      ...calibrate(design, readings),
      diagnosis: diagnose(design, readings),
      trends: trendsOf(design, readings),
      service: serviceDue(design, ranOn(design, readings)),
    };
    return done(`${JSON.stringify(told, null, 1)}\n`);
  } catch (error) {
    if (error instanceof RangeError) return failed(error.message);
    throw error;
  }
}

/** Bodies and ports as a stranger's geometry would want them. */
function solidsOf(design: Design): readonly object[] {
  const system = compileSystem(design);
  const placed = [...system.placed.values()];
  return [
    ...[...placed.flatMap((p) => p.solids), ...system.obstacles].map((s) =>
      s.cylinder
        ? { component: s.component, name: solidLabel(design, s), shape: 'cylinder', ...s.cylinder }
        : { component: s.component, name: solidLabel(design, s), shape: 'box', ...s.box },
    ),
    ...placed.flatMap((p) =>
      p.ports.map((q) => ({
        component: q.component,
        port: q.port.id,
        at: q.at,
        direction: q.direction,
      })),
    ),
  ];
}

/** "pump stops@60", "fan stops@60:front-fans", "flow sags@60:0.5", "room warms@0:8". */
function faultOf(word: string): Fault | null {
  const [, kind, at, tail] = /^([a-z ]+)@([\d.]+)(?::(.+))?$/.exec(word) ?? [];
  if (kind === undefined || at === undefined || !(FAULTS as readonly string[]).includes(kind))
    return null;
  if (tail === undefined) return { kind: kind as FaultKind, at_s: Number(at) };
  return Number.isFinite(Number(tail))
    ? { kind: kind as FaultKind, at_s: Number(at), amount: Number(tail) }
    : { kind: kind as FaultKind, at_s: Number(at), component: tail };
}

/** Points of a bending table at most, and a coordinate's size, mm. */
const MOST_POINTS = 500,
  FARTHEST_MM = 100_000;

/**
 * XYZ of the corners to lengths, rotations and angles: one row a bend, then the straight that is
 * left.
 */
function bend(
  file: string | undefined,
  radius: string | undefined,
  read: (file: string) => string,
): Ran {
  if (!file) return failed('Name the file with the corners: bend FILE.csv --radius R', 2);
  const r = Number(radius);
  if (radius === undefined || !Number.isFinite(r) || r < 0 || r > 1000)
    return failed('Give the bend radius in mm, 0 to 1,000: --radius 22', 2);
  let text: string;
  try {
    text = read(file);
  } catch (error) {
    return failed(`${file}: ${(error as Error).message}`);
  }
  const points: Vec[] = [];
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    const cells = line.trim() === '' ? [] : line.split(/[,;\t]/).map((c) => c.trim());
    if (cells.length === 0 || (i === 0 && cells.some((c) => /^[a-z]/i.test(c)))) continue;
    const v = cells.map(Number);
    if (v.length !== 3 || v.some((n) => !Number.isFinite(n) || Math.abs(n) > FARTHEST_MM))
      return failed(`${file}, line ${i + 1}: three numbers in mm are wanted: x,y,z`);
    if (points.length >= MOST_POINTS) return failed(`${file}: more than ${MOST_POINTS} points`);
    points.push([v[0] as number, v[1] as number, v[2] as number]);
  }
  if (points.length < 2) return failed(`${file}: a tube needs two points or more`);
  const table = bendTable(points, r),
    n = (x: number): string => String(Math.round(x * 1e6) / 1e6);
  return done(
    `bend,length_mm,rotation_deg,angle_deg\n${table.rows.map((row, i) => `${i + 1},${n(row.length_mm)},${n(row.rotation_deg)},${n(row.angle_deg)}`).join('\n')}${table.rows.length > 0 ? '\n' : ''}end,${n(table.last_mm)},,\n${table.feasible ? '' : `# a straight comes out negative: bends of ${n(r)} mm do not fit between these corners\n`}# cut ${n(table.developed_mm)} mm\n`,
  );
}
