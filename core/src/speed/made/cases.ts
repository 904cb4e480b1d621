/**
 * Made sources of known truth, as loggers, scopes and phones write them. What is expected of each was
 * written from what a careful person would want of it; nothing of the meter is used to make it.
 */
import { CAPTURE_CASES } from './captureCases.js';
import type { MadeCase } from './case.js';
import { GYRO_CASES } from './gyroCases.js';
import { LOGIC_CASES } from './logicCases.js';
import { TIMES_CASES } from './timesCases.js';

/** Every made log, in the order of what it tries. */
export const MADE_LOGS: readonly MadeCase[] = [...TIMES_CASES, ...LOGIC_CASES, ...CAPTURE_CASES, ...GYRO_CASES];
