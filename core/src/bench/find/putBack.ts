/** What is off the unit now, and which tests it keeps from being made. */
import { ownEntry } from '../../quantity/index.js';
import { familyOf, needsPower, restsOn, type DrivePath, type PathTest } from '../../families/index.js';
import { openEnds, stepsOff, type Ledger } from '../ledger/index.js';
import type { JobFacts } from '../job.js';
import { blocksNamed } from './named.js';

/** Something off: its words, the usual end it is, and the blocks that are out of the path with it. */
interface Off {
  readonly what: string;
  readonly usualId: string | null;
  readonly blocks: readonly string[];
}

/** Every block, where all of the unit is out: a board unplugged, no earth. */
const ALL = '*';

/**
 * By test: what must go back before it can be made. A test that needs power is kept from being made by
 * every block that is out and on whose signals its own reading rests, unless it asks for it to be off.
 */
export function putBackFirst(
  job: Pick<JobFacts, 'familyId'>,
  path: DrivePath,
  ledger: Ledger,
): ReadonlyMap<string, readonly string[]> {
  const off = offNow(job, path, ledger);
  const out = new Map<string, readonly string[]>();
  if (off.length === 0) return out;
  const behind = off.map((one) => signalsBehind(path, one.blocks));
  for (const test of path.tests) {
    if (!needsPower(test)) continue;
    const first = off.filter((one, i) => keeps(test, one, behind[i] as ReadonlySet<string>)).map((one) => one.what);
    if (first.length > 0) out.set(test.id, [...new Set(first)]);
  }
  return out;
}

function keeps(test: PathTest, off: Off, behind: ReadonlySet<string>): boolean {
  if (off.usualId !== null && test.opens.includes(off.usualId)) return false;
  if (off.blocks.some((block) => ownEntry(test.context, block) === 'off')) return false;
  if (off.blocks.includes(ALL)) return true;
  return test.signal !== null ? behind.has(test.signal) : off.blocks.includes(test.block ?? '');
}

function offNow(job: Pick<JobFacts, 'familyId'>, path: DrivePath, ledger: Ledger): Off[] {
  const usual = familyOf(job.familyId).openEnds;
  const known = new Set([ALL, ...path.blocks.map((block) => block.id)]);
  const ends = openEnds(ledger).map(({ end }): Off => {
    const of = usual.find((one) => one.id === end.usualId);
    // A test bridge and a left-over screw take nothing out of the path.
    const out = end.how === 'bridged' || end.how === 'left over' || end.how === 'taped';
    const blocks = of ? of.blocks : out ? [] : blocksNamed(path, end.what);
    return { what: end.what, usualId: end.usualId, blocks: blocks.filter((id) => known.has(id)) };
  });
  const steps = stepsOff(ledger).map(({ step }): Off => ({
    what: step.what,
    usualId: null,
    blocks: blocksNamed(path, step.what),
  }));
  return [...ends, ...steps].filter((one) => one.blocks.length > 0);
}

/** Signals that rest on a block, straight or through others; what a part further on asks of one before it is no such thing. */
function signalsBehind(path: DrivePath, blocks: readonly string[]): ReadonlySet<string> {
  // A part that gives its name to a signal (platter and platter speed) is what that signal is read on.
  const signals = new Set([
    ...path.blocks.filter((one) => blocks.includes(one.id)).flatMap((one) => one.outputs),
    ...path.signals.map((one) => one.id).filter((id) => blocks.includes(id)),
  ]);
  for (let grown = true; grown;) {
    grown = false;
    for (const block of path.blocks) {
      if (block.lane === 'feedback' || !restsOn(path, block).some((input) => signals.has(input))) continue;
      for (const output of block.outputs) {
        grown ||= !signals.has(output);
        signals.add(output);
      }
    }
  }
  return signals;
}
