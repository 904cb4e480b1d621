import { describe, expect, it } from 'vitest';
import { familyOf } from '../families/index.js';
import type { BenchEvent, EventBody } from './event.js';
import { toleranceOfUse, type JobFacts } from './job.js';
import { searchText } from './job.js';
import { listRow, unknownRow, wishAt } from './listing.js';
import { didNotTurn } from './speedReading.js';
import { nextWish } from './owed.js';
import { jobState } from './state.js';

const family = familyOf('belt-turntable-dc');
const JOB: JobFacts = {
  number: 42,
  familyId: family.id,
  make: 'Brenning',
  model: 'Dans 33',
  serial: 'S1',
  customer: 'Dance hall',
  powerKind: 'mains',
  ratedVolts: 230,
  speedIds: ['33', '45'],
  complaint: 'Slow when WARM',
  tried: '',
  tolerance: toleranceOfUse(family),
};
const START = Date.UTC(2026, 0, 1, 9);
let count = 0;
const line = (body: EventBody, minutes = ++count): BenchEvent => ({
  key: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  enteredAt: new Date(START + minutes * 60_000).toISOString(),
  device: 'a',
  sequence: count,
  stage: 'find',
  body,
});
const at = (minutes: number) => new Date(START + minutes * 60_000);
const speed = (errorPercent: number, minutes: number) =>
  line(
    {
      ...didNotTurn(family.speeds.find(({ id }) => id === '33') as (typeof family.speeds)[number]),
      method: 'tone-recording',
      turned: true,
      errorPercent,
      expandedPercent: 0.1,
      wowPeakPercent: 0.2,
      rpm: 33.3,
    },
    minutes,
  );

describe('what a list shows of a job', () => {
  it('is the speed as left once there is one, else the newest, with its side', () => {
    const found = [speed(-2.4, 1)];
    expect(listRow(JOB, found, [], at(2)).speeds[0]).toMatchObject({
      label: '33⅓ rpm',
      nominalRpm: 100 / 3,
      reading: { errorPercent: -2.4, verdict: 'not-right', side: 'slow', expandedPercent: 0.1, wowPeakPercent: 0.2 },
    });
    const worked = [...found, line({ kind: 'work', action: 'replace', what: 'belt' }, 3), speed(0.02, 4)];
    expect(listRow(JOB, worked, [], at(5)).speeds[0]?.reading).toMatchObject({ errorPercent: 0.02, side: null });
    expect(listRow(JOB, worked, [], at(5)).speeds[1]?.reading).toBeNull();
    expect(listRow(JOB, worked, [], at(5)).lastAt).toBe(at(4).toISOString());
  });

  it.each(['soak', 'discharge', 'cure', 'warm-up', 'run-in'] as const)(
    'wants at any time what the job itself wants then: timer %s before and after it has run out',
    (timer) => {
      const events = [
        line({ kind: 'power', state: 'live-isolated', conditions: [] }, 0),
        line({ kind: 'power', state: 'unplugged-unknown', conditions: [] }, 1),
        line({ kind: 'timer', timer, label: '', minutes: 10 }, 2),
      ];
      const row = listRow(JOB, events, [], at(3));
      const state = jobState(JOB, events);
      for (const minutes of [3, 11, 12.1, 500])
        expect(wishAt(row, at(minutes))).toEqual(nextWish(JOB, state, at(minutes)));
      expect(wishAt(row, at(12.1)).kind).toBe('hands');
    },
  );

  it('leads from a wait for the charge to the meter, at Make safe', () => {
    const events = [
      line({ kind: 'power', state: 'live-isolated', conditions: [] }, 0),
      line({ kind: 'power', state: 'unplugged-unknown', conditions: [] }, 1),
      line({ kind: 'timer', timer: 'discharge', label: 'Bleed', minutes: 5 }, 2),
    ];
    // A washer's controller holds a charge; the turntable above stores none.
    const washer = { ...JOB, familyId: 'washer-front', speedIds: [] };
    expect(wishAt(listRow(washer, events, [], at(3)), at(8))).toMatchObject({
      stage: 'make-safe',
      kind: 'hands',
      text: 'Wait over: measure what is left',
    });
  });

  it('keeps no timer that was ended, and a unit handed back wants nothing more', () => {
    const timer = line({ kind: 'timer', timer: 'soak', label: '', minutes: 10 }, 2);
    const events = [timer, line({ kind: 'timer-end', target: timer.key, how: 'stopped' }, 3)];
    expect(listRow(JOB, events, [], at(4)).timers).toEqual([]);
    const back = {
      next: { stage: 'hand-back', kind: 'done', text: 'Handed back', until: null },
      timers: listRow(JOB, [timer], [], at(3)).timers,
    } as const;
    expect(wishAt(back, at(500)).kind).toBe('done');
  });

  it('takes the dangerous state where a line about power is lost, or nothing can be reckoned', () => {
    const lost = [{ position: 9, kind: 'power', receivedAt: at(1).toISOString() }];
    expect(listRow(JOB, [], lost, at(2)).power).toBe('live-direct');
    expect(unknownRow(JOB, at(2)).power).toBe('live-direct');
    expect(unknownRow({ ...JOB, powerKind: 'pack' }, at(2)).power).toBe('pack-in');
    expect(unknownRow(JOB, at(2)).next.kind).toBe('hands');
  });

  it('is found by number, names, customer, family and complaint in small letters', () => {
    expect(searchText(JOB)).toBe(`0042 brenning dans 33 s1 dance hall ${family.name.toLowerCase()} slow when warm`);
    expect(searchText({ ...JOB, familyId: 'of a later version' })).not.toContain('later');
  });
});
