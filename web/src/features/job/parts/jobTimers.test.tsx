/** Timers in the bar of a job: what counts down, what is due first, and what each key tells the log. */
import type { EventBody, StageId } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { JobTimers } from './JobTimers.js';

stage();

type Timer = Extract<EventBody, { kind: 'timer' }>;
/** A timer begun so many minutes ago. */
const begun = (timer: Timer['timer'], label: string, minutes: number, agoMin: number) => ({
  ...line({ kind: 'timer', timer, label, minutes }),
  enteredAt: new Date(Date.now() - agoMin * 60_000).toISOString(),
});
const open = (...lines: ReturnType<typeof begun>[]) => {
  const went = vi.fn<(to: StageId) => void>();
  // A job of its own each time: the same line twice at once would be a double click.
  const view = viewOf(lines, { ...JOB, id: crypto.randomUUID() });
  show(<JobTimers view={view} stage="prove" onStage={went} />);
  return { went, view };
};
const words = () => screen.getByRole('timer').textContent ?? '';
const kept = async (count: number) => {
  await waitFor(async () => expect(await bodies()).toHaveLength(count));
  return bodies();
};

describe('timers of a job', () => {
  it('the next to end runs in the bar, with how many more there are', () => {
    open(begun('cure', 'glue', 60, 10), begun('run-in', 'brushes', 30, 10));
    // 30 − 10 minutes are left of the brushes, 50 of the glue.
    expect(words()).toMatch(/^brushes(20:00|19:5\d)×1 more$/);
  });

  it('what is due comes before what runs, and is answered', async () => {
    const glue = begun('cure', 'glue', 60, 61);
    open(glue, begun('run-in', 'brushes', 30, 10), begun('cure', 'paint', 5, 30));
    expect(words()).toMatch(/done: seen1 more$/);
    expect(words()).not.toContain('brushes');
    fireEvent.click(screen.getByRole('button', { name: /^(glue|paint) done: seen/ }));
    expect((await kept(1))[0]).toMatchObject({ kind: 'timer-end', how: 'answered' });
  });

  it('one that runs is stopped by its key; with the soak its look-ins end', async () => {
    const [soak, look] = [begun('soak', 'soak', 120, 10), begun('look-in', 'look in', 20, 10)];
    open(soak, look);
    // A look-in stands with its soak: it is none more.
    expect(words()).toMatch(/^soak1:(50:00|49:5\d)×$/);
    fireEvent.click(screen.getByRole('button', { name: 'Stop soak' }));
    expect(await kept(2)).toEqual([
      { kind: 'timer-end', target: soak.key, how: 'stopped' },
      { kind: 'timer-end', target: look.key, how: 'stopped' },
    ]);
  });

  it('a wait for a charge to go has no key to stop it, and when it is over it is measured, not tapped away', async () => {
    const went = vi.fn<(to: StageId) => void>();
    const wait = (leftMin: number) => {
      const view = viewOf([]);
      const dueAt = new Date(Date.now() + leftMin * 60_000).toISOString();
      const timer = { key: 'k', timer: 'discharge', label: 'reservoir', startedAt: dueAt, dueAt, end: null } as never;
      show(<JobTimers view={{ ...view, state: { ...view.state, timers: [timer] } }} stage="prove" onStage={went} />);
    };
    wait(4);
    expect(words()).toMatch(/^reservoir(4:00|3:59)$/);
    expect(screen.queryByRole('button')).toBeNull();
    cleanup();
    wait(-1);
    fireEvent.click(screen.getByRole('button', { name: 'Wait over: measure' }));
    expect(went).toHaveBeenCalledWith('make-safe');
    expect(await bodies()).toEqual([]);
  });

  it('a look-in that is due is looked in at, and the next one begins while the soak has that long to go', async () => {
    const [soak, look] = [begun('soak', 'soak', 120, 30), begun('look-in', 'look in', 20, 21)];
    open(soak, look);
    fireEvent.click(screen.getByRole('button', { name: 'Looked in: all well' }));
    const told = await kept(3);
    expect(told.map(({ kind }) => kind)).toEqual(['note', 'timer-end', 'timer']);
    expect(told[1]).toMatchObject({ target: look.key, how: 'answered' });
    expect(told[2]).toMatchObject({ timer: 'look-in' });
  });

  it('parts that are due are here', async () => {
    const parts = begun('parts', 'belt', 60, 61);
    open(parts);
    fireEvent.click(screen.getByRole('button', { name: 'They are here: belt' }));
    expect((await kept(1))[0]).toEqual({ kind: 'timer-end', target: parts.key, how: 'answered' });
  });

  it('without timers the bar says nothing', () => {
    open();
    expect(words()).toBe('');
  });
});
