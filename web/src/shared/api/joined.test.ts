import type { JobDetail } from '@amber-gauge/contract';
import { expect, it } from 'vitest';
import { JOB, line } from '../../test/scene.js';
import { joined } from './queries.js';

const kept = (position: number) => ({
  ...line({ kind: 'note', text: `line ${position}` }),
  position,
  receivedAt: '2026-01-01T08:00:00.000Z',
});
const detail = (positions: readonly number[], lines: number, onlyNew: boolean): JobDetail => ({
  job: JOB,
  events: positions.map(kept) as JobDetail['events'],
  unreadable: [],
  lines,
  onlyNew,
});
const places = (found: JobDetail | null) => found?.events.map(({ position }) => position) ?? null;

it('puts what came in behind what is known', () => {
  expect(places(joined(detail([1, 2], 2, false), detail([5], 3, true)))).toEqual([1, 2, 5]);
  expect(places(joined(detail([1, 2], 2, false), detail([], 2, true)))).toEqual([1, 2]);
});

it('asks for the whole log when a line is missing between, and takes a whole one as it is', () => {
  // Another device's line 3 was kept before ours, 4, which is known already.
  expect(joined(detail([1, 2, 4], 3, false), detail([], 4, true))).toBeNull();
  expect(places(joined(detail([1, 2, 4], 3, false), detail([1, 2, 3, 4], 4, false)))).toEqual([1, 2, 3, 4]);
});

it('counts lines that cannot be read', () => {
  const lost = { position: 3, kind: 'power', receivedAt: '2026-01-01T08:00:00.000Z' };
  const news = { ...detail([4], 4, true), unreadable: [lost] };
  expect(joined(detail([1, 2], 2, false), news)?.unreadable).toEqual([lost]);
});
