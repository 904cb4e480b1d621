/** Jobs and lines put in over the wire, to begin a test in the middle of a job. */
import { randomUUID } from 'node:crypto';
import type { EventBody } from '@amber-gauge/core/bench';
import { expect, type APIRequestContext } from '@playwright/test';

let sequence = 0;
/** Lines said so many minutes ago, in order. */
export async function tell(
  request: APIRequestContext,
  url: string,
  jobId: string,
  lines: readonly (readonly [number, EventBody])[],
) {
  const events = lines.map(([minutesAgo, body]) => ({
    key: randomUUID(),
    enteredAt: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
    device: 'script',
    sequence: sequence++,
    stage: 'prove',
    body,
  }));
  const answer = await request.post(`${url}/api/v1/jobs/${jobId}/events`, { data: { events } });
  expect(answer.status()).toBe(201);
  return events.map(({ key }) => key);
}

/** A unit taken in; its id and number. */
export async function takeIn(
  request: APIRequestContext,
  url: string,
  more: object = {},
): Promise<{ id: string; number: number }> {
  const data = {
    id: randomUUID(),
    familyId: 'cassette-belt',
    make: 'Prøve',
    model: 'Deck 1',
    serial: 'P-1',
    customer: 'School',
    powerKind: 'mains',
    ratedVolts: 230,
    speedIds: ['4.76'],
    complaint: 'Slow when it is warm.',
    tried: '',
    tolerance: {
      use: 'home listening',
      lowerPercent: -1.5,
      upperPercent: 1.5,
      origin: { kind: 'standard', text: 'DIN 45500 tape' },
    },
    ...more,
  };
  const answer = await request.post(`${url}/api/v1/jobs`, { data });
  expect(answer.status()).toBe(201);
  return (await answer.json()) as { id: string; number: number };
}
