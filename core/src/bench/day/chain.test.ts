/** What is left of a job, in the order of the hands: written from what is done at a bench, one thing after the other. */
import { describe, expect, it } from 'vitest';
import type { EventBody } from '../event.js';
import { DECISION, lineMaker, speedOf, testJob } from '../job.test-data.js';
import { isOwed } from '../prove/check.js';
import { jobState } from '../state.js';
import { chainOf, NO_CHAIN } from './chain.js';

const DECK = testJob('belt-turntable-dc', { speedIds: ['33'] });
const chain = (bodies: readonly EventBody[], job = DECK) => {
  const line = lineMaker();
  return chainOf(job, jobState(job, bodies.map(line)));
};
const left = (bodies: readonly EventBody[], job = DECK) => chain(bodies, job).blocks.map(({ id }) => id);
const speed = (errorPercent: number) => speedOf('33', errorPercent, { method: 'strobe' });
const WORK: EventBody = { kind: 'work', action: 'replace', what: 'the belt' };
const ALL = ['take-in', 'open-up', 'find', 'mend', 'close', 'set-speed', 'prove', 'soak', 'look', 'hand-back'];

describe('the chain of a job', () => {
  it('just taken in has everything before it; each thing done is one less', () => {
    expect(left([])).toEqual(ALL);
    expect(left([speed(-2.4)])).toEqual(ALL.slice(1));
    expect(left([speed(-2.4), DECISION])).toEqual(ALL.filter((id) => id !== 'take-in' && id !== 'find'));
  });

  it('worked on it is not opened, searched or mended again; a speed that is right is not set', () => {
    expect(left([speed(-2.4), WORK]).filter((id) => ALL.slice(0, 5).includes(id))).toEqual([]);
    expect(left([speed(-2.4), WORK])).toContain('set-speed');
    expect(left([speed(-2.4), WORK, speed(0.02)])).not.toContain('set-speed');
    expect(left([speed(-2.4), WORK, speed(0.02)]).at(-1)).toBe('hand-back');
  });

  it('a machine without a nominal speed is never set', () => {
    const washer = testJob('washer-front', { speedIds: [] });
    expect(left([], washer)).not.toContain('set-speed');
    expect(left([], washer)).not.toContain('take-in');
    expect(left([], testJob('cassette-belt', { speedIds: [] }))).not.toContain('set-speed');
  });

  it('the chosen mend stands by its name with its own minutes; a mend takes half an hour, as nobody knows better', () => {
    const mend = (...bodies: EventBody[]) => chain(bodies).blocks.find(({ id }) => id === 'mend');
    expect(mend()).toMatchObject({ words: 'Mend', handsMin: 30, waitMin: 0, needs: ['place'] });
    expect(mend(DECISION)).toMatchObject({ words: 'Replace the belt', handsMin: 15 });
  });

  it('what runs on mains is searched on the isolated outlet, a tape deck set with the test tape, a soak keeps its place', () => {
    const block = (id: string, familyId = 'belt-turntable-dc') =>
      chain([], testJob(familyId, {})).blocks.find((one) => one.id === id);
    expect(block('find')?.needs).toContain('isolator');
    expect(block('set-speed')?.needs).not.toContain('tape');
    expect(block('set-speed', 'cassette-belt')?.needs).toContain('tape');
    expect(block('soak')).toMatchObject({ handsMin: 5, needs: ['place'], keeps: ['place'] });
    expect(block('soak')?.waitMin).toBeGreaterThan(0);
    const tool = testJob('cordless-brushless', { powerKind: 'pack', ratedVolts: 18 });
    for (const one of chain([], tool).blocks) expect(one.needs).not.toContain('isolator');
  });

  it('takes the minutes that such things take on a bench (common practice): before anything is known, and as each is left', () => {
    const minutes = (bodies: readonly EventBody[]) =>
      Object.fromEntries(chain(bodies).blocks.map(({ id, handsMin }) => [id, handsMin]));
    expect(minutes([])).toEqual({
      'take-in': 10,
      'open-up': 15,
      find: 40,
      mend: 30,
      close: 15,
      'set-speed': 15,
      prove: 20,
      soak: 5,
      look: 10,
      'hand-back': 10,
    });
    // Worked on, proving takes three minutes for each check that is owed, five at least.
    const state = jobState(DECK, [speed(-2.4), WORK].map(lineMaker()));
    const owed = state.proving.checks.filter(isOwed).length;
    expect(owed).toBeGreaterThan(1);
    expect(minutes([speed(-2.4), WORK])['prove']).toBe(Math.max(5, 3 * owed));
  });

  it('a timer that holds the hands is told with its end; handed back nothing is left; a day that was promised is told', () => {
    const curing = chain([{ kind: 'timer', timer: 'cure', label: 'Cement', minutes: 5 }]);
    // The line stands at one minute past midnight. A charge that bleeds keeps nobody from another part of it.
    expect(chain([{ kind: 'timer', timer: 'discharge', label: 'Bleed', minutes: 5 }]).busyUntil).toBeNull();
    expect([curing.busyUntil, curing.busyWhy]).toEqual(['2026-01-01T00:06:00.000Z', 'Cement']);
    expect(chain([{ kind: 'hand-back', leftUndone: '' }])).toEqual(NO_CHAIN);
    const wantedBy = '2026-12-01';
    expect(chain([{ kind: 'terms', worth: null, price: null, ceiling: null, wantedBy }]).dueOn).toBe(wantedBy);
  });
});
