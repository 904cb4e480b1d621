/** Keys on a job: a letter begins a line, function keys change power and stage, Esc makes the next letter a command. */
import { STAGES } from '@amber-gauge/core/bench';
import { act, createEvent, fireEvent, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useJobKeys } from './useJobKeys.js';

const calls: string[] = [];
const COMMANDS = {
  onStage: (stage: string) => void calls.push(`stage ${stage}`),
  onPower: () => void calls.push('power'),
  onBench: () => void calls.push('bench'),
  onHold: () => void calls.push('hold'),
  onEntry: () => void calls.push('entry'),
};
let clock = 1000;
const press = (key: string, more: object = {}, afterMs = 100) => {
  clock += afterMs;
  const event = createEvent.keyDown(window, { key, ...more });
  Object.defineProperty(event, 'timeStamp', { value: clock });
  let passed = true;
  act(() => {
    passed = fireEvent(window, event);
  });
  return passed;
};
const told = () => calls.splice(0);
let armed: { current: boolean };

beforeEach(() => {
  vi.useFakeTimers();
  calls.length = 0;
  armed = renderHook(() => useJobKeys(COMMANDS)).result;
});
afterEach(() => {
  vi.useRealTimers();
  document.body.innerHTML = '';
});

describe('keys on a job', () => {
  it('a letter or a figure opens the line and is typed into it; space and ? are not theirs', () => {
    expect([press('a'), press('7'), press(' '), press('?'), press('Shift')]).toEqual([true, true, true, true, true]);
    expect(told()).toEqual(['entry', 'entry']);
    // "/" opens it empty.
    expect(press('/')).toBe(false);
    expect(told()).toEqual(['entry']);
    press('a', { ctrlKey: true });
    press('a', { metaKey: true });
    press('a', { altKey: true });
    expect(told()).toEqual([]);
  });

  it('F8 asks for power, once however long it is held', () => {
    expect(press('F8')).toBe(false);
    press('F8', { repeat: true });
    expect(told()).toEqual(['power']);
  });

  it('Alt and a figure goes to the stage, but not with Ctrl', () => {
    press('1', { code: 'Digit1', altKey: true });
    press('8', { code: 'Digit8', altKey: true });
    press('9', { code: 'Digit9', altKey: true });
    press('1', { code: 'Digit1', altKey: true, ctrlKey: true });
    expect(told()).toEqual([`stage ${STAGES[0]}`, `stage ${STAGES[7]}`]);
  });

  it('after Esc the next key is a command, and only that one', () => {
    press('Escape');
    expect(armed.current).toBe(true);
    expect(press('p')).toBe(false);
    expect(armed.current).toBe(false);
    press('p');
    expect(told()).toEqual(['power', 'entry']);
    for (const key of ['b', 'h', '/', '3', 'x']) {
      press('Escape');
      press(key);
    }
    expect(told()).toEqual(['bench', 'hold', 'entry', `stage ${STAGES[2]}`]);
  });

  it('four seconds after Esc a letter is a letter again', () => {
    press('Escape');
    press('p', {}, 3999);
    expect(told()).toEqual(['power']);
    press('Escape');
    press('p', {}, 4000);
    expect(told()).toEqual(['entry']);
    press('Escape');
    expect(armed.current).toBe(true);
    act(() => vi.advanceTimersByTime(4000));
    expect(armed.current).toBe(false);
  });

  it('in a field letters are typed; Esc leaves it; a dialog has keys of its own', () => {
    document.body.innerHTML = '<input id="field"><div role="dialog"><button id="own">x</button></div>';
    document.getElementById('field')?.focus();
    press('a');
    expect(told()).toEqual([]);
    press('Escape');
    expect(document.activeElement).toBe(document.body);
    press('h');
    expect(told()).toEqual(['hold']);
    document.getElementById('own')?.focus();
    press('F8');
    press('Escape');
    press('a');
    expect(told()).toEqual([]);
  });
});
