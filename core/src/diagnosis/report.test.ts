import { describe, expect, it } from 'vitest';
import { block, looks, reads, row, signal } from '../families/path/build.js';
import type { DrivePath } from '../families/index.js';
import { engineOf } from './engine.js';
import { reportOf } from './report.js';
import { SMALL } from './smallPath.test-data.js';

/** Two faults at once at most. */
const report = (more: Partial<DrivePath> = {}) => reportOf(engineOf({ ...SMALL, ...more }, { leastMore: Infinity }));
const test = (id: string) => {
  const one = SMALL.tests.find((found) => found.id === id);
  if (!one) throw new Error(`no test ${id}`);
  return one;
};

describe('what holds a path together', () => {
  it('counts them: sound, six faults, nine pairs of two parts; three hold the one that shows now and then', () => {
    expect(report()).toMatchObject({ hypotheses: 1 + 6 + (1 * 1 + 1 * 4 + 1 * 4), worlds: 16 + 3 });
  });

  it('a motor that stops now and then or warm is seen by no look at it cold: both are told', () => {
    expect(report()).toMatchObject({
      unseen: ['motor.sometimes', 'motor.warm'],
      unread: [],
      never: [],
      idle: [],
      alike: [],
    });
  });

  it('a look at it warm sees the one, and the one that shows now and then', () => {
    const turning = reads('turning', 'Shaft', 'Watch.', 'turn', ['still: still', 'turns: turns'], {
      power: 'running',
      context: { heat: 'warm' },
    });
    expect(report({ tests: [...SMALL.tests, turning] }).unseen).toEqual([]);
  });

  it('without the supply’s volts a dead supply is a burnt lamp; two mends, so it is no matter of one', () => {
    expect(report({ tests: [test('light'), test('motor-look')] }).alike).toEqual([
      { modes: ['supply.dead', 'lamp.burnt'], sameRepair: false },
    ]);
  });

  it('what one answer stands for in two faults is alike, and one mend of both is told', () => {
    const look = looks(
      'motor-look',
      'Motor',
      'Spin.',
      'motor',
      ['free: healthy, sometimes, warm', 'stuck: stuck, unplugged'],
      {
        level: 'open',
      },
    );
    expect(report({ tests: [test('volts'), test('light'), look] }).alike).toEqual([
      { modes: ['motor.stuck', 'motor.unplugged'], sameRepair: true },
    ]);
  });

  it('a part nobody asks about, a state nothing brings about and a look that always says the same are told', () => {
    const fan = block('fan', 'fan', 'mechanical', ['turn'], ['wind'], [row({}, { wind: 'blows' })], []);
    const wind = signal('wind', 'wind', ['calm', 'blows', 'storms'], 'calm');
    const more = { blocks: [...SMALL.blocks, fan], signals: [...SMALL.signals, wind] };
    expect(report(more)).toMatchObject({ unread: ['fan'], never: ['wind: storms'], idle: [] });
    const felt = reads('felt', 'Wind', 'Feel.', 'wind', ['calm: calm', 'blows: blows'], { power: 'running' });
    expect(report({ ...more, tests: [...SMALL.tests, felt] })).toMatchObject({ unread: [], idle: ['felt'] });
    // Of a part that is looked at itself it does not matter that nothing reads it.
    const seen = looks('fan-look', 'Fan', 'Look.', 'fan', ['there: healthy'], { level: 'open' });
    expect(report({ ...more, tests: [...SMALL.tests, seen] }).unread).toEqual([]);
  });
});
