/**
 * Does to a copy of the project what docs/adding.md says, and runs on it what must hold then: the
 * page cannot go stale.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

interface Block {
  readonly file: string;
  /**
   * What to do in the file: a new one, at its start or end, or at the first place where `at`
   * stands.
   */
  readonly how: 'new' | 'start' | 'end' | 'after' | 'before' | 'replace';
  readonly at: string;
  readonly text: string;
}

const page = readFileSync('docs/adding.md', 'utf8');
const fences = [...page.matchAll(/^```(\w+) ?([^\n]*)\n([\s\S]*?)^```$/gm)];

function blockOf([, , head = '', text = '']: RegExpMatchArray): Block {
  const [file = '', how = 'new', ...at] = head.split(' ');
  return {
    file,
    how: how.replace(':', '') as Block['how'],
    at: at.join(' ').replaceAll('\\n', '\n'),
    text,
  };
}

/** The text of a file with a block in it; throws where the place it names is not there. */
function withBlock(old: string, { file, how, at, text }: Block): string {
  if (how === 'new') return text;
  if (how === 'start') return text + old;
  if (how === 'end') return `${old}\n${text}`;
  const found = old.indexOf(at);
  if (at === '' || found < 0) throw new Error(`docs/adding.md: ${file} has no "${at}".`);
  if (how === 'replace') return old.replace(at, text.trimEnd());
  const lineStart = old.lastIndexOf('\n', found) + 1;
  if (how === 'before') return old.slice(0, lineStart) + text + old.slice(lineStart);
  const lineEnd = old.indexOf('\n', found + at.length) + 1;
  return old.slice(0, lineEnd) + text + old.slice(lineEnd);
}

function copyProject(): string {
  const copy = mkdtempSync(join(tmpdir(), 'adding-'));
  const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], {
    encoding: 'utf8',
  });
  for (const file of files.trim().split('\n')) {
    mkdirSync(dirname(join(copy, file)), { recursive: true });
    cpSync(file, join(copy, file));
  }
  symlinkSync(join(process.cwd(), 'node_modules'), join(copy, 'node_modules'));
  return copy;
}

function apply(copy: string): void {
  for (const fence of fences) {
    const [, language, , text = ''] = fence;
    if (language === 'sh') {
      execFileSync('sh', ['-c', text], { cwd: copy });
      continue;
    }
    const block = blockOf(fence),
      path = join(copy, block.file);
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, withBlock(block.how === 'new' ? '' : readFileSync(path, 'utf8'), block));
  }
}

/** Tests named by the page, once each. */
const tests = [
  ...new Set(
    [...page.matchAll(/^Tests: `([^`]+)`/gm)].flatMap(([, named = '']) => named.split(' ')),
  ),
];

const copy = copyProject();
let isGood = true;
const step = (name: string, command: string, args: readonly string[]): void => {
  const { status, stdout, stderr } = spawnSync(command, args, { cwd: copy, encoding: 'utf8' });
  console.log(`${status === 0 ? 'ok  ' : 'FAIL'} ${name}`);
  if (status === 0) return;
  isGood = false;
  console.log(`${stdout}\n${stderr}`.slice(-6000));
};
try {
  apply(copy);
  const bin = (name: string): string => join(copy, 'node_modules/.bin', name);
  step('types', bin('tsc'), ['--noEmit', '--incremental', 'false']);
  step('documents written from the code', bin('tsx'), ['scripts/docs.ts']);
  step(`tests of ${tests.join(', ')}`, bin('jest'), ['--silent', ...tests]);
} finally {
  rmSync(copy, { recursive: true, force: true });
}
process.exitCode = isGood ? 0 : 1;
