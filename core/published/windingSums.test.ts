/** Windings judged by half an ohm and a few percent, insulation by class (EN 50678 and EN 50699, from memory); the rest is common practice. */
import { describe, expect, it } from 'vitest';
import { solveWorking, workingOf, type WorkingTexts } from '../src/workings/index.js';
import { rowOf, solved } from './solved.js';

const windings = (texts: WorkingTexts) => solved('windings', texts);
const refusal = (texts: WorkingTexts) => {
  const working = workingOf('windings');
  if (!working) throw new Error('no windings');
  return JSON.stringify(solveWorking(working, texts));
};

describe('three windings', () => {
  it('differ when they are apart by more than half an ohm and by more than a few percent, both', () => {
    const verdict = (pairs: string) => windings({ pairs }).verdict;
    expect(verdict('10 10 10.4')).toBe('right');
    expect(verdict('10 10 10.6')).toBe('not right');
    // 0.9 Ω of 20.3 is 4.4 %: even; 1.2 of 20.4 is 5.9 %.
    expect(verdict('20 20 20.9')).toBe('right');
    expect(verdict('20 20 21.2')).toBe('not right');
    // 0.5 of 6.2 is 8 %, half an ohm exactly: still even.
    expect(verdict('6 6 6.5')).toBe('right');
    expect(verdict('6 6 6.6')).toBe('not right');
  });

  it('of a few ohms are not told by the last digit: four wires', () => {
    expect(windings({ pairs: '2.0 2.0 2.2' })).toMatchObject({ verdict: 'undecided' });
    expect(windings({ pairs: '2.0 2.0 2.2' }).says.join(' ')).toContain('four wires');
    expect(windings({ pairs: '2.0 2.0 2.0' }).says).toEqual([]);
    expect(windings({ pairs: '4.9 4.9 4.8' }).says.join(' ')).toContain('four wires');
    expect(windings({ pairs: '9.9 9.9 9.8' }).says).toEqual([]);
    // A meter that shows milliohms settles it.
    expect(windings({ pairs: '4.9 4.9 4.8', resolution: '0.001' }).says).toEqual([]);
  });

  it('are read less the leads, and are no windings when the leads read as much', () => {
    expect(rowOf('windings', { pairs: '10.5 10.5 11.5', leads: '0.5' }, /Pairs apart/)).toBe('1 Ω, 9.7 %');
    expect(refusal({ pairs: '0.5 2 2', leads: '0.5' })).toContain('read as much as a winding');
  });

  it('with an open pair are not right, and say which', () => {
    expect(rowOf('windings', { pairs: '10 OL OL' }, /Open/)).toBe('bc, ca');
    expect(windings({ pairs: '10 OL OL' }).verdict).toBe('not right');
  });

  it('have their insulation by class: 1 MΩ, 0.3 with an element, 2 of class II, 0.25 of class III', () => {
    const at = (megohm: string, kind: string) => windings({ pairs: '30 30 30', megohm, class: kind }).verdict;
    for (const [kind, least, under] of [
      ['class I', '1', '0.99'],
      ['class I with heating element', '0.3', '0.29'],
      ['class II', '2', '1.9'],
      ['class III', '0.25', '0.24'],
    ] as const) {
      expect(at(least, kind), kind).toBe('right');
      expect(at(under, kind), kind).toBe('not right');
    }
    expect(windings({ pairs: '30 30 30', megohm: '0.5' }).says.join(' ')).toContain('no mains on it');
  });
});

describe('what a pair of brushes and three windings say', () => {
  it('sides more than a millimetre and a half apart are uneven (common practice)', () => {
    const says = (left: string, right: string) => solved('brushes', { left, right, limit: '5' }).says.join(' ');
    expect(says('9', '7.6')).not.toContain('Uneven');
    expect(says('9', '7.4')).toContain('Uneven');
    expect(says('7.4', '9')).toContain('Uneven');
    expect(says('9', '5')).toContain('Worn');
    expect(says('9', '5.1')).not.toContain('Worn');
  });

  it('small ones that differ by no more than two last digits want four wires (resolution: half a digit either way, twice)', () => {
    const says = (pairs: string) => solved('windings', { pairs, resolution: '0.1' }).says.join(' ');
    expect(says('4.8 4.8 4.65')).toContain('four wires');
    expect(says('4.95 4.95 4.74')).not.toContain('four wires');
    expect(says('4.8 4.8 4.8')).not.toContain('four wires');
  });
});
