// The whole test: types, lint, import arrows, kept documents, unit and reference checks, the real
// interface in Chromium.
import { execFile, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureBuilt } from './built.mjs';
import { ensureChromium, HOW } from './chromium.mjs';

const env = {
  ...process.env,
  NEXT_TELEMETRY_DISABLED: '1',
  FORCE_COLOR: '0',
  npm_config_loglevel: 'error',
};
let passed = 0,
  failed = 0;
const say = (name, ok, note = '') =>
  console.log(`${ok ? 'ok  ' : 'FAIL'} ${name}${note ? `: ${note}` : ''}`);

function step(name, command, args, count) {
  const began = Date.now();
  const run = spawnSync(command, args, { env, encoding: 'utf8', maxBuffer: 64e6 });
  tell(name, run, Date.now() - began, count);
}

/** The same for steps that do not touch one another: two at a time, told in their order. */
async function beside(steps) {
  const left = [...steps];
  const told = new Map(steps.map((s) => [s, deferred()]));
  const work = async () => {
    for (let next = left.shift(); next; next = left.shift()) {
      const [, command, args] = next;
      const began = Date.now();
      const run = await new Promise((resolve) =>
        execFile(command, args, { env, encoding: 'utf8', maxBuffer: 64e6 }, (error, out, err) =>
          resolve({ status: error ? (error.code ?? 1) : 0, stdout: out, stderr: err }),
        ),
      );
      told.get(next).resolve([run, Date.now() - began]);
    }
  };
  const workers = [work(), work()];
  for (const s of steps) tell(s[0], ...(await told.get(s).promise), s[3]);
  await Promise.all(workers);
}

/** Each page whose script is held counts as one. */
function pagesHeld({ status, stdout }) {
  const pages = stdout.split('\n').filter((line) => /^\s*Size:/.test(line)).length;
  return { passed: status === 0 ? pages : 0, failed: status === 0 ? 0 : 1 };
}

function deferred() {
  let resolve;
  const promise = new Promise((r) => (resolve = r));
  return { promise, resolve };
}

function tell(name, run, took_ms, count) {
  const counted = count?.(run) ?? {
    passed: run.status === 0 ? 1 : 0,
    failed: run.status === 0 ? 0 : 1,
  };
  if (run.status !== 0 && counted.failed === 0) counted.failed = 1;
  passed += counted.passed;
  failed += counted.failed;
  say(
    name,
    run.status === 0,
    `${counted.passed} passed, ${counted.failed} failed, ${(took_ms / 1000).toFixed(1)} s`,
  );
  if (run.status !== 0) console.log(`${run.stdout}\n${run.stderr}`.slice(-12000));
}

/** Known holes in what is shipped, where a registry answers. */
function audit() {
  const run = spawnSync('npm', ['audit', '--omit=dev', '--json'], { env, encoding: 'utf8' });
  let found;
  try {
    found = JSON.parse(run.stdout).metadata?.vulnerabilities;
  } catch {
    found = undefined;
  }
  if (!found) {
    console.log('skip npm audit: no registry answers');
    return;
  }
  const grave = found.high + found.critical;
  if (grave === 0) passed += 1;
  else failed += 1;
  say('npm audit', grave === 0, JSON.stringify(found));
}

/** Every spec of a report, whatever it is nested in. */
const specsOf = (suites) => suites.flatMap((s) => [...(s.specs ?? []), ...specsOf(s.suites ?? [])]);

/** Names the tests of one suite that failed, or the suite that did not run at all. */
function sayFailed(suite) {
  const where = suite.name.replace(`${process.cwd()}/`, '');
  const tests = suite.assertionResults.filter((t) => t.status === 'failed');
  for (const test of tests)
    say(`unit: ${where}: ${test.fullName}`, false, test.failureMessages.join('\n').slice(0, 1500));
  if (suite.status === 'failed' && tests.length === 0)
    say(`unit: ${where}`, false, String(suite.message).slice(0, 1500));
}

const bin = (name) => `node_modules/.bin/${name}`;
try {
  ensureBuilt();
  passed += 1;
  say('build', true);
} catch (error) {
  failed += 1;
  say('build', false, String(error.stdout ?? error).slice(-3000));
}
await beside([
  ['how to add, on a copy', bin('tsx'), ['scripts/adding.ts']],
  ['format', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
  ['types', bin('tsc'), ['--noEmit']],
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  [
    'arrows',
    bin('depcruise'),
    ['src', 'reference', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'],
  ],
  ['kept documents', bin('tsx'), ['scripts/docs.ts', '--check']],
  ['message files', bin('tsx'), ['scripts/messages.ts', '--check']],
  ['first-load script', bin('size-limit'), [], pagesHeld],
]);
// The rooms that only compute take both cores; those that ask pools and servers leave them one.
const ASKS = 'src/(server|store|cli|engine|devices)/';
mkdirSync('coverage', { recursive: true });
const units = (name, args) => {
  const file = `coverage/${name.replaceAll(' ', '-')}.json`;
  rmSync(file, { force: true });
  step(name, bin('jest'), ['--json', `--outputFile=${file}`, ...args], () => {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    for (const suite of report.testResults) sayFailed(suite);
    return {
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
    };
  });
};
units('unit and reference', ['--maxWorkers=2', '--testPathIgnorePatterns', ASKS, '/node_modules/']);
units('unit servers', ['--maxWorkers=1', '--testPathPatterns', ASKS]);
audit();
step('terminal proof', bin('tsx'), ['src/cli/index.ts', 'proof']);
if (ensureChromium()) {
  step('interface', bin('playwright'), ['test', '--reporter=json'], (run) => {
    try {
      const { stats, errors, suites } = JSON.parse(run.stdout);
      for (const spec of specsOf(suites))
        if (!spec.ok)
          say(
            `interface: ${spec.file}: ${spec.title}`,
            false,
            String(spec.tests[0]?.results.at(-1)?.error?.message ?? '').slice(0, 1500),
          );
      return {
        passed: stats.expected + stats.flaky,
        failed: stats.unexpected + (errors?.length ?? 0),
      };
    } catch {
      return { passed: 0, failed: 1 };
    }
  });
} else {
  failed += 1;
  say('interface', false, HOW);
}

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
