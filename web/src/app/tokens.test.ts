import { describe, expect, it } from 'vitest';
import { readdirSync, readFileSync } from 'node:fs';
import { DAY, PALETTES, propertyOf, TYPE, type Palette } from './tokens.js';

/** Relative luminance and contrast ratio of WCAG 2.2 (definitions 'relative luminance', 'contrast ratio'). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

const GROUNDS: readonly (keyof Palette)[] = ['page', 'sheet', 'rail'];
const worst = (p: Palette, colour: keyof Palette, grounds = GROUNDS) =>
  Math.min(...grounds.map((ground) => contrast(p[colour], p[ground])));

describe.each(Object.entries(PALETTES))('contrast by %s', (_mode, p) => {
  it.each(['ink', 'ink2', 'act', 'danger', 'amberText'] as const)(
    '%s reads as text on every ground (AA, 4.5)',
    (colour) => {
      expect(worst(p, colour)).toBeGreaterThanOrEqual(4.5);
    },
  );

  it.each(['edge', 'amberEdge'] as const)('%s is seen as a line on every ground (3)', (colour) => {
    expect(worst(p, colour)).toBeGreaterThanOrEqual(3);
  });

  it.each(['s1', 's2', 's3', 's4', 'cleared'] as const)('%s is seen as a shape on page and sheet (3)', (colour) => {
    expect(worst(p, colour, ['page', 'sheet'])).toBeGreaterThanOrEqual(3);
  });

  it('text stands on its fills', () => {
    expect(contrast(p.onAct, p.act)).toBeGreaterThanOrEqual(7);
    expect(contrast(p.ink, p.amberFill)).toBeGreaterThanOrEqual(7);
    expect(contrast(p.ink, p.dangerPanel)).toBeGreaterThanOrEqual(7);
  });

  it('suspicion darkens (or, by night, lightens) step by step', () => {
    const steps = [p.s1, p.s2, p.s3, p.s4].map((colour) => contrast(colour, p.page));
    expect([...steps].sort((a, b) => a - b)).toEqual(steps);
  });
});

it('every colour that a style names is one of the palette', () => {
  const src = `${process.cwd()}/web/src`;
  const known = new Set(Object.keys(DAY).map(propertyOf));
  const styles = readdirSync(src, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.css'));
  expect(styles.length).toBeGreaterThan(5);
  for (const file of styles) {
    for (const [, name] of readFileSync(`${src}/${file}`, 'utf8').matchAll(/var\((--[\w-]+)\)/g))
      expect(known, file).toContain(name);
  }
});

it('sizes for the hands hold', () => {
  expect(TYPE.prompt[0]).toBeGreaterThanOrEqual(32);
  expect(TYPE.danger[0]).toBeGreaterThanOrEqual(32);
  expect(TYPE.reading[0]).toBeGreaterThanOrEqual(56);
  expect(TYPE.speed[0]).toBe(112);
});
