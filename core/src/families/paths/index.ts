/** Drive paths by family. */
import type { DrivePath } from '../path/schema.js';
import { beltTurntableDcPath } from './beltTurntableDc.js';
import { directDriveQuartzPath } from './directDriveQuartz.js';
import { videoRecorderPath } from './videoRecorder.js';
import { washerFrontPath } from './washerFront.js';

export const PATH_DATA: Readonly<Record<string, DrivePath>> = {
  'belt-turntable-dc': beltTurntableDcPath,
  'direct-drive-quartz': directDriveQuartzPath,
  'video-recorder': videoRecorderPath,
  'washer-front': washerFrontPath,
};
