/** The picture of a train is to scale: a wheel of 200 mm and one of 10 mm, 150 mm apart, with their belt. */
import { USUAL_TRAINS, type Train } from '@amber-gauge/core/drive';
import { cleanup, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Picture } from './Picture.js';
import { BELT } from './train.test-data.js';

const value = (one: Element, name: string) => Number(one.getAttribute(name));
const rims = () => [...document.querySelectorAll('circle')].filter((one) => value(one, 'r') !== 1.5);
const lines = () => [...document.querySelectorAll('line')];
const length = (one: Element) => Math.hypot(value(one, 'x2') - value(one, 'x1'), value(one, 'y2') - value(one, 'y1'));

describe('the picture of a train', () => {
  it('sizes, distance and the straight runs of the belt stand to each other as they are', () => {
    render(<Picture train={BELT} speed={0} hz={50} />);
    const [platter] = rims().sort((a, b) => value(b, 'r') - value(a, 'r'));
    const mm = value(platter as Element, 'r') / 100;
    expect(mm).toBeGreaterThan(0.5);
    const pulley = rims().find((one) => Math.abs(value(one, 'r') / mm - 5) < 0.2) as Element;
    expect(pulley).toBeDefined();
    const apart = Math.hypot(
      value(platter as Element, 'cx') - value(pulley, 'cx'),
      value(platter as Element, 'cy') - value(pulley, 'cy'),
    );
    expect(apart / mm).toBeCloseTo(150, 3);
    // A tangent of two circles: √(150² − (100 − 5)²).
    const runs = lines().filter((one) => Math.abs(length(one) / mm - Math.sqrt(150 ** 2 - 95 ** 2)) < 0.01);
    expect(runs).toHaveLength(2);
  });

  it.each(USUAL_TRAINS.map(({ id, train }) => [id, train] as const))(
    '%s fits its frame, every wheel with a name of its own beside it and the way it turns',
    (_id, train) => {
      render(<Picture train={train} speed={0} hz={50} />);
      for (const rim of rims()) {
        const r = value(rim, 'r');
        // 860 by 300, a column of 200 for the names, an edge of 24; the smallest wheels are drawn two large.
        expect(value(rim, 'cx') - r).toBeGreaterThanOrEqual(21.9);
        expect(value(rim, 'cx') + r).toBeLessThanOrEqual(860 - 200 - 21.9);
        expect(value(rim, 'cy') - r).toBeGreaterThanOrEqual(21.9);
        expect(value(rim, 'cy') + r).toBeLessThanOrEqual(300 - 21.9);
      }
      const names = [...document.querySelectorAll('text')];
      expect(names).toHaveLength(train.parts.length + 1);
      const heights = names.map((one) => value(one, 'y'));
      for (const at of heights) {
        expect(at).toBeGreaterThan(24);
        expect(at).toBeLessThan(300);
      }
      const gaps = heights.slice(1).map((at, i) => at - (heights[i] ?? 0));
      for (const gap of gaps) expect(gap).toBeGreaterThan(10);
      // Each name has a line that ends just before it.
      for (const name of names)
        expect(
          lines().some(
            (one) =>
              Math.abs(value(one, 'x2') - value(name, 'x')) < 12 && Math.abs(value(one, 'y2') - value(name, 'y')) < 8,
          ),
        ).toBe(true);
    },
  );

  it('two wheels on a belt turn the same way, a crossed belt turns the second one back', () => {
    render(<Picture train={BELT} speed={0} hz={50} />);
    expect(screen.getByRole('img', { name: /motor clockwise, pulley clockwise, platter clockwise/ })).toBeTruthy();
    expect([...document.querySelectorAll('text')].map((one) => one.textContent)).toEqual([
      'motor ↻',
      'pulley ↻',
      'platter ↻',
    ]);
    cleanup();
    const [pulley, platter] = BELT.parts as [Train['parts'][number], Train['parts'][number]];
    render(<Picture train={{ ...BELT, parts: [pulley, { ...platter, contact: 'crossed belt' }] }} speed={0} hz={50} />);
    expect([...document.querySelectorAll('text')].map((one) => one.textContent)).toEqual([
      'motor ↻',
      'pulley ↻',
      'platter ↺',
    ]);
    // Its runs cross between the wheels: √(150² − (100 + 5)²).
    const [rim] = rims().sort((a, b) => value(b, 'r') - value(a, 'r'));
    const mm = value(rim as Element, 'r') / 100;
    expect(lines().filter((one) => Math.abs(length(one) / mm - Math.sqrt(150 ** 2 - 105 ** 2)) < 0.01)).toHaveLength(2);
  });
});
