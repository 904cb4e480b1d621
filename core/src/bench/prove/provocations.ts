/** What a trial does to a part, in words, and the looks of Find that do the same. */
import { ownEntry } from '../../quantity/index.js';
import type { TrialProvocation } from './body.js';
import { say } from '../../words/index.js';

/** Their words: what is done to the part. */
export const PROVOCATION_WORDS: Readonly<Record<TrialProvocation, string>> = {
  heat: say`warmed`,
  cold: say`cooled`,
  breath: say`breathed on through a straw`,
  tap: say`tapped`,
  sink: say`heat sink pressed on`,
  load: say`loaded by hand`,
};

const LOOKED: Readonly<Record<string, TrialProvocation>> = {
  cooled: 'cold',
  warmed: 'heat',
  tapped: 'tap',
  'breathed-on': 'breath',
  sink: 'sink',
  loaded: 'load',
};

/** The provocation that a trial of Find is; undefined for one that provokes nothing. */
export const provocationOf = (trial: string): TrialProvocation | undefined => ownEntry(LOOKED, trial);
