import { mixer } from './machines/mixer.js';
import { turntableAc } from './machines/turntableAc.js';
import { turntableDc } from './machines/turntableDc.js';
import { vacuum } from './machines/vacuum.js';
import type { PracticeMachine } from './machine.js';

export { between, type Condition, type PracticeMachine, type PracticeUnit, type Seen } from './machine.js';
export { mixer, turntableAc, turntableDc, vacuum };

/** All machines of the practice bench. */
export const PRACTICE_MACHINES: readonly PracticeMachine[] = [turntableDc, turntableAc, mixer, vacuum];
