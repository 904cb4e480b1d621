/**
 * The dependency rules, and proof that they bite: planted violations must be found, and the number
 * of modules read must be plausible (a checker that reads nothing passes everything).
 */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { ROOT } from './lib/run.mjs';

const cruise = join(ROOT, 'node_modules', '.bin', 'depcruise');

function check() {
  const run = spawnSync(
    cruise,
    ['--config', '.dependency-cruiser.cjs', '--output-type', 'json', 'core', 'contract', 'server', 'web', 'cli'],
    {
      cwd: ROOT,
      encoding: 'utf8',
      maxBuffer: 1 << 28,
    },
  );
  const { summary, modules } = JSON.parse(run.stdout);
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
];

const clean = check();
let failed = clean.violations.length;
for (const violation of clean.violations) console.error(`${violation.rule.name}: ${violation.from} -> ${violation.to}`);
const expected = Number(readFileSync(join(ROOT, 'scripts', 'deps.least'), 'utf8'));
if (clean.read < expected) {
  console.error(`only ${clean.read} modules were read, at least ${expected} were expected`);
  failed++;
}
for (const [file, text, rule] of PLANTED) {
  const path = join(ROOT, file);
  mkdirSync(join(path, '..'), { recursive: true });
  writeFileSync(path, text);
  try {
    const caught = check().violations.some((violation) => violation.rule.name === rule && violation.from === file);
    if (!caught) {
      console.error(`the planted violation of ${rule} was not caught`);
      failed++;
    }
  } finally {
    rmSync(path);
  }
}
console.log(
  `dependency rules: ${clean.read} modules read, ${PLANTED.length} planted violations tried, ${failed} wrong`,
);
process.exitCode = failed > 0 ? 1 : 0;
