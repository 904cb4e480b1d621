import { describe, expect, it } from 'vitest';
import { readingsOf, safetyLimit, safetyWords, USUAL_SAFETY_LIMITS } from './safety.js';

describe('electrical safety (usual limits of EN 50678 and EN 50699, from memory)', () => {
  it('allows the earth path more with a longer cord, at most 1 ohm', () => {
    const limit = (cordM: number) => safetyLimit(USUAL_SAFETY_LIMITS, 'earth', 'I', cordM);
    expect([2, 5, 5.1, 12.5, 12.6, 80].map((cord) => Number(limit(cord).toFixed(2)))).toEqual([
      0.3, 0.3, 0.4, 0.4, 0.5, 1,
    ]);
  });

  it('asks each class for its own', () => {
    const least = (one: 'I' | 'I-heating' | 'II' | 'III') => safetyLimit(USUAL_SAFETY_LIMITS, 'insulation', one, 2);
    expect([least('I'), least('I-heating'), least('II'), least('III')]).toEqual([1, 0.3, 2, 0.25]);
    expect(readingsOf('I')).toEqual(['earth', 'insulation', 'earth-current']);
    expect(readingsOf('II')).toEqual(['insulation', 'touch-current']);
    expect(safetyLimit(USUAL_SAFETY_LIMITS, 'earth-current', 'I', 2)).toBe(3.5);
    expect(safetyLimit(USUAL_SAFETY_LIMITS, 'touch-current', 'II', 2)).toBe(0.5);
  });

  it('says value, unit and limit', () => {
    const words = safetyWords({
      kind: 'safety-reading',
      reading: 'insulation',
      value: 20,
      above: true,
      limit: 2,
      instrument: '',
    });
    expect(words).toBe('Insulation above 20\u202fMΩ, at least 2.0\u202fMΩ');
    const earth = (value: number, limit: number) =>
      safetyWords({ kind: 'safety-reading', reading: 'earth', value, above: false, limit, instrument: '' });
    expect(earth(0.12, 0.3)).toBe('Earth path 0.12\u202fΩ, at most 0.30\u202fΩ');
    expect(earth(1, 10)).toBe('Earth path 1.0\u202fΩ, at most 10\u202fΩ');
    expect(earth(9.94, 0.999)).toBe('Earth path 9.9\u202fΩ, at most 1.00\u202fΩ');
  });
});
