/** Which lines of the log can only come from a unit that was switched on. */
import { needsPower, PATHS } from '../families/index.js';
import type { BenchEvent, ReadingBody } from './event.js';
import type { JobFacts } from './job.js';
import { signalAt } from './find/places.js';
import { say } from '../words/index.js';
import { LEAST_LIVE_V, LEAST_PLACE_V } from './defaults.js';

/** Places that have volts of their own, in the unit or out of it. */
const OWN_VOLTS = /\b(?:pack|battery|batteries|cells?|bench supply|adapter)\b/i;

/**
 * What the line shows to have been on, in words ("33 measured turning"), or null. `place` is where the
 * reading was taken, charge points excepted by the caller.
 */
export function poweredBy(
  job: Pick<JobFacts, 'familyId'>,
  body: BenchEvent['body'],
  place: string | null,
): string | null {
  switch (body.kind) {
    case 'speed':
      return body.turned ? say`${body.speedId} was measured turning` : null;
    case 'start-volts':
      return say`it started at ${body.volts} V`;
    case 'reading':
      return readingNeeds(job, body, place);
    case 'answer': {
      const test = PATHS.get(job.familyId)?.tests.find((one) => one.id === body.testId);
      return test && needsPower(test) ? say`${body.name} needs it on` : null;
    }
    default:
      return null;
  }
}

function readingNeeds(job: Pick<JobFacts, 'familyId'>, body: ReadingBody, place: string | null): string | null {
  const size = body.values.length > 0 ? Math.max(...body.values.map(Math.abs)) : 0;
  const where = place === null ? '' : ` at ${place}`;
  if (body.unit === 'Hz' && size > 0) return say`${size} Hz was read${where}`;
  if (body.unit !== 'V') return null;
  const path = PATHS.get(job.familyId);
  const known = path ? signalAt(path, body, place) : null;
  if (known && !path?.tests.some((test) => test.signal === known.id && needsPower(test))) return null;
  if (known === null && place !== null && OWN_VOLTS.test(place)) return null;
  const least = known ? LEAST_PLACE_V : LEAST_LIVE_V;
  return size >= least ? say`${size} V was read${where}` : null;
}
