/** A question that takes the place of another: no tap meant for the one before answers it, nothing typed is lost. */
import type { EventBody } from '@amber-gauge/core/bench';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { around } from '../../../test/scene.js';
import { answered, bodies, findOf, stage } from './find.test-data.js';
import { PathFind } from './PathFind.js';
import { READ_FIRST_MS } from './useJustChanged.js';

stage();

describe('when the next question comes', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  const screenOf = (turn: number, ...given: EventBody[]) => {
    const { view, find } = findOf(...given);
    return around(<PathFind view={view} stage="find" speedId="33" find={{ ...find, turn }} onStage={() => {}} />);
  };
  const next = () => within(screen.getByLabelText('Next test'));
  const asked = () => next().getByRole('heading').textContent;
  const keys = () => next().getAllByRole<HTMLButtonElement>('button');
  const live = () => keys().filter((key) => !key.disabled).length;
  const slow = answered('speed-33', 'slow');
  const slack = answered('belt-look', 'slack-or-shiny');

  it('by itself it takes no tap for half a second; the first one does at once', () => {
    const { rerender } = render(screenOf(1));
    const first = asked();
    expect(live()).toBe(keys().length);
    rerender(screenOf(2, slow));
    expect(asked()).not.toBe(first);
    expect(live()).toBe(0);
    act(() => void vi.advanceTimersByTime(READ_FIRST_MS - 1));
    expect(live()).toBe(0);
    act(() => void vi.advanceTimersByTime(1));
    expect(live()).toBe(keys().length);
    // The same question after another line: nothing to wait for.
    rerender(screenOf(3, slow));
    expect(live()).toBe(keys().length);
  });

  it('asked for by hand it takes one at once', () => {
    render(screenOf(1, slow));
    const first = asked();
    fireEvent.click(next().getByRole('button', { name: 'Another test' }));
    expect(asked()).not.toBe(first);
    expect(live()).toBe(keys().length);
  });

  it('it waits while something stands typed in the one before, and comes when that is answered', async () => {
    const { rerender } = render(screenOf(1));
    const first = asked();
    const note = () => next().getByLabelText<HTMLInputElement>('A note with the answer');
    fireEvent.input(note(), { target: { value: 'belt off' } });
    expect(findOf(slack).find.answer.advice.tests[0]?.test.name).not.toBe(first);
    rerender(screenOf(2, slack));
    expect([asked(), note().value, live()]).toEqual([first, 'belt off', keys().length]);
    fireEvent.click(keys()[0] as HTMLElement);
    expect(asked()).toBe(first);
    const after = [slow, answered('speed-45', 'right')];
    expect(findOf(...after).find.answer.advice.tests[0]?.test.name).not.toBe(first);
    rerender(screenOf(3, ...after));
    expect(asked()).not.toBe(first);
    expect(live()).toBe(0);
    vi.useRealTimers();
    await waitFor(async () => expect((await bodies()).map(({ kind }) => kind).sort()).toEqual(['answer', 'note']));
  });
});
