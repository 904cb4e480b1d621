import { render, screen } from '@testing-library/react';
import { act } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lazyPart } from './lazyPart.js';

const Word = ({ word }: { readonly word: string }) => <p>{word}</p>;

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
});

describe('a part that is fetched later', () => {
  it('stands in words until it comes, and is tried again when the server is away', async () => {
    let tries = 0;
    const Part = lazyPart(
      () => (++tries < 3 ? Promise.reject(new Error('away')) : Promise.resolve(Word)),
      'Drawing the path.',
    );
    render(<Part word="the path" />);
    await act(() => vi.advanceTimersByTimeAsync(0));
    expect(screen.getByText('Drawing the path.')).toBeTruthy();
    await act(() => vi.advanceTimersByTimeAsync(6100));
    expect(screen.getByText('the path')).toBeTruthy();
    expect(tries).toBe(3);
  });

  it('is there at once the second time, and fetched once', async () => {
    const load = vi.fn(() => Promise.resolve(Word));
    const Part = lazyPart(load);
    const first = render(<Part word="first" />);
    await act(() => vi.advanceTimersByTimeAsync(0));
    first.unmount();
    render(<Part word="ready" />);
    expect(screen.getByText('ready')).toBeTruthy();
    expect(load).toHaveBeenCalledTimes(1);
  });
});
