/** A drawing under a pen: what it is told, in points, 72 to the inch. */
import { describe, expect, it } from 'vitest';
import type { DrawingMark } from './drawing.js';
import { POINTS_PER_MM, traceDrawing, type Pen } from './pen.js';

/** All that a pen is told, numbers to a thousandth of a point. */
function traced(...marks: readonly DrawingMark[]): unknown[][] {
  const told: unknown[][] = [];
  const round = (value: unknown): unknown => (typeof value === 'number' ? Number(value.toFixed(3)) : value);
  const pen = new Proxy(
    {},
    {
      get:
        (_, name: string) =>
        (...args: unknown[]) => {
          told.push([name, ...args.map(round)]);
          return name === 'widthOfString' ? 30 : undefined;
        },
    },
  ) as Pen;
  traceDrawing({ widthMm: 210, heightMm: 297, title: '', marks }, pen);
  return told;
}
/** Millimetres in points. */
const pt = (mm: number) => Number((mm * POINTS_PER_MM).toFixed(3));

describe('a pen', () => {
  it('has 72 points in 25.4 mm', () => {
    expect(25.4 * POINTS_PER_MM).toBeCloseTo(72, 12);
  });

  it('walks round a shape, closes it and fills it', () => {
    const points = [
      [0, 0],
      [10, 0],
      [10, 25.4],
    ] as const;
    expect(traced({ kind: 'shape', points })).toEqual([
      ['moveTo', 0, 0],
      ['lineTo', pt(10), 0],
      ['lineTo', pt(10), 72],
      ['closePath'],
      ['fill', '#221C15'],
    ]);
  });

  it('draws a line as wide as it is, and does not close it', () => {
    const points = [
      [1, 2],
      [3, 4],
    ] as const;
    expect(traced({ kind: 'line', points, widthMm: 0.25 })).toEqual([
      ['lineWidth', pt(0.25)],
      ['moveTo', pt(1), pt(2)],
      ['lineTo', pt(3), pt(4)],
      ['stroke', '#221C15'],
    ]);
  });

  it('fills a dot and strokes a circle', () => {
    const circle = { kind: 'circle', x: 10, y: 20, radius: 5, widthMm: 0.1 } as const;
    expect(traced({ ...circle, filled: true }).at(-1)).toEqual(['fill', '#221C15']);
    expect(traced({ ...circle, filled: false })).toEqual([
      ['lineWidth', pt(0.1)],
      ['circle', pt(10), pt(20), pt(5)],
      ['stroke', '#221C15'],
    ]);
  });

  it('writes words from their start or about their middle, turned about their own place', () => {
    const words = { kind: 'words', x: 10, y: 20, text: 'bars', sizeMm: 2.8, turned: 0 } as const;
    const written = (...more: readonly DrawingMark[]) => traced(...more).filter(([name]) => name === 'text')[0];
    const how = { lineBreak: false, baseline: 'alphabetic' };
    expect(written({ ...words, anchor: 'start' })).toEqual(['text', 'bars', pt(10), pt(20), how]);
    // Thirty points wide: fifteen back.
    expect(written({ ...words, anchor: 'middle' })).toEqual([
      'text',
      'bars',
      Number((10 * POINTS_PER_MM - 15).toFixed(3)),
      pt(20),
      how,
    ]);
    const turned = traced({ ...words, anchor: 'start', turned: 90 });
    expect(turned.find(([name]) => name === 'rotate')?.[1]).toBe(90);
    expect(
      (turned.find(([name]) => name === 'rotate')?.[2] as { origin: number[] }).origin.map((one) =>
        Number(one.toFixed(3)),
      ),
    ).toEqual([pt(10), pt(20)]);
    expect(turned[0]).toEqual(['save']);
    expect(turned.at(-1)).toEqual(['restore']);
    expect(traced({ ...words, anchor: 'start' }).some(([name]) => name === 'rotate')).toBe(false);
    expect(turned).toContainEqual(['fontSize', pt(2.8)]);
  });
});
