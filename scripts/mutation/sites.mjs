// Places in a source file where a small fault can be put in, found on its syntax tree.
import ts from 'typescript';

const SWAPS = new Map([
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.AsteriskAsteriskToken, '*'],
  [ts.SyntaxKind.LessThanToken, '>='],
  [ts.SyntaxKind.LessThanEqualsToken, '>'],
  [ts.SyntaxKind.GreaterThanToken, '<='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '<'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
]);
const CALLS = new Map([
  ['Math.max', 'Math.min'],
  ['Math.min', 'Math.max'],
  ['Math.abs', '-Math.abs'],
]);
/** A number is made wrong by this share. */
const OFF = 1.1;

const inType = (node) => {
  for (let n = node.parent; n; n = n.parent) {
    if (ts.isTypeNode(n) || ts.isInterfaceDeclaration(n) || ts.isTypeAliasDeclaration(n))
      return true;
    if (ts.isStatement(n)) return false;
  }
  return false;
};
/** Indices and counts of steps are shapes of the code, not figures of the field. */
const isIndex = (node) =>
  ts.isElementAccessExpression(node.parent) ||
  (ts.isCallExpression(node.parent) &&
    /\.(slice|at|subarray|fill|toFixed|padEnd|charAt|substring)$/.test(
      node.parent.expression.getText(),
    ));

/** What stands in for a value that is never missing. */
const isFallback = (node) =>
  ts.isBinaryExpression(node.parent) &&
  node.parent.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken &&
  node.parent.right === node;

/** @returns {{ start: number, end: number, to: string, what: string, line: number }[]} */
export function sitesOf(name, text) {
  const source = ts.createSourceFile(name, text, ts.ScriptTarget.Latest, true);
  const sites = [];
  const add = (node, to, what) => {
    const start = node.getStart(source);
    sites.push({
      start,
      end: node.getEnd(),
      to,
      what,
      line: source.getLineAndCharacterOfPosition(start).line + 1,
    });
  };
  const visit = (node) => {
    if (ts.isNumericLiteral(node) && !inType(node) && !isIndex(node) && !isFallback(node)) {
      const value = Number(node.text.replaceAll('_', ''));
      const inLoop =
        ts.isVariableDeclaration(node.parent) && ts.isForStatement(node.parent.parent?.parent);
      if (!inLoop)
        add(
          node,
          value === 0 ? '1' : String(value * OFF),
          `${node.text} → ${value === 0 ? 1 : `× ${OFF}`}`,
        );
    }
    if (ts.isBinaryExpression(node) && SWAPS.has(node.operatorToken.kind)) {
      const { operatorToken } = node;
      const to = SWAPS.get(operatorToken.kind);
      const text = `${node.left.getText()}${node.right.getText()}`;
      // Words are joined by +, too.
      if (!/['"`]/.test(text)) add(operatorToken, to, `${operatorToken.getText()} → ${to}`);
    }
    if (ts.isCallExpression(node) && CALLS.has(node.expression.getText()))
      add(
        node.expression,
        CALLS.get(node.expression.getText()),
        `${node.expression.getText()} swapped`,
      );
    if (ts.isConditionalExpression(node)) {
      add(node.condition, 'true', 'condition → true');
      add(node.condition, 'false', 'condition → false');
    }
    if (ts.isIfStatement(node)) add(node.expression, 'false', 'if → never');
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken)
      if (!inType(node)) add(node, node.operand.getText(), 'sign dropped');
    ts.forEachChild(node, visit);
  };
  visit(source);
  return sites;
}
