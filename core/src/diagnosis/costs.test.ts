/** What a look or a mend costs from where the unit stands, and what is said of it: sums written out on the small path. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath, type PathTest } from '../families/index.js';
import type { TestAdvice } from './adviceTypes.js';
import { situationOf } from './case.js';
import { ASKING_MIN, MINUTES_PER_MONEY, POWER_MINUTES, SURE_AGAIN, WAIT_PART } from './defaults.js';
import { answerOfStates, engineOf } from './engine.js';
import type { NumberModel } from './model.js';
import { mendsOf, modesCured } from './mends.js';
import { adviseNext, BY_WORTH } from './nextTests.js';
import { nextStep } from './nextStep.js';
import type { Event } from './belief.js';
import { observationFrom } from './caseEvents.js';
import { posteriorOf } from './posterior.js';
import { reaching, untouched } from './reaching.js';
import { reasonOf } from './reason.js';
import { SMALL } from './smallPath.test-data.js';
import { modeRank } from './suspects.js';

const engine = engineOf(SMALL);
const { on, live, dead } = POWER_MINUTES;
const testOf = (id: string): PathTest => SMALL.tests.find((one) => one.id === id) as PathTest;
let count = 0;
const saw = (signal: string, state: string): Event => ({
  kind: 'saw',
  observation: {
    id: `o${++count}`,
    context: {},
    reliability: 0.97,
    saw: { kind: 'signal', signal, weights: { [state]: 1 } },
  },
});
const looked = (...modes: string[]): Event => ({
  kind: 'saw',
  observation: {
    id: `o${++count}`,
    context: {},
    reliability: 0.98,
    ...(modes.includes('healthy') ? {} : { pin: 0.98 }),
    saw: { kind: 'block', block: 'motor', modes },
  },
});
/** It spins freely: nothing is left that power would make worse. */
const spins = () => looked('healthy', 'sometimes', 'warm');

describe('the way to a part', () => {
  // Level and power now, level and power needed, minutes: opening takes ten.
  it.each([
    ['outside dead', 'outside either', 0],
    ['outside dead', 'outside powered', on],
    ['outside dead', 'open dead', 10],
    ['outside dead', 'open powered', 10 + live],
    ['outside live', 'outside either', 0],
    ['outside live', 'outside powered', 0],
    ['outside live', 'outside dead', dead],
    ['outside live', 'open dead', 10 + dead],
    ['outside live', 'open either', 10 + dead],
    ['outside live', 'open powered', 10 + live + dead],
    ['open dead', 'open powered', live],
    ['open dead', 'outside dead', 0],
    ['open live', 'open running', 0],
    ['open live', 'open dead', dead],
  ])('from %s to %s: %d min', (now, need, minutes) => {
    const [level, power] = now.split(' ') as [string, 'dead' | 'live'];
    const [to, needs] = need.split(' ') as [string, PathTest['power']];
    expect(reaching(engine, { ...untouched(engine), level, power }, { level: to, power: needs })).toBe(minutes);
    // What is owed to a mend that comes anyway is not paid for again: half of the opening.
    const opened = level === 'outside' && to === 'open' ? 5 : 0;
    const half = reaching(engine, { ...untouched(engine), level, power }, { level: to, power: needs }, [1, 0.5]);
    expect(half).toBe(minutes - opened);
  });
});

describe('mends', () => {
  const mends = (events: readonly Event[], more: object = {}, path: DrivePath = SMALL) => {
    const own = engineOf(path);
    const posterior = posteriorOf(own, events);
    return { posterior, list: mendsOf(own, posterior, { ...untouched(own), ...more }, []) };
  };

  it('cost their hands, a tenth of their waits, their parts and the way; what they leave is off their chance', () => {
    const path = {
      ...SMALL,
      repairs: SMALL.repairs.map((one) => (one.id === 'motor' ? { ...one, waitMin: 60 } : one)),
    };
    const { posterior, list } = mends([saw('turn', 'still')], {}, path);
    const [supply, motor] = ['supply', 'motor'].map((id) => list.find((one) => one.repair.id === id));
    expect(supply).toMatchObject({ minutes: 20 + 10 * MINUTES_PER_MONEY + 10, reachMin: 10, forbidden: null });
    expect(motor?.minutes).toBe(30 + 60 * WAIT_PART + 20 * MINUTES_PER_MONEY + 10);
    const of = (block: number) =>
      engineOf(path).space.hypotheses.reduce(
        (sum, { modes }, h) =>
          sum + (modes.some((m) => engine.model.modes[m]?.block === block) ? (posterior.hypotheses[h] as number) : 0),
        0,
      );
    expect(supply?.chance).toBeCloseTo(of(0), 9);
    expect(motor?.chance).toBeCloseTo(0.9 * of(2), 9);
    // By chance over minutes.
    const worth = list.map(({ chance, minutes }) => chance / minutes);
    expect(worth).toEqual([...worth].sort((a, b) => b - a));
  });

  it('of what was seen at the part go first; what is hardly likely is not named', () => {
    const { list } = mends([saw('volts', 'none'), looked('stuck')]);
    expect(list.map(({ repair, found }) => [repair.id, found])).toEqual([
      ['motor', true],
      ['supply', false],
    ]);
    expect(
      mends([saw('volts', 'right'), saw('light', 'lit'), looked('stuck')]).list.map((one) => one.repair.id),
    ).toEqual(['motor']);
  });

  it('done once are not done again but where hardly anything else is left, twice never', () => {
    const of = (events: readonly Event[], times: number) =>
      mends(events, { mended: new Map([['supply', times]]) }).list.find((one) => one.repair.id === 'supply');
    const doubtful = of([saw('turn', 'still')], 1);
    expect(doubtful?.chance).toBeLessThan(SURE_AGAIN);
    expect(doubtful?.forbidden).toBe('It was renewed once already: what is seen there comes from elsewhere.');
    const sure = [saw('volts', 'none'), saw('light', 'dark'), saw('turn', 'still')];
    expect(of(sure, 0)?.chance).toBeGreaterThan(SURE_AGAIN);
    expect([of(sure, 0), of(sure, 1)].map((one) => one?.forbidden)).toEqual([null, null]);
    expect(of(sure, 2)?.forbidden).toContain('done twice already');
    // What must not be done stands behind what may.
    const { list } = mends(sure, { mended: new Map([['supply', 2]]) });
    expect(list.at(-1)?.repair.id).toBe('supply');
  });
});

describe('looks', () => {
  const advice = (path: DrivePath, events: readonly Event[] = [saw('turn', 'still')], more: object = {}) => {
    const own = engineOf(path);
    return adviseNext(own, posteriorOf(own, events), { ...untouched(own), ...more }, { ...BY_WORTH, leastBits: 0 });
  };
  const minutes = (change: Partial<PathTest>) => {
    const path = { ...SMALL, tests: SMALL.tests.map((one) => (one.id === 'light' ? { ...one, ...change } : one)) };
    return advice(path).tests.find((one) => one.test.id === 'light')?.minutes ?? NaN;
  };

  it('cost the asking, the hands, a tenth of the wait, what is bought, and what they risk', () => {
    expect(minutes({})).toBeCloseTo(ASKING_MIN + 0.5, 9);
    expect(minutes({ waitMin: 30 }) - minutes({})).toBeCloseTo(30 * WAIT_PART, 9);
    expect(minutes({ money: 7 }) - minutes({})).toBeCloseTo(7 * MINUTES_PER_MONEY, 9);
    expect(minutes({ riskMin: 4 }) - minutes({})).toBeCloseTo(4, 9);
    expect(minutes({ power: 'powered' }) - minutes({})).toBeCloseTo(on, 9);
  });

  it('that wait for others name them until those are answered; what has to be put back goes last', () => {
    const path = {
      ...SMALL,
      tests: SMALL.tests.map((one) => (one.id === 'light' ? { ...one, after: ['volts', 'motor-look'] } : one)),
    };
    const light = (done: readonly string[]) => {
      const { tests } = advice(path, undefined, { done: new Set(done) });
      return tests.find((one) => one.test.id === 'light')?.forbidden;
    };
    expect(light([])).toBe('Not before these are answered: Supply, Motor.');
    expect(light(['volts'])).toBe('Not before these are answered: Motor.');
    expect(light(['volts', 'motor-look'])).toBeNull();
    const off = advice(SMALL, [saw('light', 'dark'), spins()], { putBack: new Map([['light', ['lamp']]]) });
    expect(off.tests.at(-1)?.test.id).toBe('light');
    expect(nextStep(SMALL, { ...off, next: 'test', tests: off.tests.slice(-1) })?.needs).toContain('lamp put back');
  });

  it('a step says how far to open, what power, what parts', () => {
    const { tests, ...rest } = advice(SMALL, [saw('light', 'dark'), spins()]);
    const step = (id: string) =>
      nextStep(SMALL, { ...rest, next: 'test', tests: tests.filter((one) => one.test.id === id) });
    expect(step('light')?.needs).toEqual([]);
    expect(step('volts')?.needs).toEqual(['open', 'power on']);
    expect(step('motor-look')).toMatchObject({
      what: 'Motor: Spin.',
      needs: ['open', 'power off, charge measured gone'],
    });
    const mend = nextStep(SMALL, {
      ...rest,
      tests,
      next: 'mend',
      mends: rest.mends.filter((one) => one.repair.id === 'supply'),
    });
    expect(mend?.needs).toEqual(['open', 'power off, charge measured gone', 'parts for about 10']);
  });

  it('why: by what comes first, else by what its answers part', () => {
    const one = (more: Partial<TestAdvice>): string =>
      reasonOf({ test: testOf('motor-look'), bits: 0.5, minutes: 4.4, splits: [], first: null, ...more } as TestAdvice);
    expect(one({ splits: [['lamp'], ['supply', 'motor', 'belt']] })).toBe(
      'parts supply, motor and belt from lamp; about 4 min, dead',
    );
    expect(one({ splits: [['lamp']] })).toBe('tells more of lamp; about 4 min, dead');
    expect(one({})).toBe('tells a little of everything; about 4 min, dead');
    expect(one({ bits: 0.001 })).toBe('would tell next to nothing now; about 4 min, dead');
    expect(one({ minutes: 0.9, first: 'cause' })).toBe('what may have done the damage comes first; under 1 min, dead');
    expect(one({ first: 'repeat' })).toContain('two looks at this part contradict each other');
    expect(one({ first: 'before-buying', test: testOf('volts') })).toBe(
      'looked at before it is bought; about 4 min, switched on, probe on live parts',
    );
    expect(one({ first: 'before-power' })).toContain('power would make worse what this may find');
    expect(one({ first: 'twice', test: testOf('light') })).toMatch(/once more before it is switched on; about 4 min$/);
  });
});

describe('the answer of a reading', () => {
  const answer = (readsAs: Record<string, string[]>, ...states: string[]) => {
    const model = { path: { signals: [{ readsAs }] } } as unknown as NumberModel;
    return [...answerOfStates(model, testOf('light'), states, 0)];
  };
  it('is that of its state; of several that it reads as, the one of more than half of them, else none', () => {
    expect(answer({}, 'dark', 'lit', 'odd')).toEqual([0, 1, -1]);
    expect(answer({ odd: ['lit', 'dark', 'lit'] }, 'odd', 'lit')).toEqual([1, 1]);
    expect(answer({ odd: ['lit', 'dark'] }, 'odd')).toEqual([-1]);
    expect(answer({ odd: ['lit', 'lit', 'dark', 'dark'] }, 'odd')).toEqual([-1]);
  });
});

describe('a value', () => {
  it('against a limit stands for either side of it; below nought or in another unit it cannot be', () => {
    const path: DrivePath = {
      ...SMALL,
      tests: SMALL.tests.map((one) =>
        one.id === 'light' ? { ...one, limit: { unit: 'Ω', below: 100, answer: 'lit', right: 'dark' } } : one,
      ),
    };
    const of = (value: number, unit: string) => {
      const read = observationFrom(path, { test: 'light', value, unit }, 'o');
      return 'reason' in read ? read.reason : read.observation.saw;
    };
    const stands = (state: string) => ({ kind: 'signal', signal: 'light', weights: { [state]: 1 } });
    expect([of(99, 'Ω'), of(0, 'Ω'), of(0.09, 'kΩ')]).toEqual(Array(3).fill(stands('lit')));
    expect([of(100, 'Ω'), of(5, 'kΩ')]).toEqual(Array(2).fill(stands('dark')));
    expect([of(-1, 'Ω'), of(5, 'V')]).toEqual(['ABSURD_VALUE', 'ABSURD_VALUE']);
  });

  it('of a speed is in percent: no other unit says which side it lies', () => {
    const path = PATHS.get('belt-turntable-dc') as DrivePath;
    const of = (value: number, unit: string) => observationFrom(path, { test: 'speed-33', value, unit }, 'o');
    expect(of(-5, '%')).toMatchObject({ observation: { saw: { weights: { slow: 1 } }, percent: -5 } });
    expect(of(5, 'V')).toHaveProperty('reason');
  });

  it('found with the power off says so, but not where marks alone are looked for', () => {
    const dead = (test: string, outcome: string, path: DrivePath = SMALL) => {
      const read = observationFrom(path, { test, outcome }, 'o');
      return 'reason' in read ? read.reason : read.observation.dead;
    };
    expect([dead('motor-look', 'stuck'), dead('light', 'lit'), dead('volts', 'none')]).toEqual([
      true,
      undefined,
      undefined,
    ]);
  });
});

describe('a mend of a whole part', () => {
  it('cures each fault of that part and of no other whose name begins alike', () => {
    const motor = SMALL.blocks.find((one) => one.id === 'motor') as DrivePath['blocks'][number];
    const path: DrivePath = { ...SMALL, blocks: [...SMALL.blocks, { ...motor, id: 'motorboard' }] };
    expect(modesCured(path, ['motor.*', 'lamp.burnt'])).toEqual([
      'motor.stuck',
      'motor.sometimes',
      'motor.warm',
      'motor.unplugged',
      'lamp.burnt',
    ]);
  });
});

describe('a case as far as it has come', () => {
  const of = (...observations: object[]) => {
    const { level, done, mended, power } = situationOf(engine, { observations: observations as never });
    return { level, done: [...done], mended: [...mended], power };
  };
  it('is opened as far as its tests asked for, and asked only since the last work; mends that helped are not counted', () => {
    expect(of()).toEqual({ level: 'outside', done: [], mended: [], power: 'dead' });
    expect(of({ test: 'light' })).toMatchObject({ level: 'outside', done: ['light'] });
    expect(of({ test: 'motor-look' }, { mend: 'motor', result: 'helped' }, { test: 'light' })).toEqual({
      level: 'open',
      done: ['light'],
      mended: [],
      power: 'dead',
    });
    expect(of({ mend: 'motor', result: 'no change' }, { mend: 'motor', result: 'worse' }).mended).toEqual([
      ['motor', 2],
    ]);
    expect(of({ test: 'volts' }, { work: 'cleaned' }).done).toEqual([]);
  });
});

describe('the place of a suspect', () => {
  const suspects = [
    {
      block: 'motor',
      name: '',
      share: 0.6,
      modes: [
        { mode: 'motor.stuck', name: '', share: 0.4 },
        { mode: 'motor.warm', name: '', share: 0.2 },
      ],
    },
    { block: 'supply', name: '', share: 0.3, modes: [{ mode: 'supply.dead', name: '', share: 0.3 }] },
    { block: 'lamp', name: '', share: 0.3, modes: [{ mode: 'lamp.burnt', name: '', share: 0.3 }] },
  ];
  it('counts parts with parts and faults with faults; equals share a place, what is not there has none', () => {
    expect(['motor', 'supply', 'lamp', 'belt'].map((ref) => modeRank(suspects, ref))).toEqual([1, 2, 2, Infinity]);
    expect(['motor.stuck', 'supply.dead', 'motor.warm', 'motor.off'].map((ref) => modeRank(suspects, ref))).toEqual([
      1,
      2,
      4,
      Infinity,
    ]);
  });
});
