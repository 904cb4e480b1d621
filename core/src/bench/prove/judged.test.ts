/** What counts for each kind of check of the proving plan, by logs written by hand: a pitch end, a soak, starting volts, noise, looks. */
import { describe, expect, it } from 'vitest';
import { familyOf } from '../../families/index.js';
import type { NoiseFigures } from '../../speed/index.js';
import type { EventBody, SpeedBody } from '../event.js';
import { logAt, testJob } from '../job.test-data.js';
import { didNotTurn } from '../speedReading.js';
import { workSaid } from '../workSaid.js';
import { provingPlan } from './plan.js';
import { trialWords } from './evidence.js';

type Entry = readonly [minute: number, body: EventBody];
const FAMILY = 'belt-turntable-dc';
const table = testJob(FAMILY, { speedIds: ['33'], complaint: 'too slow' });
const speed33 = familyOf(FAMILY).speeds.find(({ id }) => id === '33') as Parameters<typeof didNotTurn>[0];
const plain = (text: string) => text.replaceAll('\u202f', ' ');

const log = (lines: readonly Entry[]) => logAt(...lines);

const check = (id: string, lines: readonly Entry[], job = table) => {
  const plan = provingPlan(job, log(lines));
  const found = plan.checks.find((one) => one.id === id);
  if (!found) throw new Error(`no ${id} among ${plan.checks.map((one) => one.id).join(' ')}`);
  return { status: found.status, words: plain(found.words) };
};
const speed = (errorPercent: number | null, more: Partial<SpeedBody> = {}): EventBody => ({
  ...didNotTurn(speed33),
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.1,
  referenceIncluded: true,
  ...more,
});
const on: EventBody = { kind: 'power', state: 'live-isolated', conditions: [] };
const off: EventBody = { kind: 'power', state: 'unplugged-discharged', conditions: [] };
const work: EventBody = workSaid(FAMILY, { action: 'replace', what: 'the pitch pot' });
const WORKED: readonly Entry[] = [[0, work]];

describe('an end of the pitch', () => {
  const end = (id: 'pitch.minus' | 'pitch.plus', ...more: readonly Entry[]) => check(id, [...WORKED, ...more]);

  it('lies on its own side of the rest by more than both uncertainties together: 0.14 % of two of a tenth', () => {
    const plus = (error: number) =>
      end('pitch.plus', [1, on], [2, speed(0)], [3, speed(error, { pitch: 'plus' })]).status;
    expect([3, 0.15, 0.13, 0, -0.13, -0.15].map(plus)).toEqual([
      'met',
      'met',
      'undecided',
      'undecided',
      'undecided',
      'bad',
    ]);
    const minus = (error: number) =>
      end('pitch.minus', [1, on], [2, speed(0)], [3, speed(error, { pitch: 'minus' })]).status;
    expect([-3, -0.13, 0.2].map(minus)).toEqual(['met', 'undecided', 'bad']);
  });

  it('is nothing without a reading at the rest, and owed while only the rest was read', () => {
    expect(end('pitch.plus', [1, on], [2, speed(3, { pitch: 'plus' })])).toMatchObject({ status: 'undecided' });
    expect(end('pitch.plus', [1, on], [2, speed(3, { pitch: 'plus' })]).words).toContain('no reading at the rest');
    expect(end('pitch.plus', [1, on], [2, speed(0)]).status).toBe('owed');
    expect(end('pitch.plus', [1, on], [2, speed(0)], [3, speed(3, { pitch: 'minus' })]).status).toBe('owed');
    expect(end('pitch.plus', [1, on], [2, speed(null, { turned: false, pitch: 'plus' })]).status).toBe('bad');
  });
});

describe('a speed', () => {
  it('of no nominal is shown by turning; one that does not turn is bad; too slow says so', () => {
    expect(check('speed.33', [...WORKED, [1, speed(null, { rpm: 33 })]])).toEqual({
      status: 'met',
      words: '33 rpm, no nominal',
    });
    expect(check('speed.33', [...WORKED, [1, { ...didNotTurn(speed33) }]]).status).toBe('bad');
    expect(check('speed.33', [...WORKED, [1, speed(-3)]])).toEqual({ status: 'bad', words: '−3.00 ± 0.10 %, slow' });
    expect(check('speed.33', [...WORKED, [1, speed(3)]]).words).toBe('+3.00 ± 0.10 %, fast');
  });
});

describe('a look or a trial', () => {
  const told = (testId: string, outcome: string): EventBody =>
    ({ kind: 'answer', testId, name: testId, outcome, words: outcome, value: null, unit: null }) as EventBody;
  const tried = (block: string, trial: string, result: 'no-change' | 'changed'): EventBody =>
    ({ kind: 'tried', block, trial, name: block, result }) as EventBody;

  it('is shown by its own answer, whatever was said of another, and by the last of them', () => {
    const rumble = (...answers: EventBody[]) =>
      check('test.rumble', [...WORKED, ...answers.map((one, i): Entry => [1 + i, one])]).status;
    expect(rumble(told('wow-rate', 'every-turn'))).toBe('owed');
    expect(rumble(told('rumble', 'rumbles'), told('wow-rate', 'none'))).toBe('bad');
    expect(rumble(told('rumble', 'rumbles'), told('rumble', 'none'))).toBe('met');
  });

  it('of one part by tapping says nothing of it by cold, nor of another part', () => {
    const trial = (...bodies: EventBody[]) =>
      check(
        'trial.motor.tap',
        bodies.map((one, i): Entry => [i, one]),
      ).status;
    const before = tried('motor', 'tapped', 'changed');
    const work = workSaid(FAMILY, { action: 'clean', what: 'the motor' });
    expect(trial(before, work)).toBe('owed');
    expect(trial(before, work, tried('motor', 'cooled', 'no-change'), tried('belt', 'tapped', 'no-change'))).toBe(
      'owed',
    );
    expect(trial(before, work, tried('motor', 'tapped', 'no-change'))).toBe('met');
    expect(trial(before, work, tried('motor', 'tapped', 'changed'), tried('belt', 'tapped', 'no-change'))).toBe('bad');
  });
});

describe('a soak', () => {
  const soak = (minutes: number): EventBody => ({ kind: 'timer', timer: 'soak', label: '', minutes });
  const answered: EventBody = { kind: 'timer-end', target: 'k2', how: 'answered' } as EventBody;
  const run = (...more: readonly Entry[]) => check('soak', [...WORKED, [1, on], ...more]);

  it('of two hours counts with a reading at its end, tells how the unit then ran', () => {
    expect(run([2, soak(120)], [123, answered], [124, speed(0.1)])).toEqual({
      status: 'met',
      words: '2 h, at its end +0.10 ± 0.10 %',
    });
    expect(run([2, soak(120)], [123, answered], [124, { ...didNotTurn(speed33) }]).status).toBe('bad');
    expect(run([2, soak(120)], [123, answered])).toMatchObject({ status: 'undecided' });
    expect(run([2, soak(120)], [123, answered]).words).toContain('its last reading is owed');
  });

  it('cut short or shorter than it should be says how much of it ran', () => {
    expect(run([2, soak(120)], [62, answered], [63, speed(0)])).toEqual({
      status: 'undecided',
      words: '60 min of 2 h',
    });
    expect(run([2, soak(60)], [63, answered], [64, speed(0)])).toEqual({ status: 'undecided', words: '60 min of 2 h' });
  });

  it('is broken by unplugging', () => {
    expect(run([2, soak(120)], [47, off], [48, on], [123, answered], [124, speed(0)])).toEqual({
      status: 'undecided',
      words: 'interrupted after 45 min',
    });
  });
});

describe('starting volts', () => {
  const starts = (volts: number): EventBody => ({ kind: 'start-volts', volts, start: 'first' }) as EventBody;
  it('must not have risen', () => {
    const at = (volts: number) =>
      check('start-volts', [
        [0, starts(90)],
        [1, work],
        [2, starts(volts)],
      ]);
    expect(at(90)).toEqual({ status: 'met', words: '90 V, before 90 V' });
    expect(at(70).status).toBe('met');
    expect(at(95)).toEqual({ status: 'bad', words: '95 V, before 90 V' });
    expect(
      check('start-volts', [
        [0, starts(90)],
        [1, work],
      ]).status,
    ).toBe('owed');
  });
});

describe('noise', () => {
  const clip = (dB: number, more: object = {}): EventBody => ({
    kind: 'clip',
    clipId: 'c',
    setup: { support: 'on foam', distanceCm: 20, device: 'input', speedId: '33', ...more },
    figures: {
      seconds: 10,
      sampleRate: 48000,
      aWeighted: { dB, spreadDB: 0.2 },
      octaves: [],
      ticks: null,
      hum: { mainsHz: 50, part: 0 },
    } as unknown as NoiseFigures,
  });
  const noisy = testJob(FAMILY, { speedIds: ['33'], complaint: 'it hums' });
  const look = (good: boolean, words = ''): EventBody => ({
    kind: 'proved',
    checkId: 'noise',
    name: 'Noise',
    good,
    words,
  });

  it('that was complained of and not recorded is listened to', () => {
    expect(check('noise', WORKED, noisy).status).toBe('owed');
    expect(check('noise', [...WORKED, [1, look(true)]], noisy)).toEqual({ status: 'met', words: 'as it should' });
    expect(check('noise', [...WORKED, [1, look(false)]], noisy)).toEqual({ status: 'bad', words: 'not as it should' });
    expect(check('noise', [...WORKED, [1, look(false, 'still hums')]], noisy).words).toBe('still hums');
    expect(() => check('noise', WORKED)).toThrow('no noise');
  });

  it('is not compared across another support, distance, input or speed, and says which', () => {
    const after = (more: object) =>
      check('noise', [
        [0, clip(-40)],
        [1, work],
        [2, clip(-45, more)],
      ]);
    for (const [more, words] of [
      [{ support: 'on its feet' }, 'support: on foam and on its feet'],
      [{ distanceCm: 40 }, 'distance: 20 cm and 40 cm'],
      [{ device: 'telephone' }, 'heard with: input and telephone'],
      [{ speedId: null }, 'speed: 33 and none said'],
    ] as const) {
      expect(after(more).status, words).toBe('undecided');
      expect(after(more).words).toContain(words);
    }
  });
});

describe('a trial in words', () => {
  const result = (kind: 'held' | 'moved' | 'undecided') => ({ kind, by: -3, low: -3.4, high: -2.6 }) as never;
  it('says by how much, in the unit of what was read', () => {
    expect(plain(trialWords({ result: result('moved'), unit: '%' }))).toBe('moved by −3.00 (−3.40 to −2.60) %');
    expect(plain(trialWords({ result: result('held'), unit: 'V' }))).toBe('held: −3.000 (−3.400 to −2.600) V');
    expect(plain(trialWords({ result: result('undecided'), unit: '%' }))).toContain('undecided: −3.00');
    expect(trialWords({ result: { kind: 'unfinished', wants: 'a reading at rest' } as never, unit: '%' })).toBe(
      'not finished: a reading at rest',
    );
  });
});
