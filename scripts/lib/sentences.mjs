/**
 * What is said to the user, found in code: sentences said with say`…`, and those that stand about unsaid.
 * The families' tables are data: their words are listed by reading the tables.
 */

/** Where what is said must be said: what is shown on a screen or printed. The command line and the keeper of the data speak English. */
export const SPEAKING = ['core/src', 'contract/src', 'web/src', 'server/src/features', 'server/src/http'];

/**
 * Tables of the trade, made recordings, test doubles: no interface. Lists of words that are typed or that are ids as
 * well (what bears a charge, contacts of a drive, kinds of capacitors); what instruments are told.
 */
export const SILENT = new RegExp(
  [
    '\\.test\\.|test-data|\\.d\\.ts$|speed/made/|diagnosis/score/|web/src/test/|tokens\\.ts$|kernel/',
    'core/src/(families|words|marking|numeric|errors)',
    'bench/(charge|entry/places|entry/aliases)\\.ts|circuit/capacitor\\.ts|train/(schema|usual)\\.ts|instruments/standIn',
    'repository\\.ts$',
  ].join('|'),
);

/** Attributes and fields whose text is read by people, even if it is one word. */
const READ =
  /^(label|title|placeholder|aria-label|aria-valuetext|aria-description|aria-roledescription|helperText|alt|primary|secondary|subheader|heading|hint|message|caption|legend|ariaLabel|words)$/;

/** Attributes that hold no words. */
const CODE_ATTRIBUTES =
  /^(className|class|id|htmlFor|href|to|src|d|viewBox|transform|type|name|role|accept|key|sx|style|rel|target|color|variant|component|fill|stroke|points|autoComplete|inputMode|data-.*|aria-(live|labelledby|describedby|controls|current|haspopup|hidden|pressed|expanded|orientation|sort)|slotProps|path|gridArea|edge|size|severity|as|method|lang|dir|align|font.*|stroke.*|text-anchor|textAnchor|preserveAspectRatio|pattern|form|step|min|max|field|unit|tone|kind|of|mode)$/;

/** Calls whose words are for programs. */
const CODE_CALLS =
  /^(raw|select|where|whereRaw|orderBy|orderByRaw|groupBy|groupByRaw|from|join|leftJoin|insert|match|test|split|startsWith|endsWith|includes|indexOf|replace|replaceAll|getItem|setItem|removeItem|querySelector|querySelectorAll|closest|matchMedia|addEventListener|removeEventListener|set|get|header|append|enum|literal|useState|useRef|has|info|warn|error|debug|join|lazy|import|fetch|setHeader|type|getContext|createElement|setAttribute|getAttribute|postMessage|open|clsx|brand|discriminatedUnion|describe|plainToInstance|requestLock|request|dispatchEvent|requirePositive|register|resolve|existsSync|encode|decode|toLocaleString|cell)$/;

const UNITS = /\b(rpm|min|kHz|mHz|Hz|mV|kV|VA|mA|mm|cm|kg|ppm|Pa|bar|ohm|Vpp|dB|dBFS|kB|MB|px|ms|log|sqrt|mean|max)\b/g;

/** What only programs read: a query, a path, a style, a command of an instrument. */
const PROGRAM = [
  /[{};]\s*$/,
  /^\s*[.#@]/,
  /var\(--|\b\d*px\b|=>|<\/|\\[wdsb]|\n/,
  /^[MLHV]\s?[\d$]/,
  /^\s*(select|insert|update|delete|alter|create|drop|with)\s/,
  /\bis (not )?null\b|^\* as \w+$/,
  /^([*A-Z]{2,}[A-Z0-9:]*\?|[A-Z]{3,}(:[A-Z0-9]+)* [A-Z0-9:]+)( |$)/,
];

const isPlain = (text) =>
  !PROGRAM.some((one) => one.test(text)) &&
  (/^[A-Z][a-z]+$/.test(text) || !/^[a-z0-9]+([-_./:][a-z0-9]+)*$/i.test(text));

/** A text that people read: two words of letters, spaced; or one that ends like a sentence. */
function isSentence(text) {
  const plain = text.replace(UNITS, '');
  return (
    isPlain(text) &&
    (/\p{L}{2,}[,.:;…!?)”’]*\s+[“‘(]?(\d+\s+)?\p{L}+/u.test(plain) ||
      /^\s*[“‘(]?\p{L}{2,}[^\p{L}]*[.!?…:]\s*$/u.test(plain))
  );
}

/** A template of one word and what stands beside it: "Measure 33⅓", "4 moves". */
const isCounted = (text) =>
  isPlain(text) &&
  /(^|[\s0])\p{L}{3,}[.,:;!?…]*\s+[“(±−+]?0|0[”)]?\s+\p{L}{3,}[.,:;!?…]*($|\s|0)/u.test(text.replace(UNITS, ''));

/** A word with a capital stands for itself: a heading, a label; but for the keys of a keyboard. */
const isHeading = (text) =>
  /^[A-Z][a-z]{2,}(-[a-z]+)?$/.test(text) &&
  !/^(Tab|Enter|Escape|Esc|Shift|Control|Alt|Meta|Backspace|Delete|Home|End|Insert|Vpp|Arrow.*|Page.*|Digit.*|Key.*)$/.test(
    text,
  );

const hasWord = (text) => /\p{L}{2,}/u.test(text.replace(UNITS, ''));

/** The text of a literal, a template or words in markup, gaps as a space between bars. */
function textOf(ts, node) {
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map((span) => `0${span.literal.text}`).join('');
  return node.text;
}

const isText = (ts, node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);

const tagOf = (ts, node) =>
  ts.isTaggedTemplateExpression(node.parent) && node.parent.template === node ? node.parent.tag.getText() : undefined;

/** Whether what stands here is for a program by its place alone. */
function isCode(ts, node) {
  const { parent } = node;
  if (tagOf(ts, node) !== undefined) return true;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  if (ts.isElementAccessExpression(parent) && parent.argumentExpression === node) return true;
  if (ts.isCaseClause(parent) || ts.isExternalModuleReference(parent) || ts.isExportDeclaration(parent)) return true;
  if (ts.isBinaryExpression(parent) && /^(===|!==|==|!=|in)$/.test(parent.operatorToken.getText())) return true;
  if (ts.isLiteralTypeNode(parent)) return true;
  // The name of a kind of error.
  if (ts.isBinaryExpression(parent) && /\.name$/.test(parent.left.getText())) return true;
  if (ts.isAsExpression(parent) && parent.type.getText() === 'const' && ts.isStringLiteralLike(node)) return true;
  return false;
}

/** Whether anything around it says that it is for a program. */
function isInCode(ts, node) {
  for (let at = node; at.parent; at = at.parent) {
    const up = at.parent;
    if (ts.isJsxAttribute(up)) return CODE_ATTRIBUTES.test(up.name.getText());
    if (ts.isJsxElement(up) || ts.isJsxFragment(up)) return false;
    // A list of constants is a list of ids.
    if (ts.isArrayLiteralExpression(up) && ts.isAsExpression(up.parent) && up.parent.type.getText() === 'const')
      return true;
    if (ts.isFunctionLike(up) && !ts.isArrowFunction(up)) return false;
    if (ts.isNewExpression(up) && at !== up.expression) {
      const made = up.expression.getText();
      // An error that begins like a sentence is shown as it is; one that does not is for who reads the program.
      if (made === 'Error' && isText(ts, at)) return /^\P{Lu}/u.test(textOf(ts, at));
      return /^(RegExp|CoreError|TypeError|RangeError|Error|URL|Worker|Blob|Intl\..*|Event)$/.test(made);
    }
    if (ts.isCallExpression(up) && at !== up.expression) {
      const name = ts.isPropertyAccessExpression(up.expression) ? up.expression.name.text : up.expression.getText();
      if (CODE_CALLS.test(name)) return true;
      // What may be chosen in a sum: ids, shown by their names.
      if (name === 'choice' && up.arguments.indexOf(at) >= 2) return true;
    }
    if (
      ts.isPropertyAssignment(up) &&
      /^(className|sx|style|[a-z]*[Ss]tyle|font.*|background.*|gridTemplate.*|border.*|transition|Accept|accept|pattern|id|key|range|typed)$/.test(
        up.name.getText(),
      )
    )
      return true;
  }
  return false;
}

/** A table whose name says that it holds words: TIMER_WORDS. */
const isTableOfWords = (ts, table) =>
  ts.isVariableDeclaration(table.parent) && /(WORDS|NAMES|LABELS|TITLES)$/.test(table.parent.name.getText());

/** Whether it is said, or one of two that are. */
const isSaid = (ts, node) =>
  (ts.isTaggedTemplateExpression(node) && node.tag.getText() === 'say') ||
  (ts.isConditionalExpression(node) && (isSaid(ts, node.whenTrue) || isSaid(ts, node.whenFalse)));

/** Whether what is given back here is words by the name of its function: endWords. */
function givesWords(ts, node) {
  for (let at = node; at; at = at.parent)
    if (ts.isFunctionLike(at)) {
      const name = at.name ?? (ts.isVariableDeclaration(at.parent) ? at.parent.name : null);
      return name !== null && name !== undefined && /Words$/.test(name.getText());
    }
  return false;
}

/** Whether this place is read by people, so that one word is enough. */
function isRead(ts, node) {
  for (let at = node; at.parent; at = at.parent) {
    const up = at.parent;
    if (ts.isJsxAttribute(up)) return READ.test(up.name.getText());
    if (ts.isPropertyAssignment(up)) return READ.test(up.name.getText()) || isTableOfWords(ts, up.parent);
    if (ts.isJsxExpression(up) && (ts.isJsxElement(up.parent) || ts.isJsxFragment(up.parent))) return true;
    if (ts.isTemplateSpan(up)) return tagOf(ts, up.parent) === 'say' || isSentence(textOf(ts, up.parent));
    if (ts.isConditionalExpression(up)) {
      if (at === up.condition) return false;
      // What stands in place of something said is said.
      if (isSaid(ts, at === up.whenTrue ? up.whenFalse : up.whenTrue)) return true;
      continue;
    }
    if (ts.isReturnStatement(up) || (ts.isArrowFunction(up) && at === up.body)) return givesWords(ts, up);
    if (
      ts.isParenthesizedExpression(up) ||
      (ts.isBinaryExpression(up) && /^(\?\?|\|\||&&|\+)$/.test(up.operatorToken.getText()))
    )
      continue;
    return false;
  }
  return false;
}

/** Texts in a file that people read and that are not said: the nodes. */
export function unsaidIn(ts, file) {
  const found = [];
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxText(node)) {
      if (hasWord(node.text)) found.push(node);
      return;
    }
    if (isText(ts, node) && !isCode(ts, node) && !isInCode(ts, node)) {
      const text = textOf(ts, node);
      // Machines of the practice: names of faults and damage are ids; what an owner says is said.
      if (/core\/src\/practice\//.test(file.fileName) && !/[.!?]$/.test(text)) return;
      if (
        isSentence(text) ||
        isHeading(text) ||
        (ts.isTemplateExpression(node) && isCounted(text)) ||
        (hasWord(text) && isRead(ts, node))
      )
        found.push(node);
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

/** The sentences of a file as they stand in the list: English, gaps as {0}, {1} … */
export function saidIn(ts, file) {
  const found = [];
  const visit = (node) => {
    if (ts.isTaggedTemplateExpression(node) && node.tag.getText() === 'say') {
      const { template } = node;
      const pieces = ts.isTemplateExpression(template)
        ? [template.head.text, ...template.templateSpans.map((span) => span.literal.text)]
        : [template.text];
      const key = pieces
        .map((piece) => piece.replace(/[ \t]*\n[ \t]*/g, ' '))
        .reduce((text, piece, index) => `${text}{${index - 1}}${piece}`);
      const gaps = ts.isTemplateExpression(template)
        ? template.templateSpans.map((span) => span.expression.getText())
        : [];
      found.push({ key, gaps, line: file.getLineAndCharacterOfPosition(node.getStart()).line + 1 });
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

/** Names in lists of constants: ids that may be shown as well, said where they are. */
export function namesIn(ts, file) {
  const found = [];
  const visit = (node) => {
    const constant =
      ts.isArrayLiteralExpression(node) &&
      ((ts.isAsExpression(node.parent) && node.parent.type.getText() === 'const') ||
        (ts.isCallExpression(node.parent) && node.parent.expression.getText() === 'choice'));
    if (constant)
      for (const one of node.elements) if (ts.isStringLiteral(one) && hasWord(one.text)) found.push(one.text);
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}
