/** Power and charge are one truth: what was said, what was measured, and what contradicts it. */
import { logOf, speedOf, testJob, voltsAt } from './job.test-data.js';
import { describe, expect, it } from 'vitest';
import type { BenchEvent, EventBody, PowerState } from './event.js';
import type { JobFacts } from './job.js';
import { CHARGE_PLACE, isDead, powerFrom, powerLineWords, powerNowWords } from './power.js';
import { chargePlaces } from './charge.js';
import { bleedPlan } from './safety/bleedPlan.js';
import { jobState } from './state.js';
import { nextWish, owedItems } from './owed.js';

const jobOf = (familyId: string, more: Partial<JobFacts> = {}): JobFacts =>
  testJob(familyId, { complaint: 'dead', ...more });
const washer = jobOf('washer-front');
const deck = jobOf('belt-turntable-dc');

const log = logOf('make-safe');

const volts = (value: number, place: string | null, more: object = {}) =>
  ({ ...voltsAt(value, place), text: `${value} V`, ...more }) as EventBody;
const power = (state: PowerState, more: object = {}): EventBody => ({ kind: 'power', state, conditions: [], ...more });
const turned = speedOf('33', -1, { rpm: 33 });
const now = (job: JobFacts, ...bodies: EventBody[]) => powerFrom(job, log(...bodies));
const words = (job: JobFacts, ...bodies: EventBody[]) => powerNowWords(now(job, ...bodies), job);

describe('charge', () => {
  it.each(['charge left', 'inverter bus', 'bus', 'DC bus', 'main cap', 'Inverter Bus'])(
    'volts at “%s” are the charge, over the limit until a reading is under it',
    (place) => {
      const over = now(washer, power('unplugged-unknown'), volts(311, place));
      expect(over).toMatchObject({ state: 'unplugged-unknown', chargeProved: false, charge: { volts: 311 } });
      expect(words(washer, power('unplugged-unknown'), volts(311, place))).toBe('Unplugged, charge 311 V');
      expect(isDead({ power: over.state, chargeProved: over.chargeProved })).toBe(false);
      expect(words(washer, power('unplugged-unknown'), volts(311, place), volts(2.1, place))).toBe(
        'Unplugged, discharged',
      );
    },
  );

  it('a reservoir is a store of what stores on the mains, but where volts are measured at one it is a place like any other', () => {
    const places = (familyId: string, powerKind: 'mains' | 'pack' = 'mains') =>
      chargePlaces({ familyId, powerKind, ratedVolts: powerKind === 'pack' ? 36 : 230 });
    for (const family of ['video-recorder', 'washer-top', 'washer-front', 'stand-mixer', 'vacuum-cleaner'])
      expect(places(family).has('reservoir'), family).toBe(true);
    // The power supply of a reel deck is read at its reservoir; its run capacitor is what bites.
    expect(places('open-reel').has('reservoir')).toBe(false);
    expect(places('open-reel').has('run capacitor')).toBe(true);
    for (const family of ['belt-turntable-dc', 'cassette-belt', 'direct-drive-servo'])
      expect(places(family).size, family).toBe(0);
    expect(places('cordless-brushless', 'pack').has('bulk capacitor')).toBe(true);
    expect(places('cordless-brushless').size).toBe(0);
    expect(places('washer-front').has('bus')).toBe(true);
  });

  it('stays what was measured last, and two falling readings give the time to safe', () => {
    const { charge } = now(washer, power('unplugged-unknown'), volts(311, 'bus'), volts(200, 'bus'));
    expect(charge?.volts).toBe(200);
    // tau = 60 s / ln(311/200); on to 35 V: tau ln(200/35) = 236.9 s.
    const wait = (Date.parse(charge?.safeAt ?? '') - Date.parse(charge?.at ?? '')) / 1000;
    expect(wait).toBeCloseTo((60 / Math.log(311 / 200)) * Math.log(200 / 35), 1);
    expect(now(washer, power('unplugged-unknown'), volts(200, 'bus'), volts(311, 'bus')).charge?.safeAt).toBeNull();
    expect(now(washer, power('unplugged-unknown'), volts(311, 'bus')).charge?.safeAt).toBeNull();
  });

  it('that was found gone again changes nothing about since when it is known', () => {
    // 35 V are not under 35 V.
    expect([34.9, 35].map((one) => now(washer, power('unplugged-unknown'), volts(one, 'bus')).chargeProved)).toEqual([
      true,
      false,
    ]);
    expect(now(washer, power('unplugged-unknown'), volts(35, 'bus')).charge?.volts).toBe(35);
    const stands = [power('unplugged-unknown'), volts(2, 'bus'), volts(3, 'bus'), volts(311, 'bus')];
    const since = [1, 2, 3, 4].map((count) => now(washer, ...stands.slice(0, count)).since);
    expect(since[1]).not.toBe(since[0]);
    expect(since[2]).toBe(since[1]);
    expect(since[3]).not.toBe(since[2]);
  });

  it('is not proved gone by alternating volts, by “above”, or while it is live', () => {
    const unplugged = power('unplugged-unknown');
    expect(now(washer, unplugged, volts(0.2, 'bus', { qualifier: 'ac' })).chargeProved).toBe(false);
    expect(now(washer, unplugged, volts(20, 'bus', { bound: 'above' })).chargeProved).toBe(false);
    expect(now(washer, power('live-isolated'), volts(0.3, 'bus')).chargeProved).toBe(false);
    expect(now(washer, unplugged, volts(1, 'bus', { bound: 'below' })).chargeProved).toBe(true);
    expect(now(washer, unplugged, volts(-311, 'bus')).charge?.volts).toBe(311);
  });

  it('comes back with power, whatever was read before', () => {
    const again = [power('unplugged-unknown'), volts(1, 'bus'), power('live-direct'), power('unplugged-unknown')];
    expect(words(washer, ...again)).toBe('Unplugged, charge unknown');
  });

  it('is bled through a resistor that bears it, by the part’s own capacitance when it was typed', () => {
    const lines = log(power('unplugged-unknown'), volts(311, 'bus'));
    // 311^2 / 10 k = 9.67 W; 10 k x 1.2 x 1000 uF x ln(311/35) = 26.2 s; 1000 uF x 311^2 / 2 = 48.4 J.
    expect(bleedPlan(washer, lines, 311)).toMatchObject({ ohm: 10_000, ratedW: 10, from: 'usual', microfarad: 1000 });
    expect(bleedPlan(washer, lines, 311)?.seconds).toBeCloseTo(26.2, 1);
    expect(bleedPlan(washer, lines, 311)?.energyJ).toBeCloseTo(48.4, 1);
    const typed: EventBody = {
      kind: 'charge',
      storeId: 'bus',
      name: 'inverter bus',
      microfarad: 470,
      volts: 325,
      ohm: 1e4,
      watts: 10,
    };
    expect(bleedPlan(washer, [...lines, ...log(typed)], 311)).toMatchObject({ microfarad: 470, from: 'part' });
    expect(bleedPlan(deck, lines, 311)).toBeNull();
    // What was typed of another store, or said of none, changes nothing here.
    const other = log({ ...typed, storeId: 'another' } as typeof typed);
    expect(bleedPlan(washer, [...lines, ...other], 311)).toMatchObject({ microfarad: 1000, from: 'usual' });
    expect(bleedPlan(washer, lines, 0)).toBeNull();
  });

  it('leads what the job wants next, and a wait for it ends by a reading only', () => {
    const timer: EventBody = { kind: 'timer', timer: 'discharge', label: '', minutes: 1 };
    const before = jobState(washer, log(power('unplugged-unknown'), volts(311, CHARGE_PLACE), timer));
    expect(owedItems(washer, before).map((one) => one.text)).toContain('Bleed the charge: 311 V');
    expect(before.timers[0]?.end).toBeNull();
    const wish = nextWish(washer, before, new Date(Date.UTC(2026, 0, 1, 9)));
    expect(wish).toMatchObject({ stage: 'make-safe', text: 'Wait over: measure what is left' });
    const after = jobState(washer, log(power('unplugged-unknown'), volts(311, CHARGE_PLACE), timer, volts(3, 'bus')));
    expect(after.timers[0]?.end).toBe('answered');
  });
});

describe('power is asked, not asserted', () => {
  it('a turning unit that was said to be unplugged is taken for live until somebody answers', () => {
    const doubted = now(deck, power('unplugged-discharged'), turned);
    expect(doubted).toMatchObject({
      state: 'live-direct',
      doubt: { what: '33 was measured turning', said: 'unplugged-discharged' },
    });
    expect(words(deck, power('unplugged-discharged'), turned)).toBe('Is it on? Said unplugged');
    expect(now(deck, turned).doubt).not.toBeNull();
    expect(now(deck, power('live-isolated'), turned).doubt).toBeNull();
    expect(now(deck, { ...turned, turned: false } as EventBody).doubt).toBeNull();
  });

  it('each answer is a line, and decides what is known of the charge', () => {
    const base = [power('unplugged-unknown'), volts(2, 'bus'), { ...turned, speedId: 'wash' } as EventBody];
    expect(now(washer, ...base, power('live-direct'))).toMatchObject({ state: 'live-direct', doubt: null });
    expect(words(washer, ...base, power('unplugged-unknown', { wasOn: true }))).toBe('Unplugged, charge unknown');
    expect(words(washer, ...base, power('unplugged-unknown', { wasOn: false }))).toBe('Unplugged, discharged');
    expect(words(washer, ...base, power('unplugged-unknown'))).toBe('Unplugged, charge unknown');
  });

  it.each([
    ['27.4 V at the reservoir', volts(27.4, 'reservoir')],
    ['1.4 V at a place read live only', volts(1.4, 'motor terminals')],
    ['12 V at a place nobody knows', volts(12, 'R7')],
    ['a start on the variable transformer', { kind: 'start-volts', volts: 60, start: 'first' } as const],
    [
      'an answer that needs it running',
      {
        kind: 'answer',
        testId: 'steady',
        name: 'Does it surge',
        outcome: 'surges',
        words: 'surges',
        value: null,
        unit: null,
      } as const,
    ],
  ])('%s needs power', (_name, body) => {
    expect(now(deck, power('unplugged-discharged'), body).doubt).not.toBeNull();
  });

  it.each([
    ['0.6 V of a meter’s diode range', volts(0.6, 'Q3 b-e')],
    ['the pack’s own volts', volts(18.2, 'pack')],
    [
      'an answer of a dead test',
      {
        kind: 'answer',
        testId: 'belt-look',
        name: 'Look at the belt',
        outcome: 'sound',
        words: 'sound',
        value: null,
        unit: null,
      } as const,
    ],
    ['ohms', volts(12, 'R7', { unit: 'Ω', qualifier: null })],
  ])('%s does not', (_name, body) => {
    expect(now(deck, power('unplugged-discharged'), body).doubt).toBeNull();
  });

  it('of a pack: turning with the pack out', () => {
    const tool = jobOf('tool-brushed', { powerKind: 'pack', ratedVolts: 18 });
    const doubted = now(tool, power('pack-out'), { ...turned, speedId: 'full' } as EventBody);
    expect(doubted.state).toBe('pack-in');
    expect(powerNowWords(doubted, tool)).toBe('Is it on? Said pack out');
  });

  it('ends with the unit handed back: as it was said to stand', () => {
    const back = { kind: 'hand-back', leftUndone: '' } as unknown as EventBody;
    expect(now(deck, power('unplugged-discharged'), turned, back)).toMatchObject({
      state: 'unplugged-discharged',
      doubt: null,
    });
    expect(now(deck, power('live-isolated'), back).state).toBe('live-isolated');
  });

  it('is struck out with the line that raised it', () => {
    const lines = log(power('unplugged-discharged'), turned, { kind: 'strike', target: 'k2', reason: 'wrong job' });
    expect(jobState(deck, lines).doubt).toBeNull();
    expect(jobState(deck, lines).power).toBe('unplugged-discharged');
  });

  it('says the same in the log as in the bar', () => {
    const lines = log(
      power('unplugged-unknown'),
      volts(311, 'bus'),
      power('live-isolated'),
      power('unplugged-discharged'),
    );
    expect([...powerLineWords(washer, lines).values()]).toEqual([
      'Unplugged, charge unknown',
      'Live through isolation',
      'Unplugged, charge unknown',
    ]);
    expect([...powerLineWords(deck, log(power('unplugged-unknown'))).values()]).toEqual([
      'Unplugged, no stored charge',
    ]);
    const pack = jobOf('cordless-brushless', { powerKind: 'pack', ratedVolts: 50.4 });
    expect(words(pack, power('pack-out'))).toBe('Pack out, charge unknown');
    expect(words(pack, power('pack-out'), volts(56, 'bulk cap'))).toBe('Pack out, charge 56 V');
    expect(words(pack, power('pack-out'), volts(0.4, 'bulk cap'))).toBe('Pack out, discharged');
  });
});

describe('several devices', () => {
  /** A line of a device at a minute of its clock, in the order of receipt given by its place in the list. */
  const heard = (...said: readonly (readonly [device: string, minute: number, body: EventBody])[]): BenchEvent[] =>
    said.map(([device, minute, body], i) => ({
      key: `k${i}`,
      enteredAt: new Date(Date.UTC(2026, 0, 1, 8, minute)).toISOString(),
      device,
      sequence: i,
      stage: 'make-safe',
      body,
      position: i + 1,
    }));
  const dead = power('unplugged-unknown');
  const live = power('live-direct');

  it('a tablet an hour ahead that said “dead” does not outlive “on” said after it', () => {
    const lines = heard(['tablet', 70, dead], ['tablet', 71, volts(1, 'bus')], ['desk', 12, live]);
    expect(powerFrom(washer, lines).state).toBe('live-direct');
    // In whatever order they are handed over.
    expect(powerFrom(washer, [...lines].reverse()).state).toBe('live-direct');
  });

  it('“dead” from a tablet that was away does not undo what was switched on meanwhile', () => {
    const lines = heard(['desk', 20, live], ['tablet', 10, dead], ['tablet', 11, volts(1, 'bus')]);
    expect(powerFrom(washer, lines)).toMatchObject({ state: 'live-direct', chargeProved: false });
    // The same said now counts.
    expect(powerFrom(washer, heard(['desk', 20, live], ['tablet', 21, dead])).state).toBe('unplugged-unknown');
  });

  it('“on” from a tablet that was away counts, however old it is', () => {
    const lines = heard(['desk', 20, dead], ['desk', 21, volts(1, 'bus')], ['tablet', 5, live]);
    expect(powerFrom(washer, lines).state).toBe('live-direct');
  });

  it('a late reading proves no charge gone that was measured after it', () => {
    const lines = heard(['desk', 20, dead], ['desk', 21, volts(311, 'bus')], ['tablet', 10, volts(2, 'bus')]);
    expect(powerFrom(washer, lines)).toMatchObject({ chargeProved: false, charge: { volts: 311 } });
  });

  it('clocks that differ by a second and a half are one; by two and a half the earlier is late', () => {
    const lines = (offS: number) => {
      const [on, off] = heard(['desk', 20, live], ['tablet', 20, dead]) as [BenchEvent, BenchEvent];
      return [on, { ...off, enteredAt: new Date(Date.parse(on.enteredAt) - 1000 * offS).toISOString() }];
    };
    expect(powerFrom(washer, lines(1.5)).state).toBe('unplugged-unknown');
    expect(powerFrom(washer, lines(2.5)).state).toBe('live-direct');
  });

  it('what still waits in this browser comes after what the server has', () => {
    const [on, off] = heard(['desk', 20, live], ['desk', 5, dead]) as [BenchEvent, BenchEvent];
    const waiting = { ...off, position: undefined };
    expect(powerFrom(washer, [waiting, on]).state).toBe('unplugged-unknown');
  });
});
