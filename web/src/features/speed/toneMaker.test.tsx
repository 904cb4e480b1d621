/** The test tone that is made: what is asked of the worker, what the file is called, what cannot be. */
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import * as downloads from '../../shared/ui/download.js';
import * as speedClient from '../../workers/speedClient.js';
import { ToneMaker } from './ToneMaker.js';

const [made, saved] = [vi.fn(), vi.fn()];

beforeEach(() => {
  made.mockReset();
  saved.mockReset();
  vi.spyOn(speedClient, 'inWorker').mockImplementation((work) => ({
    answer: work({ make: (wish: unknown, coding: unknown) => (made(wish, coding), new Blob(['RIFF'])) } as never),
    stop: () => undefined,
  }));
  vi.spyOn(downloads, 'download').mockImplementation(saved);
  render(
    <MemoryRouter>
      <ToneMaker />
    </MemoryRouter>,
  );
});

const type = (name: RegExp | string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
const choose = (name: string, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};
const save = () => screen.getByRole('button', { name: 'Save as WAV' }) as HTMLButtonElement;

describe('a test tone', () => {
  it('is asked for as it is typed: half of full scale is −6.02 dB, an error moves the tone', async () => {
    type('Length, s', '5');
    type('Speed error, %', '0,5');
    type('Wow or flutter, % peak', '0.2');
    type('at, Hz', '0.55');
    type('Peak level, dB of full scale', '-6.0206');
    choose('Sample rate', '44100 Hz');
    choose('Samples', '16 bit');
    // 3150 Hz and half a percent more.
    expect(document.body.textContent).toContain('3165.750 Hz');
    fireEvent.click(save());
    await waitFor(() => expect(saved).toHaveBeenCalledOnce());
    const [wish, coding] = made.mock.calls[0] as [{ amplitude: number }, string];
    expect(coding).toBe('s16');
    expect(wish).toMatchObject({
      sampleRate: 44100,
      durationS: 5,
      nominalHz: 3150,
      errorPercent: 0.5,
      lines: [{ hz: 0.55, peakPercent: 0.2 }],
    });
    expect(wish.amplitude).toBeCloseTo(0.5, 5);
    expect(saved.mock.calls[0]?.[0]).toBe('tone-3150Hz-0,5pc-wow0.2pc-0.55Hz-44100.wav');
  });

  it('plain it has no wow, and its name says no error', async () => {
    fireEvent.click(save());
    await waitFor(() => expect(saved).toHaveBeenCalledOnce());
    expect(made.mock.calls[0]?.[0]).toMatchObject({ errorPercent: 0, lines: [], durationS: 60, sampleRate: 48000 });
    expect(saved.mock.calls[0]?.slice(0, 2)).toEqual(['tone-3150Hz-48000.wav', 'audio/wav']);
  });

  it('may be another frequency, from 20 Hz to four tenths of the rate', () => {
    choose('Tone', 'another');
    for (const [hz, good] of [
      ['19', false],
      ['20', true],
      ['19200', true],
      ['19201', false],
      ['', false],
    ] as const) {
      type('Frequency, Hz', hz);
      expect(!save().disabled, hz).toBe(good);
    }
    expect(screen.getByRole('alert').textContent).toBe('The tone lies between 20 and 19200 Hz.');
  });

  it.each([
    ['Length, s', '0.9', 'At least one second.'],
    // 40 million samples at 48000 a second.
    ['Length, s', '834', 'At most 833 s at this rate.'],
    ['Speed error, %', '50.1', 'The speed error lies within ±50 %.'],
    ['Speed error, %', '-50.1', 'The speed error lies within ±50 %.'],
    ['Wow or flutter, % peak', '10.1', 'Wow lies between 0 and 10 %.'],
    ['Wow or flutter, % peak', '-0.1', 'Wow lies between 0 and 10 %.'],
    ['Peak level, dB of full scale', '0.1', 'The level lies between −60 and 0 dB.'],
    ['Peak level, dB of full scale', '-61', 'The level lies between −60 and 0 dB.'],
    ['Peak level, dB of full scale', 'loud', 'The level lies between −60 and 0 dB.'],
  ])('%s of %s: %s', (name, value, words) => {
    type(name, value);
    expect(screen.getByRole('alert').textContent).toBe(words);
    expect(save().disabled).toBe(true);
  });

  it.each([
    ['Length, s', '1'],
    ['Length, s', '833'],
    ['Speed error, %', '50'],
    ['Speed error, %', '-50'],
    ['Wow or flutter, % peak', '10'],
    ['Peak level, dB of full scale', '0'],
    ['Peak level, dB of full scale', '-60'],
  ])('%s of %s can be', (name, value) => {
    type(name, value);
    expect(screen.queryByRole('alert')).toBeNull();
    expect(save().disabled).toBe(false);
  });

  it('wow comes round between 0.05 and 500 times a second', () => {
    type('Wow or flutter, % peak', '1');
    for (const [hz, good] of [
      ['0.04', false],
      ['0.05', true],
      ['500', true],
      ['501', false],
      ['', false],
    ] as const) {
      type('at, Hz', hz);
      expect(!save().disabled, hz).toBe(good);
    }
    // Without wow its rate does not matter.
    type('Wow or flutter, % peak', '0');
    expect(save().disabled).toBe(false);
  });
});
