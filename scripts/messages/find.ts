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
    'setProperty toDataURL toBlob glyph postMessage getElementById ' +
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
  'label title text words hint note caption head heading headline term means'.split(' '),
);

const READ_FUNCTION =
  /words|label|text|title|say|phrase|describe|sentence|headline|caption|reason|note|meaning|names?$/i;

const KEYS = new Set(
  (
    'Escape Enter Tab Backspace Delete Home End PageUp PageDown ArrowUp ArrowDown ArrowLeft ArrowRight ' +
    'Space Shift Control Alt Meta'
  ).split(' '),
);

/** The literal's text with `{}` where values stand. */
export function textOf(node: FoundText['node']): string {
  if (!ts.isTemplateExpression(node)) return node.text;
  return node.head.text + node.templateSpans.map((s) => `{}${s.literal.text}`).join('');
}

const STYLE =
  /^(-?[\d.]+(px|rem|em|%|vh|vw|deg|s|ms)\b)|^[\d.\s,-]+$|var\(|calc\(|rgba?\(|^[#.@/]|^\.{1,2}\/|:\/\/|^data:|^(image|text|application|font|model)\/|url\(|=>|^[MmLl]-?[\d{]|^(translate|rotate|scale|matrix|polygon)\(|^min\(|^max\(|^repeat\(|^minmax\(/;

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

const hasWords = (text: string): boolean => /\p{L}{2,}/u.test(text);

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

/** A name that stands for itself among messages: `'four-pin': 'four-pin'`. */
const isNameAmongMessages = (at: ts.Node, text: string): boolean =>
  ts.isPropertyAssignment(at.parent) &&
  nameOf(at.parent.name) === text &&
  isAmongMessages(at.parent);

type Literal = FoundText['node'];
type Word = Exclude<Literal, ts.JsxText>;

const isType = (n: ts.Node): boolean =>
  ts.isTypeNode(n) || ts.isTypeAliasDeclaration(n) || ts.isInterfaceDeclaration(n);

const isCounted = (n: ts.Node): boolean => ts.isCallExpression(n) && calledName(n) === 'counted';

/** Part of the language: a module's name, a key, a type; or a message already. */
function isSyntax(node: Word): boolean {
  const { parent } = node;
  const isKey =
    (ts.isPropertyAssignment(parent) || ts.isPropertySignature(parent)) && parent.name === node;
  return (
    isKey ||
    ts.isImportDeclaration(parent) ||
    ts.isExportDeclaration(parent) ||
    ts.isExternalModuleReference(parent) ||
    ts.isModuleDeclaration(parent) ||
    ts.isEnumMember(parent) ||
    ts.isExpressionStatement(parent) ||
    ts.isComputedPropertyName(parent) ||
    ts.isTaggedTemplateExpression(parent) ||
    ancestor(node, isCounted, (n) => isFunction(n) || ts.isTemplateExpression(n)) !== undefined ||
    ancestor(node, isType) !== undefined
  );
}

const NOT_READ_CLASSES = ['Set', 'Map', 'Worker', 'URL', 'CustomEvent', 'Error'];

/** Handed to code that looks for it, compares it, or throws it at a programmer. */
function isForCode(at: ts.Node): boolean {
  const up = at.parent;
  if (ts.isElementAccessExpression(up)) return up.argumentExpression === at;
  if (ts.isBinaryExpression(up)) return COMPARES.has(up.operatorToken.kind);
  if (ts.isCaseClause(up)) return true;
  if (!ts.isCallExpression(up) && !ts.isNewExpression(up)) return false;
  if (!(up.arguments as ts.NodeArray<ts.Node> | undefined)?.includes(at)) return false;
  const name = calledName(up);
  if (ts.isNewExpression(up) && NOT_READ_CLASSES.includes(name)) return true;
  const of = ts.isPropertyAccessExpression(up.expression) ? up.expression.expression : null;
  return NOT_READ_CALLS.has(name) || of?.getText() === 'console';
}

const attributeOf = (node: ts.Node): ts.JsxAttribute | undefined =>
  ancestor(node, ts.isJsxAttribute, (n) => isFunction(n) || ts.isJsxElement(n)) as
    ts.JsxAttribute | undefined;

const READ_ARIA = ['aria-label', 'aria-description', 'aria-valuetext', 'aria-roledescription'];

/** An attribute that nobody reads: a class, a role, a path. */
function isInPlainAttribute(node: Word, text: string): boolean {
  const attribute = attributeOf(node);
  if (!attribute) return false;
  const name = nameOf(attribute.name);
  if (name.startsWith('aria-')) return !READ_ARIA.includes(name);
  // A row's name is a title; an icon's, a field's or an object's in the scene is none.
  const isOurs = /^\p{Lu}/u.test(attribute.parent.parent.tagName.getText());
  const isTitle = name === 'name' && isOurs && /^\p{Lu}\p{Ll}+/u.test(text);
  return (NOT_READ_ATTRIBUTES.has(name) && !isTitle) || name.startsWith('data-');
}

const isSource = (n: ts.Node): boolean =>
  ts.isPropertyAssignment(n) && ['source', 'sources'].includes(nameOf(n.name));

const propertyOf = (at: ts.Node): string | null =>
  ts.isPropertyAssignment(at.parent) && at.parent.initializer === at
    ? nameOf(at.parent.name)
    : null;

/** Words by their shape alone: a sentence, a capital, or a word with a space beside it. */
function hasShapeOfWords(text: string): boolean {
  const trimmed = text.trim();
  return (
    /\p{L}{2,}[^\p{L}]*\s+.*\p{L}|\p{L}.*\s.*\p{L}{2,}/u.test(trimmed) ||
    (/^\p{Lu}\p{Ll}/u.test(trimmed) && !looksLikeName(trimmed)) ||
    // "{} bends", ", {} of {}", ": agrees".
    /\p{L}{3,}[,.:;]?\s|\s[(“]?\p{L}{3,}/u.test(text)
  );
}

const READ_ATTRIBUTES =
  'aria-label label title placeholder aria-valuetext caption text one word unitWord'.split(' ');

/** Returned by a function that makes words, by its name. */
function isReturnedAsWords(up: ts.Node, node: Word, checker: ts.TypeChecker): boolean {
  const fn = ancestor(node, isFunction);
  if (!fn) return false;
  if (!ts.isReturnStatement(up) && up !== fn && !ts.isConditionalExpression(up)) return false;
  const held = ts.isVariableDeclaration(fn.parent) ? fn.parent.name : undefined;
  const name = ((fn as ts.FunctionDeclaration).name ?? held)?.getText() ?? '';
  const isFree = checker.getContextualType(node) === undefined;
  return READ_FUNCTION.test(name) && (isFree || isPlainString(node, checker));
}

/** One small word, such as "now": read only where its place says so. */
function isReadByPlace(node: Word, at: ts.Node, checker: ts.TypeChecker): boolean {
  const up = at.parent,
    property = propertyOf(at),
    attribute = attributeOf(node);
  if (property !== null && ALWAYS_READ.has(property)) return true;
  if (property !== null && READ_PROPERTIES.has(property)) return isPlainString(node, checker);
  const isAttribute =
    attribute && (up === attribute || (ts.isJsxExpression(up) && up.parent === attribute));
  if (isAttribute && isPlainString(node, checker))
    return READ_ATTRIBUTES.includes(nameOf(attribute.name));
  if (ts.isJsxExpression(up) && !ts.isJsxAttribute(up.parent)) return true;
  if (isReturnedAsWords(up, node, checker)) return true;
  if (ts.isTemplateSpan(up))
    return ts.isTaggedTemplateExpression(up.parent.parent) || isRead(up.parent, checker);
  if (!ts.isPropertyAssignment(up)) return false;
  const table = ancestor(node, ts.isVariableDeclaration) as ts.VariableDeclaration | undefined;
  return isAmongMessages(up) || (table !== undefined && READ_FUNCTION.test(table.name.getText()));
}

/** Whether a person reads this literal, by its shape, its type and its place. */
export function isRead(node: Literal, checker: ts.TypeChecker): boolean {
  const text = textOf(node);
  if (!hasWords(text)) return false;
  if (ts.isJsxText(node)) return true;
  const at = outer(node);
  const property = propertyOf(at);
  if (
    isSyntax(node) ||
    isForCode(at) ||
    isInPlainAttribute(node, text) ||
    (property !== null && NOT_READ_PROPERTIES.has(property)) ||
    ancestor(node, isSource, isFunction) !== undefined ||
    (isOneOfNames(node, checker) && !isNameAmongMessages(at, text)) ||
    STYLE.test(text) ||
    MARKUP.test(text) ||
    KEYS.has(text)
  )
    return false;
  if (hasShapeOfWords(text)) return true;
  return !ts.isTemplateExpression(node) && isReadByPlace(node, at, checker);
}

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
