/** What the keys of listening do, and the level as decibels below full scale, by hand. */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { LiveControls } from './LiveControls.js';

type Props = Parameters<typeof LiveControls>[0];
const show = (more: Partial<Props> = {}) => {
  const props: Props = {
    state: 'on',
    devices: [],
    deviceId: null,
    onDevice: vi.fn(),
    onStart: vi.fn(),
    onStop: vi.fn(),
    onCapture: vi.fn(),
    canCapture: true,
    captureKey: 'F9',
    level: null,
    clippedBefore: false,
    ...more,
  };
  render(<LiveControls {...props} />);
  return props;
};
const level = (peak: number, clipped = false) => ({ peak, clipped }) as NonNullable<Props['level']>;
const meter = () => screen.getByRole('meter', { name: 'Input level' });
const width = () => Number(meter().querySelector('rect')?.getAttribute('width'));

describe('listening', () => {
  it('begins with one key, which waits while the input is opened', () => {
    const { onStart } = show({ state: 'off' });
    fireEvent.click(screen.getByRole('button', { name: 'Listen' }));
    expect(onStart).toHaveBeenCalledOnce();
    cleanup();
    show({ state: 'starting' });
    expect((screen.getByRole('button', { name: 'Opening the input' }) as HTMLButtonElement).disabled).toBe(true);
  });

  it('captures only when there is something to capture, and stops', () => {
    const { onCapture, onStop } = show();
    fireEvent.click(screen.getByRole('button', { name: 'Capture' }));
    fireEvent.click(screen.getByRole('button', { name: 'Stop listening' }));
    expect([vi.mocked(onCapture).mock.calls.length, vi.mocked(onStop).mock.calls.length]).toEqual([1, 1]);
    cleanup();
    show({ canCapture: false });
    expect((screen.getByRole('button', { name: 'Capture' }) as HTMLButtonElement).disabled).toBe(true);
  });

  it.each([
    // 20 log 0.5 = −6.02: 54 of 60 dB; a thousandth is the foot; full scale the whole.
    [0.5, '-6', 89.97, 'level'],
    [1, '0', 100, 'level'],
    // Some inputs give more than full scale: the bar ends there.
    [1.2, '0', 100, 'level'],
    [0.001, '-60', 0, 'hardly anything'],
    [0.0031, '-50', 16.37, 'hardly anything'],
    [0, '-60', 0, 'hardly anything'],
  ])('a peak of %s stands at %s dB', (peak, decibels, part, word) => {
    show({ level: level(peak) });
    expect(meter().getAttribute('aria-valuenow')).toBe(decibels);
    expect(width()).toBeCloseTo(part, 1);
    expect(screen.getByRole('status').textContent).toBe(word);
  });

  it('what was overdriven once stays said', () => {
    show({ level: level(0.3), clippedBefore: true });
    expect(screen.getByRole('status').textContent).toBe('overdriven: turn it down');
    cleanup();
    show({ level: level(1, true) });
    expect(screen.getByRole('status').textContent).toBe('overdriven: turn it down');
  });

  it('an input that is gone falls back to the first there is', () => {
    const devices = [
      { id: 'a', name: 'Line' },
      { id: 'b', name: 'Microphone' },
    ];
    show({ devices, deviceId: 'gone' });
    expect(screen.getByRole('combobox').textContent).toBe('Line');
    cleanup();
    show({ devices, deviceId: 'b' });
    expect(screen.getByRole('combobox').textContent).toBe('Microphone');
  });
});
