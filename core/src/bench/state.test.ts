import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { familyOf } from '../families/index.js';
import { didNotTurn } from './speedReading.js';
import type { EventBody, SpeedBody } from './event.js';
import { type JobFacts } from './job.js';
import { nextWish, owedItems } from './owed.js';
import { sheetModel } from './sheet.js';
import { CHARGE_PLACE, powerWords } from './power.js';
import { jobState } from './state.js';
import { lineMaker, testJob, voltsAt } from './job.test-data.js';

const family = familyOf('belt-turntable-dc');
const job = testJob(family.id, { number: 7, complaint: 'slow' });

const speed = (speedId: string, errorPercent: number, more: Partial<SpeedBody> = {}): SpeedBody => ({
  ...didNotTurn(family.speeds.find((one) => one.id === speedId) as (typeof family.speeds)[number]),
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.1,
  ...more,
});
const work = (what: string): EventBody => ({ kind: 'work', action: 'adjust', what });
const reading = (place: string | null, volts: number): EventBody => voltsAt(volts, place);

const line = lineMaker();

describe('on since', () => {
  const power = (state: 'unplugged' | 'live-direct' | 'live-isolated'): EventBody =>
    ({ kind: 'power', state, gate: null }) as never;
  const since = (...states: Parameters<typeof power>[0][]) => {
    const lines = states.map((state) => line(power(state)));
    const { onSince } = jobState(job, lines);
    return onSince === null ? null : lines.findIndex(({ enteredAt }) => enteredAt === onSince);
  };
  it('is the first line that said so of the last stretch; none where it is off', () => {
    expect([since(), since('unplugged'), since('live-direct', 'unplugged')]).toEqual([null, null, null]);
    expect(since('unplugged', 'live-direct', 'live-isolated')).toBe(1);
    expect(since('live-direct', 'unplugged', 'live-isolated', 'live-direct')).toBe(2);
  });
});

describe('as found and as left', () => {
  it('a log that begins with work has nothing as found; what is read next is as left', () => {
    const [first] = jobState(job, [line(work('trim 33')), line(speed('33', -0.2))]).speeds;
    expect(first?.asFound).toBeNull();
    expect(first?.asLeft?.speed.errorPercent).toBe(-0.2);
    const [before] = jobState(job, [line(speed('33', -0.2)), line(work('trim 33'))]).speeds;
    expect(before?.asFound?.speed.errorPercent).toBe(-0.2);
    expect(before?.asLeft).toBeNull();
  });

  it('are the last before the first work and the last after the last work', () => {
    const events = [
      speed('33', -2),
      speed('33', -1.8),
      work('trim'),
      speed('33', -0.5),
      work('trim again'),
      speed('33', 0.1),
    ].map(line);
    const pair = jobState(job, events).speeds[0];
    expect(pair?.asFound?.speed.errorPercent).toBe(-1.8);
    expect(pair?.asLeft?.speed.errorPercent).toBe(0.1);
  });

  it('do not depend on the order in which lines arrive', () => {
    const events = [speed('33', -1.8), speed('45', -1.7), work('trim'), speed('33', 0.1), speed('45', 0.2)].map(line);
    const expected = JSON.stringify(jobState(job, events).speeds);
    fc.assert(
      fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
        expect(JSON.stringify(jobState(job, shuffled).speeds)).toBe(expected);
      }),
    );
  });

  it('are computed anew when a line is struck out', () => {
    const first = line(speed('33', -1.8));
    const wrong = line(speed('33', 5));
    const state = jobState(job, [first, wrong, line({ kind: 'strike', target: wrong.key, reason: 'mistyped' })]);
    expect(state.speeds[0]?.asFound?.speed.errorPercent).toBe(-1.8);
  });

  it('are never proved right without a known reference', () => {
    const state = jobState(job, [line(speed('33', 0, { referenceIncluded: false }))]);
    expect(state.speeds[0]?.asFound?.verdict.kind).toBe('undecided');
  });
});

describe('power state', () => {
  const stored: JobFacts = { ...job, familyId: 'video-recorder', speedIds: ['sp'] };

  it('is proved by the reading of what is left, and disproved by it', () => {
    const unplugged = line({ kind: 'power', state: 'unplugged-unknown', conditions: [] });
    expect(jobState(stored, [unplugged, line(reading(CHARGE_PLACE, 2.1))]).power).toBe('unplugged-discharged');
    expect(jobState(stored, [unplugged, line(reading(CHARGE_PLACE, 120))]).power).toBe('unplugged-unknown');
    const claimed = line({ kind: 'power', state: 'unplugged-discharged', conditions: [] });
    expect(jobState(stored, [claimed, line(reading(CHARGE_PLACE, 120))]).power).toBe('unplugged-unknown');
  });

  it('is never discharged by word alone, and unknown again after it was live', () => {
    const say = (state: 'unplugged-discharged' | 'live-isolated') => line({ kind: 'power', state, conditions: [] });
    expect(jobState(stored, [say('unplugged-discharged')]).power).toBe('unplugged-unknown');
    const proved = [say('unplugged-discharged'), line(reading(CHARGE_PLACE, 2))];
    expect(jobState(stored, proved).chargeProved).toBe(true);
    const live = jobState(stored, [...proved, say('live-isolated'), say('unplugged-discharged')]);
    expect(live.power).toBe('unplugged-unknown');
    expect(live.chargeProved).toBe(false);
  });

  it('needs no proof where nothing holds a charge, and says so', () => {
    const state = jobState(job, [line({ kind: 'power', state: 'unplugged-unknown', conditions: [] })]);
    expect(state.power).toBe('unplugged-discharged');
    expect(powerWords(state.power, job)).toBe('Unplugged, no stored charge');
    expect(powerWords('unplugged-discharged', stored)).toBe('Unplugged, discharged');
  });

  it('starts unknown, never safe', () => {
    expect(jobState(stored, []).power).toBe('unplugged-unknown');
    expect(jobState({ ...job, familyId: 'cordless-brushless', powerKind: 'pack', speedIds: ['full'] }, []).power).toBe(
      'pack-in',
    );
  });
});

describe('what a job wants next', () => {
  const wish = (...bodies: EventBody[]) =>
    nextWish(job, jobState(job, bodies.map(line)), new Date('2026-01-01T00:00:00Z'));

  it('walks from as found over work to hand back', () => {
    const off: EventBody = { kind: 'power', state: 'unplugged-discharged', conditions: [] };
    expect(wish().text).toBe('Measure as found, 33⅓ rpm');
    const on: EventBody = { kind: 'power', state: 'live-direct', conditions: [] };
    const found = [on, speed('33', -1.8), speed('45', -1.7), off];
    expect(wish(speed('33', -1.8), speed('45', -1.7)).text).toBe('Say whether it is on: 33 was measured turning');
    expect(wish(...found).stage).toBe('mend');
    expect(wish(...found, work('x')).text).toBe('Measure as left, 33⅓ rpm');
    const right = [...found, work('x'), on, speed('33', 0.1), speed('45', 0.1), off];
    expect(wish(...right)).toMatchObject({ stage: 'prove', kind: 'hands' });
    const reasons = jobState(job, right.map(line)).proving.checks.map(({ id, name }): EventBody => ({
      kind: 'unproved',
      checkId: id,
      name,
      why: 'not today',
    }));
    expect(wish(...right, ...reasons.slice(0, -1)).kind).toBe('hands');
    expect(wish(...right, ...reasons).kind).toBe('back');
    expect(wish(...right, { kind: 'hand-back', leftUndone: '' }).kind).toBe('done');
  });

  it('asks for a held value before anything else', () => {
    expect(wish({ kind: 'hold', prompt: 'volts at the motor' }).text).toContain('volts at the motor');
    // One thing owed is one thing too many to hand it back.
    const found = [speed('33', 0.1), speed('45', 0.1)];
    const owed = (...bodies: EventBody[]) => owedItems(job, jobState(job, bodies.map(line))).map(({ text }) => text);
    const off: EventBody = { kind: 'power', state: 'unplugged-discharged', conditions: [] };
    expect(owed(...found, off)).toEqual(['Hand back with its sheet']);
    expect(owed(...found, off, { kind: 'hold', prompt: 'volts' })).toEqual(['Type the value held: volts']);
  });

  it('owes the proof that the charge is gone once somebody worked or said how it stands, and no sooner', () => {
    const washer = testJob('washer-front', { complaint: 'dead' });
    const owes = (...bodies: EventBody[]) =>
      owedItems(washer, jobState(washer, bodies.map(line))).some(({ text }) => text === 'Prove the charge gone');
    const out: EventBody = { kind: 'power', state: 'unplugged-unknown', conditions: [] };
    expect([owes(), owes(work('x')), owes(out), owes(out, voltsAt(2, 'bus'))]).toEqual([false, true, true, false]);
  });

  it('owes a place for a reading without one until it has one', () => {
    const homeless = line(reading(null, 5));
    const found = [line(speed('33', 0)), line(speed('45', 0)), homeless];
    expect(owedItems(job, jobState(job, found)).map((item) => item.text)).toContain('Place one reading');
    const placed = [...found, line({ kind: 'place', target: homeless.key, place: 'motor' })];
    expect(owedItems(job, jobState(job, placed)).map((item) => item.text)).not.toContain('Place one reading');
  });
});

describe('the sheet', () => {
  it('shows before and after with their words and the work, nothing struck', () => {
    const wrong = line(work('wrong line'));
    const events = [
      line(speed('33', -1.8)),
      wrong,
      line({ kind: 'strike', target: wrong.key, reason: 'mistyped' }),
      line(work('trim 33')),
      line(speed('33', 0.06)),
      line(reading('motor', 5.02)),
    ];
    const model = sheetModel({ name: 'Shop', address: '', currency: 'EUR' }, job, events);
    expect(model.number).toBe('0007');
    expect(model.speeds[0]?.asFound?.words).toBe('−1.80 ± 0.10\u202f%');
    expect(model.speeds[0]?.asLeft).toMatchObject({ words: '+0.06 ± 0.10\u202f%', verdict: 'right' });
    expect(model.done.map((row) => row.text)).toEqual(['Adjusted trim 33']);
    expect([model.leftUndone, model.handedBackAt, model.price]).toEqual(['', null, null]);
  });

  it('of a unit that went back says what was left undone, when it went, and its price', () => {
    const agreed = line({ kind: 'terms', worth: 80, price: 45.5, ceiling: null, wantedBy: null });
    const back = line({ kind: 'hand-back', leftUndone: 'feet perished' });
    const model = sheetModel({ name: 'Shop', address: '', currency: 'EUR' }, job, [agreed, back, line(work('later'))]);
    expect([model.leftUndone, model.handedBackAt, model.price]).toEqual([
      'feet perished',
      back.enteredAt,
      '45.50\u202fEUR',
    ]);
  });
});

describe('what the sheet tells the owner', () => {
  const shop = { name: 'Shop', address: '', currency: 'EUR' };
  const told = (powerKind: JobFacts['powerKind'], ...bodies: EventBody[]) =>
    sheetModel(shop, { ...job, powerKind }, bodies.map(line));

  it('a plug is pulled, a pack is taken out, each where there is one', () => {
    expect(told('mains').cautions.join(' ')).toMatch(/Pull the plug/);
    expect(told('mains').cautions.join(' ')).not.toMatch(/pack/);
    expect(told('pack').cautions.join(' ')).toMatch(/Take the pack out/);
    expect(told('pack').cautions.join(' ')).not.toMatch(/plug/);
  });

  it('one that did not turn has no verdict, one that did has its own', () => {
    const off = told('mains', speed('33', 0, { turned: false, errorPercent: null }), speed('45', -1.8));
    expect(off.speeds.map(({ asFound }) => asFound?.verdict === '')).toEqual([true, false]);
  });
});
