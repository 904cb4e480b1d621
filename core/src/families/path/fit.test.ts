import { describe, expect, it } from 'vitest';
import { USUAL_TRAINS, type Train } from '../../drive/train/index.js';
import { PATHS, type DrivePath } from '../index.js';
import { EMPTY_SHEET, fitPath, sheetProblem, withoutParts, type ModelSheet } from './fit.js';

const path = PATHS.get('belt-turntable-dc') as DrivePath;
const sheet = (more: Partial<ModelSheet>): ModelSheet => ({ ...EMPTY_SHEET, ...more });
const measureOf = (fitted: DrivePath, id: string) => fitted.signals.find((one) => one.id === id)?.measure;

describe('a path fitted to a model', () => {
  it('without a sheet is the family’s', () => {
    expect(fitPath(path, EMPTY_SHEET, new Map())).toEqual(path);
    expect(withoutParts(path, [])).toBe(path);
  });

  it('has no faults, looks or mends of parts that are not there; what they pass on goes through', () => {
    const fitted = withoutParts(path, ['return', 'tacho']);
    expect(fitted.blocks.find((block) => block.id === 'return')?.modes).toEqual([]);
    expect(fitted.tests.map((test) => test.id)).not.toContain('return-look');
    expect(fitted.tests.map((test) => test.id)).toContain('gated-volts');
    expect(fitted.repairs.map((repair) => repair.id)).not.toContain('return');
    expect(fitted.blocks).toHaveLength(path.blocks.length);
  });

  it.each([...PATHS.keys()])('%s without one of its parts speaks of it nowhere, and keeps all else', (id) => {
    const whole = PATHS.get(id) as DrivePath;
    for (const { id: block } of whole.blocks) {
      const fitted = withoutParts(whole, [block]);
      const of = (ref: string) => ref.split('.')[0] === block;
      expect(fitted.causes).toEqual(whole.causes.filter(({ cause, victim }) => !of(cause) && !of(victim)));
      expect(fitted.tests).toEqual(whole.tests.filter((test) => test.block !== block && test.id !== block));
      expect(fitted.repairs.flatMap(({ cures }) => cures).filter(of)).toEqual([]);
      expect(fitted.repairs.length).toBe(whole.repairs.filter(({ cures }) => !cures.every(of)).length);
    }
  });

  it('calls test points by their names there, and takes values from the sheet with their origin', () => {
    const bands = [
      { state: 'none', from: null, to: 1 },
      { state: 'low', from: 1, to: 8.5 },
      { state: 'right', from: 8.5, to: 9.5 },
    ];
    const fitted = fitPath(path, sheet({ places: { supply: 'CN3 pin 2' }, bands: { supply: bands } }), new Map());
    expect(measureOf(fitted, 'supply')).toMatchObject({ place: 'CN3 pin 2', bands, origin: { kind: 'sheet' } });
    expect(measureOf(fitted, 'raw')).toEqual(measureOf(path, 'raw'));
  });

  it('computes a value from another reading, and waits for it with the family’s values', () => {
    const bands = [
      { state: 'low', from: 1, to: { of: 'raw', times: 0.7 } },
      { state: 'right', from: { of: 'raw', times: 0.7 }, to: 20 },
    ];
    const computed = sheet({ bands: { supply: bands } });
    expect(measureOf(fitPath(path, computed, new Map()), 'supply')?.bands).toEqual(measureOf(path, 'supply')?.bands);
    const read = fitPath(path, computed, new Map([['raw', 16]]));
    expect(measureOf(read, 'supply')?.bands[1]?.from).toBeCloseTo(11.2, 9);
  });
});

describe('a sheet that cannot be', () => {
  const computed = (of: string) => [{ state: 'right', from: { of, times: 0.8 }, to: null }];

  it('is refused in plain words', () => {
    expect(sheetProblem(path, EMPTY_SHEET)).toBeNull();
    expect(sheetProblem(path, sheet({ absent: ['flux'] }))).toContain('no part');
    expect(sheetProblem(path, sheet({ absent: path.blocks.map((block) => block.id) }))).toContain('leave some in');
    expect(sheetProblem(path, sheet({ places: { noise: 'x' } }))).toContain('Nothing is measured');
    expect(sheetProblem(path, sheet({ bands: { supply: [{ state: 'purple', from: 1, to: 2 }] } }))).toContain(
      'no state',
    );
    expect(sheetProblem(path, sheet({ bands: { supply: [{ state: 'right', from: 3, to: 2 }] } }))).toContain(
      'not under',
    );
    expect(sheetProblem(path, sheet({ bands: { supply: computed('noise') } }))).toContain('not measured');
  });

  it('with a drive train that cannot be names the part; one that can is taken', () => {
    const train = USUAL_TRAINS.find(({ id }) => id === 'belt-mains')?.train as Train;
    const thin = train.parts.map((part) => (part.id === 'pulley' ? { ...part, sizes: [0, 30] } : part));
    expect(sheetProblem(path, sheet({ train }))).toBeNull();
    expect(sheetProblem(path, sheet({ train: { ...train, parts: thin } as Train }))).toMatch(/^Drive train, pulley: /);
  });

  it('of expectations in a loop names the loop', () => {
    const loop = sheet({ bands: { supply: computed('raw'), raw: computed('supply') } });
    expect(sheetProblem(path, loop)).toMatch(
      /regulated supply is computed from reservoir is computed from regulated supply: a loop/,
    );
    expect(sheetProblem(path, sheet({ bands: { supply: computed('supply') } }))).toContain('a loop');
    expect(sheetProblem(path, sheet({ bands: { supply: computed('raw') } }))).toBeNull();
  });
});
