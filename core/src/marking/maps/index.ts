/** Families that have a machine on the practice bench. */
import type { FamilyMap } from '../family.js';
import { brushlessToolMap } from './brushlessTool.js';
import { cassetteDeckMap } from './cassetteDeck.js';
import { cassetteDirectMap } from './cassetteDirect.js';
import { cordlessToolMap } from './cordlessTool.js';
import { mixerMap } from './mixer.js';
import { quartzDeckMap } from './quartzDeck.js';
import { reelDeckMap } from './reelDeck.js';
import { rimDriveMap } from './rimDrive.js';
import { servoDeckMap } from './servoDeck.js';
import { turntableAcMap } from './turntableAc.js';
import { turntableDcMap } from './turntableDc.js';
import { vacuumMap } from './vacuum.js';
import { videoRecorderMap } from './videoRecorder.js';
import { washerFrontMap } from './washerFront.js';
import { washerTopMap } from './washerTop.js';

/** All maps, one a family. */
export const MAPS: readonly FamilyMap[] = [
  turntableDcMap,
  turntableAcMap,
  rimDriveMap,
  mixerMap,
  vacuumMap,
  cordlessToolMap,
  brushlessToolMap,
  washerTopMap,
  servoDeckMap,
  cassetteDeckMap,
  quartzDeckMap,
  cassetteDirectMap,
  washerFrontMap,
  reelDeckMap,
  videoRecorderMap,
];
