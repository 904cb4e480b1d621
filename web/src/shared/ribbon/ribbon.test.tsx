import { tolerance } from '@amber-gauge/core/quantity';
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { RibbonLarge } from './RibbonLarge.js';
import { RibbonSmall } from './RibbonSmall.js';

afterEach(cleanup);
const limits = tolerance(-0.3, 0.3, { kind: 'practice', text: 'test' });
const reading = { turned: true, errorPercent: -0.42, expandedPercent: 0.1, wowPeakPercent: 0.08 };

it('says what it shows to those who do not see it', () => {
  render(<RibbonLarge reading={reading} limits={limits} centre="33⅓" describe="−0.42 % slow" />);
  expect(screen.getByRole('img', { name: '−0.42 % slow' })).toBeTruthy();
  expect(screen.getByText('33⅓')).toBeTruthy();
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
  expect(container.querySelector('[class*=mean]')).toBeNull();
});

it('keeps wow visible in small', () => {
  const { container } = render(<RibbonSmall reading={{ ...reading, wowPeakPercent: 0.0001 }} limits={limits} />);
  expect(Number(container.querySelector('[class*=wow]')?.getAttribute('width'))).toBeGreaterThanOrEqual(3);
});
