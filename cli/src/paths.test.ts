import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { engineOf, readCase, reportOf, solveCase } from '@amber-gauge/core/diagnosis';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';

const CASES = join(import.meta.dirname, '..', 'cases');

describe.each([...PATHS])('the path of %s', (id, path) => {
  const report = reportOf(engineOf(path));

  it('has no block that nothing reads, no fault that no test sees, no test that splits nothing', () => {
    expect(report.unread).toEqual([]);
    expect(report.unseen).toEqual([]);
    expect(report.idle).toEqual([]);
    expect(report.never).toEqual([]);
  });

  it('leaves only such faults alike that one repair cures', () => {
    expect(report.alike.filter((pair) => !pair.sameRepair)).toEqual([]);
  });

  it('cures every fault', () => {
    const cured = new Set(path.repairs.flatMap((one) => one.cures));
    const modes = path.blocks.flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));
    const byHand = modes.filter((mode) => !cured.has(mode) && !cured.has(`${mode.split('.')[0]}.*`));
    const byWork = path.blocks.flatMap((block) =>
      block.modes.filter((mode) => mode.byWork).map((mode) => `${block.id}.${mode.id}`),
    );
    expect(byHand.filter((mode) => !byWork.includes(mode))).toEqual([]);
  });

  it('belongs to a family and asks something from outside first', () => {
    expect(FAMILIES.some((family) => family.id === id)).toBe(true);
    expect(path.tests.filter((test) => test.outside).length).toBeGreaterThanOrEqual(4);
  });

  it('no live test says nothing of its danger', () => {
    for (const test of path.tests.filter((one) => one.probe)) expect(test.riskMin, test.id).toBeGreaterThan(0);
  });
});

describe('whole cases', () => {
  const files = readdirSync(CASES).flatMap((family) =>
    readdirSync(join(CASES, family)).map((name) => [family, name] as const),
  );

  it('are at least three a family', () => {
    for (const id of PATHS.keys())
      expect(files.filter(([family]) => family === id).length, id).toBeGreaterThanOrEqual(3);
  });

  it.each(files)('%s: %s ends at its fault', (family, name) => {
    const read = readCase(readFileSync(join(CASES, family, name), 'utf8'));
    if (read.kind !== 'case') throw new Error(read.message);
    const answer = solveCase(PATHS, read.file);
    if (answer.kind !== 'answer') throw new Error(answer.message);
    const fault = read.file.expect?.fault ?? '';
    expect(fault).toBe(name.replace('.json', ''));
    const [first] = answer.suspects;
    expect(first?.block).toBe(fault.split('.')[0]);
    expect(first?.share).toBeGreaterThan(0.8);
    // Grades of one fault that the last look cannot tell apart stand beside each other.
    const share = first?.modes.find((one) => one.mode === fault)?.share ?? 0;
    expect(share).toBeGreaterThan(0.2);
    expect(answer.outside).toBeLessThan(0.1);
  });

  it('are refused with what to do when they cannot be read', () => {
    const reason = (text: string) => {
      const read = readCase(text);
      if (read.kind !== 'case') return read.reason;
      const answer = solveCase(PATHS, read.file);
      return answer.kind === 'answer' ? 'answer' : answer.reason;
    };
    const one = (entry: object, family = 'belt-turntable-dc') =>
      reason(JSON.stringify({ family, observations: [entry] }));
    expect(reason('{')).toBe('NOT_A_CASE');
    expect(reason('{"family": 3}')).toBe('NOT_A_CASE');
    expect(one({ test: 'lamp', outcome: 'lit' }, 'toaster')).toBe('UNKNOWN_FAMILY');
    expect(one({ test: 'lamp', outcome: 'lit' }, 'video-recorder')).toBe('UNKNOWN_TEST');
    expect(one({ test: 'lamp', outcome: 'purple' })).toBe('UNKNOWN_OUTCOME');
    expect(one({ test: 'lamp' })).toBe('UNKNOWN_OUTCOME');
    expect(one({ test: 'drive-33', value: 2300, unit: 'V' })).toBe('ABSURD_VALUE');
    expect(one({ test: 'drive-33', value: 5, unit: 'mm' })).toBe('ABSURD_VALUE');
    expect(one({ test: 'lamp', outcome: 'lit', context: { moon: 'full' } })).toBe('UNKNOWN_CONTEXT');
    expect(one({ test: 'drive-33', value: 5, unit: 'V' })).toBe('answer');
    expect(one({ test: 'supply-volts', row: [1, 2] })).toBe('UNKNOWN_OUTCOME');
    expect(one({ test: 'winding-ohms', row: [2.3, 'open', 2.4] }, 'washer-front')).toBe('answer');
  });

  it('of another family are said to be so', () => {
    const read = readCase(
      JSON.stringify({ family: 'stand-mixer', observations: [{ test: 'drive-33', value: 5, unit: 'V' }] }),
    );
    if (read.kind !== 'case') throw new Error(read.message);
    expect(solveCase(PATHS, read.file)).toMatchObject({
      reason: 'UNKNOWN_TEST',
      message: expect.stringMatching(
        /It is a test of belt-turntable-dc: is this a case of another family\?$/,
      ) as string,
    });
  });

  it('a value tells more than its band: near an edge it counts for both', () => {
    const share = (value: number) => {
      const read = readCase(
        JSON.stringify({
          family: 'belt-turntable-dc',
          observations: [
            { test: 'speed-33', outcome: 'slow' },
            { test: 'supply-volts', value, unit: 'V' },
          ],
        }),
      );
      const answer = read.kind === 'case' ? solveCase(PATHS, read.file) : null;
      return answer?.kind === 'answer' ? (answer.suspects.find((one) => one.block === 'regulator')?.share ?? 0) : 0;
    };
    expect(share(9)).toBeGreaterThan(share(10.7));
    expect(share(10.7)).toBeGreaterThan(share(12));
  });
});
