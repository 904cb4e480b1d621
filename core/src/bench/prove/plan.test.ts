import { describe, expect, it } from 'vitest';
import { FAMILIES, familyOf, PATHS, provingOf } from '../../families/index.js';
import type { EventBody, SpeedBody } from '../event.js';
import { workOfRepair } from '../find/workOf.js';
import { workSaid } from '../workSaid.js';
import { logAt as log, testJob } from '../job.test-data.js';
import { parseStep } from '../ledger/index.js';
import { didNotTurn } from '../speedReading.js';
import { provingPlan, type ProvingPlan } from './plan.js';
import { failedBefore } from './safety.js';

const deck = testJob('cassette-belt', { complaint: 'warm it gets slow' });
const speed = (errorPercent: number, more: Partial<SpeedBody> = {}): SpeedBody => ({
  ...didNotTurn(familyOf('cassette-belt').speeds[0] as (typeof FAMILIES)[number]['speeds'][number]),
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.2,
  referenceIncluded: true,
  ...more,
});
const on: EventBody = { kind: 'power', state: 'live-isolated', conditions: [] };
const off: EventBody = { kind: 'power', state: 'unplugged-discharged', conditions: [] };
const work = (what: string): EventBody => workSaid('cassette-belt', { action: 'replace', what });
const step = (what: string): EventBody => parseStep(what);
const answer = (testId: string, outcome: string): EventBody => ({
  kind: 'answer',
  testId,
  name: testId,
  outcome,
  words: outcome,
  value: null,
  unit: null,
});
const at = (plan: ProvingPlan, id: string) => {
  const check = plan.checks.find((one) => one.id === id);
  if (!check) throw new Error(`no check ${id} among ${plan.checks.map((one) => one.id).join(' ')}`);
  return check;
};
const status = (plan: ProvingPlan, id: string) => at(plan, id).status;

describe('the proving plan', () => {
  it('asks for nothing of a unit that nobody touched, and is no proof of it', () => {
    const plan = provingPlan(deck, log([0, on], [1, speed(-0.4)]));
    expect(plan).toMatchObject({ begun: false, proved: false, checks: [] });
  });

  it('asks a platter’s speed as a speed, not once more as a look, wherever its pitch stands', () => {
    const quartz = testJob('direct-drive-quartz');
    const fitted = workSaid('direct-drive-quartz', { action: 'replace', what: 'the quartz' });
    const asked = provingPlan(quartz, log([0, fitted])).checks.map(({ id }) => id);
    expect(asked.filter((id) => /^(speed|pitch|test)\./.test(id)).join(' ')).toBe(
      'speed.33 speed.33.warm speed.45 speed.45.warm pitch.minus pitch.plus test.rim-lamp test.lock-lamp',
    );
  });

  it('owes a speed again that was read before the work, and takes the one read after it', () => {
    const plan = provingPlan(deck, log([0, speed(-2)], [5, work('the capstan belt')]));
    expect(status(plan, 'speed.4.76')).toBe('owed');
    const after = provingPlan(deck, log([0, speed(-2)], [5, work('the capstan belt')], [9, speed(0.3)]));
    expect(at(after, 'speed.4.76')).toMatchObject({ status: 'met', words: '+0.30 ± 0.20\u202f%' });
  });

  it('tells wrong, undecided and right by the tolerance of the job, never by the figure alone', () => {
    const read = (error: number, more: Partial<SpeedBody> = {}) =>
      status(provingPlan(deck, log([0, work('the belt')], [9, speed(error, more)])), 'speed.4.76');
    // DIN 45500 tape: 1.5 %.
    expect(read(1.3)).toBe('met');
    expect(read(1.4)).toBe('undecided');
    expect(read(1.9)).toBe('bad');
    expect(read(0.1, { referenceIncluded: false })).toBe('undecided');
    expect(read(0, { turned: false, errorPercent: null })).toBe('bad');
    expect(read(0, { pitch: 'plus' })).toBe('owed');
  });

  it('wants warm warm: on for half an hour, or said to be', () => {
    const read = (minutes: number, more: Partial<SpeedBody> = {}) =>
      status(
        provingPlan(deck, log([0, work('the belt')], [1, on], [1 + minutes, speed(0.3, more)])),
        'speed.4.76.warm',
      );
    expect(read(5)).toBe('owed');
    expect(read(29)).toBe('owed');
    expect(read(30)).toBe('met');
    expect(read(5, { condition: 'warm' })).toBe('met');
    expect(read(45, { condition: 'cold' })).toBe('owed');
    const plan = provingPlan(deck, log([0, work('the belt')], [1, on], [20, off], [21, on], [35, speed(0.3)]));
    expect(status(plan, 'speed.4.76.warm')).toBe('owed');
  });

  it('a proof is undone by opening where it rests, and says by what; lid screws undo only what was made closed', () => {
    const lines = [
      [0, step('cover, 4 x 8 mm in A')],
      [2, work('the capstan belt')],
      [4, { kind: 'refit', target: 'k0', returned: [4], distances: [], flush: true, renewed: [] }],
      [6, speed(0.2)],
      [7, answer('winds', 'turns')],
    ] as const satisfies readonly (readonly [number, EventBody])[];
    const shown = provingPlan(deck, log(...lines));
    expect([status(shown, 'speed.4.76'), status(shown, 'test.winds'), status(shown, 'closed')]).toEqual([
      'met',
      'met',
      'met',
    ]);
    const lid = provingPlan(deck, log(...lines, [9, step('cover, 4 x 8 mm in A')]));
    expect([status(lid, 'speed.4.76'), status(lid, 'closed')]).toEqual(['met', 'undone']);
    const belt = provingPlan(deck, log(...lines, [9, step('capstan belt')]));
    expect(at(belt, 'speed.4.76')).toMatchObject({ status: 'undone', by: 'k5' });
    expect(at(belt, 'speed.4.76').words).toContain('since then off: capstan belt');
    // The reels hang on the motor, not on the capstan's belt.
    expect(status(belt, 'test.winds')).toBe('met');
    const unknown = provingPlan(deck, log(...lines, [9, step('the brown thing')]));
    expect([status(unknown, 'speed.4.76'), status(unknown, 'test.winds')]).toEqual(['undone', 'undone']);
  });

  it('asks of functions only what the work can have reached', () => {
    const plan = provingPlan(deck, log([0, work('the pinch roller')]));
    expect(status(plan, 'test.warble')).toBe('owed');
    expect(status(plan, 'test.winds')).toBe('untouched');
    const supply = provingPlan(deck, log([0, work('the regulator')]));
    expect([status(supply, 'test.winds'), status(supply, 'test.stop')]).toEqual(['owed', 'owed']);
  });

  it('an answer a healthy unit does not give is bad', () => {
    const plan = provingPlan(deck, log([0, work('the motor')], [5, answer('winds', 'still')]));
    expect(status(plan, 'test.winds')).toBe('bad');
    expect(plan.proved).toBe(false);
  });

  it('a fault that followed cold spray is sprayed again: held, or not proved', () => {
    const tried = (result: 'changed' | 'no-change'): EventBody => ({
      kind: 'tried',
      block: 'governor',
      name: 'governor',
      trial: 'cooled',
      result,
      amps: null,
    });
    const before = [
      [0, tried('changed')],
      [5, work('the governor')],
    ] as const;
    expect(status(provingPlan(deck, log(...before)), 'trial.governor.cold')).toBe('owed');
    expect(status(provingPlan(deck, log(...before, [9, tried('no-change')])), 'trial.governor.cold')).toBe('met');
    expect(status(provingPlan(deck, log(...before, [9, tried('changed')])), 'trial.governor.cold')).toBe('bad');
  });

  it('a soak needs its hours without a break and a reading at its end', () => {
    const timer: EventBody = { kind: 'timer', timer: 'soak', label: '', minutes: 90 };
    const end = (how: 'answered' | 'stopped'): EventBody => ({ kind: 'timer-end', target: 'k2', how });
    const soak = (...lines: readonly (readonly [number, EventBody])[]) =>
      at(provingPlan(deck, log([0, work('the motor')], [1, on], [2, timer], ...lines)), 'soak');
    expect(soak().status).toBe('owed');
    expect(soak([92, end('answered')]).words).toBe('90 min, its last reading is owed');
    expect(soak([91, speed(0.2)], [92, end('answered')]).status).toBe('met');
    expect(soak([92, end('answered')], [95, speed(0.2)]).status).toBe('met');
    expect(soak([40, end('stopped')], [41, speed(0.2)])).toMatchObject({
      status: 'undecided',
      words: '38 min of 90 min',
    });
    expect(soak([50, off], [92, end('answered')], [93, speed(0.2)])).toMatchObject({
      status: 'undecided',
      words: 'interrupted after 48 min',
    });
  });

  it('a soak is undone by what is disturbed after it, whatever is read since', () => {
    const timer: EventBody = { kind: 'timer', timer: 'soak', label: '', minutes: 90 };
    const end: EventBody = { kind: 'timer-end', target: 'k2', how: 'answered' };
    const run = [
      [0, work('the motor')],
      [1, on],
      [2, timer],
      [92, end],
      [93, speed(0.2)],
    ] as const;
    expect(status(provingPlan(deck, log(...run)), 'soak')).toBe('met');
    const again = provingPlan(deck, log(...run, [100, work('the motor')], [110, speed(0.2)]));
    expect([status(again, 'speed.4.76'), status(again, 'soak')]).toEqual(['met', 'undone']);
  });

  it('nothing is shown closed while something is still off', () => {
    const open = [
      [0, work('the belt')],
      [1, step('cover, 4 x 8 mm in A')],
      [3, speed(0.2)],
    ] as const;
    expect(status(provingPlan(deck, log(...open)), 'closed')).toBe('owed');
    const refit: EventBody = { kind: 'refit', target: 'k1', returned: [4], distances: [], flush: true, renewed: [] };
    expect(status(provingPlan(deck, log(...open, [4, refit])), 'closed')).not.toBe('met');
    expect(status(provingPlan(deck, log(...open, [4, refit], [5, speed(0.2)])), 'closed')).toBe('met');
  });

  it('a reason hides nothing that was seen: a failed safety reading stays failed, a bad function is named with it', () => {
    const reason = (checkId: string): EventBody => ({ kind: 'unproved', checkId, name: checkId, why: 'owner told' });
    const failed: EventBody = {
      kind: 'safety-reading',
      reading: 'insulation',
      value: 0.4,
      above: false,
      limit: 2,
      instrument: '',
    };
    const lines = [
      [0, work('the motor')],
      [1, { kind: 'protection-class', protection: 'II', cordM: 2 }],
      [2, failed],
      [3, answer('winds', 'still')],
      [4, reason('safety.insulation')],
      [5, reason('test.winds')],
    ] as const satisfies readonly (readonly [number, EventBody])[];
    const plan = provingPlan(deck, log(...lines));
    expect(at(plan, 'safety.insulation')).toMatchObject({ status: 'bad', by: 'k2' });
    expect(at(plan, 'safety.insulation').words).toMatch(/0\.40.*owner told/);
    expect(failedBefore(log(...lines))).toEqual(['insulation']);
    expect(at(plan, 'test.winds')).toMatchObject({ status: 'waived', words: 'not as it should: still; owner told' });
    expect(plan.proved).toBe(false);
  });

  it('a mains unit is not proved without its safety readings or a written reason; a later opening asks again', () => {
    const shownAll = (plan: ProvingPlan) =>
      plan.checks.filter((one) => !one.id.startsWith('safety.')).map((one) => one.id);
    const work1 = [0, work('the motor')] as const;
    const reasons = (ids: readonly string[], minute: number) =>
      ids.map((checkId) => [minute, { kind: 'unproved', checkId, name: checkId, why: 'none here' }] as const);
    const rest = shownAll(provingPlan(deck, log(work1)));
    expect(provingPlan(deck, log(work1, ...reasons(rest, 3))).proved).toBe(false);
    const safety: readonly (readonly [number, EventBody])[] = [
      [5, { kind: 'proved', checkId: 'safety.look', name: 'Looked at', good: true, words: '' }],
      [6, { kind: 'protection-class', protection: 'II', cordM: 2 }],
      [7, { kind: 'safety-reading', reading: 'insulation', value: 20, above: true, limit: 2, instrument: 'tester' }],
    ];
    const most = log(work1, ...reasons(rest, 3), ...safety);
    expect(status(provingPlan(deck, most), 'safety.touch-current')).toBe('owed');
    const all = [work1, ...reasons(rest, 3), ...safety, ...reasons(['safety.touch-current'], 8)];
    expect(provingPlan(deck, log(...all)).proved).toBe(true);
    const opened = provingPlan(deck, log(...all, [9, step('cover, 4 x 8 mm in A')]));
    expect(opened.proved).toBe(false);
    expect([status(opened, 'safety.insulation'), status(opened, 'safety.touch-current')]).toEqual(['undone', 'owed']);
  });

  it('judges each safety reading by the limit it was read against', () => {
    const read = (reading: 'earth' | 'insulation', value: number, limit: number, above = false) =>
      status(
        provingPlan(
          deck,
          log(
            [0, work('the motor')],
            [1, { kind: 'protection-class', protection: 'I', cordM: 2 }],
            [2, { kind: 'safety-reading', reading, value, above, limit, instrument: '' }],
          ),
        ),
        `safety.${reading}`,
      );
    expect(read('earth', 0.3, 0.3)).toBe('met');
    expect(read('earth', 0.31, 0.3)).toBe('bad');
    expect(read('earth', 0.2, 0.3, true)).toBe('bad');
    expect(read('insulation', 0.99, 1)).toBe('bad');
    expect(read('insulation', 2, 1, true)).toBe('met');
  });

  it('every family owes its speeds, functions, a soak and, from the mains, its safety', () => {
    for (const family of FAMILIES) {
      const job = testJob(family.id, family.supply === 'pack' ? { powerKind: 'pack', ratedVolts: 18 } : {});
      const plan = provingPlan(job, log([0, work('everything')]));
      const groups = new Set(plan.checks.filter((one) => one.status === 'owed').map((one) => one.group));
      expect([...groups], family.id).toEqual(expect.arrayContaining(['speed', 'function', 'endurance']));
      expect(groups.has('safety'), family.id).toBe(job.powerKind === 'mains');
      expect(new Set(plan.checks.map((one) => one.id)).size, family.id).toBe(plan.checks.length);
      const known = new Set(PATHS.get(family.id)?.blocks.map((block) => block.id));
      for (const one of provingOf(family.id).functions)
        for (const block of one.blocks) expect(block === '*' || known.has(block), `${family.id} ${block}`).toBe(true);
    }
  });

  it('shows what the trade expects to be shown (common practice, no source)', () => {
    const names = (familyId: string, more = {}) =>
      provingPlan(testJob(familyId, more), log([0, work('everything')])).checks.map((one) => one.name);
    expect(names('cassette-belt')).toEqual(expect.arrayContaining(['Winds', 'Auto-stop', 'Take-up']));
    expect(names('video-recorder')).toEqual(expect.arrayContaining(['Picture in still', 'Picture in search']));
    expect(names('stand-mixer')).toEqual(expect.arrayContaining(['Every speed step']));
    expect(names('tool-brushed')).toEqual(expect.arrayContaining(['Every trigger position', 'In reverse']));
    expect(names('washer-front')).toEqual(expect.arrayContaining(['Does it spin', 'Does the drum tumble']));
    expect(names('direct-drive-quartz', { speedIds: ['33', '45'] })).toEqual(
      expect.arrayContaining(['33⅓ rpm, warm', 'Pitch at minus', 'Pitch at plus', 'Soak', 'Lock']),
    );
  });
});

describe('what a mend has taken out of action', () => {
  const turntable = testJob('belt-turntable-dc', { speedIds: ['33', '45'] });
  const after = (repairId: string) => {
    const path = PATHS.get('belt-turntable-dc');
    const mend = [...(path?.repairs ?? []), ...(path?.ways ?? [])].find(({ id }) => id === repairId);
    if (!mend) throw new Error(`no mend ${repairId}`);
    return provingPlan(turntable, log([0, workOfRepair(mend)], [1, { kind: 'mended', repairId, name: mend.name }]));
  };
  const ids = (repairId: string) => after(repairId).checks.map(({ id }) => id);

  it('is not asked to be shown: past the pitch control there are no ends of it, with a new pot there are', () => {
    expect(ids('pitch-pot')).toEqual(expect.arrayContaining(['pitch.minus', 'pitch.plus']));
    expect(ids('pitch-fixed').filter((id) => id.startsWith('pitch.'))).toEqual([]);
    expect(ids('pitch-fixed')).toEqual(expect.arrayContaining(['speed.33', 'speed.45']));
  });

  it('leaves everything else as it was', () => {
    const less = ids('pitch-pot').filter((id) => !id.startsWith('pitch.') && !ids('pitch-fixed').includes(id));
    expect(less).toEqual([]);
  });
});
