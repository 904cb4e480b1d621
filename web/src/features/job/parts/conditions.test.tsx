/** What stands with the next reading: only what was said, and for how long it has been on. */
import { familyOf } from '@amber-gauge/core/families';
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useClock } from '../../../shared/outbox/clock.js';
import { line, show, viewOf } from '../../../test/scene.js';
import { useConditions } from './Conditions.js';

afterEach(() => {
  useClock.setState({ offsetMs: 0 });
});

const told = vi.fn<(conditions: object) => void>();
/** What a reading taken now would carry. */
function taken(): object | undefined {
  fireEvent.click(screen.getByRole('button', { name: 'take' }));
  return told.mock.lastCall?.[0];
}
function Bench({ familyId, on }: { readonly familyId: string; readonly on: string | null }) {
  const view = viewOf([line({ kind: 'note', text: 'x' })]);
  const conditions = useConditions({ ...view, state: { ...view.state, onSince: on } }, familyOf(familyId));
  return (
    <>
      {conditions.fields}
      <button onClick={() => told(conditions.taken())}>take</button>
    </>
  );
}
const choose = (name: string, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};
const options = (name: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name }));
  const all = screen.getAllByRole('option').map((one) => one.textContent);
  fireEvent.keyDown(screen.getByRole('listbox'), { key: 'Escape' });
  return all;
};

describe('conditions', () => {
  it('are none while nothing was said and it is off', () => {
    show(<Bench familyId="belt-turntable-dc" on={null} />);
    expect(taken()).toEqual({});
    expect(options('Load')).toEqual(['not said', 'record on', 'platter bare']);
  });

  it('hold the pitch by its id, the load and whole minutes since it was switched on', () => {
    const now = Date.now();
    show(<Bench familyId="belt-turntable-dc" on={new Date(now - 12.9 * 60_000).toISOString()} />);
    expect(taken()).toEqual({ conditions: 'on for 12 min' });
    choose('Load', 'record on');
    choose('Pitch control', 'pitch at its centre');
    expect(taken()).toEqual({ pitch: 'centre', conditions: 'record on, on for 12 min' });
    act(() => useClock.setState({ offsetMs: 10 * 60_000 }));
    expect(taken()).toEqual({ pitch: 'centre', conditions: 'record on, on for 22 min' });
    choose('Load', 'not said');
    choose('Pitch control', 'not said');
    expect(taken()).toEqual({ conditions: 'on for 22 min' });
  });

  it('ask what a family has: tape in play, or loaded, and no pitch where there is no test tone', () => {
    show(<Bench familyId="cassette-belt" on={null} />);
    expect(options('Load')).toEqual(['not said', 'tape in play', 'no tape']);
    cleanup();
    show(<Bench familyId="stand-mixer" on={null} />);
    expect(options('Load')).toEqual(['not said', 'loaded', 'running free']);
    expect(screen.queryByRole('combobox', { name: 'Pitch control' })).toBeNull();
  });
});
