/** What a line of the log is to the engine: states, sizes, what it answers. */
import { describe, expect, it } from 'vitest';
import { statesOfValue } from '../../diagnosis/observation.js';
import type { BenchEvent } from '../event.js';
import { workSaid } from '../workSaid.js';
import { valuesIn } from './evidence.js';
import { answer, job, line, path, read, reading, speed } from './evidence.test-data.js';

describe('what a line is to the engine', () => {
  const board = path.signals.find(({ id }) => id === path.tests.find((test) => test.id === 'supply-volts')?.signal);
  const first = (...lines: BenchEvent[]) => {
    const [event] = read(...lines).events;
    if (event?.kind !== 'saw' || event.observation.saw.kind !== 'signal') throw new Error(JSON.stringify(event));
    return { ...event.observation, weights: event.observation.saw.weights };
  };
  const at = (value: number) => {
    const states = statesOfValue(board as NonNullable<typeof board>, value, 'V');
    if (states.kind !== 'states') throw new Error(states.message);
    return states.weights;
  };

  it('a value: its states; a reading that moves: those along its way, its ends, its middle and between, each a fifth', () => {
    expect(first(reading('supply at the board', 12)).weights).toEqual(at(12));
    const moving = first(reading('supply at the board', 4, { values: [4, 12], bound: 'between' })).weights;
    const mean: Record<string, number> = {};
    for (const value of [4, 6, 8, 10, 12])
      for (const [state, weight] of Object.entries(at(value))) mean[state] = (mean[state] ?? 0) + weight / 5;
    expect(Object.keys(moving).length).toBeGreaterThan(1);
    for (const [state, weight] of Object.entries(mean)) expect(moving[state], state).toBeCloseTo(weight, 9);
    expect(first(reading('supply at the board', 12, { values: [12, 12], bound: 'between' })).weights).toEqual(at(12));
  });

  it('only what was read as a number at a place: not “above”, not at no place, not an open circuit', () => {
    expect(read(reading('supply at the board', 8, { bound: 'above' })).events).toEqual([]);
    expect(read(reading(null, 8)).events).toEqual([]);
    expect(read(reading('supply at the board', 8, { values: [] })).events).toEqual([]);
  });

  it('the size of a speed error counts where it is not right and where it turned, with its sign', () => {
    expect(first(speed('33', -1.8)).percent).toBe(-1.8);
    expect(first(speed('33', 2.4)).percent).toBe(2.4);
    expect(first(speed('33', -1.02)).percent).toBe(-1.02);
    expect(first(speed('33', 0.1)).percent).toBeUndefined();
    expect(first(speed('33', 0, { turned: false, errorPercent: null })).percent).toBeUndefined();
    // With no nominal to be off from there is no size.
    expect(first(speed('33', 0, { errorPercent: null })).percent).toBeUndefined();
    expect(first(speed('33', -1.8)).weights).toMatchObject({ slow: 1 });
    expect(first(speed('33', 2.4)).weights).toMatchObject({ fast: 1 });
    expect(first(speed('33', 0.1)).weights).toMatchObject({ right: 1 });
  });

  it('what was seen answers the tests that ask for it, as it stood then, whoever asked; work makes it old', () => {
    expect(read(speed('33', -1.8)).situation.done).toEqual(new Set(['speed-33']));
    expect(read(reading('supply at the board', 12)).situation.done.has('supply-volts')).toBe(true);
    expect(read(answer('belt-look', 'sound')).situation.done).toEqual(new Set(['belt-look']));
    const work = () => line(workSaid(job.familyId, { action: 'clean', what: 'the lid' }));
    expect(read(answer('belt-look', 'sound'), work()).situation.done).toEqual(new Set());
    expect(read(answer('belt-look', 'sound'), work(), answer('lamp', 'lit')).situation.done).toEqual(new Set(['lamp']));
  });

  it('mends are counted, each by itself', () => {
    const mend = (repairId: string) => line({ kind: 'mended', repairId, name: repairId });
    const { mended } = read(mend('new-belt'), mend('oil-motor'), mend('new-belt')).situation;
    expect([...mended]).toEqual([
      ['new-belt', 2],
      ['oil-motor', 1],
    ]);
  });

  it('the newest value of a place stands, whether it was asked for or read there; no limit is a value', () => {
    const values = (...lines: BenchEvent[]) => valuesIn(path, lines, new Map());
    const typed = (value: number | null) =>
      line({ kind: 'answer', testId: 'supply-volts', name: 'x', outcome: null, words: '', value, unit: 'V' });
    const id = board?.id ?? '';
    expect(values(typed(8))).toEqual(new Map([[id, 8]]));
    expect(values(typed(8), reading('supply at the board', 11.8))).toEqual(new Map([[id, 11.8]]));
    expect(values(reading('supply at the board', 11.8), typed(8))).toEqual(new Map([[id, 8]]));
    expect(values(typed(null), answer('lamp', 'lit'), reading('supply at the board', 9, { bound: 'above' }))).toEqual(
      new Map(),
    );
    const homeless = reading(null, 7);
    expect(valuesIn(path, [homeless], new Map([[homeless.key, 'supply at the board']]))).toEqual(new Map([[id, 7]]));
  });
});
