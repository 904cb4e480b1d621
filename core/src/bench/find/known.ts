/** What this bench knows of a family and of one model, from all its logs. */
import type { Knowledge } from '../../diagnosis/index.js';
import type { DrivePath } from '../../families/index.js';
import { linesOf } from '../event.js';
import type { JobFacts } from '../job.js';
import { confirmedFaults } from './confirmed.js';
import { healthyValues, type HealthyValues, type JobLog } from './healthy.js';

/** Confirmed faults and healthy values of a family and a model. */
export interface BenchKnowledge extends Knowledge {
  readonly healthy: HealthyValues;
}

/** A model by make and name; empty while neither is known. */
export const modelOf = (job: Pick<JobFacts, 'make' | 'model'>): string => `${job.make} ${job.model}`.trim();

/** A unit that came back with the same complaint was not mended by what was done: neither its fault nor its readings count. */
function withoutReturned(logs: readonly JobLog[]): readonly JobLog[] {
  const returned = new Set(
    logs.flatMap(({ lines }) => linesOf(lines, 'return').flatMap(({ body }) => (body.same ? [body.number] : []))),
  );
  return returned.size === 0 ? logs : logs.filter(({ job }) => !returned.has(job.number));
}

/** Logs of the family's jobs; those of `model` count for the model, the others for the family. */
export function benchKnowledge(path: DrivePath, all: readonly JobLog[], model: string): BenchKnowledge {
  const logs = withoutReturned(all);
  const same = (log: JobLog) => model !== '' && modelOf(log.job).toLowerCase() === model.toLowerCase();
  const faults = (some: readonly JobLog[]) =>
    confirmedFaults(
      path,
      some.map((log) => log.lines),
    );
  const own = logs.filter(same);
  return {
    family: faults(logs.filter((log) => !same(log))),
    model: faults(own),
    healthy: healthyValues(path, own),
  };
}
