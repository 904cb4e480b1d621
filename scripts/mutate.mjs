/**
 * Do the tests bite? One line of logic is changed at a time, in a copy of the tree, and the tests that reach
 * the file are run: a change that none of them notices is shown with its place, to be judged by hand (some
 * changes are no change at all).
 * `npm run mutate -- [--rung core|contract|cli|web|server] [--count N] [--seed N] [--file PART] [--at-once N]`
 */
import { spawn } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureNpm, ensurePostgres } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { ROOT } from './lib/run.mjs';
import { Plain, plainly } from './lib/say.mjs';

/** A mutated test that runs longer than this hangs: that is noticed too, seconds. */
const LONGEST_S = 600;
const RUNGS = ['core', 'contract', 'cli', 'web', 'server'];
/** Whose tests are run for a rung: the contract is held by the server's too. */
const TESTS = { core: ['core'], contract: ['contract', 'server'], cli: ['cli'], web: ['web'], server: ['server'] };
/** Tables of the trade and drawn things are no logic. */
const NO_LOGIC =
  /\.test\.|test-data|\.d\.ts$|families\/(paths|records|parts)|kernel\/bytes|demo\/|speed\/made|diagnosis\/score|tone\/synth|migrations\/|tokens\.ts|theme\.ts/;

/** Machines of the practice are made up, and so are their numbers; constants of measuring are chosen, with their origin. */
const CHOSEN = /practice\/(machines|electric|motors)\/|marking\/maps\/|defaults\.ts$/;

function sourcesBelow(dir) {
  return readdirSync(dir, { withFileTypes: true }).flatMap((entry) => {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) return sourcesBelow(path);
    return /\.tsx?$/.test(path) && !NO_LOGIC.test(path) ? [path] : [];
  });
}

/** Numbers from 0 to 1, the same for the same seed. */
function numbers(seed) {
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
      /^(sx|style|spacing|gap|size|width|height|maxWidth|minRows|maxRows|columns|elevation)$/.test(
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

/** The edge between two made-up numbers is never met: there a comparison is turned round. */
const turned = (operator) => ({ '<=': '>=', '<': '>', '>=': '<=', '>': '<' })[operator] ?? operator;

/** Every single change of logic that a file allows: from, to (offsets) and what stands there instead. */
function changesOf(ts, path) {
  const text = readFileSync(path, 'utf8');
  const kind = path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const file = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, kind);
  const out = [];
  const put = (node, instead) => {
    const line = file.getLineAndCharacterOfPosition(node.getStart()).line + 1;
    out.push({ path, line, from: node.getStart(), to: node.getEnd(), instead, was: node.getText() });
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
        put(node.operatorToken, CHOSEN.test(path) ? turned(instead) : instead);
    }
    if (ts.isNumericLiteral(node) && !CHOSEN.test(path) && !isNever(ts, node))
      put(node, Number(node.text) === 0 ? '1' : `(2 * ${node.text})`);
    if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true');
    if (ts.isPrefixUnaryExpression(node) && /^[!-]$/.test(ts.tokenToString(node.operator)))
      put(node, `(${node.operand.getText()})`);
    if (ts.isConditionalExpression(node))
      put(node, `${node.condition.getText()} ? ${node.whenFalse.getText()} : ${node.whenTrue.getText()}`);
    ts.forEachChild(node, visit);
  };
  visit(file);
  return out.map((change) => ({ ...change, text }));
}

/** A copy of what tests need; packages are shared. */
function copyOfTree() {
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-mutate-'));
  const skipped = new Set(['node_modules', '.git', '.data', '.cache', 'docs']);
  for (const name of readdirSync(ROOT)) {
    if (skipped.has(name)) continue;
    cpSync(join(ROOT, name), join(dir, name), {
      recursive: true,
      filter: (path) => !/node_modules|e2e\/results/.test(path.slice(ROOT.length)),
    });
  }
  // Packages are shared, but for our own: those are the copy's.
  const modules = join(dir, 'node_modules');
  mkdirSync(join(modules, '@amber-gauge'), { recursive: true });
  for (const name of readdirSync(join(ROOT, 'node_modules')))
    if (name !== '@amber-gauge') symlinkSync(join(ROOT, 'node_modules', name), join(modules, name));
  for (const rung of RUNGS) {
    symlinkSync(join(dir, rung), join(modules, '@amber-gauge', rung));
    const own = join(ROOT, rung, 'node_modules');
    if (statSync(own, { throwIfNoEntry: false })) symlinkSync(own, join(dir, rung, 'node_modules'));
  }
  return dir;
}

/** Runs tests chosen by these words of vitest's command line; resolves with whether one of them failed. */
function fails(dir, rung, chosen, env) {
  const projects = TESTS[rung].flatMap((one) => ['--project', one]);
  const args = [...chosen, '--run', ...projects, '--bail', '1', '--reporter', 'dot', '--passWithNoTests'];
  const child = spawn(join(dir, 'node_modules', '.bin', 'vitest'), args, {
    cwd: dir,
    stdio: 'ignore',
    detached: true,
    env: { ...process.env, ...env, NO_COLOR: '1', CI: 'true' },
  });
  return new Promise((resolve) => {
    const late = setTimeout(() => process.kill(-child.pid, 'SIGKILL'), 1000 * LONGEST_S);
    child.on('exit', (code) => {
      clearTimeout(late);
      resolve(code !== 0);
    });
  });
}

/** The tests beside the file first (a change is mostly noticed there, in seconds), then all that reach it. */
async function noticed(dir, rung, path, env) {
  const beside = dirname(path);
  const near = beside === join(dir, rung, 'src') ? [path.replace(/\.tsx?$/, '.test')] : [`${beside}/`];
  return (await fails(dir, rung, near, env)) || fails(dir, rung, ['related', path], env);
}

async function mutate({ rung, count, seed, file, atOnce }, env) {
  const { default: ts } = await import('typescript');
  const all = sourcesBelow(join(ROOT, rung, 'src'))
    .filter((path) => path.includes(file))
    .flatMap((path) => changesOf(ts, path));
  const next = numbers(seed);
  const chosen = Array.from(
    { length: Math.min(count, all.length) },
    () => all.splice(Math.floor(next() * all.length), 1)[0],
  );
  const waiting = [...chosen];
  const lived = [];
  const work = async () => {
    const dir = copyOfTree();
    try {
      for (let change = waiting.shift(); change; change = waiting.shift()) {
        const at = join(dir, change.path.slice(ROOT.length));
        writeFileSync(at, change.text.slice(0, change.from) + change.instead + change.text.slice(change.to));
        const caught = await noticed(dir, rung, at, env);
        writeFileSync(at, change.text);
        const place = `${change.path.slice(ROOT.length + 1)}:${change.line}`;
        if (!caught) lived.push(place);
        console.log(
          `${caught ? 'noticed ' : 'LIVED   '} ${place}  ${change.was.slice(0, 40)}  →  ${change.instead.slice(0, 40)}`,
        );
      }
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  const share = (100 * (chosen.length - lived.length)) / Math.max(1, chosen.length);
  console.log(
    `\n${rung}, seed ${seed}: ${chosen.length - lived.length} of ${chosen.length} noticed (${share.toFixed(0)} %)`,
  );
}

await plainly(async () => {
  const { values } = parseArgs({
    options: {
      rung: { type: 'string', default: 'core' },
      count: { type: 'string', default: '40' },
      seed: { type: 'string', default: '1' },
      file: { type: 'string', default: '' },
      'at-once': { type: 'string', default: '1' },
    },
  });
  const wish = { ...values, count: Number(values.count), seed: Number(values.seed), atOnce: Number(values['at-once']) };
  if (!RUNGS.includes(wish.rung)) throw new Plain(`There is no rung “${wish.rung}”. Rungs: ${RUNGS.join(', ')}.`);
  await ensureNpm();
  if (!TESTS[wish.rung].includes('server')) return mutate(wish, {});
  await ensurePostgres();
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-mutate-db-'));
  const database = await startPostgres(dir, { unsynced: true });
  try {
    await mutate(wish, { TEST_DATABASE_URL: database.url });
  } finally {
    await database.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});
