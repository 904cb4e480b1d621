/** What can be tried at a part for a minute, in words, and where it must not be. Common practice, with no published source. */
import { ownEntry } from '../../quantity/index.js';
import { TRIALS, type TrialEntry } from '../../diagnosis/index.js';
import type { DrivePath } from '../../families/index.js';
import type { TriedBody } from './body.js';
import { say } from '../../words/index.js';

/** Names of what may be tried on a part. */
export type Trial = TrialEntry['trial'];
/** Names of what came of it. */
export type TrialResult = TrialEntry['result'];

/** What is done, as a button and in the log. */
export const TRIAL_WORDS: Readonly<Record<Trial, string>> = {
  bridged: say`bridged for a minute`,
  swapped: say`swapped with a known good one`,
  lifted: say`lifted out of circuit`,
  'fed-direct': say`fed from a bench supply`,
  cooled: say`cooled`,
  sink: say`heat sink pressed on`,
  warmed: say`warmed`,
  tapped: say`tapped`,
  'breathed-on': say`breathed on through a straw`,
  loaded: say`loaded by hand`,
};

/** Their words. */
export const RESULT_WORDS: Readonly<Record<TrialResult, string>> = {
  cured: say`cured it`,
  'no-change': say`no change`,
  better: say`better`,
  worse: say`worse`,
  helped: say`helped for half an hour`,
  changed: say`the fault changed`,
  turns: say`it turns`,
  hums: say`it hums and stands`,
  nothing: say`nothing`,
};

const PROVOKING: readonly TrialResult[] = ['changed', 'helped', 'no-change'];

/** What may come of a trial. */
export const resultsOf = (trial: Trial): readonly TrialResult[] =>
  trial === 'fed-direct'
    ? ['turns', 'hums', 'nothing']
    : trial === 'bridged' || trial === 'swapped' || trial === 'lifted'
      ? ['cured', 'helped', 'no-change']
      : PROVOKING;

/** What is never bridged: fuse, thermal cut-out, earth, door lock, pressure switch, pack interlock. */
const NEVER_BRIDGED: Readonly<Record<string, readonly string[]>> = {
  'washer-front': ['door', 'pressure', 'bus'],
  'washer-top': ['lid', 'drive-feed'],
  'cordless-brushless': ['pack', 'interlock', 'contact'],
  'tool-brushed': ['pack', 'cord'],
  'vacuum-cleaner': ['switch'],
};

/** What changes the volts is never bridged: what follows would get them raw. */
const CONVERTS = ['plug', 'transformer', 'rectifier', 'regulator', 'supply', 'bulk'];

/** What sets the speed is never bridged: the motor would run away, or nothing would be told. */
const GOVERNS = ['governor', 'plate', 'divider'];

/** Controls that are bypassed for a minute to part them from the switch before them. */
const BYPASSED = ['board', 'boost'];

/** Whether a bridge across it says anything: a contact or a line that gives on what it gets, or such a control. */
function canBridge(familyId: string, block: DrivePath['blocks'][number]): boolean {
  if ([...CONVERTS, ...GOVERNS].includes(block.id) || (ownEntry(NEVER_BRIDGED, familyId)?.includes(block.id) ?? false))
    return false;
  if (block.lane !== 'supply' && block.lane !== 'control') return false;
  const passes = block.healthy.some((row) =>
    Object.values(row.out).some((out) => typeof out === 'string' && block.inputs.includes(out.replace(/^=/, ''))),
  );
  return passes || BYPASSED.includes(block.id);
}

/** How the trial is done without harm. */
export const TRIAL_CAUTIONS: Readonly<Partial<Record<Trial, string>>> = {
  bridged: say`Fitted unplugged, insulated, fused; off again after the minute. Never across a fuse, cut-out, earth or
    lock.`,
  'fed-direct': say`Unplugged from its own board; low volts through a limit of current first; marks of plus and minus
    kept.`,
  cooled: say`Spray that does not burn; never at sparking brushes.`,
  sink: say`Insulated: the tab may be live.`,
  warmed: say`A breath of warm air, not the iron.`,
  tapped: say`Plastic rod; on isolated extra-low voltage only.`,
  'breathed-on': say`On isolated extra-low voltage only.`,
  loaded: say`Gloves off, sleeves clear, a soft pad on the rim: never at a blade, a chain or a gear.`,
};

/** Trials that may be made at a block; only what turns by itself is fed direct, only a contact or a line is bridged. */
export function trialsAt(familyId: string, path: DrivePath, blockId: string): Trial[] {
  const block = path.blocks.find((one) => one.id === blockId);
  const turns = path.signals.some((one) => (block?.outputs.includes(one.id) ?? false) && one.states.includes('still'));
  const bridged = block !== undefined && canBridge(familyId, block);
  return TRIALS.filter((trial) => (trial !== 'fed-direct' || turns) && (trial !== 'bridged' || bridged));
}

/** "tried: motor fed from a bench supply, 0.01 A: nothing". */
export const triedWords = ({ name, trial, result, amps }: TriedBody): string =>
  say`tried: ${name} ${TRIAL_WORDS[trial]}${amps === null ? '' : `, ${amps} A`}: ${RESULT_WORDS[result]}`;
