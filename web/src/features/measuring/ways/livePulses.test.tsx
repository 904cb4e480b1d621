/** Pulses on the line input: what stands on the page for a reading, what is captured, what is asked. */
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { heard, standForListening } from '../../../test/liveStand.js';
import { show, stubSizes } from '../../../test/scene.js';
import { LivePulses } from './LivePulses.js';

beforeEach(() => {
  standForListening();
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
  stubSizes();
});

const WISH = { perTurn: 36, nominalRpm: 100 / 3 } as never;
const open = (ready = true) => {
  const [hand, live] = [vi.fn(() => Promise.resolve('kept' as const)), vi.fn()];
  show(<LivePulses wish={WISH} ready={ready} hand={hand} onLive={live} />);
  return { hand, live };
};
const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
const reading = (more: object = {}) => ({
  kind: 'pulses',
  rpm: 33.456,
  errorPercent: 0.368,
  pulses: 72,
  level: { peak: 0.4, clipped: false },
  ...more,
});
const plain = (text: string | null | undefined) => (text ?? '').replaceAll('\u202f', ' ');
const number = () => plain(screen.getByTestId('live-number').textContent);
const words = () => screen.getByLabelText('Live reading').lastElementChild?.textContent;

describe('pulses heard live', () => {
  it('are listened for at the rate of the input, by their number a turn; not before both are known', () => {
    const { live } = open();
    press('Listen');
    expect(heard.wish).toEqual({ of: 'pulses', wish: { ...(WISH as object), sampleRate: 44100 } });
    expect(live).toHaveBeenCalledWith(true);
    cleanup();
    heard.wish = null;
    open(false);
    const key = screen.queryByRole('button', { name: 'Listen' });
    if (key) fireEvent.click(key);
    expect(heard.wish).toBeNull();
  });

  it('stand as turns a minute and how far off, over two turns', () => {
    open();
    press('Listen');
    expect([number(), words()]).toEqual(['– rpm', 'waiting for pulses']);
    act(() => heard.tell(reading()));
    expect([number(), words()]).toEqual(['33.46 rpm', '+0.37 %, mean of the last two turns, 72 pulses']);
    act(() => heard.tell(reading({ rpm: 999.99 })));
    expect(number()).toBe('999.99 rpm');
    act(() => heard.tell(reading({ rpm: 12345.6 })));
    expect(number()).toBe('12346 rpm');
    // What another way tells is not taken for pulses.
    act(() => heard.tell({ kind: 'tone', hz: 3150, level: { peak: 1, clipped: true } }));
    expect(number()).toBe('12346 rpm');
    act(() => heard.tell(reading({ rpm: null, errorPercent: null, kind: 'nothing' })));
    expect([number(), words()]).toEqual(['– rpm', 'waiting for pulses']);
  });

  it('once overdriven it says so until it is begun again', () => {
    open();
    press('Listen');
    act(() => heard.tell(reading({ level: { peak: 1, clipped: true } })));
    act(() => heard.tell(reading()));
    expect(screen.getByText('overdriven: turn it down')).toBeTruthy();
    press('Stop listening');
    press('Listen');
    act(() => heard.tell(reading()));
    expect(screen.queryByText('overdriven: turn it down')).toBeNull();
  });

  it('a capture is handed on; one that is refused says why until the next', () => {
    const { hand, live } = open();
    press('Listen');
    expect((screen.getByRole('button', { name: /^Capture/ }) as HTMLButtonElement).disabled).toBe(true);
    act(() => heard.tell(reading()));
    press(/^Capture/);
    expect(heard.captures).toBe(1);
    act(() => heard.capture({ kind: 'refused', message: 'Fewer than four pulses.' }));
    expect(screen.getByRole('alert').textContent).toBe('Fewer than four pulses.');
    expect(hand).not.toHaveBeenCalled();
    const run = { unit: 'rpm' };
    act(() => heard.capture({ kind: 'run', run }));
    expect(screen.queryByRole('alert')).toBeNull();
    expect(hand).toHaveBeenCalledWith({
      run,
      fileName: 'pulses heard live',
      fileBytes: 0,
      sha256: null,
      source: null,
      recording: null,
    });
    press('Stop listening');
    expect(live).toHaveBeenLastCalledWith(false);
    expect(screen.queryByTestId('live-number')).toBeNull();
  });

  it('a question goes back with its answer, or without one', () => {
    heard.question = {
      kind: 'asked',
      code: 'SPEED',
      message: 'Four times as fast as it can be.',
      choices: [{ words: 'four pulses a turn', answer: { perTurn: 4 } }],
    };
    open();
    press('four pulses a turn');
    press(/^Leave it/);
    expect(heard.answered).toEqual([{ perTurn: 4 }, null]);
    cleanup();
    heard.question = null;
    heard.problem = 'The input was unplugged.';
    open();
    expect(screen.getByRole('alert').textContent).toBe('The input was unplugged.');
  });
});
