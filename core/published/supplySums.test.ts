/**
 * Sums of supplies worked by hand beforehand (handbook formulae: V = √2 U − diodes, Vpp = I / (f C), I = (U − Uz) / R);
 * limits of the mains and what a reading says of a fault are common practice of the trade, with no source.
 */
import { describe, expect, it } from 'vitest';
import { solveWorking, workingOf, type WorkingTexts } from '../src/workings/index.js';
import { rowOf, solved } from './solved.js';

const refusal = (id: string, texts: WorkingTexts) => {
  const working = workingOf(id);
  if (!working) throw new Error(id);
  return JSON.stringify(solveWorking(working, texts));
};

describe('from the transformer to the reservoir', () => {
  const SMALL = { secondary: '23', load: '0.132', reservoir: '2200' };
  const supply = (more: WorkingTexts = {}) => solved('supply', { ...SMALL, ...more });
  const says = (more: WorkingTexts) => supply(more).says.join(' ');

  it('a bridge from 23 V idles at √2 · 23 less twice 0.6 to 1 V: 30.5 to 31.3 V', () => {
    expect(rowOf('supply', SMALL, /No load/)).toBe('30.5 to 31.3 V');
    expect(rowOf('supply', SMALL, /Ripple/)).toBe('0.6 V at 100 Hz');
    expect(rowOf('supply', { ...SMALL, mains: '60' }, /Ripple/)).toBe('0.5 V at 120 Hz');
    expect(rowOf('supply', { ...SMALL, rectifier: 'half-wave' }, /Ripple/)).toBe('1.2 V at 50 Hz');
  });

  it('expects what it comes to, a tenth of the mains up and down, at the reservoir', () => {
    const { expects } = supply();
    // √2 · 20.7 − 2 − 0.3 = 26.97 and − 1.2 − 0.3 = 27.77.
    expect(expects).toMatchObject({ place: 'reservoir', unit: 'V' });
    expect(expects?.low).toBeCloseTo(0.9 * 26.97, 1);
    expect(expects?.high).toBeCloseTo(1.1 * 27.77, 1);
  });

  it('tells low, right and high by those ends, and says nothing where nothing was read', () => {
    expect(supply({ dc: '24.4' }).verdict).toBe('right');
    expect(supply({ dc: '24.1' }).verdict).toBe('not right');
    expect(says({ dc: '24.1' })).toContain('Too low');
    expect(supply({ dc: '30.4' }).verdict).toBe('right');
    expect(says({ dc: '30.8' })).toContain('Too high');
    expect(supply().verdict).toBeNull();
  });

  it('ripple at half its frequency is a diode or half a winding; at the right one too much of it a weak reservoir', () => {
    expect(says({ ripple: '1.2', rippleHz: '50' })).toContain('one diode or half of the winding');
    expect(says({ ripple: '1.2', rippleHz: '50' })).not.toContain('weak');
    // 0.132 A / (100 Hz · 0.8 V) = 1650 µF are 75 % of the print; at 0.9 V 1467 µF are 67 %.
    expect(supply({ ripple: '0.8' }).verdict).toBe('right');
    expect(rowOf('supply', { ...SMALL, ripple: '0.8' }, /that is left/)).toBe('1.65 mF');
    expect(says({ ripple: '0.9' })).toContain('the reservoir is weak');
    expect(rowOf('supply', { ...SMALL, ripple: '0.9' }, /this ripple means/)).toBe('0.198 A');
    expect(
      supply({ load: '0', ripple: '0.9' })
        .rows.map(({ label }) => label)
        .join(' '),
    ).not.toContain('that is left');
    expect(supply({ ripple: '0' }).verdict).toBe('right');
  });

  it('refuses what cannot be: a winding that sags by more than half, less than its diodes drop, nothing left', () => {
    expect(refusal('supply', { ...SMALL, sag: '60' })).toContain('shorted or far too small');
    expect(refusal('supply', { ...SMALL, sag: '55' })).not.toContain('shorted or far too small');
    expect(refusal('supply', { ...SMALL, secondary: '0.8' })).toContain('less than its diodes drop');
    expect(refusal('supply', { ...SMALL, load: '50', reservoir: '10' })).toContain('Nothing is left');
    expect(says({ load: '2', reservoir: '1000' })).toContain('guide only');
  });
});

describe('a unit for another mains', () => {
  const mains = (texts: WorkingTexts) => solved('mains', texts);

  it('is right within 6 %, near the limit to 10 %, beyond it not right, over and under', () => {
    const at = (given: string) => mains({ given }).verdict;
    expect(['94', '93.9', '90', '89.9', '106', '106.1', '110', '110.1'].map(at)).toEqual([
      'right',
      'near the limit',
      'near the limit',
      'not right',
      'right',
      'near the limit',
      'near the limit',
      'not right',
    ]);
    expect(mains({ given: '115' }).says[0]).toContain('step-down transformer');
    expect(mains({ given: '80' }).says[0]).toContain('will not lock or pull');
  });

  it('of a 60 Hz plate on 50 Hz it wants five sixths of its volts, and its run capacitor for it; the other way round nothing less', () => {
    const set = (texts: WorkingTexts) => rowOf('mains', texts, /Set it to/);
    expect(set({ wanted: '120', given: '100', plateHz: '60' })).toBe('100 V');
    expect(set({ wanted: '100', given: '100', plateHz: '50', mains: '60' })).toBe('100 V');
    expect(mains({ wanted: '120', given: '100', plateHz: '60' }).says.join(' ')).toContain('run capacitor');
    expect(mains({ wanted: '100', given: '100', mains: '60' }).says).toEqual([]);
  });

  it('20 VA at 100 V: 100² / 20 · 0.05 to 0.125 is 25 to 63 Ω of primary; open and shorted are told', () => {
    const texts = { given: '100', va: '20' };
    expect(rowOf('mains', texts, /at least/)).toBe('30 VA');
    expect(rowOf('mains', texts, /ought to read/)).toMatch(/^25 to 62\.5 Ω$/);
    expect(mains({ ...texts, primary: '40' }).verdict).toBe('right');
    expect(mains({ ...texts, primary: '1300' }).says.join(' ')).toContain('Primary open');
    expect(mains({ ...texts, primary: '1200' }).verdict).toBe('right');
    expect(mains({ ...texts, primary: '8' }).says.join(' ')).toContain('shorted turns');
    expect(mains({ ...texts, primary: '9' }).verdict).toBe('right');
  });
});

describe('a zener and its feed', () => {
  const zener = (texts: WorkingTexts) => solved('zener', { supply: '24', zener: '12', ...texts });
  const row = (texts: WorkingTexts, label: RegExp) => rowOf('zener', { supply: '24', zener: '12', ...texts }, label);

  it('12 V over 1 kΩ are 12 mA: 144 mW in each; 2 mA beside it leave 10 mA', () => {
    expect(row({ old: '1000' }, /Zener now/)).toBe('12 mA, 144 mW');
    expect(row({ old: '1000', load: '2' }, /Zener now/)).toBe('10 mA, 120 mW');
    expect(row({ old: '1000' }, /Resistor now/)).toBe('0.144 W');
    expect(row({ old: '1000', new: '2000' }, /Zener instead/)).toBe('6 mA, 72 mW');
    expect(row({ old: '1000' }, /instead/)).toBeUndefined();
  });

  it('is starved under a milliampere, hot over half its rating, burns over it', () => {
    expect(zener({ old: '1000' }).verdict).toBe('right');
    expect(zener({ old: '13000' }).says.join(' ')).toContain('starved');
    expect(zener({ old: '11000' }).verdict).toBe('right');
    // 0.4 W: over 0.2 W from 16.7 mA, 720 Ω; over 0.4 W from 33.3 mA, 360 Ω.
    expect(zener({ old: '725' }).verdict).toBe('right');
    expect(zener({ old: '715' }).says.join(' ')).toContain('runs hot');
    expect(zener({ old: '355' }).says.join(' ')).toContain('burns more');
    expect(zener({ old: '355', rating: '1' }).verdict).toBe('right');
    expect(refusal('zener', { supply: '12', zener: '12', old: '100' })).toContain('must stand over');
  });
});

describe('near the limits of another mains', () => {
  it('more than six percent beside what it wants is set exactly first, more than ten is far (common practice)', () => {
    const says = (given: string) => solved('mains', { wanted: '100', given }).says.join(' ');
    expect(says('94.2')).not.toContain('Near the limit');
    expect(says('93.8')).toContain('Near the limit');
    expect(says('106.2')).toContain('Near the limit');
    expect(says('105.8')).not.toContain('Near the limit');
    expect(says('89.8')).toContain('Far under');
    expect(says('110.2')).toContain('Far over');
  });

  it('the reservoir is recharged in the angle whose cosine is what is left of the peak: 0.6 V of 29.8 V in 0.64 ms', () => {
    const value = Number(
      rowOf('supply', { secondary: '23', load: '0.132', reservoir: '2200' }, /Recharged/)?.match(/[\d.]+/)?.[0],
    );
    expect(value).toBeGreaterThan(0.55);
    expect(value).toBeLessThan(0.75);
  });
});
