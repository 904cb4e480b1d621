/** Single changes of logic in a source file, and the file with all of them asleep in it. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Tables of the trade and drawn things are no logic. */
const NO_LOGIC =
  /\.test\.|test-data|src\/test\/|\.d\.ts$|families\/(paths|records|parts)|kernel\/bytes|demo\/|speed\/made|diagnosis\/score|(tone|sound)\/synth|trims\/made|migrations\/|tokens\.ts|theme\.ts/;

/** Minutes and money of a way to mend and machines of the practice are made up, and so are their numbers; constants are chosen, with their origin. */
const CHOSEN =
  /families\/ways\/|practice\/(machines|electric|motors)\/|marking\/maps\/|families\/shared\/proving|defaults\.ts$/;

export function sourcesBelow(dir) {
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) return sourcesBelow(path);
    return /\.tsx?$/.test(path) && !NO_LOGIC.test(path) ? [path] : [];
  });
}

/** The test files of a rung. */
export function testsBelow(dir) {
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) return entry.name === 'node_modules' ? [] : testsBelow(path);
    return /\.test\.ts$/.test(path) ? [path] : [];
  });
}

/** Numbers from 0 to 1, the same for the same seed. */
export function numbers(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const SWAPS = new Map(
  [
    ['+', '-'],
    ['*', '/'],
    ['<', '<='],
    ['>', '>='],
    ['===', '!=='],
    ['&&', '||'],
    ['??', '&&'],
  ].flatMap(([a, b]) =>
    a === '??'
      ? [[a, b]]
      : [
          [a, b],
          [b, a],
        ],
  ),
);

/** Sizes, spacings and colours of a screen: how it looks is judged by eye, it is no logic. */
function isLook(ts, node) {
  if (ts.isJsxAttribute(node)) {
    const inside = node.initializer && ts.isJsxExpression(node.initializer) ? node.initializer.expression : undefined;
    return (
      /^(sx|style|spacing|gap|size|width|height|maxWidth|minRows|maxRows|columns|elevation|variant|className|color)$/.test(
        node.name.getText(),
      ) ||
      (inside !== undefined && ts.isNumericLiteral(inside))
    );
  }
  return ts.isVariableDeclaration(node) && /^[A-Z_]*(SX|STYLE|LOOK)$/.test(node.name.getText());
}

/** What stands behind ?? for a place of a list that is always there: the type asks for it, nothing reaches it. */
const isNever = (ts, node) =>
  ts.isBinaryExpression(node.parent) &&
  node.parent.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken &&
  node.parent.right === node &&
  ts.isElementAccessExpression(node.parent.left);

/** What keeps a quotient from nought, or a sum from its last digits: twice as much of it is as little. */
const isGuard = (node) => Number(node.text) !== 0 && Math.abs(Number(node.text)) < 1e-8;

/** The edge between two made-up numbers is never met: there a comparison is turned round. */
const turned = (operator) => ({ '<=': '>=', '<': '>', '>=': '<=', '>': '<' })[operator] ?? operator;

/**
 * Every single change of logic that a file allows: where it stands, and what stands there instead, in pieces:
 * text, or a range of the file that may hold changes of its own.
 */
export function changesOf(ts, path) {
  const text = readFileSync(path, 'utf8');
  const kind = path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, kind);
  const out = [];
  const range = (node) => [node.getStart(), node.getEnd()];
  const put = (node, pieces, was = node.getText()) => {
    const [from, to] = range(node);
    const line = file.getLineAndCharacterOfPosition(from).line + 1;
    const instead = pieces.map((one) => (typeof one === 'string' ? one : text.slice(...one))).join('');
    out.push({ path, line, from, to, pieces, was, instead });
  };
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (isLook(ts, node)) return;
    if (ts.isBinaryExpression(node)) {
      const instead = SWAPS.get(node.operatorToken.getText());
      const words = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (instead && !(words && '+-'.includes(instead)))
        put(node, [
          '(',
          range(node.left),
          `) ${CHOSEN.test(path) ? turned(instead) : instead} (`,
          range(node.right),
          ')',
        ]);
    }
    const isName = () => ts.isPropertyAssignment(node.parent) && node.parent.name === node;
    if (ts.isNumericLiteral(node) && !isName() && !CHOSEN.test(path) && !isNever(ts, node) && !isGuard(node))
      put(node, [Number(node.text) === 0 ? '1' : `(2 * ${node.text})`]);
    if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, ['false']);
    if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, ['true']);
    if (ts.isPrefixUnaryExpression(node) && /^[!-]$/.test(ts.tokenToString(node.operator)))
      put(node, ['(', range(node.operand), ')']);
    if (ts.isConditionalExpression(node))
      put(node, [range(node.condition), ' ? ', range(node.whenFalse), ' : ', range(node.whenTrue)]);
    ts.forEachChild(node, visit);
  };
  visit(file);
  return out.map((change) => ({ ...change, text }));
}

/** A file with all its changes in it, each asleep behind its number; `ask` is the function that says which is awake. */
export function withChanges(text, changes, ask) {
  const render = (from, to, within) => {
    const inside = changes
      .filter((one) => one !== within && (within === null || holds(within, one)) && one.from >= from && one.to <= to)
      .filter((one, _, all) => !all.some((other) => other !== one && holds(other, one)));
    let [out, at] = ['', from];
    for (const one of inside.sort((a, b) => a.from - b.from)) {
      out += text.slice(at, one.from) + asleep(one);
      at = one.to;
    }
    return out + text.slice(at, to);
  };
  const asleep = (one) => {
    const other = one.pieces.map((piece) => (typeof piece === 'string' ? piece : render(...piece, one))).join('');
    return `(${ask}(${one.number}) ? ${other} : ${render(one.from, one.to, one)})`;
  };
  return render(0, text.length, null);
}

/** The same, with the module that wakes one read before all else. */
export const wakingChanges = (changes, wake) =>
  `import ${JSON.stringify(wake)}; ${withChanges(changes[0].text, changes, 'globalThis.__changed?.')}`;

/** Does one stand around the other? Of two at the same place the one with the smaller number does. */
const holds = (one, other) =>
  one.from <= other.from &&
  one.to >= other.to &&
  (one.from < other.from || one.to > other.to || one.number < other.number);
