/** What a job is about, as taken in. */
import type { Origin, Tolerance } from '../quantity/index.js';
import { tolerance } from '../quantity/index.js';
import { FAMILIES, familyOf, type Family, type FamilySpeed } from '../families/index.js';

/** Limits chosen at take-in, with where they come from. */
export interface JobTolerance {
  readonly use: string;
  readonly lowerPercent: number;
  readonly upperPercent: number;
  readonly origin: Origin;
}

/** What the reckoning needs to know of a job; volts rated, null when not known. */
export interface JobFacts {
  readonly number: number;
  readonly familyId: string;
  readonly make: string;
  readonly model: string;
  readonly serial: string;
  readonly customer: string;
  readonly powerKind: 'mains' | 'pack' | 'adapter';
  readonly ratedVolts: number | null;
  readonly speedIds: readonly string[];
  readonly complaint: string;
  readonly tried: string;
  readonly tolerance: JobTolerance;
  /** A practice unit: which machine, what is hidden in it. Absent for a real unit. */
  readonly practice?: PracticeSpec | undefined;
}

/** A unit of the practice bench: everything it shows follows from this. */
export interface PracticeSpec {
  readonly machine: string;
  /** Faults put in, by the machine's own names; none for a sound unit. */
  readonly faults: readonly string[];
  /** Its tolerances and the noise of its readings. */
  readonly seed: number;
  /** The lesson it belongs to; null for none. */
  readonly lesson: string | null;
}

/** The speeds of this unit, in the family's order. */
export function jobSpeeds(job: Pick<JobFacts, 'familyId' | 'speedIds'>): FamilySpeed[] {
  return familyOf(job.familyId).speeds.filter((speed) => job.speedIds.includes(speed.id));
}

/** The tolerance that counts for this job. */
export function jobTolerance(job: Pick<JobFacts, 'tolerance'>): Tolerance {
  return tolerance(job.tolerance.lowerPercent, job.tolerance.upperPercent, job.tolerance.origin);
}

/** A family's tolerance of a use as a job carries it; the first is the default. */
export function toleranceOfUse(family: Family, use?: string): JobTolerance {
  const chosen = family.tolerances.find((one) => one.use === use) ?? family.tolerances[0];
  if (!chosen) throw new Error('a family has at least one tolerance');
  return {
    use: chosen.use,
    lowerPercent: chosen.lowerPercent,
    upperPercent: chosen.upperPercent,
    origin: chosen.origin,
  };
}

/** "0147" as it stands on labels. */
export const jobNumber = (number: number): string => String(number).padStart(4, '0');

/** "P-0003": practice units have a series of their own. */
export const practiceNumber = (number: number): string => `P-${jobNumber(number)}`;

/** A job's number as it is shown. */
export const jobLabel = (job: Pick<JobFacts, 'number' | 'practice'>): string =>
  job.practice ? practiceNumber(job.number) : jobNumber(job.number);

/** What the unit is called in lists: make and model, or the family when neither was given. */
export function unitName(job: Pick<JobFacts, 'make' | 'model' | 'familyId'>): string {
  return `${job.make} ${job.model}`.trim() || familyOf(job.familyId).name;
}

/** What a unit is found by, in lower case: number, names, customer, family and complaint. */
export function searchText(job: JobFacts): string {
  const words = [
    jobNumber(job.number),
    job.make,
    job.model,
    job.serial,
    job.customer,
    FAMILIES.find(({ id }) => id === job.familyId)?.name,
    job.complaint,
  ];
  return words.filter(Boolean).join(' ').toLowerCase();
}
