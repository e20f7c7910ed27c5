/**
 * Gathers every message of the source into `src/messages/en.json`, makes the pseudo-language
 * en-XA of it, and names texts that a person reads but no message file has. With --check it
 * changes nothing and fails where a file is old or a text is hard-coded.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { relative } from 'node:path';
import ts from 'typescript';
import { findTexts } from './messages/find';
import { gatherMessages } from './messages/gather';
import { pseudoMessage } from './messages/pseudo';
import { isHeld } from './messages/held';

const isCheck = process.argv.includes('--check');
const SOURCES = /^src\/(app|core|devices|engine|format|server|store|view)\//;
const TESTS = /\.(test|fixture)\.tsx?$/;

const config = ts.getParsedCommandLineOfConfigFile(
  'tsconfig.json',
  {},
  {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: () => undefined,
  },
) as ts.ParsedCommandLine;
const program = ts.createProgram(config.fileNames, config.options);
const checker = program.getTypeChecker();
const files = program
  .getSourceFiles()
  .map((file) => ({ file, name: relative(process.cwd(), file.fileName) }))
  .filter(({ name }) => SOURCES.test(name) && !TESTS.test(name));

const gathered = files.flatMap(({ file }) => gatherMessages(file));
const messages = [...new Set(gathered.map((g) => g.message))].sort();
const hardCoded = files
  .flatMap(({ file, name }) => findTexts(file, checker).map((t) => ({ ...t, name })))
  .filter((t) => !isHeld(t.name, t.text));

/** What begins or ends as the piece of a sentence does: no other language can put it together. */
const pieces = messages.filter((m) => /^[\s,;:.]|\s$/.test(m));

const written = (of: (message: string) => string): string =>
  `${JSON.stringify(Object.fromEntries(messages.map((m) => [m, of(m)])), null, 1)}\n`;

let old = 0;
for (const [path, text] of [
  ['src/messages/en.json', written((m) => m)],
  ['src/messages/en-XA.json', written(pseudoMessage)],
] as const) {
  const before = (() => {
    try {
      return readFileSync(path, 'utf8');
    } catch {
      return '';
    }
  })();
  if (before === text) continue;
  old++;
  if (isCheck) console.log(`${path} is old: npm run messages`);
  else writeFileSync(path, text);
}
for (const t of hardCoded)
  console.log(`${t.name}:${t.line} is read and in no message file: ${t.text.replace(/\s+/g, ' ')}`);
for (const m of pieces) console.log(`a piece of a sentence: "${m}"`);
console.log(
  `${messages.length} messages, ${hardCoded.length} texts hard-coded, ${pieces.length} pieces`,
);
process.exitCode = hardCoded.length + pieces.length > 0 || (isCheck && old > 0) ? 1 : 0;
