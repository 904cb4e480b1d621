/** What stands in the frame: lines that wait, lines that cannot be kept, a clock that is off. */
import { act, cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { show } from '../../test/scene.js';
import { useClock } from '../outbox/clock.js';
import { useOutbox } from '../outbox/outbox.js';
import { OutboxWord } from './OutboxWord.js';

afterEach(() => {
  act(() => {
    useOutbox.setState({ entries: [], away: false });
    useClock.setState({ offsetMs: 0 });
  });
});

const told = (entries: readonly object[], away = false, offsetMs = 0) => {
  cleanup();
  act(() => {
    useOutbox.setState({ entries: entries as never, away });
    useClock.setState({ offsetMs });
  });
  return show(<OutboxWord />).container.textContent;
};
const waiting = { jobId: 'a', refused: null };
const refused = { jobId: 'b', refused: 'No such job.' };

describe('the word of the outbox', () => {
  it('all kept and the server there: nothing', () => {
    expect(told([])).toBe('');
  });

  it('says how many wait, and that the server is away', () => {
    expect(told([waiting, waiting])).toBe('2 waiting in this browser');
    expect(told([waiting], true)).toBe('Server away. 1 waiting in this browser');
    expect(told([], true)).toBe('Server away. Trying again');
  });

  it('lines that cannot be kept lead to their job', () => {
    expect(told([refused])).toBe('1 line cannot be kept');
    expect(screen.getByRole('link').getAttribute('href')).toBe('/job/b');
    expect(told([waiting, refused, refused])).toBe('1 waiting in this browser2 lines cannot be kept');
  });

  it('a clock behind the bench’s is slow, one before it fast; up to a minute is right', () => {
    const rest = '; lines carry the bench’s time';
    expect(told([], false, 60_000)).toBe('');
    expect(told([], false, 3 * 60_000)).toBe(`This device’s clock is 3 min slow${rest}`);
    expect(told([], false, -119.4 * 60_000)).toBe(`This device’s clock is 119 min fast${rest}`);
    expect(told([], false, 5 * 3_600_000)).toBe(`This device’s clock is 5 h slow${rest}`);
  });
});
