/**
 * A process that runs tests of the core with changes asleep in the sources, without a runner between: a message names
 * a test file, or a piece of one and the change that is awake. Each run reads the modules anew, so that what is
 * reckoned once is reckoned for each; they are put into JavaScript once.
 */
import { readFileSync, existsSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { compileFunction } from 'node:vm';
import {
  ASYMMETRIC_MATCHERS_OBJECT,
  chai,
  customMatchers,
  GLOBAL_EXPECT,
  JestAsymmetricMatchers,
  JestChaiExpect,
  JestExtend,
  setState,
} from '@vitest/expect';
import { fn } from '@vitest/spy';
import ts from 'typescript';
import { withChanges } from './mutants.mjs';

/** Collecting longer than this is not done anew for every test of a file, ms. */
const LONG_MS = 150;
/** A change that makes a run come to changes so many times as often as before goes round for ever. */
const ROUNDS = 50;

const changes = new Map();
const compiled = new Map();
let [reached, awake, count, most] = [new Uint8Array(0), 0, 0, Infinity];

function changed(number) {
  reached[number] = 1;
  if (++count > most) throw new Error('goes round for ever');
  return number === awake;
}

function compile(path) {
  const own = changes.get(path);
  const text = own ? withChanges(own[0].text, own, '__changed') : readFileSync(path, 'utf8');
  const { outputText } = ts.transpileModule(text, {
    fileName: path,
    compilerOptions: { module: ts.ModuleKind.CommonJS, target: ts.ScriptTarget.ES2023, esModuleInterop: true },
  });
  return compileFunction(outputText, ['exports', 'require', '__changed'], { filename: path });
}

/** Modules of one run; `vitest` is what the run gives for it. */
function modules(vitest) {
  const loaded = new Map();
  const load = (path) => {
    const there = loaded.get(path);
    if (there) return there.exports;
    const module = { exports: {} };
    loaded.set(path, module);
    if (path.endsWith('.json')) return (module.exports = JSON.parse(readFileSync(path, 'utf8')));
    if (!compiled.has(path)) compiled.set(path, compile(path));
    const outer = createRequire(path);
    const inner = (name) => {
      if (name === 'vitest') return vitest;
      if (!name.startsWith('.')) return outer(name);
      const at = join(dirname(path), name);
      return load(existsSync(at) ? at : at.replace(/\.js$/, '.ts'));
    };
    compiled.get(path)(module.exports, inner, changed);
    return module.exports;
  };
  return { load, forget: () => loaded.clear() };
}

chai.use(JestExtend);
chai.use(JestChaiExpect);
chai.use(JestAsymmetricMatchers);
const expect = Object.assign((value, message) => chai.expect(value, message), chai.expect);
Object.defineProperty(globalThis, GLOBAL_EXPECT, { value: expect, writable: true, configurable: true });
setState({ assertionCalls: 0, isExpectingAssertions: false, expectedAssertionsNumber: null }, expect);
Object.assign(expect, globalThis[ASYMMETRIC_MATCHERS_OBJECT]);
chai.expect.extend(expect, customMatchers);

/** Tests as they are written, gathered in a list. */
function gathering() {
  const [tests, after] = [[], []];
  const told = (rest) => rest.find((one) => typeof one === 'function');
  const each =
    (put) =>
    (rows) =>
    (name, ...rest) =>
      rows.forEach((row) => put(name, () => (Array.isArray(row) ? told(rest)(...row) : told(rest)(row))));
  const it = (name, ...rest) => tests.push(told(rest));
  it.each = each(it);
  const describe = (name, ...rest) => void told(rest)();
  describe.each = each(describe);
  return { tests, after, vitest: { it, test: it, describe, expect, afterAll: (one) => after.push(one) } };
}

/** Reads a test file anew and runs one of its tests, all of them without a number; its error, or null. */
async function run(file, index, before) {
  const { tests, after, vitest } = gathering();
  const all = modules({ ...vitest, vi: { fn, resetModules: () => all.forget() } });
  try {
    all.load(file);
    if (before?.(tests)) return null;
    for (const test of index === null ? tests : [tests[index]]) await test();
    for (const one of after) await one();
    return null;
  } catch (error) {
    return String(error?.stack ?? error).slice(0, 500);
  }
}

const asleep = () => ([awake, count, most] = [0, 0, Infinity]);

/** The pieces that a file is asked in, with the changes each comes to, how often, and how long it takes, ms. */
async function survey(file) {
  let [tests, long] = [0, false];
  asleep();
  const start = performance.now();
  const wrong = await run(file, null, (all) => {
    tests = all.length;
    long = performance.now() - start > LONG_MS;
    return true;
  });
  if (wrong) return [{ file, index: null, wrong }];
  const pieces = [];
  for (const index of long ? [null] : Array.from({ length: tests }, (_, i) => i)) {
    reached.fill(0);
    asleep();
    const from = performance.now();
    const failed = await run(file, index);
    const hits = [];
    reached.forEach((one, number) => one && hits.push(number));
    pieces.push({ file, index, ms: performance.now() - from, count, hits, wrong: failed });
  }
  return pieces;
}

async function ask({ number, file, index, count: usual }) {
  [awake, count, most] = [number, 0, ROUNDS * usual + 1e6];
  return (await run(file, index)) !== null;
}

process.on('message', async (message) => {
  if (message.chosen) {
    for (const one of message.chosen) changes.set(one.path, [...(changes.get(one.path) ?? []), one]);
    reached = new Uint8Array(message.chosen.length + 1);
    process.send({ ready: true });
  } else process.send(message.number ? { failed: await ask(message) } : { pieces: await survey(message.file) });
});
