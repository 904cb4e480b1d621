/** Families that have a machine on the practice bench. */
import type { FamilyMap } from '../family.js';
import { turntableDcMap } from './turntableDc.js';

/** All maps, one a family. */
export const MAPS: readonly FamilyMap[] = [turntableDcMap];
