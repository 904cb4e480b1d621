/** Checks of functions: what the path can be asked from outside, and what the family shows beside it. */
import { provingOf, type PathTest } from '../../families/index.js';
import { ownEntry } from '../../quantity/index.js';
import { jobSpeeds } from '../job.js';
import { blocksBehind } from './disturb.js';
import { healthyOutcomes, type Standing, type Wanted } from './standing.js';

/** Signals of questions that ask of the use, not of the unit. */
const OF_USE = ['use', 'place'];
/** Heard from outside while it is sought; what it drives shows it better. */
const SOUGHT = ['motor-heard'];
/** Context keys that provoke, or take a part off. */
const NOT_USUAL = ['tap', 'belt', 'sink', 'idler', 'held'];

/** Tests of the path that are made from outside on the running unit and that a healthy unit answers. */
function functionTests({ job, path, gone }: Standing): PathTest[] {
  if (!path) return [];
  const nominal = jobSpeeds(job).some((speed) => speed.nominalRpm !== null || speed.nominalCmPerS !== null);
  return path.tests.filter((test) => {
    const { signal, context } = test;
    if (!test.outside || signal === null || test.power === 'dead' || OF_USE.includes(signal)) return false;
    if (SOUGHT.includes(test.id) || Object.keys(context).some((key) => NOT_USUAL.includes(key))) return false;
    const keys = Object.keys(context);
    if (keys.some((key) => gone.has(key))) return false;
    if (path.blocks.some((block) => gone.has(block.id) && block.outputs.includes(signal))) return false;
    const { speed } = path;
    if (
      nominal &&
      signal === speed?.signal &&
      keys.every((key) => key === speed.speedKey || key === speed.heatKey || key === 'pitch')
    )
      return false;
    const chosen = speed?.speedKey ? ownEntry(context, speed.speedKey) : undefined;
    if (nominal && chosen !== undefined && !job.speedIds.includes(chosen)) return false;
    return healthyOutcomes(path, test).length > 0;
  });
}

/** All of them. */
export function functionChecks(standing: Standing): Wanted[] {
  const { job, path, gone } = standing;
  const tests = functionTests(standing).map((test): Wanted => ({
    id: `test.${test.id}`,
    group: 'function',
    name: test.name,
    how: test.how,
    bound: { kind: 'test', testId: test.id },
    blocks: path && test.signal ? blocksBehind(path, test.signal) : 'all',
  }));
  const asked = provingOf(job.familyId).functions.filter(({ blocks }) => !blocks.some((id) => gone.has(id)));
  const own = asked.map((one): Wanted => ({
    id: `function.${one.id}`,
    group: 'function',
    name: one.name,
    how: one.how,
    bound: { kind: 'look' },
    blocks: one.blocks.includes('*') ? 'all' : new Set(one.blocks),
  }));
  return [...tests, ...own];
}
