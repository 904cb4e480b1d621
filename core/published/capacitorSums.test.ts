/**
 * Verdicts on capacitors and resistors worked by hand beforehand: usual tolerances, 0.01 C V of leakage and the
 * dissipation of a typical catalogue (from memory), life by ten kelvin (handbook), series and parallel resistors.
 * The rest is common practice of the trade, with no source.
 */
import { describe, expect, it } from 'vitest';
import { addedFor, fittedFrom, lawFrom, speedWith } from '../src/circuit/index.js';
import { solveWorking, workingOf, type WorkingTexts } from '../src/workings/index.js';
import { rowOf, solved } from './solved.js';

const refusal = (id: string, texts: WorkingTexts) => {
  const working = workingOf(id);
  if (!working) throw new Error(id);
  return JSON.stringify(solveWorking(working, texts));
};

describe('a capacitor measured out of circuit', () => {
  const cap = (more: WorkingTexts) =>
    solved('capacitor', { kind: 'electrolytic', rated: '1000', volts: '35', ...more });
  const verdict = (more: WorkingTexts) => cap(more).verdict;

  it('keeps what is within its tolerance: ±20 % of an electrolytic, ±10 % of film and motor run, its own letter before both', () => {
    expect(verdict({ measured: '810' })).toBe('keep');
    expect(verdict({ measured: '790' })).toBe('replace');
    expect(verdict({ measured: '950', tolerance: '4' })).toBe('replace');
    expect(verdict({ kind: 'film', measured: '905' })).toBe('keep');
    expect(verdict({ kind: 'film', measured: '895' })).toBe('replace');
    expect(verdict({ kind: 'motor run', measured: '895' })).toBe('replace');
    expect(verdict({ kind: 'X2', measured: '810' })).toBe('keep');
  });

  it('an electrolytic that reads half as much again leaks; a fifth more is a question, of film it is a fault', () => {
    expect(verdict({ measured: '1490' })).toBe('undecided');
    expect(verdict({ measured: '1500' })).toBe('replace');
    expect(verdict({ measured: '1190' })).toBe('keep');
    expect(verdict({ kind: 'film', measured: '1110' })).toBe('replace');
  });

  it('says nothing of a value that was not measured, and sorts out by eye before all', () => {
    expect(verdict({})).toBe('undecided');
    expect(verdict({ measured: '1000', look: 'cracked, swollen, sooty or leaking' })).toBe('replace');
  });

  it('twice the ESR of a sister part is too much; alone the 120 Hz limit counts, and proves little at 100 kHz', () => {
    expect(verdict({ measured: '1000', esr: '0.19', sister: '0.1' })).toBe('keep');
    expect(verdict({ measured: '1000', esr: '0.21', sister: '0.1' })).toBe('replace');
    expect(
      rowOf(
        'capacitor',
        { kind: 'electrolytic', rated: '1000', volts: '35', measured: '1000', esr: '0.21', sister: '0.1' },
        /sister/,
      ),
    ).toBe('2.1 times');
    // 35 V: a dissipation of 0.12 (typical catalogue, from memory): 0.12 / (2π · 120 Hz · 1000 µF) = 0.159 Ω.
    expect(
      rowOf('capacitor', { kind: 'electrolytic', rated: '1000', volts: '35', measured: '1000', esr: '0.1' }, /limit/),
    ).toBe('0.159 Ω (dissipation 0.12)');
    expect(verdict({ measured: '1000', esr: '0.17' })).toBe('replace');
    expect(verdict({ measured: '1000', esr: '0.1' })).toBe('undecided');
    expect(verdict({ measured: '1000', esr: '0.1', esrHz: '120' })).toBe('keep');
    expect(verdict({ kind: 'film', measured: '1000', esr: '5' })).toBe('keep');
  });

  it('may leak 0.01 C V: 350 µA at 35 V and 1000 µF; more wants an hour at its volts, three times as much is the end', () => {
    expect(
      rowOf(
        'capacitor',
        { kind: 'electrolytic', rated: '1000', volts: '35', measured: '1000', leakage: '1' },
        /Leakage/,
      ),
    ).toBe('350 µA');
    expect(verdict({ measured: '1000', leakage: '350' })).toBe('keep');
    expect(verdict({ measured: '1000', leakage: '360' })).toBe('undecided');
    expect(verdict({ measured: '1000', leakage: '1060' })).toBe('replace');
    expect(verdict({ kind: 'film', measured: '1000', leakage: '2' })).toBe('replace');
    expect(verdict({ kind: 'film', measured: '1000', leakage: '0.5' })).toBe('keep');
  });

  it('has volts to spare: over its print refused, from 95 % no margin, over 90 % the least that will do', () => {
    const at = (circuit: string) => verdict({ measured: '1000', circuit });
    expect(at('31')).toBe('keep');
    expect(at('32')).toBe('undecided');
    expect(at('33.5')).toBe('replace');
    expect(at('36')).toBe('replace');
    expect(verdict({ kind: 'film', measured: '1000', circuit: '32' })).toBe('keep');
    expect(cap({ measured: '1000', circuit: '36' }).says.join(' ')).toContain('Refused');
  });

  it('lives twice as long for each ten kelvin less, and is old at twenty', () => {
    const life = (usedC: string) =>
      rowOf('capacitor', { kind: 'electrolytic', rated: '1000', volts: '35', measured: '1000', usedC }, /Life/);
    expect(life('85')).toBe('1 times');
    expect(life('65')).toBe('4 times');
    expect(life('95')).toBe('0.5 times');
    expect(verdict({ measured: '1000', usedC: '95' })).toBe('undecided');
    expect(verdict({ measured: '1000', usedC: '60' })).toBe('keep');
    expect(verdict({ measured: '1000', years: '19' })).toBe('keep');
    expect(verdict({ measured: '1000', years: '20' })).toBe('undecided');
    expect(verdict({ kind: 'film', measured: '1000', years: '40', usedC: '95' })).toBe('keep');
  });

  it('lays both schools open: one part is 8 min and 33 for each that fails later, the set of six 48', () => {
    const bad = { kind: 'electrolytic', rated: '1000', volts: '35', measured: '500' };
    expect(solved('capacitor', bad).says.join(' ')).toContain('Two schools');
    const set = { ...bad, set: '5', price: '0.4' };
    expect(rowOf('capacitor', set, /Only it/)).toBe('8 min, parts 0.4; each that fails later 33 min');
    expect(rowOf('capacitor', set, /All 6/)).toBe('48 min, parts 2.4');
    // 40 min of the five others against 33 each: two of them.
    expect(solved('capacitor', set).says.join(' ')).toContain('2 or more of the others');
    expect(solved('capacitor', { ...bad, set: '1' }).says.join(' ')).toContain('the other one would');
    expect(solved('capacitor', { ...bad, set: '2' }).says.join(' ')).toContain('1 or more of the others');
    expect(solved('capacitor', { ...bad, kind: 'film', set: '5' }).rows).toHaveLength(1);
    expect(refusal('capacitor', { ...bad, set: '201' })).toContain('in no unit');
    expect(refusal('capacitor', { ...bad, price: '2000000' })).toContain('no price');
  });
});

describe('one capacitor for another', () => {
  const of = (texts: WorkingTexts) =>
    solved('substitute-capacitor', {
      kind: 'electrolytic',
      rated: '100',
      volts: '25',
      newKind: 'electrolytic',
      newRated: '100',
      newVolts: '25',
      ...texts,
    });
  const verdict = (texts: WorkingTexts) => of(texts).verdict;

  it('equal or more volts, never less, and never under what the circuit puts on it', () => {
    expect(verdict({})).toBe('fits');
    expect(verdict({ newVolts: '35' })).toBe('fits');
    expect(verdict({ newVolts: '16' })).toBe('refused');
    expect(verdict({ circuit: '26' })).toBe('refused');
    expect(verdict({ circuit: '25' })).toBe('fits');
  });

  it('0.8 to twice the value for a reservoir, to 1.2 for film and X, ±10 % for motor run', () => {
    for (const [value, answer] of [
      ['79', 'refused'],
      ['80', 'fits'],
      ['200', 'fits'],
      ['201', 'refused'],
    ] as const)
      expect(verdict({ newRated: value }), value).toBe(answer);
    for (const [value, answer] of [
      ['80', 'fits'],
      ['120', 'fits'],
      ['121', 'refused'],
    ] as const)
      expect(verdict({ kind: 'film', newKind: 'film', newRated: value }), value).toBe(answer);
    for (const [value, answer] of [
      ['89', 'refused'],
      ['90', 'fits'],
      ['110', 'fits'],
      ['111', 'refused'],
    ] as const)
      expect(verdict({ kind: 'motor run', newKind: 'motor run', newRated: value }), value).toBe(answer);
  });

  it('class for class: X2 by X1, Y2 by Y1, film for an electrolytic, motor run by nothing else', () => {
    expect(verdict({ newKind: 'film' })).toBe('fits');
    expect(verdict({ kind: 'film', newKind: 'electrolytic' })).toBe('refused');
    expect(verdict({ kind: 'X2', newKind: 'X1' })).toBe('fits');
    expect(verdict({ kind: 'X2', newKind: 'Y2' })).toBe('refused');
    expect(verdict({ kind: 'Y2', newKind: 'Y1' })).toBe('fits');
    expect(verdict({ kind: 'Y2', newKind: 'X1' })).toBe('refused');
    expect(verdict({ kind: 'motor run', newKind: 'motor start' })).toBe('refused');
  });

  it('warns of the rush at switch-on from a fifth more on', () => {
    expect(of({ newRated: '120' }).says).toEqual([]);
    expect(of({ newRated: '150' }).says.join(' ')).toContain('rush at switch-on');
  });
});

describe('what is printed on a capacitor', () => {
  const at = (texts: WorkingTexts, label: RegExp) => rowOf('capacitor-mark', { year: '2026', ...texts }, label);

  it('104K275 is 100 nF ±10 % for 275 V, 4n7 is 4.7 nF, its class says where it belongs', () => {
    expect(at({ mark: '104K275' }, /Capacitance/)).toBe('100 nF');
    expect(at({ mark: '104K275' }, /Tolerance/)).toBe('±10 %');
    expect(at({ mark: '104K275' }, /Rated/)).toMatch(/^275 V/);
    expect(at({ mark: '4n7' }, /Capacitance/)).toBe('4.7 nF');
    expect(at({ mark: '0.15 uF X2' }, /Class/)).toBe('X2');
    expect(solved('capacitor-mark', { mark: '0.15 uF X2', year: '2026' }).says.join(' ')).toContain(
      'Only across the mains',
    );
    expect(solved('capacitor-mark', { mark: '2.2 nF Y2', year: '2026' }).says.join(' ')).toContain('To earth');
    expect(solved('capacitor-mark', { mark: '4n7', year: '2026' }).says).toEqual([]);
    expect(refusal('capacitor-mark', { mark: 'blue', year: '2026' })).toContain('No usual marking');
  });

  it('1842 is week 42 of 2018: eight years old in 2026', () => {
    expect(at({ mark: '4n7', date: '1842' }, /Made/)).toBe('week 42 of 2018');
    expect(at({ mark: '4n7', date: '1842' }, /Age/)).toBe('8 years');
    expect(refusal('capacitor-mark', { mark: '4n7', date: '1899', year: '2026' })).toContain('No year and week');
  });
});

describe('a resistor added for another speed', () => {
  it('goes in series where the speed goes as 1/R and is to fall, or as R and is to rise', () => {
    // 45 to 33⅓ at 1/R wants 1.35 times the ohms: 3.5 kΩ more on 10 kΩ.
    expect(addedFor('1/R', 10_000, 45, 100 / 3)).toEqual({ how: 'series', ohm: expect.closeTo(3500, 6) });
    expect(addedFor('R', 10_000, 100 / 3, 45)).toEqual({ how: 'series', ohm: expect.closeTo(3500, 6) });
    // Half of it by an equal one across it.
    expect(addedFor('1/R', 10_000, 20, 40)).toEqual({ how: 'parallel', ohm: expect.closeTo(10_000, 6) });
    expect(addedFor('R', 10_000, 40, 20)).toEqual({ how: 'parallel', ohm: expect.closeTo(10_000, 6) });
    expect(addedFor('R', 10_000, 45, 45)).toBeNull();
  });

  it('turns the speed it was made for, in either law, either way', () => {
    for (const law of ['1/R', 'R'] as const)
      for (const [from, to] of [
        [45, 78],
        [78, 45],
        [33, 16],
      ] as const) {
        const added = addedFor(law, 4700, from, to);
        if (!added) throw new Error('none');
        expect(speedWith(law, 4700, from, added)).toBeCloseTo(to, 9);
        expect(fittedFrom(law, added, from, to)).toBeCloseTo(4700, 6);
      }
  });

  it('loses by ohms of the contact: 10 kΩ across 10 kΩ with 1 kΩ of dirt is 5.238 kΩ, 38.18 instead of 40', () => {
    expect(speedWith('1/R', 10_000, 20, { how: 'parallel', ohm: 10_000 }, 1000)).toBeCloseTo(38.18, 2);
    expect(speedWith('R', 10_000, 20, { how: 'series', ohm: 10_000 }, 1000)).toBeCloseTo(42, 9);
  });

  it('cannot have done the opposite of its law', () => {
    expect(fittedFrom('1/R', { how: 'parallel', ohm: 1000 }, 45, 33)).toBeNull();
    expect(fittedFrom('1/R', { how: 'series', ohm: 1000 }, 33, 45)).toBeNull();
    expect(fittedFrom('R', { how: 'parallel', ohm: 1000 }, 33, 45)).toBeNull();
    expect(refusal('fitted-resistor', { law: '1/R', how: 'parallel', added: '1000', from: '45', to: '33' })).toContain(
      'cannot have done this',
    );
  });

  it('the law by two readings: half the ohms, twice the speed is 1/R; half of both is R; anything else neither', () => {
    expect(lawFrom(1000, 40, 500, 80)).toBe('1/R');
    expect(lawFrom(1000, 40, 500, 20)).toBe('R');
    expect(lawFrom(1000, 40, 500, 60)).toBeNull();
    expect(lawFrom(1000, 40, 1001, 80)).toBeNull();
    const texts = { law: '1/R', how: 'parallel', added: '56000', from: '45', to: '78', checkOhm: '82000' };
    // 41.07 kΩ at 45: twice the ohms is half the speed.
    expect(solved('fitted-resistor', { ...texts, checkRpm: '22.5' }).verdict).toBe('the law holds');
    expect(solved('fitted-resistor', { ...texts, checkRpm: '90' }).verdict).toBe('the law does not hold');
    expect(solved('fitted-resistor', { ...texts, checkRpm: '60' }).says.join(' ')).toContain('Neither law fits');
    expect(solved('fitted-resistor', { ...texts, checkOhm: '' }).verdict).toBeNull();
  });

  it('the trim takes up ±5 % parts from some 2.2 % on, and is told where it cannot', () => {
    const texts = { law: '1/R', fitted: '41070', from: '45', to: '78' };
    expect(solved('speed-resistor', { ...texts, trim: '2.5' }).verdict).toBe('the trim holds it');
    expect(solved('speed-resistor', { ...texts, trim: '1' }).verdict).toBe('out of the trim’s reach');
    expect(solved('speed-resistor', { ...texts, trim: '1' }).says[0]).toContain('cannot take up the spread');
    expect(solved('speed-resistor', texts).verdict).toBeNull();
    expect(refusal('speed-resistor', { ...texts, to: '45' })).toContain('speed it has');
    expect(rowOf('speed-resistor', { ...texts, law: 'R' }, /Exact/)).toMatch(/in series$/);
  });
});
