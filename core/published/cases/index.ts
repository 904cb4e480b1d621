/** All whole cases. */
import { HELD_CASES } from './held.test-data.js';
import { HOUSEHOLD_CASES } from './household.test-data.js';
import { TAPE_CASES } from './tape.test-data.js';
import { TOOL_CASES } from './tools.test-data.js';
import { TURNTABLE_CASES } from './turntables.test-data.js';
import type { WholeCase } from './wholeCase.js';

export const WHOLE_CASES: readonly WholeCase[] = [
  ...TURNTABLE_CASES,
  ...TAPE_CASES,
  ...HOUSEHOLD_CASES,
  ...TOOL_CASES,
  ...HELD_CASES,
];
