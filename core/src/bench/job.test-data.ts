/** A made-up job for the tests of the bench. */
import { familyOf } from '../families/index.js';
import type { BenchEvent, EventBody } from './event.js';
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

/** Makes lines of a log at a stage, a minute apart, with keys k1, k2 … */
export function lineMaker(stage: BenchEvent['stage'] = 'find'): (body: EventBody) => BenchEvent {
  let minute = 0;
  return (body) => ({
    key: `k${++minute}`,
    enteredAt: new Date(Date.UTC(2026, 0, 1) + minute * 60_000).toISOString(),
    device: 'a',
    sequence: minute,
    stage,
    body,
  });
}
/** A log of a stage, a line a minute. */
export const logOf =
  (stage: BenchEvent['stage']) =>
  (...bodies: readonly EventBody[]): BenchEvent[] =>
    bodies.map(lineMaker(stage));

/** A new belt, as it is decided on. */
export const DECISION = {
  kind: 'decision',
  optionId: 'belt',
  name: 'Replace the belt',
  reason: '',
  chance: 0.6,
  minutes: 15,
  money: 23,
  expectedCost: 31,
  beside: '',
} as const satisfies EventBody;

/** A speed as it was read. */
export const speedOf = (speedId: string, errorPercent: number, more: object = {}) =>
  ({
    kind: 'speed',
    text: '',
    speedId,
    method: 'tone-live',
    turned: true,
    errorPercent,
    expandedPercent: 0.05,
    referenceIncluded: true,
    wowPeakPercent: null,
    rpm: null,
    sourceName: null,
    runId: null,
    condition: null,
    ...more,
  }) as const satisfies EventBody;

/** When logs of proving begin. */
export const LOG_START = Date.UTC(2026, 2, 1, 8);
/** A log written as minutes and bodies; keys are k0, k1, ... in order. */
export const logAt = (...lines: readonly (readonly [number, EventBody])[]): BenchEvent[] =>
  lines.map(([minutes, body], i) => ({
    key: `k${i}`,
    enteredAt: new Date(LOG_START + minutes * 60_000).toISOString(),
    device: 'a',
    sequence: i,
    stage: 'prove',
    body,
  }));

/** Direct volts read at a place. */
export const voltsAt = (value: number, place: string | null): EventBody => ({
  kind: 'reading',
  text: '',
  values: [value],
  unit: 'V',
  qualifier: 'dc',
  bound: 'exact',
  place,
  speedId: null,
  condition: null,
  holdKey: null,
});
