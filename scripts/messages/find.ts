import ts from 'typescript';

/** Where a text was found and what stands around it. */
export interface FoundText {
  readonly node:
    ts.StringLiteral | ts.NoSubstitutionTemplateLiteral | ts.TemplateExpression | ts.JsxText;
  readonly file: string;
  readonly line: number;
  readonly text: string;
  /** Made when the module loads, before anybody has chosen a language. */
  readonly isOnLoad: boolean;
}

const NOT_READ_ATTRIBUTES = new Set(
  (
    'className style sx d transform points viewBox key id href src type role rel target htmlFor name value ' +
    'fill stroke strokeDasharray strokeLinecap strokeLinejoin textAnchor dominantBaseline fontFamily ' +
    'fontWeight variant color size component orientation dataKey stackId method encType accept lang ' +
    'inputMode autoComplete pattern anchor severity direction position layout edge as to testid ' +
    'transition gap width height margin padding align justify wrap preserveAspectRatio axis yAxisId'
  ).split(' '),
);

const NOT_READ_CALLS = new Set(
  (
    'includes startsWith endsWith indexOf lastIndexOf split replace replaceAll match matchAll test has get ' +
    'delete querySelector querySelectorAll closest addEventListener removeEventListener getItem setItem ' +
    'removeItem createElement createElementNS getContext setAttribute getAttribute removeAttribute ' +
    'matchMedia dispatchEvent padStart padEnd require fetch Symbol RegExp varOf getPropertyValue ' +
    'setProperty toDataURL toBlob glyph postMessage getElementById execute sql index uniqueIndex text integer ' +
    'encode createObjectURL describe toLocaleString searchParams append pragma'
  ).split(' '),
);

const NOT_READ_PROPERTIES = new Set(
  (
    'source sources className href id key kind type font fontFamily fill stroke color background border ' +
    'transition transform boxShadow gridTemplateColumns gridArea gridTemplateAreas display cursor overflow ' +
    'position outline textDecoration content do unit filename file path pattern accept mime extension ' +
    'Content-Type content-type userSelect lineHeight letterSpacing fontFeatureSettings inset margin ' +
    'padding borderTop borderBottom borderLeft borderRight clipPath animation willChange'
  ).split(' '),
);

const READ_PROPERTIES = new Set(
  (
    'label title text name note help hint words meaning detail why reason does says caption heading message ' +
    'describe description what how aria-label placeholder headline verb noun one many short long plural line'
  ).split(' '),
);

const ALWAYS_READ = new Set(
  'label title text words hint note caption heading headline term means'.split(' '),
);

const READ_FUNCTION =
  /words|label|text|title|say|phrase|describe|sentence|headline|caption|reason|note|meaning|names?$/i;

const KEYS = new Set(
  (
    'Escape Enter Tab Backspace Delete Home End PageUp PageDown ArrowUp ArrowDown ArrowLeft ArrowRight ' +
    'Space Shift Control Alt Meta'
  ).split(' '),
);

const lettersOf = (text: string): string => text.replace(/[^\p{L}]+/gu, '');

/** The literal's text with `{}` where values stand. */
export function textOf(node: FoundText['node']): string {
  if (!ts.isTemplateExpression(node)) return node.text;
  return node.head.text + node.templateSpans.map((s) => `{}${s.literal.text}`).join('');
}

const STYLE =
  /^(-?[\d.]+(px|rem|em|%|vh|vw|deg|s|ms)\b)|^[\d.\s,-]+$|var\(|calc\(|rgba?\(|^[#.@/]|^\.{1,2}\/|:\/\/|^data:|^(image|text|application|font|model)\/|url\(|=>|^[MmLl]-?[\d{]|^(translate|rotate|scale|matrix)\(|^min\(|^max\(|^repeat\(|^minmax\(/;

const MARKUP = /^(\{\})?<\w/;

const looksLikeName = (text: string): boolean =>
  /^[a-z][\w.]*(?:[-_:/.|][\w{}.]+)*[-_:/.]?$/.test(text) ||
  /^[A-Z0-9_]+$/.test(text) ||
  /^[\w{}-]+\.[a-z0-9]{2,5}$/.test(text);

function ancestor(
  node: ts.Node,
  is: (n: ts.Node) => boolean,
  stop: (n: ts.Node) => boolean = () => false,
) {
  for (let n = node.parent; n && !ts.isSourceFile(n); n = n.parent) {
    if (is(n)) return n;
    if (stop(n)) return undefined;
  }
  return undefined;
}

const isFunction = (n: ts.Node): boolean =>
  ts.isFunctionLike(n) && !ts.isFunctionTypeNode(n) && !ts.isMethodSignature(n);

const nameOf = (n: ts.PropertyName | ts.JsxAttributeName): string =>
  !ts.isJsxNamespacedName(n) && 'text' in n ? n.text : n.getText();

/** The identifier that is called, last part only: `a.b.c('x')` gives "c". */
function calledName(call: ts.CallExpression | ts.NewExpression): string {
  const e = call.expression;
  if (ts.isPropertyAccessExpression(e)) return e.name.text;
  return ts.isIdentifier(e) ? e.text : '';
}

/** Climbs through brackets, conditions and ?? to what the literal's value is given to. */
function outer(node: ts.Node): ts.Node {
  let n = node;
  for (;;) {
    const p = n.parent;
    if (
      ts.isParenthesizedExpression(p) ||
      ts.isAsExpression(p) ||
      ts.isSatisfiesExpression(p) ||
      ts.isSpreadElement(p) ||
      (ts.isConditionalExpression(p) && p.condition !== n) ||
      (ts.isBinaryExpression(p) &&
        [
          ts.SyntaxKind.QuestionQuestionToken,
          ts.SyntaxKind.BarBarToken,
          ts.SyntaxKind.AmpersandAmpersandToken,
          ts.SyntaxKind.PlusToken,
        ].includes(p.operatorToken.kind))
    ) {
      n = p;
      continue;
    }
    return n;
  }
}

const COMPARES = new Set([
  ts.SyntaxKind.EqualsEqualsEqualsToken,
  ts.SyntaxKind.ExclamationEqualsEqualsToken,
  ts.SyntaxKind.InKeyword,
]);

/** Whether the literal's place asks for one of a few names, as `'open' | 'closed'` does. */
function isOneOfNames(node: ts.Expression, checker: ts.TypeChecker): boolean {
  const type = checker.getContextualType(node);
  if (!type) return false;
  const parts = type.isUnion() ? type.types : [type];
  const names = parts.filter(
    (t) =>
      t.flags &
      (ts.TypeFlags.StringLiteral | ts.TypeFlags.TemplateLiteral | ts.TypeFlags.EnumLiteral),
  );
  const isPlain = parts.some((t) => t.flags & ts.TypeFlags.String);
  return names.length > 0 && !isPlain;
}

function isPlainString(node: ts.Expression, checker: ts.TypeChecker): boolean {
  const type = checker.getContextualType(node);
  if (!type) return false;
  const parts = type.isUnion() ? type.types : [type];
  return parts.some((t) => t.flags & ts.TypeFlags.String);
}

function hasWords(text: string): boolean {
  const plain = text.replace(/\{\}/g, ' {} ');
  return /\p{L}{2,}/u.test(plain);
}

/** A small word in a table of texts, others of which are messages. */
function isAmongMessages(property: ts.PropertyAssignment): boolean {
  const table = property.parent.properties.filter(ts.isPropertyAssignment);
  const isEntry = table.some((p) => ALWAYS_READ.has(nameOf(p.name)));
  const isMessage = (p: ts.PropertyAssignment): boolean =>
    ts.isTaggedTemplateExpression(p.initializer);
  return (
    !isEntry &&
    table.some(isMessage) &&
    table.every((p) => isMessage(p) || ts.isStringLiteralLike(p.initializer))
  );
}

/** Whether a person reads this literal. */
export function isRead(node: FoundText['node'], checker: ts.TypeChecker): boolean {
  const text = textOf(node);
  if (!hasWords(text)) return false;
  if (ts.isJsxText(node)) return true;
  const parent = node.parent;
  if (
    ts.isImportDeclaration(parent) ||
    ts.isExportDeclaration(parent) ||
    ts.isLiteralTypeNode(parent)
  )
    return false;
  if (
    ts.isExternalModuleReference(parent) ||
    ts.isModuleDeclaration(parent) ||
    ts.isEnumMember(parent)
  )
    return false;
  if (ts.isExpressionStatement(parent)) return false;
  if (ts.isTaggedTemplateExpression(parent)) return false;
  if (
    ancestor(
      node,
      (n) => ts.isCallExpression(n) && ['counted', 'plural'].includes(calledName(n)),
      (n) => isFunction(n) || ts.isTemplateExpression(n),
    )
  )
    return false;
  if (
    ancestor(
      node,
      (n) => ts.isTypeNode(n) || ts.isTypeAliasDeclaration(n) || ts.isInterfaceDeclaration(n),
    )
  )
    return false;
  if ((ts.isPropertyAssignment(parent) || ts.isPropertySignature(parent)) && parent.name === node)
    return false;
  if (ts.isComputedPropertyName(parent)) return false;

  const at = outer(node);
  const up = at.parent;
  if (ts.isElementAccessExpression(up) && up.argumentExpression === at) return false;
  if (ts.isBinaryExpression(up) && COMPARES.has(up.operatorToken.kind)) return false;
  if (ts.isCaseClause(up)) return false;
  if (
    (ts.isCallExpression(up) || ts.isNewExpression(up)) &&
    (up.arguments as ts.NodeArray<ts.Node> | undefined)?.includes(at)
  ) {
    const name = calledName(up);
    if (NOT_READ_CALLS.has(name)) return false;
    if (
      ts.isNewExpression(up) &&
      ['Set', 'Map', 'Worker', 'URL', 'CustomEvent', 'Intl'].includes(name)
    )
      return false;
    if (ts.isNewExpression(up) && name === 'Error') return false;
    if (
      ts.isPropertyAccessExpression(up.expression) &&
      up.expression.expression.getText() === 'console'
    )
      return false;
  }
  const attribute = ancestor(
    node,
    ts.isJsxAttribute,
    (n) => isFunction(n) || ts.isJsxElement(n),
  ) as ts.JsxAttribute | undefined;
  if (attribute) {
    const name = nameOf(attribute.name);
    const isTitle = name === 'name' && /^\p{Lu}\p{Ll}+ /u.test(text);
    if ((NOT_READ_ATTRIBUTES.has(name) && !isTitle) || name.startsWith('data-')) return false;
    if (
      name.startsWith('aria-') &&
      !['aria-label', 'aria-description', 'aria-valuetext', 'aria-roledescription'].includes(name)
    )
      return false;
  }
  const property = ts.isPropertyAssignment(up) && up.initializer === at ? nameOf(up.name) : null;
  if (property !== null && NOT_READ_PROPERTIES.has(property)) return false;
  if (
    ancestor(
      node,
      (n) => ts.isPropertyAssignment(n) && ['source', 'sources'].includes(nameOf(n.name)),
      isFunction,
    )
  )
    return false;

  if (isOneOfNames(node, checker)) return false;
  if (STYLE.test(text) || MARKUP.test(text) || KEYS.has(text)) return false;
  if (lettersOf(text).length < 2) return false;

  const trimmed = text.trim();
  const isSentence = /\p{L}{2,}[^\p{L}]*\s+.*\p{L}|\p{L}.*\s.*\p{L}{2,}/u.test(trimmed);
  if (isSentence) return true;
  const isCapital = /^\p{Lu}\p{Ll}/u.test(trimmed);
  if (isCapital && !looksLikeName(trimmed)) return true;
  // "{} bends", ", {} of {}", ": agrees": a word with a space beside it.
  if (/\p{L}{3,}[,.:;]?\s|\s[(“]?\p{L}{3,}/u.test(text)) return true;
  if (ts.isTemplateExpression(node)) return false;
  // One small word: only where a person reads it.
  if (property !== null && ALWAYS_READ.has(property)) return true;
  if (property !== null && READ_PROPERTIES.has(property)) return isPlainString(node, checker);
  if (
    attribute &&
    (up === attribute || (ts.isJsxExpression(up) && up.parent === attribute)) &&
    isPlainString(node, checker)
  ) {
    const name = nameOf(attribute.name);
    return [
      'aria-label',
      'label',
      'title',
      'placeholder',
      'aria-valuetext',
      'caption',
      'text',
      'one',
      'word',
      'unitWord',
    ].includes(name);
  }
  if (ts.isJsxExpression(up) && !ts.isJsxAttribute(up.parent)) return true;
  const fn = ancestor(node, isFunction);
  if (fn && (ts.isReturnStatement(up) || up === fn || ts.isConditionalExpression(up))) {
    const own = (fn as ts.FunctionDeclaration).name,
      held = ts.isVariableDeclaration(fn.parent) ? fn.parent.name : undefined;
    const named = own ?? held;
    if (named && READ_FUNCTION.test(named.getText()) && isPlainString(node, checker)) return true;
  }
  if (ts.isTemplateSpan(up)) return isReadTemplate(up.parent, checker);
  if (ts.isPropertyAssignment(up) && isAmongMessages(up)) return true;
  if (ts.isPropertyAssignment(up)) {
    const table = ancestor(node, ts.isVariableDeclaration) as ts.VariableDeclaration | undefined;
    if (table && READ_FUNCTION.test(table.name.getText())) return true;
  }
  return false;
}

const isReadTemplate = (node: ts.TemplateExpression, checker: ts.TypeChecker): boolean => {
  if (ts.isTaggedTemplateExpression(node.parent)) return true;
  return isRead(node, checker);
};

/** Every text of a file that a person reads and that is not in the message files. */
export function findTexts(file: ts.SourceFile, checker: ts.TypeChecker): FoundText[] {
  const found: FoundText[] = [];
  const visit = (node: ts.Node): void => {
    if (
      (ts.isStringLiteral(node) ||
        ts.isNoSubstitutionTemplateLiteral(node) ||
        ts.isTemplateExpression(node) ||
        ts.isJsxText(node)) &&
      isRead(node, checker)
    ) {
      found.push({
        node,
        file: file.fileName,
        line: file.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        text: textOf(node),
        isOnLoad: !ancestor(node, isFunction),
      });
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}
