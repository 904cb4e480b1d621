import { brushlessTool } from './machines/brushlessTool.js';
import { cassetteDeck } from './machines/cassetteDeck.js';
import { cassetteDirect } from './machines/cassetteDirect.js';
import { cordlessTool } from './machines/cordlessTool.js';
import { mixer } from './machines/mixer.js';
import { quartzDeck } from './machines/quartzDeck.js';
import { reelDeck } from './machines/reelDeck.js';
import { rimDrive } from './machines/rimDrive.js';
import { servoDeck } from './machines/servoDeck.js';
import { turntableAc } from './machines/turntableAc.js';
import { turntableDc } from './machines/turntableDc.js';
import { vacuum } from './machines/vacuum.js';
import { videoRecorder } from './machines/videoRecorder.js';
import { washerFront } from './machines/washerFront.js';
import { washerTop } from './machines/washerTop.js';
import type { PracticeMachine } from './machine.js';

export {
  between,
  type Condition,
  type PracticeMachine,
  type PracticeTrace,
  type PracticeUnit,
  type Quantities,
  type Seen,
  type SoundPart,
} from './machine.js';
export {
  brushlessTool,
  cassetteDeck,
  cassetteDirect,
  cordlessTool,
  mixer,
  quartzDeck,
  reelDeck,
  rimDrive,
  servoDeck,
  turntableAc,
  turntableDc,
  vacuum,
  videoRecorder,
  washerFront,
  washerTop,
};

/** All machines of the practice bench. */
export const PRACTICE_MACHINES: readonly PracticeMachine[] = [
  turntableDc,
  turntableAc,
  rimDrive,
  mixer,
  vacuum,
  cordlessTool,
  brushlessTool,
  washerTop,
  servoDeck,
  cassetteDeck,
  quartzDeck,
  cassetteDirect,
  washerFront,
  reelDeck,
  videoRecorder,
];
