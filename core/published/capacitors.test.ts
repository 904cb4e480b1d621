/** Capacitors against typical catalogue limits, IEC 60062 letters and printed codes (from memory), and the trade's common practice. */
import { describe, expect, it } from 'vitest';
import { dissipationLimit, esrLimit120, lifeFactor, readCapacitorMark, readDateCode } from '../src/circuit/index.js';
import type { WorkingTexts } from '../src/workings/index.js';
import { rowOf, solved } from './solved.js';

describe('capacitors', () => {
  it.each([
    [6.3, 100, 0.22],
    [10, 470, 0.19],
    [16, 1000, 0.16],
    [25, 2200, 0.18],
    [50, 3300, 0.16],
    [63, 220, 0.09],
    [100, 47, 0.08],
  ])('dissipation at %d V, %d µF: %d (typical catalogue, from memory)', (volts, microfarad, factor) => {
    expect(dissipationLimit(volts, microfarad)).toBeCloseTo(factor, 9);
  });

  it('1000 µF at 16 V: 0.16 / (2 π 120 C) = 0.212 Ω, a limit that says little to a 100 kHz meter', () => {
    expect(esrLimit120(16, 1000)).toBeCloseTo(0.2122, 4);
    const { verdict, says } = solved('capacitor', { rated: '1000', volts: '16', measured: '950', esr: '0.15' });
    expect(verdict).toBe('undecided');
    expect(says[0]).toContain('proves little at 100 kHz');
    expect(
      solved('capacitor', { rated: '1000', volts: '16', measured: '950', esr: '0.15', sister: '0.05' }).verdict,
    ).toBe('replace');
    expect(
      solved('capacitor', { rated: '1000', volts: '16', measured: '950', esr: '0.05', sister: '0.05' }).verdict,
    ).toBe('keep');
  });

  it('two schools with what each costs: five more beside it at 0.5 each, 8 min apiece, 33 min when one comes back (common practice)', () => {
    const dead = { rated: '100', volts: '25', measured: '20', set: '5', price: '0,5' };
    expect(rowOf('capacitor', dead, 'Only it')).toBe('8 min, parts 0.5; each that fails later 33 min');
    expect(rowOf('capacitor', dead, 'All 6 while it is open')).toBe('48 min, parts 3');
    // 40 minutes more today against 33 for each later visit: the second one pays.
    expect(solved('capacitor', dead).says.at(-1)).toContain('when 2 or more of the others');
    expect(solved('capacitor', { ...dead, set: '1' }).says.at(-1)).toContain('when the other one');
    expect(solved('capacitor', { ...dead, measured: '100' }).says.join()).not.toContain('Two schools');
  });

  it('leakage of 0.01 C V: 1000 µF at 25 V may pass 250 µA, a small one 3 µA (typical catalogue, from memory)', () => {
    const at = (rated: string, volts: string, leakage: string, kind = 'electrolytic') =>
      solved('capacitor', { kind, rated, volts, measured: rated, leakage }).verdict;
    expect([at('1000', '25', '250'), at('1000', '25', '260'), at('1000', '25', '800')]).toEqual([
      'keep',
      'undecided',
      'replace',
    ]);
    expect([at('1', '50', '3'), at('1', '50', '3.1'), at('0.1', '275', '5', 'film')]).toEqual([
      'keep',
      'undecided',
      'replace',
    ]);
    expect(rowOf('capacitor', { rated: '1000', volts: '25', measured: '1000', leakage: '9' }, 'Leakage')).toBe(
      '250 µA',
    );
  });

  it('57 V on a 50 V part is 114 %: refused; on 63 V 90 %; 58.8 V on 63 V is the least that will do', () => {
    const at = (volts: string, circuit: string) =>
      solved('capacitor', { rated: '100', volts, measured: '100', circuit });
    expect(at('50', '57').verdict).toBe('replace');
    expect(rowOf('capacitor', { rated: '100', volts: '50', measured: '100', circuit: '57' }, 'Of its rated')).toBe(
      '114.0 %',
    );
    expect(rowOf('capacitor', { rated: '100', volts: '63', measured: '100', circuit: '57' }, 'Of its rated')).toBe(
      '90.5 %',
    );
    expect(at('63', '58.8').says.join(' ')).toContain('least rating that will do');
    expect(at('80', '58.8').verdict).toBe('keep');
  });

  it('half as much again is leakage or age, a fifth less is the tolerance, life doubles with 10 K less', () => {
    const at = (measured: string) => solved('capacitor', { rated: '100', volts: '25', measured }).verdict;
    expect(at('150')).toBe('replace');
    expect(at('81')).toBe('keep');
    expect(at('79')).toBe('replace');
    expect(lifeFactor(105, 65)).toBe(16);
  });

  it.each([
    ['104K275', 1e-7, 10, 275, null],
    ['4n7', 4.7e-9, null, null, null],
    ['0.15 uF X2', 1.5e-7, null, null, 'X2'],
    ['0u1', 1e-7, null, null, null],
    ['1000 µF 63 V', 1e-3, null, 63, null],
    ['473J', 4.7e-8, 5, null, null],
    ['2,2 nF Y2', 2.2e-9, null, null, 'Y2'],
    ['470n M', 4.7e-7, 20, null, null],
  ])('%s', (text, farad, tolerancePercent, volts, kind) => {
    const mark = readCapacitorMark(text);
    expect((mark?.farad ?? 0) / farad).toBeCloseTo(1, 9);
    expect(mark).toMatchObject({ tolerancePercent, volts, kind });
  });

  it('dates by year and week; a year to come is of the last century', () => {
    expect(readDateCode('201842', 2026)).toEqual({ year: 2018, week: 42 });
    expect(readDateCode('1842', 2026)).toEqual({ year: 2018, week: 42 });
    expect(readDateCode('7942', 2026)).toEqual({ year: 1979, week: 42 });
    expect(readDateCode('1860', 2026)).toBeNull();
    expect(readCapacitorMark('red')).toBeNull();
  });

  it('the print as a working: 104K275 X2 of week 42 of 2018, eight years old in 2026; X only for X', () => {
    const texts = { mark: '104K275 X2', date: '1842', year: '2026' };
    expect(solved('capacitor-mark', texts).rows.map((one) => one.value.replaceAll('\u202f', ' '))).toEqual([
      '100 nF',
      '±10 %',
      '275 V a.c.',
      'X2',
      'week 42 of 2018',
      '8 years',
    ]);
    expect(solved('capacitor-mark', texts).says[0]).toContain('X2 or X1');
  });

  it('across the mains only X2 or X1; lower volts never; a start capacitor is no run capacitor', () => {
    const fits = (texts: WorkingTexts) =>
      solved('substitute-capacitor', { rated: '0.1', volts: '275', newRated: '0.1', newVolts: '310', ...texts });
    expect(fits({ kind: 'X2', newKind: 'X1' }).verdict).toBe('fits');
    expect(fits({ kind: 'X2', newKind: 'film' }).says[0]).toContain('Class rule');
    expect(fits({ kind: 'X2', newKind: 'X2', newVolts: '250' }).says[0]).toContain('Volts rule');
    expect(fits({ kind: 'motor run', newKind: 'motor start' }).verdict).toBe('refused');
    expect(fits({ kind: 'film', newKind: 'film', newRated: '0.15' }).says[0]).toContain('Value rule');
  });
});
