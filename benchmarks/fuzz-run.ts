/** Prints the tally of a fuzz run; ends red when a file threw, hung or gave a number that is none. */
import { fuzz, type Target } from './fuzz.js';

const count = Number(process.argv[2] ?? 10000);
const seed = Number(process.argv[3] ?? 1);
/** `npm run fuzz -- 3000 1 made` injures tables alone. */
const only = process.argv.length > 4 ? (process.argv.slice(4) as Target[]) : null;
const say = (done: number) => {
  if (done % 1000 === 0) console.error(`${done} files`);
};
const tally = await fuzz(count, seed, say, only);
const all = [...tally.failures, ...tally.slow];
console.log(
  `${tally.files} mutated files from seed ${seed}, slowest ${tally.slowestMs.toFixed(0)} ms, ${all.length} failures`,
);
for (const [outcome, number] of Object.entries(tally.outcomes).sort((a, b) => b[1] - a[1]))
  console.log(`${String(number).padStart(7)} ${outcome}`);
for (const failure of all.slice(0, 20)) console.log(failure);
process.exitCode = all.length > 0 ? 1 : 0;
