/** Variants of a case, and what cannot be read of one. */
import { describe, expect, it } from 'vitest';
import { readCase } from './caseFile.js';
import { share, solved, tried, type Entry } from './everyFamily.test-data.js';

describe('a variant', () => {
  it('leaves out what it has not, and says what there is where it is misnamed', () => {
    const mixer = [
      { test: 'runs-high', outcome: 'fast' },
      { test: 'runs-low', outcome: 'fast' },
    ];
    const governor = solved('stand-mixer', mixer, { variant: { control: 'governor and control plate' } });
    expect(share(governor, 'triac')).toBe(0);
    expect(share(governor, 'plate')).toBeGreaterThan(0.5);
    expect(tried('stand-mixer', mixer, { variant: { control: 'magic' } })).toMatchObject({
      reason: 'UNKNOWN_VARIANT',
      message: expect.stringContaining('governor and control plate') as string,
    });
    expect(tried('stand-mixer', mixer, { variant: { colour: 'red' } })).toMatchObject({ reason: 'UNKNOWN_VARIANT' });
    // A third speed that a deck has not is not asked for.
    const deck = solved('direct-drive-servo', [{ test: 'speed-33', outcome: 'right' }], { variant: { third: 'none' } });
    expect(deck.tests.map((one) => one.test)).not.toContain('speed-78');
  });
});

describe('what cannot be read', () => {
  it('is named with its number and what there is', () => {
    const one = (entry: Entry) => tried('belt-turntable-dc', [{ test: 'lamp', outcome: 'lit' }, entry]);
    expect(one({ mend: 'pray' })).toMatchObject({
      reason: 'UNKNOWN_MEND',
      message: expect.stringMatching(/^Observation 1: .*new-belt/) as string,
    });
    expect(one({ work: 'door' })).toMatchObject({
      reason: 'UNKNOWN_PART',
      message: expect.stringMatching(/^Observation 1: .*belt/) as string,
    });
    expect(one({ trial: 'swapped', part: 'door', result: 'cured' })).toMatchObject({ reason: 'UNKNOWN_PART' });
    expect(one({ trial: 'kicked', part: 'belt', result: 'cured' })).toMatchObject({
      reason: 'NOT_A_CASE',
      message: expect.stringContaining('observations.1') as string,
    });
    const said = (text: string) => {
      const read = readCase(text);
      return 'reason' in read ? read.message : read.kind;
    };
    const holding = (entry: unknown) => said(JSON.stringify({ family: 'rim-drive', observations: [entry] }));
    expect(said('{')).toContain('This is not JSON');
    expect(said('[]')).toMatch(/^The case is not whole at its top: /);
    expect(said('{"family": 3, "observations": []}')).toMatch(/^The case is not whole at family: /);
    expect([holding(7), holding(null), holding({ colour: 'red' })]).toEqual(
      Array(3).fill('The case is not whole at observations.0: it names neither a test, a mend, work nor a trial.'),
    );
    expect(holding({ test: 'platter', value: 'much' })).toMatch(/^The case is not whole at observations\.0: value: /);
    expect(holding({ test: 'platter', outcome: 'slow' })).toBe('case');
    expect(one({ test: 'speed-33', value: -140, unit: '%' })).toMatchObject({ reason: 'ABSURD_VALUE' });
    expect(one({ trial: 'swapped', part: 'belt', result: 'cured' })).toMatchObject({
      reason: 'UNKNOWN_OUTCOME',
      message: expect.stringContaining('what was wrong') as string,
    });
  });
});
