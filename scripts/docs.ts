/** Writes what docs say of the code, from the code: JSON Schemas, the list of findings. With --check it only compares. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import parse from 'joi-to-json';
import { buildSchema } from '../src/core/build/schema';
import { PART_SCHEMAS } from '../src/core/part/schema';
import { RULES } from '../src/core/rule';

const toJsonSchema = ((parse as unknown as { default?: typeof parse }).default ?? parse) as (
  schema: unknown,
  type: string,
) => Record<string, unknown>;
const DRAFT = 'json-draft-2019-09';

const build = {
  $schema: 'https://json-schema.org/draft/2019-09/schema',
  $id: 'zephyron-build.schema.json',
  title: 'Zephyron build document, version 1',
  ...toJsonSchema(buildSchema, DRAFT),
};
const part = {
  $schema: 'https://json-schema.org/draft/2019-09/schema',
  $id: 'zephyron-part.schema.json',
  title: 'Zephyron part, any kind',
  oneOf: Object.values(PART_SCHEMAS).map((s) => ({
    ...toJsonSchema(s, DRAFT),
    $schema: undefined,
  })),
};

const findings = `# Findings

Every check says the same kind of thing: a code, how bad it is, what it is about, a title and detail with the numbers, the limit and its source, and fixes that can be applied with one click. Codes are stable. This page is written from the rules themselves (\`npm run docs\`).

| code | stage | worst | what it means and what to do | limit from |
|---|---|---|---|---|
${RULES.map((r) => `| \`${r.code}\` | ${r.stage} | ${r.severity} | ${r.meaning} | ${r.source} |`).join('\n')}

"fails" is drawn as an open square with a bar, "tight" as a half disc, "note" as a ring; a stage without any holds, a filled disc.
`;

const wanted: readonly (readonly [string, string])[] = [
  ['docs/format/build.schema.json', `${JSON.stringify(build, null, 1)}\n`],
  ['docs/format/part.schema.json', `${JSON.stringify(part, null, 1)}\n`],
  ['docs/findings.md', findings],
];

mkdirSync('docs/format', { recursive: true });
const read = (file: string): string => {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
};
if (process.argv.includes('--check')) {
  const old = wanted.filter(([file, text]) => read(file) !== text).map(([file]) => file);
  if (old.length > 0) {
    console.error(`Written from the code and out of date: ${old.join(', ')}. Run "npm run docs".`);
    process.exitCode = 1;
  }
} else
  for (const [file, text] of wanted) {
    writeFileSync(file, text);
    console.log(file);
  }
