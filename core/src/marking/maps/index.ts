/** Families that have a machine on the practice bench. */
import type { FamilyMap } from '../family.js';
import { mixerMap } from './mixer.js';
import { turntableAcMap } from './turntableAc.js';
import { turntableDcMap } from './turntableDc.js';
import { vacuumMap } from './vacuum.js';

/** All maps, one a family. */
export const MAPS: readonly FamilyMap[] = [turntableDcMap, turntableAcMap, mixerMap, vacuumMap];
