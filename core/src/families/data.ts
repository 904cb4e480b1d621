/** The fifteen families of the trade, in its usual order. */
import { beltTurntableAc } from './records/beltTurntableAc.js';
import { beltTurntableDc } from './records/beltTurntableDc.js';
import { cassetteBelt } from './records/cassetteBelt.js';
import { cassetteDirect } from './records/cassetteDirect.js';
import { cordlessBrushless } from './records/cordlessBrushless.js';
import { directDriveQuartz } from './records/directDriveQuartz.js';
import { directDriveServo } from './records/directDriveServo.js';
import { openReel } from './records/openReel.js';
import { rimDrive } from './records/rimDrive.js';
import { standMixer } from './records/standMixer.js';
import { toolBrushed } from './records/toolBrushed.js';
import { vacuumCleaner } from './records/vacuumCleaner.js';
import { videoRecorder } from './records/videoRecorder.js';
import { washerFront } from './records/washerFront.js';
import { washerTop } from './records/washerTop.js';
import type { FamilyData } from './schema.js';

export const FAMILY_DATA: readonly FamilyData[] = [
  beltTurntableDc,
  beltTurntableAc,
  directDriveServo,
  directDriveQuartz,
  rimDrive,
  cassetteBelt,
  cassetteDirect,
  videoRecorder,
  standMixer,
  vacuumCleaner,
  washerTop,
  washerFront,
  cordlessBrushless,
  toolBrushed,
  openReel,
];
