/** A belt turntable's log for the tests of what it leads to. */
import type { DrivePath } from '../../families/index.js';
import { familyOf } from '../../families/index.js';
import { standing, type BenchEvent, type ReadingBody, type SpeedBody } from '../event.js';
import { lineMaker, testJob, voltsAt } from '../job.test-data.js';
import { didNotTurn } from '../speedReading.js';
import { jobState } from '../state.js';
import { findEvidence, pathOf } from './evidence.js';

/** A belt turntable. */
export const family = familyOf('belt-turntable-dc');
/** One that is slow. */
export const job = testJob(family.id, { speedIds: ['33', '45'], complaint: 'slow' });
/** Its path. */
export const path = pathOf(job) as DrivePath;

/** A line of its log, a minute after the last. */
export const line = lineMaker();
/** A speed as measured. */
export const speed = (speedId: string, errorPercent: number, more: Partial<SpeedBody> = {}): BenchEvent =>
  line({
    ...didNotTurn(family.speeds.find((one) => one.id === speedId) as (typeof family.speeds)[number]),
    method: 'tone-recording',
    turned: true,
    errorPercent,
    expandedPercent: 0.1,
    ...more,
  });
/** Volts read at a place. */
export const reading = (place: string | null, value: number, more: Partial<ReadingBody> = {}): BenchEvent =>
  line({ ...voltsAt(value, place), ...more } as ReadingBody);
/** A test answered. */
export const answer = (testId: string, outcome: string): BenchEvent =>
  line({ kind: 'answer', testId, name: testId, outcome, words: outcome, value: null, unit: null });

/** What the log leads to. */
export function read(...lines: BenchEvent[]) {
  const state = jobState(job, lines);
  const places = new Map(state.readings.flatMap((one) => (one.place ? [[one.key, one.place] as const] : [])));
  return findEvidence(job, path, standing(lines), { ledger: state.ledger, power: state.power, places });
}
