/** Speed as ratios in one run, never as a timed test: medians side by side on the machine at hand. */
import { cpus } from 'node:os';
import { Bench } from 'tinybench';
import { CATALOGUE, DEMO_BUILDS, demoBuild } from '../src/catalogue';
import { applyEdit, type Build } from '../src/core/build';
import { evaluate, workOut } from '../src/core/evaluate';
import { measureGaps } from '../src/core/fit';
import { solveFlow, solveNetwork, type LinkLaw } from '../src/core/flow';
import { coolingCurves, crossflowApproximation, crossflowEffectiveness, solveHeat } from '../src/core/heat';
import { parseBuild } from '../src/core/guard';
import { resolve } from '../src/core/model';

const tower = demoBuild('fenland-flood-tower') as Build;
const text = JSON.stringify(tower);
const w = workOut(tower);
const temperatures = new Map(w.reports.flow.loops.map((l) => [l.id, l.coolant_C]));

/** A ladder of parallel branches: a network larger than any loop a builder makes. */
function ladder(rungs: number): LinkLaw[] {
  const part = (id: string, from: string, to: string, b: number): LinkLaw => ({ id, from, to, drop: (q) => 0.1 * q + b * q * Math.abs(q), slope: (q) => 0.1 + 2 * b * Math.abs(q) });
  const links: LinkLaw[] = [{ id: 'pump', from: 'a0', to: 'b0', drop: (q) => -(60 - 0.2 * q * Math.abs(q)), slope: (q) => 1e-3 + 0.4 * Math.abs(q) }];
  for (let i = 0; i < rungs; i += 1) links.push(part(`r${i}`, `b${i}`, `a${i}`, 1 + (i % 3)), part(`f${i}`, `b${i}`, `b${i + 1}`, 0.1), part(`e${i}`, `a${i + 1}`, `a${i}`, 0.1));
  links.push(part('last', `b${rungs}`, `a${rungs}`, 1));
  return links;
}
const big = ladder(66);

/** Kept so that no loop is optimised away. */
let sink = 0;

const bench = new Bench({ time: 600, warmupTime: 300 });
bench
  .add('evaluate, largest demo (limit of the issue: 10 ms)', () => { evaluate(tower); })
  .add('evaluate with fixes offered, planetarium', () => { evaluate(demoBuild('pocket-planetarium') as Build, { offer: CATALOGUE }); })
  .add('  of it: place and connect', () => { resolve(tower); })
  .add('  of it: all gaps', () => { measureGaps(w.model); })
  .add('  of it: flow of both loops', () => { solveFlow(w.model, w.reports.runs, temperatures); })
  .add('  of it: heat of one load case', () => { solveHeat(w.setup, w.reports.flow, 'render'); })
  .add('one edit applied', () => { applyEdit(tower, { do: 'fans.speed', speed_rpm: 1200 }); })
  .add('guard of the whole document', () => { parseBuild(text); })
  .add('rise against noise, 5 curves × 25 speeds', () => { coolingCurves(w.setup, w.reports.flow, 'render', 24); })
  .add('network of 200 links', () => { solveNetwork(big, ['a0']); })
  .add('effectiveness, exact series × 1,000', () => { for (let i = 0; i < 1000; i += 1) sink += crossflowEffectiveness(0.2 + i / 300, 0.3); })
  .add('effectiveness, approximate formula × 1,000', () => { for (let i = 0; i < 1000; i += 1) sink += crossflowApproximation(0.2 + i / 300, 0.3); });
await bench.run();

if (!Number.isFinite(sink)) throw new Error('the bench computed nonsense');

const median = (name: string): number => { const r = bench.tasks.find((t) => t.name === name)?.result as { latency?: { p50?: number } } | undefined; return r?.latency?.p50 ?? NaN; };
const whole = median(bench.tasks[0]?.name ?? '');
console.log(`${cpus()[0]?.model.trim() ?? 'unknown processor'}, ${cpus().length} threads, Node ${process.version}, ${DEMO_BUILDS.length} demos`);
console.log(`${'task'.padEnd(56)}${'median'.padStart(12)}${'of an evaluation'.padStart(20)}`);
for (const t of bench.tasks) { const m = median(t.name); console.log(`${t.name.padEnd(56)}${`${m.toFixed(3)} ms`.padStart(12)}${`× ${(m / whole).toFixed(3)}`.padStart(20)}`); }
