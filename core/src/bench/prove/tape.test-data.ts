/** A cassette deck's log for the tests of proving: speeds as read, and what was done to it for a trial. */
import { familyOf } from '../../families/index.js';
import type { EventBody, SpeedBody } from '../event.js';
import { didNotTurn } from '../speedReading.js';

const [first] = familyOf('cassette-direct').speeds;
if (!first) throw new Error('no speed');
/** A speed as read. */
export const speed = (errorPercent: number, more: Partial<SpeedBody> = {}): SpeedBody => ({
  ...didNotTurn(first),
  turned: true,
  errorPercent,
  ...more,
});
/** A phase of a trial by breath at the small capacitors. */
export const phase = (one: 'rest' | 'provoked' | 'end', began: string | null = 'k0'): EventBody => ({
  kind: 'trial-phase',
  began,
  provocation: 'breath',
  block: 'capacitors',
  name: 'small capacitors',
  phase: one,
});
