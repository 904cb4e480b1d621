import { describe, expect, it } from 'vitest';
import type { CoachTask } from '../../drive/index.js';
import { PATHS } from '../../families/index.js';
import { lineWords } from '../describe.js';
import type { BenchEvent, EventBody } from '../event.js';
import { speedOf, testJob } from '../job.test-data.js';
import { jobState } from '../state.js';
import {
  clockOf,
  coachSays,
  nudgeAnswer,
  speedStands,
  trimBlockOf,
  trimDoes,
  turnsOfClock,
  turnLines,
  type JobCoach,
} from './index.js';

const job = testJob('belt-turntable-dc', { speedIds: ['33', '45'] });
const TASK: CoachTask = {
  watched: 'typed',
  speeds: ['33', '45'].map((id) => ({ id, label: `${id} rpm`, lowerPercent: -0.3, upperPercent: 0.3 })),
  trims: ['33', '45'].map((id) => ({
    id: `t${id}`,
    name: `${id} trim`,
    serves: [id],
    faster: null,
    travelTurns: null,
    stoodTurns: null,
  })),
};
let count = 0;
const line = (body: EventBody, minutes = 1): BenchEvent => ({
  key: `k${++count}`,
  enteredAt: new Date(Date.UTC(2026, 0, 1, 8, (count += minutes))).toISOString(),
  device: 'd',
  sequence: count,
  stage: 'set-speed',
  body,
});
const read = (...given: Parameters<typeof speedOf>): EventBody => speedOf(...given);
const begin: EventBody = { kind: 'coach-begin', task: TASK, checks: ['clean'] };
const turned = (trimId: string, turns: number | null): EventBody => ({
  kind: 'coach-turned',
  trimId,
  name: trimId.replace('t', '') + ' trim',
  turns,
});
const course = (...bodies: EventBody[]): JobCoach => {
  const found = jobState(
    job,
    bodies.map((body) => line(body)),
  ).coach;
  if (!found) throw new Error('no course');
  return found;
};

describe('the course is read from the log', () => {
  it('takes readings of any way of measuring since it began, and those of the half hour before with no work since', () => {
    expect(jobState(job, [line(read('33', 1))]).coach).toBeNull();
    const kept = course(read('33', -2), begin, read('45', 1));
    expect(kept.lines).toHaveLength(2);
    expect(kept.advice.kind).toBe('nudge');
    const worked = course(read('33', -2), { kind: 'work', action: 'clean', what: 'trims' }, begin);
    expect(worked.advice).toMatchObject({ kind: 'measure', speedId: '33' });
    const old = [line(read('33', -2)), line(begin, 40)];
    expect(jobState(job, old).coach?.advice).toMatchObject({ kind: 'measure', speedId: '33' });
  });

  it('a reading with the pitch control off its rest is no reading of the nominal speed: not here, not as left', () => {
    const lines = [begin, read('33', 6, { pitch: 'plus' }), read('33', 0.1, { pitch: 'detent' })].map((one) =>
      line(one),
    );
    const state = jobState(job, lines);
    expect(state.coach?.lines).toEqual([{ kind: 'read', speedId: '33', errorPercent: 0.1, expandedPercent: 0.05 }]);
    expect(state.speeds[0]?.latest?.speed.errorPercent).toBe(0.1);
    expect(state.pitched.map((one) => [one.position, one.speed.errorPercent])).toEqual([
      ['plus', 6],
      ['detent', 0.1],
    ]);
    expect(lineWords((lines[1] as BenchEvent).body, () => undefined)).toContain('pitch at plus');
  });

  it('a struck line is as if it had never been', () => {
    const lines = [begin, read('33', -2), read('45', 0), turned('t33', 0.5)].map((one) => line(one));
    const strike = line({ kind: 'strike', target: (lines[3] as BenchEvent).key, reason: 'not turned' });
    expect(jobState(job, lines).coach?.belief.moves).toBe(1);
    expect(jobState(job, [...lines, strike]).coach?.belief.moves).toBe(0);
  });

  it('what is read before the first turn is as found: the trims count as adjusted with that turn, once', () => {
    const lines = [begin, read('33', -2), read('45', 0)].map((body) => line(body));
    const before = jobState(job, lines);
    expect(before.work).toEqual([]);
    expect(before.speeds[0]?.asFound?.speed.errorPercent).toBe(-2);
    const first = turnLines(job.familyId, before.coach as JobCoach, 't33', 0.5);
    expect(first.map((body) => body.kind)).toEqual(['work', 'coach-turned']);
    const after = jobState(job, [...lines, ...first.map((body) => line(body)), line(read('33', 0))]);
    expect(after.speeds[0]).toMatchObject({
      asFound: { speed: { errorPercent: -2 } },
      asLeft: { speed: { errorPercent: 0 } },
    });
    expect(turnLines(job.familyId, after.coach as JobCoach, 't33', null).map((body) => body.kind)).toEqual([
      'coach-turned',
    ]);
  });

  it('a new course forgets the old one', () => {
    const again = course(
      begin,
      read('33', -2),
      read('45', 0),
      turned('t33', 1),
      { kind: 'work', action: 'adjust', what: 't' },
      begin,
    );
    expect(again.lines).toEqual([]);
  });
});

describe('what is said', () => {
  it('names speed, trim and target; a learnt trim says which way is faster and how much', () => {
    const nudged = course(
      begin,
      read('33', -2),
      read('45', 0),
      turned('t33', 1),
      read('33', 0),
      read('45', 0.1),
      turned('t33', 0.01),
    );
    expect(trimDoes(TASK, nudged, 't33')?.faster).toBe('clockwise');
    expect(trimDoes(TASK, nudged, 't33')?.words).toMatch(/^faster clockwise, 2\.\d\u202f% a turn$/);
    expect(trimDoes(TASK, nudged, 't45')).toBeNull();
    const first = course(begin);
    expect(coachSays(TASK, first).prompt).toBe('Measure 33 rpm');
    expect(speedStands(TASK, first).map((one) => one.words)).toEqual(['not read yet', 'not read yet']);
    const done = course(begin, read('33', 0.1), read('45', -0.1));
    expect(coachSays(TASK, done).prompt).toBe('Stop: every speed is right');
    expect(speedStands(TASK, done)[0]?.words).toBe('+0.10 ± 0.05\u202f%');
    const words = (body: EventBody) => lineWords(body, () => undefined);
    expect(words(begin)).toBe('trims begun: 33 trim, 45 trim');
    expect(words(turned('t33', -0.25))).toBe('turned 33 trim a quarter turn counter-clockwise');
    expect(words(turned('t33', null))).toBe('turned 33 trim, by the speed');
    expect(words({ kind: 'coach-stands', trimId: 't33', name: '33 trim', turns: 0.4 })).toBe(
      '33 trim stands 0.40\u202fturns from its stop',
    );
  });
});

describe('clock positions of a single-turn trim, facing the screw (common practice)', () => {
  it('half past seven is its stop, twelve the middle, half past four the other stop', () => {
    expect([turnsOfClock('7:30'), turnsOfClock('12:00'), turnsOfClock('4:30')]).toEqual([0, 0.375, 0.75]);
    expect(turnsOfClock('10:30')).toBeCloseTo(0.25, 9);
    expect([turnsOfClock('6:00'), turnsOfClock('13:00'), turnsOfClock('noon'), turnsOfClock('1:75')]).toEqual([
      null,
      null,
      null,
      null,
    ]);
    expect([clockOf(0), clockOf(0.25), clockOf(0.375), clockOf(0.75)]).toEqual(['7:30', '10:30', '12:00', '4:30']);
  });

  it('the next turn says where it should come to stand', () => {
    const trims = TASK.trims.map((trim) => ({ ...trim, travelTurns: 0.75, stoodTurns: 0.25 }));
    const task: CoachTask = { ...TASK, trims };
    const found = course({ kind: 'coach-begin', task, checks: [] }, read('33', -2), read('45', 0));
    // A sixth of the travel is an eighth of a turn: an hour and a half.
    expect(coachSays(task, found).prompt).toBe('Turn the 33 trim an eighth of a turn clockwise, to 12:00');
    // Turned by a sixteenth already, a quarter more is 0.5625 turns from its stop: six and three quarter hours after 7:30.
    const moved = course(
      { kind: 'coach-begin', task, checks: [] },
      read('33', -2),
      read('45', 0),
      turned('t33', 0.0625),
      read('33', -1),
      read('45', 0),
    );
    expect(coachSays(task, moved).prompt).toContain('Turn the 33 trim a quarter turn clockwise, to 2:15');
  });
});

describe('a nudge is an observation in Find', () => {
  const path = PATHS.get('belt-turntable-dc') ?? null;
  const right = [read('33', 0.05), read('45', 0.05)];
  it('belongs to the part of the path that holds the trims', () => {
    expect(path && trimBlockOf(path)).toBe('trims');
    const washer = PATHS.get('washer-front');
    expect(washer && trimBlockOf(washer)).toBeNull();
  });

  it('says which trim stood low or high, only when every speed is right and something was off', () => {
    const low = course(begin, read('33', -2), read('45', 0), turned('t33', 1), ...right);
    expect(nudgeAnswer(path, low)).toMatchObject({ kind: 'answer', testId: 'trim-nudge' });
    const outcome = path?.tests
      .find((one) => one.id === 'trim-nudge')
      ?.outcomes.find((one) => one.modes.includes('low-33'));
    expect(nudgeAnswer(path, low)?.outcome).toBe(outcome?.id);
    const both = course(begin, read('33', 2), read('45', 3), turned('t33', 1), ...right);
    expect(nudgeAnswer(path, both)?.words).toBe('both were high');
    expect(nudgeAnswer(path, course(begin, ...right))).toBeNull();
    expect(nudgeAnswer(path, course(begin, read('33', -2), read('45', 0)))).toBeNull();
    expect(nudgeAnswer(null, low)).toBeNull();
  });
});
