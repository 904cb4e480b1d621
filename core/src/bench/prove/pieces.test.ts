/** What proving is made from: the log gone through once, what a line disturbs, what a mend asks to be tried again. */
import { describe, expect, it } from 'vitest';
import { SMALL } from '../../diagnosis/smallPath.test-data.js';
import { familyOf } from '../../families/index.js';
import type { BenchEvent, EventBody } from '../event.js';
import { LOG_START as START, logAt as log, testJob } from '../job.test-data.js';
import { parseStep } from '../ledger/index.js';
import { didNotTurn } from '../speedReading.js';
import { blocksBehind, disturbances, meets } from './disturb.js';
import { confirmedModes, faultChecks } from './faultChecks.js';
import { functionChecks } from './functionChecks.js';
import { proveHistory } from './history.js';
import { healthyOutcomes, type Standing } from './standing.js';
import type { JobTrial } from './trial.js';

const plain = (...bodies: readonly EventBody[]) => log(...bodies.map((body, i) => [i, body] as const));
const power = (state: Extract<EventBody, { kind: 'power' }>['state']): EventBody => ({
  kind: 'power',
  state,
  conditions: [],
});
const [ON, OFF] = [power('live-isolated'), power('unplugged-discharged')];
const speed: EventBody = didNotTurn(familyOf('cassette-belt').speeds[0] as never);
const soak = (timer: 'soak' | 'run-in' | 'oil' = 'soak'): EventBody =>
  ({ kind: 'timer', timer, label: timer, minutes: 60 }) as EventBody;
const ends = (target: string, how: 'stopped' | 'answered' = 'answered'): EventBody => ({
  kind: 'timer-end',
  target,
  how,
});
const phase = (at: 'rest' | 'provoked' | 'end', began: string | null = null): EventBody => ({
  kind: 'trial-phase',
  began,
  provocation: 'heat',
  block: 'motor',
  name: 'motor',
  phase: at,
});

describe('the log gone through once', () => {
  it('tells of each speed how long the unit had been on, null while it was off or nobody said', () => {
    const { speeds } = proveHistory(
      log(
        [0, speed],
        [10, ON],
        [40, speed],
        [41, power('live-direct')],
        [50, speed],
        [60, OFF],
        [61, speed],
        [70, ON],
        [75, speed],
      ),
    );
    // On since ten past, whichever way it is fed; anew from seventy.
    expect(speeds.map(({ onMin }) => onMin)).toEqual([null, 30, 40, null, 5]);
    expect(speeds.map(({ index }) => index)).toEqual([0, 2, 4, 6, 8]);
    expect(speeds[1]).toMatchObject({ key: 'k2', at: new Date(START + 40 * 60_000).toISOString() });
  });

  it('leaves out speeds that were read of a provoked part', () => {
    const { speeds } = proveHistory(
      plain(phase('rest'), speed, phase('provoked', 'k0'), speed, phase('rest', 'k0'), speed),
    );
    expect(speeds.map(({ index }) => index)).toEqual([1, 5]);
  });

  it('tells a soak and a run-in with their ends, the first end of each, and when the power went', () => {
    const { soaks } = proveHistory(
      log(
        [0, ON],
        [1, soak()],
        [2, soak('run-in')],
        [3, soak('oil')],
        [20, ends('k2', 'stopped')],
        [30, OFF],
        [40, OFF],
        [60, ends('k1')],
        [61, ends('k1', 'stopped')],
        [62, ends('nobody')],
      ),
    );
    const at = (minutes: number) => new Date(START + minutes * 60_000).toISOString();
    expect(soaks.map(({ key, end, interruptedAt }) => [key, end, interruptedAt])).toEqual([
      ['k1', { index: 7, at: at(60), how: 'answered' }, at(30)],
      // Stopped before the power went: it was not broken by it.
      ['k2', { index: 4, at: at(20), how: 'stopped' }, null],
    ]);
  });

  it('has every kind of evidence at its place', () => {
    const history = proveHistory(
      plain(
        { kind: 'proved', checkId: 'a', name: 'a', good: true, words: '' },
        { kind: 'unproved', checkId: 'b', name: 'b', why: 'c' },
        { kind: 'protection-class', protection: 'II', cordM: 2 },
        { kind: 'safety-reading', reading: 'earth', value: 0.1, above: false, limit: 0.3, instrument: '' },
        { kind: 'start-volts', volts: 90 } as never,
        { kind: 'tried', block: 'motor', trial: 'warmed', name: 'motor', result: 'changed' } as never,
        { kind: 'answer', testId: 't', name: 't', outcome: 'o', words: '', value: null, unit: null },
        { kind: 'note', text: 'nothing' } as never,
      ),
    );
    const { proved, unproved, classes, safety, startVolts, looked, answers } = history;
    expect(
      [proved, unproved, classes, safety, startVolts, looked, answers].map((one) => one.map(({ index }) => index)),
    ).toEqual([[0], [1], [2], [3], [4], [5], [6]]);
    expect(startVolts[0]?.body).toEqual({ volts: 90 });
    expect(looked[0]?.body).toEqual({ block: 'motor', trial: 'warmed', result: 'changed' });
  });
});

describe('where a disturbance meets a check', () => {
  const [motor, lamp] = [new Set(['motor']), new Set(['lamp', 'supply'])];
  it.each([
    ['its own blocks', motor, motor, false, true],
    ['others', motor, lamp, false, false],
    ['one of several', lamp, new Set(['supply', 'motor']), false, true],
    ['all of it', 'all', lamp, false, true],
    ['a check that rests on all', motor, 'all', false, true],
    ['a lid, what is read inside', 'closing', motor, false, false],
    ['a lid, what rests on all', 'closing', 'all', false, false],
    ['a lid, what is made closed', 'closing', motor, true, true],
    ['work, what is made closed elsewhere', motor, lamp, true, true],
  ] as const)('%s', (_, reach, blocks, closing, met) => {
    expect(meets(reach as never, blocks as never, closing)).toBe(met);
  });

  it('a signal rests on all blocks behind it, near and far; on all where nothing makes it', () => {
    expect(blocksBehind(SMALL, 'turn')).toEqual(new Set(['motor', 'supply']));
    expect(blocksBehind(SMALL, 'light')).toEqual(new Set(['lamp', 'supply']));
    expect(blocksBehind(SMALL, 'volts')).toEqual(new Set(['supply']));
    expect(blocksBehind(SMALL, 'nothing')).toBe('all');
    // Asked again: the same answer.
    expect(blocksBehind(SMALL, 'turn')).toEqual(new Set(['motor', 'supply']));
  });
});

describe('what a line disturbs', () => {
  const job = testJob('cassette-belt');
  const reachOf = (...bodies: readonly EventBody[]) =>
    disturbances(job, SMALL, plain(...bodies)).map(({ index, reach, work }) => [
      index,
      typeof reach === 'string' ? reach : [...reach].sort(),
      work,
    ]);
  const work = (blocks?: readonly string[]): EventBody =>
    ({ kind: 'work', action: 'replace', what: 'it', ...(blocks ? { blocks } : {}) }) as EventBody;
  const tried = (trial: string): EventBody =>
    ({ kind: 'tried', block: 'motor', trial, name: 'motor', result: 'same' }) as never;

  it('work the blocks it named, all where none was', () => {
    expect(reachOf(work(['lamp']), work([]), work())).toEqual([
      [0, ['lamp'], true],
      [1, 'all', true],
      [2, 'all', true],
    ]);
  });

  it('a mend the blocks of the modes it cures; one the path has not, all', () => {
    const mended = (repairId: string): EventBody => ({ kind: 'mended', repairId, name: repairId }) as never;
    expect(reachOf(mended('supply'), mended('motor'), mended('other'))).toEqual([
      [0, ['supply'], true],
      [1, ['motor'], true],
      [2, 'all', true],
    ]);
    expect(disturbances(job, null, plain(mended('supply')))[0]?.reach).toBe('all');
  });

  it('a cover what is made closed, another step the blocks it names; putting it back the same', () => {
    const cover = parseStep('lid screws 4');
    const lamp = parseStep('lamp holder');
    expect(
      reachOf(cover, lamp, { kind: 'refit', target: 'k0' } as never, { kind: 'refit', target: 'k1' } as never),
    ).toEqual([
      [0, 'closing', false],
      [1, ['lamp'], false],
      [2, 'closing', false],
      [3, ['lamp'], false],
    ]);
    // What was never taken off: nobody knows.
    expect(reachOf({ kind: 'refit', target: 'k9' } as never)).toEqual([[0, 'all', false]]);
  });

  it('a bridge, a swap, a lifted leg their block; cold spray and a warm hand nothing', () => {
    expect(reachOf(tried('bridged'), tried('cooled'), tried('swapped'), tried('tapped'), tried('lifted'))).toEqual([
      [0, ['motor'], false],
      [2, ['motor'], false],
      [4, ['motor'], false],
    ]);
  });

  it('power, notes and readings disturb nothing; a coach’s turn the trims, all where none are known', () => {
    const turned: EventBody = { kind: 'coach-turned', trimId: 't', name: 't', turns: 1 };
    expect(reachOf(ON, OFF, speed, turned)).toEqual([[3, 'all', true]]);
    const trimmed = { ...SMALL, trims: ['lamp'] };
    expect(disturbances(job, trimmed as never, plain(turned))[0]?.reach).toEqual(new Set(['lamp']));
  });
});

describe('what is tried again after a mend', () => {
  const standing = (lines: readonly BenchEvent[], more: Partial<Standing> = {}): Standing => ({
    job: testJob('cassette-belt'),
    path: SMALL,
    lines,
    disturbed: [],
    history: proveHistory(lines),
    off: [],
    trials: [],
    clips: [],
    worked: { index: 0, line: lines[0] as BenchEvent, reach: 'all', work: true },
    gone: new Set(),
    ...more,
  });
  const looked = (result: string, trial = 'cooled'): EventBody =>
    ({ kind: 'tried', block: 'motor', trial, name: 'motor', result }) as never;
  const ids = (one: Standing) => faultChecks(one).map(({ id }) => id);

  it('what changed or helped under a provocation, once each; not what stayed the same or provokes nothing', () => {
    const lines = plain(
      looked('changed'),
      looked('changed'),
      looked('helped', 'tapped'),
      looked('same', 'warmed'),
      looked('changed', 'swapped'),
    );
    expect(ids(standing(lines))).toEqual(['trial.motor.cold', 'trial.motor.tap']);
    const [cold] = faultChecks(standing(lines));
    expect(cold).toMatchObject({
      group: 'fault',
      name: 'Motor cooled',
      always: true,
      bound: { kind: 'trial', provocation: 'cold', block: 'motor', name: 'motor' },
    });
    expect(cold?.blocks).toEqual(new Set(['motor']));
    // Nobody has worked on it yet.
    expect(ids(standing(lines, { worked: null }))).toEqual([]);
    // A part that the path does not know rests on all.
    const other = plain({ ...looked('changed'), block: 'coil' } as never);
    expect(faultChecks(standing(other))[0]).toMatchObject({ name: 'Coil cooled', blocks: 'all' });
  });

  it('a trial that moved; not one that held or is open', () => {
    const trial = (kind: 'moved' | 'held', block: string): JobTrial =>
      ({ key: block, provocation: 'load', block, name: block, result: { kind, by: 1, low: 0, high: 2 } }) as JobTrial;
    const lines = plain(ON);
    expect(ids(standing(lines, { trials: [trial('moved', 'motor'), trial('held', 'lamp')] }))).toEqual([
      'trial.motor.load',
    ]);
  });

  it('what a mended fault is known to follow, when that block was seen to be at fault or pinned', () => {
    const provoked = {
      ...SMALL,
      blocks: SMALL.blocks.map((one) => ({
        ...one,
        modes: one.modes.map((mode) => (mode.id === 'stuck' ? { ...mode, provoked: ['tap'] } : mode)),
      })),
    } as unknown as NonNullable<Standing['path']>;
    const mended: EventBody = { kind: 'mended', repairId: 'motor', name: 'motor' } as never;
    const pinned: EventBody = { kind: 'suspect', block: 'motor', name: 'motor', verdict: 'pinned' } as never;
    const answer = (outcome: string): EventBody => ({
      kind: 'answer',
      testId: 'motor-look',
      name: '',
      outcome,
      words: '',
      value: null,
      unit: null,
    });
    const outcomeOf = (name: string) => {
      const found = SMALL.tests.find(({ id }) => id === 'motor-look')?.outcomes.find(({ id }) => id.startsWith(name));
      if (!found) throw new Error(JSON.stringify(SMALL.tests.find(({ id }) => id === 'motor-look')?.outcomes));
      return found.id;
    };
    const of = (...bodies: readonly EventBody[]) => ids(standing(plain(...bodies), { path: provoked }));
    expect(of(pinned, mended)).toEqual(['trial.motor.tap']);
    expect(of(answer(outcomeOf('stuck')), mended)).toEqual(['trial.motor.tap']);
    // Seen to be another fault of it, or sound, or not seen at all.
    expect(of(answer(outcomeOf('plug')), mended)).toEqual([]);
    expect(of(answer(outcomeOf('free')), mended)).toEqual([]);
    expect(of(mended)).toEqual([]);
    expect(of(pinned)).toEqual([]);
    const modes = confirmedModes(standing(plain(pinned, mended), { path: provoked }));
    expect(modes.map(({ mode }) => mode.id).sort()).toEqual(['sometimes', 'stuck', 'unplugged', 'warm']);
    // Tried already: not asked twice.
    expect(of(looked('changed'), pinned, mended)).toEqual(['trial.motor.cold']);
  });

  it('of functions what a running unit shows outside; not with a part of it gone', () => {
    const tests = (more: Partial<Standing> = {}) =>
      functionChecks(standing(plain(ON), more)).flatMap(({ id }) => (id.startsWith('test.') ? [id] : []));
    // Volts need it open, the motor is looked at inside: the lamp alone is seen from outside.
    expect(tests()).toEqual(['test.light']);
    expect(tests({ gone: new Set(['lamp']) })).toEqual([]);
    expect(tests({ gone: new Set(['motor']) })).toEqual(['test.light']);
    expect(tests({ path: null })).toEqual([]);
    const [light] = functionChecks(standing(plain(ON))).filter(({ id }) => id === 'test.light');
    expect(light).toMatchObject({ group: 'function', name: 'Lamp', how: 'Look.' });
    expect(light?.blocks).toEqual(new Set(['lamp', 'supply']));
    const test = SMALL.tests.find(({ id }) => id === 'light');
    expect(healthyOutcomes(SMALL, test as never)).toEqual(['lit']);
  });
});
