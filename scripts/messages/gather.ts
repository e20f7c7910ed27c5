import ts from 'typescript';
import { counted, messageOf, wholeParts } from '../../src/core/messages';

/** A message of the source, as the message files name it. */
export interface Gathered {
  readonly message: string;
  readonly file: string;
  readonly line: number;
}

/** A message that cannot be gathered: its words are not all written in the template. */
export class MessageError extends Error {
  override name = 'MessageError';
}

/** Plain texts, and texts with elements in them. */
const TAGS = new Set(['msg', 'rich']);

const isTagged = (node: ts.Node, file: ts.SourceFile): node is ts.TaggedTemplateExpression =>
  ts.isTaggedTemplateExpression(node) && TAGS.has(node.tag.getText(file));

const isCall = (node: ts.Expression, name: string): node is ts.CallExpression =>
  ts.isCallExpression(node) && ts.isIdentifier(node.expression) && node.expression.text === name;

const formOf = (node: ts.Expression | undefined): string | null =>
  node && ts.isStringLiteralLike(node) ? node.text : null;

/** What may stand at a value's place: one thing, or the counts of a choice between counts. */
function valuesOf(node: ts.Expression, at: string): readonly unknown[] {
  if (ts.isParenthesizedExpression(node)) return valuesOf(node.expression, at);
  if (ts.isConditionalExpression(node) && isCall(node.whenTrue, 'counted'))
    return [...valuesOf(node.whenTrue, at), ...valuesOf(node.whenFalse, at)];
  if (!isCall(node, 'counted')) return [null];
  const [one, other] = [formOf(node.arguments[1]), formOf(node.arguments[2])];
  if (one === null || other === null)
    throw new MessageError(`${at}: the forms of counted() must be written out.`);
  return [counted(0, one, other)];
}

/** Every combination of what may stand at each place. */
const combinations = (places: readonly (readonly unknown[])[]): unknown[][] =>
  places.reduce<unknown[][]>(
    (all, values) => all.flatMap((row) => values.map((v) => [...row, v])),
    [[]],
  );

/** The messages of one file, in the order of its lines. */
export function gatherMessages(file: ts.SourceFile): Gathered[] {
  const found: Gathered[] = [];
  const visit = (node: ts.Node): void => {
    if (isTagged(node, file)) {
      const line = file.getLineAndCharacterOfPosition(node.getStart(file)).line + 1;
      const { template } = node;
      const parts = ts.isTemplateExpression(template)
        ? [template.head.text, ...template.templateSpans.map((s) => s.literal.text)]
        : [template.text];
      const places = ts.isTemplateExpression(template)
        ? template.templateSpans.map((s) => valuesOf(s.expression, `${file.fileName}:${line}`))
        : [];
      for (const values of combinations(places))
        found.push({ message: messageOf(wholeParts(parts), values), file: file.fileName, line });
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}
