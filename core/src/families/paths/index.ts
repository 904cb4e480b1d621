/** Drive paths by family. */
import type { PathData } from '../path/schema.js';
import { beltTurntableDcPath } from './beltTurntableDc.js';
import { beltTurntableAcPath } from './beltTurntableAc.js';
import { rimDrivePath } from './rimDrive.js';
import { cassetteBeltPath } from './cassetteBelt.js';
import { cassetteDirectPath } from './cassetteDirect.js';
import { directDriveServoPath } from './directDriveServo.js';
import { directDriveQuartzPath } from './directDriveQuartz.js';
import { cordlessBrushlessPath } from './cordlessBrushless.js';
import { openReelPath } from './openReel.js';
import { washerTopPath } from './washerTop.js';
import { standMixerPath } from './standMixer.js';
import { toolBrushedPath } from './toolBrushed.js';
import { vacuumCleanerPath } from './vacuumCleaner.js';
import { videoRecorderPath } from './videoRecorder.js';
import { washerFrontPath } from './washerFront.js';

export const PATH_DATA: Readonly<Record<string, PathData>> = {
  'belt-turntable-dc': beltTurntableDcPath,
  'direct-drive-servo': directDriveServoPath,
  'belt-turntable-ac': beltTurntableAcPath,
  'rim-drive': rimDrivePath,
  'cassette-belt': cassetteBeltPath,
  'cassette-direct': cassetteDirectPath,
  'direct-drive-quartz': directDriveQuartzPath,
  'video-recorder': videoRecorderPath,
  'stand-mixer': standMixerPath,
  'vacuum-cleaner': vacuumCleanerPath,
  'washer-top': washerTopPath,
  'cordless-brushless': cordlessBrushlessPath,
  'open-reel': openReelPath,
  'tool-brushed': toolBrushedPath,
  'washer-front': washerFrontPath,
};
