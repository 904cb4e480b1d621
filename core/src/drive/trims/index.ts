export { COACH, type CoachLine, type CoachSpeed, type CoachTask, type CoachTrim } from './course.js';
export { effectOf } from './belief.js';
export { coach, isKnown, type CoachAdvice, type CoachState } from './advise.js';
export { trimTurns } from './turns.js';
export { madeUnit, playCoach, type MadeCourse, type MadeUnit } from './made.js';
export { lockMiddle, type CaptureEdges, type LockMiddle } from './lock.js';
