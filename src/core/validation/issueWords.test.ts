import { describe, expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import { designSchema } from '../design/schema';
import { issueWords } from './issueWords';

const AS_VALIDATED = {
  convert: false,
  errors: { wrap: { label: false as const } },
  abortEarly: false,
};
const WRONG: readonly unknown[] = [
  null,
  -1e9,
  1e9,
  0.5,
  '',
  'x'.repeat(5000),
  'a\u0001',
  {},
  [],
  true,
  [1, 1, 1, 1, 1, 1, 1, 1, 1],
  NaN,
  Infinity,
  undefined,
];

type Tree = Record<string, unknown>;

/** What the schema says where each field of a piece in turn has each wrong value. */
function saidOf(root: Tree, piece: Tree) {
  return Object.keys(piece).flatMap((key) =>
    WRONG.flatMap((wrong) => {
      const right = piece[key];
      piece[key] = wrong;
      const { error } = designSchema.validate(root, AS_VALIDATED);
      piece[key] = right;
      return error?.details ?? [];
    }),
  );
}

describe('words of a rule that is broken', () => {
  // Reference: the schema library's own English, rule by rule.
  test('are in English what the schema library says, for every field of a build', () => {
    const root = JSON.parse(JSON.stringify(demoDesign('dawn-chorus-desk'))) as Tree;
    const parts = root.components as { part: Tree }[],
      loops = root.loops as { connections: Tree[] }[];
    const pieces = [
      root,
      root.brief,
      root.kit,
      parts[0],
      parts[0]?.part,
      parts.find((c) => c.part.kind === 'radiator')?.part,
      loops[0],
      loops[0]?.connections[0],
    ] as Tree[];
    const said = pieces.flatMap((piece) => saidOf(root, piece));
    expect(new Set(said.map((d) => d.type)).size).toBeGreaterThan(14);
    const unlike = said.filter((d) => issueWords(d) !== d.message.slice(0, 240));
    expect(unlike.map((d) => `${d.message.slice(0, 120)} | ${issueWords(d)}`)).toEqual([]);
  });
});
