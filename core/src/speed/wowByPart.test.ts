/** Who makes the wow: sines of known size given to parts of known rate; what is left adds in quadrature (definition). */
import { describe, expect, it } from 'vitest';
import { nameLines, partWords, type TurningPart } from './parts.js';
import type { FlutterFigures, FlutterLine } from './tone/result.js';
import { typedPart } from './typedPart.js';
import { shareWords, wowByPart, type WowShare } from './wowByPart.js';
import told from './wowByPart.json' with { type: 'json' };

/** 33⅓ rpm: 0.5556 Hz; a belt of 0.7 Hz, a motor pulley at 12.5 Hz. */
const PARTS: readonly TurningPart[] = [
  { name: 'platter', kind: 'platter', hz: 100 / 180 },
  { name: 'belt', kind: 'belt', hz: 0.7 },
  { name: 'motor pulley', kind: 'pulley', hz: 12.5 },
];
const line = (frequencyHz: number, peakPercent: number): FlutterLine => ({ frequencyHz, peakPercent }) as FlutterLine;
const rms = (unweightedRmsPercent: number) => ({ unweightedRmsPercent }) as FlutterFigures;
const of = (lines: readonly FlutterLine[], flutter: FlutterFigures | null = null, error = 0) =>
  wowByPart(lines, flutter, PARTS, error, 60);

describe('the wow by part', () => {
  it('gives each line to the part at whose rate it lies, two of one part by the root of their squares', () => {
    const { shares, sumPercent, noisePercent } = of([
      line(0.5556, 0.03),
      line(1.1111, 0.04),
      line(12.5, 0.02),
      line(7.3, 0.01),
    ]);
    expect(shares.map(({ part, peakPercent }) => [part, Number(peakPercent.toFixed(6))])).toEqual([
      ['platter', 0.05],
      ['motor pulley', 0.02],
      ['', 0.01],
    ]);
    expect(shares[0]?.lines.map(({ multiple }) => multiple)).toEqual([2, 1]);
    // 0.05² + 0.02² + 0.01² = 0.003.
    expect(sumPercent).toBeCloseTo(Math.sqrt(0.003), 9);
    expect(shares.map(({ powerShare }) => Number(powerShare.toFixed(4)))).toEqual([0.8333, 0.1333, 0.0333]);
    expect(noisePercent).toBeNull();
  });

  it('what no line explains is noise: twice the square of the rms less the squares of the lines it counts', () => {
    // A sine of 0.06 % peak is 0.042426 % rms; with 0.05 % rms in all, 2·0.0025 − 0.0036 = 0.0014 is left.
    expect(of([line(0.5556, 0.06)], rms(0.05)).noisePercent).toBeCloseTo(Math.sqrt(0.0014), 6);
    expect(of([line(0.5556, 0.06)], rms(0.05)).sumPercent).toBeCloseTo(Math.sqrt(0.005), 6);
    expect(of([line(0.5556, 0.1)], rms(0.05)).noisePercent).toBe(0);
    // Below half a hertz the figure does not count: nothing is taken out for such a line.
    expect(of([line(0.3, 0.06)], rms(0.05)).noisePercent).toBeCloseTo(Math.sqrt(0.005), 6);
  });

  it('what fits no part stands last, however large; a line of half a hertz counts', () => {
    const { shares } = of([line(7.3, 0.09), line(8.1, 0.01), line(0.5556, 0.03), line(12.5, 0.05)]);
    expect(shares.map(({ part }) => part)).toEqual(['motor pulley', 'platter', '']);
    expect(shares[2]?.lines.map(({ multiple, hz }) => [multiple, hz])).toEqual([
      [1, 7.3],
      [1, 8.1],
    ]);
    expect(of([line(0.5, 0.06)], rms(0.05)).noisePercent).toBeCloseTo(Math.sqrt(0.0014), 6);
  });

  it('says nothing of nothing', () => {
    expect(of([])).toEqual({ shares: [], noisePercent: null, sumPercent: 0 });
    expect(of([line(7, 0)]).shares[0]?.powerShare).toBe(0);
  });

  it('scales the rates to the speed measured, and takes one over the length or a hundredth as near', () => {
    const named = (hz: number, error: number, seconds: number) =>
      nameLines([line(hz, 0.1)], PARTS, error, seconds)[0]?.parts.map(({ name, multiple }) => `${name} ${multiple}`);
    expect(named(12.5 * 1.05, 5, 60)).toEqual(['motor pulley 1']);
    expect(named(12.5 * 1.05, 0, 60)).toEqual([]);
    expect(named(12.62, 0, 60)).toEqual(['motor pulley 1']);
    expect(named(12.64, 0, 60)).toEqual([]);
    // Ten seconds part no lines nearer than a tenth of a hertz.
    expect(named(0.63, 0, 10)).toEqual(['belt 1', 'platter 1']);
    expect(named(0.63, 0, 60)).toEqual([]);
    expect(named(37.5, 0, 60)).toEqual(['motor pulley 3']);
    expect(named(50, 0, 60)).toEqual([]);
  });
});

describe('a share in words', () => {
  const share = (part: string, ...lines: readonly (readonly [multiple: number, hz: number])[]): WowShare => ({
    part,
    kind: typedPart(part, 1).kind,
    peakPercent: 0.1,
    powerShare: 1,
    lines: lines.map(([multiple, hz]) => ({ multiple, hz, peakPercent: 0.1 })),
  });

  it.each(told.causes as unknown as readonly [string, number, string][])(
    '%s, %d a turn: %s',
    (part, multiple, words) => {
      expect(shareWords(share(part, [multiple, 1]))).toBe(words);
    },
  );

  it('goes by what the part is, however it is called', () => {
    const rad: TurningPart = { name: 'Rad', kind: 'flywheel', hz: 5 };
    const [found] = wowByPart([line(5, 0.1)], null, [rad], 0, 60).shares;
    expect(found && shareWords(found)).toBe('once a turn: eccentric flywheel or its bearing');
    expect(found?.part).toBe('Rad');
  });

  it('of no part says the rate alone, of several the largest', () => {
    expect(shareWords(share('', [1, 7.2999]))).toBe('7.3 Hz, no part known at this rate');
    expect(shareWords(share('', [1, 7.3], [1, 9]))).toBe(
      '2 lines, the largest at 7.3 Hz: no part known at these rates',
    );
    expect(shareWords(share('platter'))).toBe('');
  });

  it('names the parts of a line, with how often a turn', () => {
    const [both] = nameLines([line(0.63, 0.1)], PARTS, 0, 10);
    expect(both && partWords(both)).toBe('belt or platter');
    const [twice] = nameLines([line(1.1111, 0.1)], PARTS, 0, 60);
    expect(twice && partWords(twice)).toBe('platter, twice a turn');
    const [thrice] = nameLines([line(37.5, 0.1)], PARTS, 0, 60);
    expect(thrice && partWords(thrice)).toBe('motor pulley, 3 times a turn');
    const [none] = nameLines([line(5, 0.1)], PARTS, 0, 60);
    expect(none && partWords(none)).toBe('');
  });
});
