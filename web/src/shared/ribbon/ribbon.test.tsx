import { tolerance } from '@amber-gauge/core/quantity';
import { render, screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { RibbonLarge } from './RibbonLarge.js';
import { RibbonSmall } from './RibbonSmall.js';

const limits = tolerance(-0.3, 0.3, { kind: 'practice', text: 'test' });
const reading = { turned: true, errorPercent: -0.42, expandedPercent: 0.1, wowPeakPercent: 0.08 };

it('says what it shows to those who do not see it', () => {
  render(<RibbonLarge reading={reading} limits={limits} centre="33⅓" describe="−0.42 % slow" />);
  expect(screen.getByRole('img', { name: '−0.42 % slow' })).toBeTruthy();
  expect(screen.getByText('33⅓')).toBeTruthy();
});

it('paints every mark at its place, with the look of its role', () => {
  const { container } = render(<RibbonLarge reading={reading} limits={limits} centre="33⅓" describe="x" />);
  const mark = (role: string) => container.querySelector(`[data-role=${role}]`);
  // −0.42 % in ±0.3 % is u = −1.4: x = asinh(2.8) / asinh(80) of 198 px, 1 px in (a page without layout is 200 px wide).
  expect(Number(mark('mean')?.getAttribute('x'))).toBeCloseTo(63.8, 2);
  expect(mark('bracket')?.getAttribute('d')).toBe('M61.83 108L61.83 116L70.71 116L70.71 108');
  expect(container.querySelectorAll('[data-role=tick]')).toHaveLength(12);
  for (const role of ['band', 'window', 'limit', 'centre', 'wow', 'mean', 'tick', 'bracket', 'word', 'figure'])
    expect(mark(role)?.getAttribute('class'), role).toContain(role);
});

it('draws no edge for a unit that did not turn, and says so', () => {
  const { container } = render(
    <RibbonLarge
      reading={{ turned: false, errorPercent: null, expandedPercent: null, wowPeakPercent: null }}
      limits={limits}
      centre="45"
      describe="did not turn"
    />,
  );
  expect(container.textContent).toContain('did not turn');
  expect(container.querySelector('[data-role=mean]')).toBeNull();
});

it('keeps wow visible in small', () => {
  const { container } = render(<RibbonSmall reading={{ ...reading, wowPeakPercent: 0.0001 }} limits={limits} />);
  expect(Number(container.querySelector('[data-role=wow]')?.getAttribute('width'))).toBeGreaterThanOrEqual(3);
});
