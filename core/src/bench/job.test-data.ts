/** A made-up job for the tests of the bench. */
import { familyOf } from '../families/index.js';
import { toleranceOfUse, type JobFacts } from './job.js';

/** A mains unit of the family at its usual speeds, with nothing known of it but what `more` says. */
export function testJob(familyId: string, more: Partial<JobFacts> = {}): JobFacts {
  const family = familyOf(familyId);
  return {
    number: 1,
    familyId,
    make: '',
    model: '',
    serial: '',
    customer: '',
    powerKind: 'mains',
    ratedVolts: 230,
    speedIds: family.usualSpeeds,
    complaint: '',
    tried: '',
    tolerance: toleranceOfUse(family),
    ...more,
  };
}
