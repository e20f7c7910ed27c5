/**
 * Writes what docs say of the code, from the code: JSON Schemas, the list of findings. With --check
 * it only compares.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import parse from 'joi-to-json';
import { BUILD_VERSION } from '../src/core/design';
import { designSchema } from '../src/core/design/schema';
import { PART_SCHEMAS } from '../src/core/components/schema';
import { CHECKS } from '../src/core/checks';
import { GLOSSARY } from '../src/core/glossary';
import { flowPicture } from '../src/core/analysis/picture';

const toJsonSchema = ((parse as unknown as { default?: typeof parse }).default ?? parse) as (
  schema: unknown,
  type: string,
) => Record<string, unknown>;
const DRAFT = 'json-draft-2019-09';

/**
 * Keys that Joi knows by a pattern come as properties named "/pattern/": JSON Schema has a word of
 * its own for them.
 */
function withPatterns(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(withPatterns);
  if (typeof node !== 'object' || node === null) return node;
  const entries = Object.entries(node).map(([k, v]) => [k, withPatterns(v)] as const);
  const { properties, ...rest } = Object.fromEntries(entries) as {
    properties?: Record<string, unknown>;
  };
  if (typeof properties !== 'object') return rest;
  const isPattern = ([key]: [string, unknown]): boolean => /^\/.+\/$/.test(key);
  const all = Object.entries(properties);
  const patterns = all.filter(isPattern).map(([key, v]) => [key.slice(1, -1), v] as const);
  const plain = Object.fromEntries(all.filter((e) => !isPattern(e)));
  if (patterns.length === 0) return { ...rest, properties };
  return { ...rest, properties: plain, patternProperties: Object.fromEntries(patterns) };
}

const design = {
  $schema: 'https://json-schema.org/draft/2019-09/schema',
  $id: 'zephyron-build.schema.json',
  title: `Zephyron build document, version ${BUILD_VERSION}`,
  ...(withPatterns(toJsonSchema(designSchema, DRAFT)) as object),
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

Every check says the same kind of thing: a code, how bad it is, what it is about, a title and detail with the numbers, the limit and its source, and fixes that can be applied with one click. A fix is offered only when a whole analysis of the changed build finds the trouble gone and no kind of finding worse. Codes are stable. This page is written from the rules themselves (\`npm run docs\`).

| code | stage | worst | what it means and what to do | limit from |
|---|---|---|---|---|
${CHECKS.map((r) => `| \`${r.code}\` | ${r.stage} | ${r.severity} | ${r.meaning} | ${r.source} |`).join('\n')}

"fails" is drawn as an open square with a bar, "marginal" as a half disc, "note" as a small i; a stage without any is OK, a filled disc, and one that could not be checked a ring.
`;

const glossary = `# Glossary

The terms of the app, as its help (\`?\`) explains them. Written from \`src/core/glossary.ts\` by \`npm run docs\`.

| term | unit | what it means here |
|---|---|---|
${GLOSSARY.map((t) => `| ${t.term} | ${t.unit ?? ''} | ${t.means} |`).join('\n')}
`;

/** The page with the picture of the flow as the selectors draw it. */
const architecture = readFileSync('docs/architecture.md', 'utf8').replace(
  /```\n(?:given|input) [\s\S]*?\n```/,
  () => `\`\`\`\n${flowPicture()}\n\`\`\``,
);

const wanted: readonly (readonly [string, string])[] = [
  ['docs/format/build.schema.json', `${JSON.stringify(design, null, 1)}\n`],
  ['docs/format/part.schema.json', `${JSON.stringify(part, null, 1)}\n`],
  ['docs/findings.md', findings],
  ['docs/architecture.md', architecture],
  ['docs/glossary.md', glossary],
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
