/**
 * The dependency rules and what nobody uses (files, exports, packages), and proof that they bite: planted
 * violations must be found, and the number of modules read must be plausible (a checker that reads nothing
 * passes everything).
 */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { execFile } from 'node:child_process';
import { ROOT } from './lib/run.mjs';

const cruise = join(ROOT, 'node_modules', '.bin', 'depcruise');
const knip = join(ROOT, 'node_modules', '.bin', 'knip');

/** What a checker prints; that it finds something is told by that, not by its exit code. */
const printed = (command, args) =>
  new Promise((resolve) => {
    execFile(command, args, { cwd: ROOT, maxBuffer: 1 << 28 }, (_error, stdout) => resolve(stdout));
  });

async function check() {
  const rungs = ['core', 'contract', 'server', 'web', 'cli'];
  const { summary, modules } = JSON.parse(
    await printed(cruise, ['--config', '.dependency-cruiser.cjs', '--output-type', 'json', ...rungs]),
  );
  const own = modules.filter((module) => /^(core|contract|server|web|cli)\/.*\.tsx?$/.test(module.source));
  return { violations: summary.violations, read: own.length };
}

/** [file, its text, the rule that must catch it] */
const PLANTED = [
  [
    'core/src/quantity/planted.ts',
    "import { judge } from '../speed/verdict.js';\nexport const planted = judge;\n",
    'core-quantity-looks-up-only',
  ],
  [
    'core/src/speed/planted.ts',
    "import { readFileSync } from 'node:fs';\nexport const planted = readFileSync;\n",
    'core-has-no-node',
  ],
  [
    'web/src/planted.ts',
    "import { createApp } from '../../server/src/app.js';\nexport const planted = createApp;\n",
    'web-and-server-never-meet',
  ],
  [
    'web/src/features/job/planted.ts',
    "import { SpeedDesk } from '../speed/SpeedDesk.js';\nexport const planted = SpeedDesk;\n",
    'job-and-speed-desk-never-meet',
  ],
  ['core/src/numeric/planted.ts', "import type { B } from './planted2.js';\nexport type A = B | 1;\n", 'no-circles'],
  ['core/src/numeric/planted2.ts', "import type { A } from './planted.js';\nexport type B = A | 2;\n", 'no-circles'],
  ['core/src/numeric/planted3.ts', 'export const named = 1;\nexport const notNamed = 2;\n', null],
  ['core/src/numeric/planted.test.ts', "import 'left-pad';\nimport { named } from './planted3.js';\nnamed;\n", null],
];

/** Files nobody imports, exports nobody names, packages not listed: what must be found in the planted files. */
const UNUSED = [
  ['files', 'core/src/numeric/planted.ts', 'core/src/numeric/planted.ts'],
  ['exports', 'core/src/numeric/planted3.ts', 'notNamed'],
  ['unlisted', 'core/src/numeric/planted.test.ts', 'left-pad'],
];

/** What nobody uses: [kind, file, name]. */
async function unused() {
  const { issues } = JSON.parse(await printed(knip, ['--no-progress', '--reporter', 'json']));
  return issues.flatMap(({ file, ...kinds }) =>
    Object.entries(kinds).flatMap(([kind, found]) =>
      (Array.isArray(found) ? found : []).map(({ name }) => [kind, file, name]),
    ),
  );
}

/** Puts the violations in, reads the whole once, and takes them out again. */
async function checkWithPlants() {
  const paths = PLANTED.map(([file]) => join(ROOT, file));
  try {
    PLANTED.forEach(([, text], i) => {
      mkdirSync(join(paths[i], '..'), { recursive: true });
      writeFileSync(paths[i], text);
    });
    const [checked, idle] = await Promise.all([check(), unused()]);
    return { ...checked, idle };
  } finally {
    for (const path of paths) rmSync(path, { force: true });
  }
}

const { violations, read, idle } = await checkWithPlants();
const planted = new Set(PLANTED.map(([file]) => file));
const own = violations.filter(({ from }) => !planted.has(from));
for (const violation of own) console.error(`${violation.rule.name}: ${violation.from} -> ${violation.to}`);
const missed = PLANTED.filter(
  ([file, , rule]) =>
    rule !== null && !violations.some((one) => one.rule.name === rule && [one.from, one.to].includes(file)),
);
for (const [, , rule] of missed) console.error(`the planted violation of ${rule} was not caught`);
const same = (a, b) => a.every((word, i) => word === b[i]);
const idleOwn = idle.filter(([, file]) => !planted.has(file));
for (const [kind, file, name] of idleOwn) console.error(`nobody uses it (${kind}): ${name} in ${file}`);
const idleMissed = UNUSED.filter((one) => !idle.some((found) => same(one, found)));
for (const [kind] of idleMissed) console.error(`the planted one of unused ${kind} was not caught`);
const expected = Number(readFileSync(join(ROOT, 'scripts', 'deps.least'), 'utf8'));
const modules = read - PLANTED.length;
const wrongOf = (...lists) => lists.reduce((sum, list) => sum + list.length, 0);
if (modules < expected) console.error(`only ${modules} modules were read, at least ${expected} were expected`);
const failed = wrongOf(own, missed, idleOwn, idleMissed) + (modules < expected ? 1 : 0);
console.log(
  `dependency rules: ${modules} modules read, ${PLANTED.filter(([, , rule]) => rule).length + UNUSED.length} planted violations tried, ${failed} wrong`,
);
process.exitCode = failed > 0 ? 1 : 0;
