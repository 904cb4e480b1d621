/** Plays the whole cases and prints, for each, the fault's place once all that was said is known, the tests made and anything forbidden that was advised. `npm run whole-cases`. */
import { WHOLE_CASES } from '../core/published/cases/index.js';
import { runCase } from '../core/published/cases/run.js';

const ran = WHOLE_CASES.map((one) => ({ one, result: runCase(one) }));
for (const { one, result } of ran) {
  const place = `${result.rank === Infinity ? '-' : result.rank}`.padStart(2);
  const end = [
    result.solved ? '' : 'NOT FOUND',
    result.wrongMends.length > 0 ? `wrong mends: ${result.wrongMends.join(', ')}` : '',
    result.violations.length > 0 ? `FORBIDDEN: ${result.violations.join('; ')}` : '',
    result.problem ?? '',
  ].filter((text) => text !== '');
  console.log(
    `${one.family.padEnd(20)} ${one.id.padEnd(32)} place ${place}  tests ${result.tests} (careful ${result.careful})  ${[result.asked.join(' '), ...end].join('  ')}`.trimEnd(),
  );
}
const sum = (of: (one: (typeof ran)[number]['result']) => number) =>
  ran.reduce((total, { result }) => total + of(result), 0);
const share = (count: number) => `${count} of ${ran.length}`;
console.log('');
console.log(`found and mended      ${share(ran.filter(({ result }) => result.solved).length)}`);
console.log(`true fault leads      ${share(ran.filter(({ result }) => result.rank === 1).length)}`);
console.log(`among the first three ${share(ran.filter(({ result }) => result.rank <= 3).length)}`);
console.log(`tests                 ${sum((one) => one.tests)}, a careful person ${sum((one) => one.careful)}`);
console.log(`wrong mends           ${sum((one) => one.wrongMends.length)}`);
console.log(`forbidden advice      ${sum((one) => one.violations.length)}`);
