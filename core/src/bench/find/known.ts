/** What this bench knows of a family and of one model, from all its logs. */
import type { Knowledge } from '../../diagnosis/index.js';
import type { DrivePath } from '../../families/index.js';
import { THIN } from '../../quantity/index.js';
import { linesOf, standing } from '../event.js';
import type { StepBody } from '../ledger/index.js';
import type { JobFacts } from '../job.js';
import { confirmedFaults } from './confirmed.js';
import { healthyValues, type HealthyValues, type JobLog } from './healthy.js';
import { say } from '../../words/index.js';
import { MOST_NOTES } from '../defaults.js';

/** Confirmed faults and healthy values of a family and a model. */
export interface BenchKnowledge extends Knowledge {
  readonly healthy: HealthyValues;
  /** What cured units of the model that went back: how often, by the mend's id. */
  readonly cured: Readonly<Record<string, number>>;
  /** What to know when one is opened: what the strip-downs of its newest jobs noted, the newest first. */
  readonly opening: readonly string[];
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
    cured: curedBefore(own),
    opening: openingNotes(own),
  };
}

/** Mends of units that went back. */
function curedBefore(logs: readonly JobLog[]): Record<string, number> {
  const out = new Map<string, number>();
  for (const { lines } of logs) {
    const all = standing(lines);
    if (!all.some(({ body }) => body.kind === 'hand-back')) continue;
    for (const id of new Set(linesOf(all, 'mended').map(({ body }) => body.repairId)))
      out.set(id, (out.get(id) ?? 0) + 1);
  }
  return Object.fromEntries(out);
}

/** Odd fasteners, an earth, a distance, an earlier visit's traces: what whoever opens the next one wants to know. */
function openingNotes(logs: readonly JobLog[]): string[] {
  const newest = [...logs].sort((a, b) => b.job.number - a.job.number);
  const notes = newest.flatMap(({ lines }) =>
    linesOf(standing(lines), 'step').flatMap(({ body }) => {
      const said = stepNotes(body);
      return said.length > 0 ? [`${body.what}: ${said.join(', ')}`] : [];
    }),
  );
  return [...new Set(notes)].slice(0, MOST_NOTES);
}

const stepNotes = ({ fasteners, earth, distances, orientation, owes }: StepBody): string[] => [
  ...(earth ? [say`earth goes back with it`] : []),
  ...fasteners.filter((one) => one.odd).map((one) => say`${one.count} × ${one.what} in its own place`),
  ...distances.map((one) => `${one.what} ${Number(one.value.toPrecision(4))}${THIN}${one.unit}`),
  ...(orientation.trim() === '' ? [] : [orientation.trim()]),
  ...(owes.length > 0 ? [say`have ${owes.join(', ')} ready`] : []),
];
