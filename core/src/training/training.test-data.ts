/** Jobs and lines of practice units for the tests. */
import type { BenchEvent, EventBody, JobFacts } from '../bench/index.js';
import { testJob } from '../bench/job.test-data.js';
import { practiceVisit, type Visit } from './index.js';

/** A unit of this machine with these faults. */
export const jobWith = (familyId: string, machine: string, faults: readonly string[], seed = 5): JobFacts =>
  testJob(familyId, { practice: { machine, faults, seed, lesson: null } });

let count = 0;
export const line = (body: EventBody): BenchEvent => {
  const at = ++count;
  return {
    key: `00000000-0000-4000-8000-${String(at).padStart(12, '0')}`,
    enteredAt: new Date(Date.UTC(2026, 0, 1, 9, 0, at)).toISOString(),
    device: 'bench',
    sequence: at,
    stage: 'find',
    body,
  };
};
export const ON = (): BenchEvent => line({ kind: 'power', state: 'live-direct', conditions: [] });
export const OFF = (): BenchEvent => line({ kind: 'power', state: 'unplugged-unknown', conditions: [] });
export const mend = (repairId: string): BenchEvent => line({ kind: 'mended', repairId, name: repairId });
export const visit = (job: JobFacts, ...lines: BenchEvent[]): Visit => practiceVisit(job, lines) as Visit;
export const testOf = ({ path }: Visit, id: string) =>
  path.tests.find((one) => one.id === id) as Visit['path']['tests'][0];
export const repairOf = ({ path }: Visit, cures: string) =>
  path.repairs.find((one) =>
    [cures, `${cures.slice(0, cures.indexOf('.'))}.*`].some((ref) => one.cures.includes(ref)),
  ) as Visit['path']['repairs'][0];

export const deck = (...faults: string[]) => jobWith('belt-turntable-dc', 'turntable-dc', faults);
