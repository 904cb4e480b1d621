import { it } from 'vitest';
import fs from 'node:fs';
import { runCase } from '../published/cases/run.js';
import { TURNTABLE_CASES } from '../published/cases/turntables.test-data.js';
import { TAPE_CASES } from '../published/cases/tape.test-data.js';
import { HOUSEHOLD_CASES } from '../published/cases/household.test-data.js';
import { TOOL_CASES } from '../published/cases/tools.test-data.js';
it('x', () => {
  const out: string[] = [];
  let [solved, viol, lead, tests, careful] = [0, 0, 0, 0, 0];
  const all = [...TURNTABLE_CASES, ...TAPE_CASES, ...HOUSEHOLD_CASES, ...TOOL_CASES];
  for (const c of all) {
    let r;
    try {
      r = runCase(c);
    } catch (e) {
      out.push(`${c.id} ERROR ${(e as Error).message}`);
      continue;
    }
    if (r.solved) solved++;
    if (r.violations.length) viol++;
    if (r.rank === 1) lead++;
    tests += r.tests;
    careful += r.careful;
    out.push(
      `${c.family.slice(0, 12).padEnd(12)} ${c.id.padEnd(28)} rank ${r.rank} ${(100 * r.share).toFixed(0)}% tests ${r.tests}/${r.careful} ${r.solved ? 'ok' : 'NOT'} ${r.asked.join(' ')} ${r.wrongMends.length ? 'WRONG ' + r.wrongMends.join(' ') : ''} ${r.violations.length ? 'VIOL ' + r.violations.join('; ') : ''} ${r.problem ?? ''}`,
    );
  }
  out.push(`${all.length} cases: solved ${solved}, violated ${viol}, leads ${lead}, tests ${tests} careful ${careful}`);
  fs.writeFileSync('/tmp/w/run.txt', out.join('\n'));
}, 200000);
