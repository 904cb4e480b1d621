/**
 * What each family has to show before it goes back, beside its speeds and the functions its path knows from
 * outside. Common practice, with no published source.
 */
import { ownEntry } from '../../quantity/index.js';
import { said } from '../../words/index.js';

/** A function that is tried from outside and that the path has no test for. */
export interface ProvingFunction {
  readonly id: string;
  readonly name: string;
  readonly how: string;
  /** Blocks of the path it rests on; `*` for all. */
  readonly blocks: readonly string[];
}

/** What a family owes before hand-back. */
export interface FamilyProving {
  /** On for this long it is warm, minutes; null where warmth is not waited for. */
  readonly warmMin: number | null;
  /** It runs by itself for so long, minutes. */
  readonly soakMin: number;
  readonly soakHow: string;
  readonly functions: readonly ProvingFunction[];
}

const f = (id: string, name: string, how: string, ...blocks: readonly string[]): ProvingFunction => ({
  id,
  name: said(name),
  how: said(how),
  blocks: blocks.length === 0 ? ['*'] : blocks,
});

const STARTS = f('starts', 'Starts', 'From standstill, five times in a row: it starts by itself, and the same way.');
const LOCK = f('lock', 'Lock', 'Start it five times: the lock lamp comes each time and stays.');
const STEPS = f('steps', 'Every speed step', 'Through all settings, up and down: each is faster than the one before.');
const loaded = (how: string) => f('load', 'Free and loaded', how);
const UNDER_LOAD = loaded(
  'Free, then under its usual load: it gives way a little, holds, and comes back; no smell, no ring of sparks.',
);
const PROGRAMME = 'One programme from start to end, nobody touching it.';

const DECK = [
  f('pause', 'Pause and stop', 'Pause, go on, stop: at once, no loop of tape left.'),
  f('ends', 'Both ends of a tape', 'Play across the end: it stops by itself, both sides.'),
];

const PROVING: Readonly<Record<string, FamilyProving>> = {
  'belt-turntable-dc': { warmMin: 15, soakMin: 120, soakHow: 'Turning with a record on.', functions: [STARTS] },
  'belt-turntable-ac': {
    warmMin: 20,
    soakMin: 1440,
    soakHow: 'Turning for a day: fresh oil runs in, noise comes back early or not at all.',
    functions: [STARTS],
  },
  'direct-drive-servo': { warmMin: 20, soakMin: 240, soakHow: 'Turning, looked at each hour.', functions: [STARTS] },
  'direct-drive-quartz': {
    warmMin: 20,
    soakMin: 720,
    soakHow: 'Turning for twelve hours, at the end pitch at both ends.',
    functions: [STARTS, LOCK],
  },
  'rim-drive': { warmMin: 20, soakMin: 60, soakHow: 'Turning under its usual load.', functions: [STARTS] },
  'cassette-belt': { warmMin: 30, soakMin: 90, soakHow: 'A whole cassette, both sides.', functions: [STARTS, ...DECK] },
  'cassette-direct': {
    warmMin: 30,
    soakMin: 90,
    soakHow: 'A whole cassette, both sides.',
    functions: [STARTS, ...DECK],
  },
  'video-recorder': {
    warmMin: 30,
    soakMin: 180,
    soakHow: 'A whole tape in play, then wound back.',
    functions: [
      f('record', 'Record', 'Record a minute and play it back: picture and sound.'),
      f('eject', 'Stop and eject', 'Stop, eject, take it in again: five times, no loop of tape.'),
    ],
  },
  'stand-mixer': {
    warmMin: null,
    soakMin: 5,
    soakHow: 'Under a dough for as long as its plate allows.',
    functions: [STEPS, STARTS, UNDER_LOAD],
  },
  'vacuum-cleaner': {
    warmMin: null,
    soakMin: 15,
    soakHow: 'On high with hose and filters on, on the floor.',
    functions: [
      STARTS,
      loaded('Hose free, then held shut for a few seconds: the pitch rises and comes back, no smell.'),
      f('reel', 'Cord reel', 'Cord out and in three times while it runs: no cut-out, no warmth at the rings.', 'reel'),
    ],
  },
  'washer-top': {
    warmMin: null,
    soakMin: 60,
    soakHow: PROGRAMME,
    functions: [
      loaded('Drum empty, then with a usual load: it spins up to the same speed and finds its balance.'),
      f('agitates', 'Agitates', 'In wash the agitator goes to and fro, even strokes.'),
      f('tight', 'Tight', 'Full, emptied, spun: dry underneath.', 'pump'),
      f('lid-stops', 'Lid stops it', 'In spin, lid opened as the user would: it brakes and stands.', 'lid'),
    ],
  },
  'washer-front': {
    warmMin: null,
    soakMin: 90,
    soakHow: PROGRAMME,
    functions: [
      loaded('Drum empty, then with a usual load: it spins up to the same speed and finds its balance.'),
      f('both-ways', 'Both ways', 'In wash: it tumbles one way, rests, tumbles the other.'),
      f('tight', 'Tight', 'Full, emptied, spun: dry underneath.', 'pump'),
      f('door-holds', 'Door holds', 'While it turns the door stays locked.', 'door'),
    ],
  },
  'cordless-brushless': {
    warmMin: null,
    soakMin: 10,
    soakHow: 'A whole pack under its usual load, in the open.',
    functions: [
      STARTS,
      UNDER_LOAD,
      f('trigger', 'Every trigger position', 'From the first click to the stop: it follows, with no dead place.'),
      f('brake', 'Stops', 'Trigger let go: it stands within seconds.', 'inverter'),
    ],
  },
  'tool-brushed': {
    warmMin: null,
    soakMin: 10,
    soakHow: 'In use under its usual load.',
    functions: [
      STARTS,
      UNDER_LOAD,
      f('trigger', 'Every trigger position', 'From the first click to the stop: it follows, with no dead place.'),
    ],
  },
  'open-reel': {
    warmMin: 30,
    soakMin: 90,
    soakHow: 'A whole reel, then wound back.',
    functions: [STARTS, f('pause', 'Pause and stop', 'From play and from both winds: no loop, no stretch.', 'brakes')],
  },
};

const USUAL: FamilyProving = { warmMin: 20, soakMin: 60, soakHow: 'Running.', functions: [STARTS] };

/** What the family owes before hand-back; the usual where it is not known. */
export const provingOf = (familyId: string): FamilyProving => {
  const proving = ownEntry(PROVING, familyId) ?? USUAL;
  return { ...proving, soakHow: said(proving.soakHow) };
};
