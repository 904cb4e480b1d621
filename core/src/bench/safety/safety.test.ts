import { testJob } from '../job.test-data.js';
import { describe, expect, it } from 'vitest';
import { dischargeOf, limitSum, proposedLimit, startShare } from '../../circuit/index.js';
import { FAMILIES, REFUSALS } from '../../families/index.js';
import type { BenchEvent, EventBody } from '../event.js';
import { whereHandsWere } from '../interruption.js';
import { type JobFacts } from '../job.js';
import { nextWish } from '../owed.js';
import { jobState } from '../state.js';
import { countdown, isDue, isRunning } from '../timers/index.js';
import { cautionsFor } from './caution.js';
import { refusalOf } from './refuse.js';
import { storesOf } from './stores.js';
import told from './refused.json' with { type: 'json' };

const jobOf = (familyId: string, more: Partial<JobFacts> = {}): JobFacts =>
  testJob(familyId, { complaint: 'slow', ...more });
const START = Date.UTC(2026, 0, 1, 8);
let minute = 0;
const line = (body: EventBody, more: Partial<BenchEvent> = {}): BenchEvent => ({
  key: `s${++minute}`,
  enteredAt: new Date(START + minute * 60_000).toISOString(),
  device: 'a',
  sequence: minute,
  stage: 'make-safe',
  body,
  ...more,
});

const CHARGE = {
  kind: 'reading',
  text: '',
  values: [3],
  unit: 'V',
  qualifier: 'dc',
  bound: 'exact',
  place: 'charge left',
  speedId: null,
  condition: null,
  holdKey: null,
} as const;

describe('what holds a charge', () => {
  it('follows family, power and rated volts', () => {
    expect(storesOf(jobOf('belt-turntable-dc'))).toEqual([]);
    expect(storesOf(jobOf('video-recorder'))[0]?.volts).toBeCloseTo(325, 0);
    expect(storesOf(jobOf('video-recorder', { ratedVolts: null }))[0]?.volts).toBeNull();
    const pack = jobOf('cordless-brushless', { powerKind: 'pack', ratedVolts: 50.4 });
    expect(storesOf(pack)[0]?.volts).toBeCloseTo(59, 0);
    expect(storesOf(jobOf('tool-brushed', { powerKind: 'pack', ratedVolts: 18 }))).toEqual([]);
  });

  it('every family has make-safe lines, a store or a reason, and first seconds to expect', () => {
    for (const family of FAMILIES) {
      expect(family.safeLines.length, family.id).toBeGreaterThan(1);
      expect(family.stores.length > 0 || family.noStoreWhy !== null, family.id).toBe(true);
      expect(family.firstSeconds.otherwise.length, family.id).toBeGreaterThan(20);
    }
    expect(FAMILIES).toHaveLength(15);
  });
});

describe('make-safe lines', () => {
  const washer = jobOf('washer-front');
  const states = (...bodies: EventBody[]) =>
    Object.fromEntries(
      jobState(
        washer,
        bodies.map((body) => line(body)),
      ).safeLines.map((one) => [one.line.id, one.state]),
    );

  it('are answered by the power state, by a reading, or by a tap', () => {
    expect(states()).toMatchObject({ unplug: 'open', charge: 'open', water: 'open' });
    const unplugged: EventBody = { kind: 'power', state: 'unplugged-unknown', conditions: [] };
    expect(states(unplugged, CHARGE, { kind: 'safe', lineId: 'water', text: 'x' })).toMatchObject({
      unplug: 'answered',
      charge: 'answered',
      water: 'said',
      tilt: 'open',
    });
  });

  it('a wait for a charge is over when it is measured gone with the plug out, and by nothing else', () => {
    const volts = (value: number): EventBody => ({ ...CHARGE, values: [value] });
    const waits = (...bodies: readonly EventBody[]) =>
      jobState(
        jobOf('washer-front'),
        bodies.map((body) => line(body)),
      ).safeLines.filter((one) => one.line.waitMin !== null);
    const off: EventBody = { kind: 'power', state: 'unplugged-unknown', conditions: [] };
    const on: EventBody = { kind: 'power', state: 'live-direct', conditions: [] };
    const stands = (...bodies: readonly EventBody[]) => waits(...bodies).map(({ state }) => state);
    expect(waits().length).toBeGreaterThan(0);
    for (const bodies of [[], [off], [off, volts(311)], [off, volts(3), on], [on]])
      expect(new Set(stands(...bodies)), JSON.stringify(bodies.map(({ kind }) => kind))).toEqual(new Set(['open']));
    expect(new Set(stands(off, volts(311), volts(3)))).toEqual(new Set(['answered']));
    // While it waits it says until when: so many minutes from the plug; live, or proved, there is nothing to wait for.
    for (const { line: own, waitUntil } of waits(off)) {
      const unplugged = START + minute * 60_000;
      expect(Date.parse(waitUntil ?? '') - unplugged).toBe((own.waitMin ?? 0) * 60_000);
    }
    for (const bodies of [[], [on], [off, volts(3)]])
      expect(waits(...bodies).every(({ waitUntil }) => waitUntil === null)).toBe(true);
  });
});

describe('what is never planned', () => {
  it.each(told.asked as unknown as readonly [string, string][])('%s', (text, id) => {
    expect(refusalOf(text)?.id).toBe(id);
  });

  it.each([
    'found the door lock bridged by somebody',
    'replaced the bridge rectifier and the fuse',
    'short test at the fuse: 47k',
    'door lock contact 0.3 ohm shut',
    'renewed the thermal cut-out',
    'bridge the boost switch for a minute',
    'cleaned the interlock contacts',
  ])('but not: %s', (text) => {
    expect(refusalOf(text)).toBeNull();
  });

  it('each rule says why and what to do instead', () => {
    for (const rule of REFUSALS) expect(Math.min(rule.reason.length, rule.instead.length)).toBeGreaterThan(20);
  });
});

describe('cautions', () => {
  it('come with what is about to be done', () => {
    const ids = (text: string) => cautionsFor(text, 'belt-turntable-dc').map((one) => one.id);
    expect(ids('desoldered the ring magnet board')).toContain('magnet');
    expect(ids('flushed the bearing with solvent')).toContain('solvent');
    expect(ids('turn over on its lid')).toContain('tip');
    expect(ids('measured the supply')).toEqual([]);
  });
});

describe('sums', () => {
  it('discharge: 1000 µF at 400 V through 10 kΩ', () => {
    const sum = dischargeOf({ microfarad: 1000, volts: 400, ohm: 10_000, watts: 25 });
    expect(sum.energyJ).toBeCloseTo(80, 6);
    expect(sum.startW).toBeCloseTo(16, 6);
    expect(sum.toDryS.printed).toBeCloseTo(19, 1);
    expect(sum.toWetS.printed).toBeCloseTo(24.4, 1);
    expect(sum.toWetS.high).toBeCloseTo(29.2, 1);
    expect(sum.tooSmall).toBe(false);
    expect(dischargeOf({ microfarad: 1000, volts: 400, ohm: 10_000, watts: 5 })).toMatchObject({
      tooSmall: true,
      leastOhm: 32_000,
    });
    expect(dischargeOf({ microfarad: 1000, volts: 30, ohm: 10_000, watts: null }).toDryS.printed).toBe(0);
    expect(() => dischargeOf({ microfarad: 0, volts: 1, ohm: 1, watts: null })).toThrow();
  });

  it('limits: the unit’s own current is between tight and loose', () => {
    expect(limitSum('lamp', 60, 230, 25)).toMatchObject({ verdict: 'fits' });
    expect(limitSum('lamp', 15, 230, 25).verdict).toBe('tight');
    expect(limitSum('fuse', 3.15, 230, 25).verdict).toBe('loose');
    expect(limitSum('fuse', proposedLimit('fuse', 230, 25), 230, 25).verdict).toBe('fits');
    expect(proposedLimit('lamp', 230, 25)).toBe(40);
  });

  it('starting torque: 80 V needs four times that of 40 V by the square law', () => {
    const ratio = startShare(80, 230, 'square').torqueShare / startShare(40, 230, 'square').torqueShare;
    expect(ratio).toBeCloseTo(4, 9);
    expect(startShare(76, 230, 'square').verdict).toBe('free');
    expect(startShare(154, 230, 'square').verdict).toBe('gummed');
    expect(startShare(76, 230, 'linear').torqueShare).toBeCloseTo(0.33, 2);
  });

  it('starts are split by the service between them', () => {
    const state = jobState(jobOf('rim-drive'), [
      line({ kind: 'start-volts', volts: 150, start: 'first' }),
      line({ kind: 'work', action: 'oil', what: 'bearings' }),
      line({ kind: 'start-volts', volts: 70, start: 'first' }),
    ]);
    expect(state.starts.map((one) => [one.when, one.share?.verdict])).toEqual([
      ['before', 'gummed'],
      ['after', 'free'],
    ]);
  });
});

describe('timers', () => {
  const job = jobOf('belt-turntable-dc');
  const soak = line({ kind: 'timer', timer: 'soak', label: 'Soak', minutes: 60 });
  const at = (minutes: number) => new Date(Date.parse(soak.enteredAt) + minutes * 60_000);

  it('run, are done, and wait for an answer; the job waits with them', () => {
    const state = jobState(job, [soak]);
    const timer = state.timers[0];
    if (!timer) throw new Error('no timer');
    expect(isRunning(timer, at(59))).toBe(true);
    expect(isDue(timer, at(60))).toBe(true);
    expect(nextWish(job, state, at(10))).toMatchObject({ kind: 'waits', text: 'Soak', until: timer.dueAt });
    expect(nextWish(job, state, at(61))).toMatchObject({ kind: 'hands', text: 'Soak done: look at it' });
    const answered = jobState(job, [soak, line({ kind: 'timer-end', target: soak.key, how: 'answered' })]);
    expect(nextWish(job, answered, at(61)).kind).toBe('hands');
    expect(nextWish(job, answered, at(61)).text).toBe('Measure as found, 33⅓ rpm');
  });

  it('a look-in brings the running unit under the hands for a moment, and sends it to Prove', () => {
    const look = line({ kind: 'timer', timer: 'look-in', label: 'Look in', minutes: 20 });
    const after = (minutes: number) => new Date(Date.parse(look.enteredAt) + minutes * 60_000);
    const state = jobState(job, [soak, look]);
    expect(nextWish(job, state, after(10))).toMatchObject({ kind: 'waits', text: 'Soak' });
    expect(nextWish(job, state, after(21))).toMatchObject({
      kind: 'hands',
      stage: 'prove',
      text: 'Look in: does it still run well?',
    });
    const seen = jobState(job, [soak, look, line({ kind: 'timer-end', target: look.key, how: 'answered' })]);
    expect(nextWish(job, seen, after(21))).toMatchObject({ kind: 'waits', text: 'Soak' });
  });

  it('count down in hours, minutes and seconds', () => {
    expect(countdown('2026-01-01T03:12:40Z', new Date('2026-01-01T00:00:00Z'))).toBe('3:12:40');
    expect(countdown('2026-01-01T00:00:19Z', new Date('2026-01-01T00:00:00.400Z'))).toBe('0:19');
    expect(countdown('2026-01-01T00:00:00Z', new Date('2026-01-01T01:00:00Z'))).toBe('0:00');
  });
});

describe('coming back', () => {
  it('shows the last three lines, open ends and timers after a break only', () => {
    const job = jobOf('belt-turntable-dc');
    const lines = [
      line({ kind: 'note', text: 'one' }),
      line({ kind: 'open-end', what: 'belt', how: 'removed', usualId: null, stepKey: null, moveKey: null }),
      line({ kind: 'timer', timer: 'cure', label: 'Cure, ring magnet', minutes: 1440 }),
      line({ kind: 'note', text: 'four' }, { stage: 'open-up' }),
    ];
    const state = jobState(job, lines);
    const last = Date.parse(lines[3]?.enteredAt ?? '');
    expect(whereHandsWere(lines, state, new Date(last + 60_000))).toBeNull();
    const were = whereHandsWere(lines, state, new Date(last + 3_600_000));
    expect(were?.stage).toBe('open-up');
    expect(were?.last.map((one) => one.text)).toEqual(['four', 'Cure, ring magnet: 24 h', 'open end: belt, removed']);
    expect(were?.open).toEqual(['belt, removed']);
    expect(were?.timers).toHaveLength(1);
    expect(whereHandsWere([], jobState(job, []), new Date(last))).toBeNull();
    // On another device at once; on the one it was entered on after half an hour.
    const soon = (device: string | null) => whereHandsWere(lines, state, new Date(last + 60_000), device)?.stage;
    expect([soon('tablet'), soon(lines[3]?.device ?? ''), soon(null)]).toEqual(['open-up', undefined, undefined]);
    // A line that closes another says what that was.
    const closed = line({ kind: 'close', target: lines[1]?.key ?? '', how: 'fitted' });
    const later = whereHandsWere([...lines, closed], state, new Date(Date.parse(closed.enteredAt) + 3_600_000));
    expect(later?.last[0]?.text).toContain('belt');
  });
});
