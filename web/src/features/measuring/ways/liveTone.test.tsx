/** The test tone heard live: what it is listened for with, what stands on the page for a reading, what is handed on. */
import { familyOf } from '@amber-gauge/core/families';
import { tolerance } from '@amber-gauge/core/quantity';
import { act, fireEvent, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { heard, standForFollowing, standForListening } from '../../../test/liveStand.js';
import { show, stubSizes } from '../../../test/scene.js';
import { LiveToneWay } from './LiveToneWay.js';
import type { Measured } from './way.js';

beforeEach(() => {
  standForListening();
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
  stubSizes();
});

const family = familyOf('belt-turntable-dc');
const speed33 = family.speeds.find(({ id }) => id === '33') as (typeof family.speeds)[number];
const SOURCE = {
  id: '22222222-2222-4222-8222-222222222222',
  name: 'Shop record',
  nominalHz: 3000,
  tolerancePercent: 0.2,
  demo: false,
  version: 1,
};
const open = (source: typeof SOURCE | null = SOURCE) => {
  const [measured, live] = [vi.fn<(one: Measured) => Promise<void>>(async () => undefined), vi.fn()];
  show(
    <LiveToneWay
      family={family}
      speed={speed33}
      limits={tolerance(-0.3, 0.3, { kind: 'practice', text: 'test' })}
      source={source}
      sources={source ? [source] : []}
      onSource={() => undefined}
      onMeasured={measured}
      onLive={live}
    />,
  );
  return { measured, live };
};
const tone = (more: object = {}, mean: object = {}) => ({
  kind: 'tone',
  atS: 4,
  level: { peak: 0.4, clipped: false },
  hz: 2988,
  edgePercent: -0.5,
  mean: { errorPercent: -0.4, expandedPercent: 0.12, overS: 3.6, of: 'two turns', ...mean },
  halfWidthPercent: 0.07,
  toneS: 4,
  ...more,
});
const tell = (reading: object) => act(() => heard.tell(reading));
const readout = () =>
  (screen.getByRole('region', { name: 'Live reading' }).textContent ?? '').replaceAll('\u202f', ' ');
const listen = () => fireEvent.click(screen.getByRole('button', { name: 'Listen' }));

describe('the test tone, live', () => {
  it('without a record it says what is missing; with one it listens for its tone, turn and uncertainty', () => {
    open(null);
    expect(screen.queryByRole('button', { name: 'Listen' })).toBeNull();
    expect(screen.getByText(/^Add the test tape or record in Set-up first/)).toBeTruthy();
    const { live } = open();
    listen();
    expect(live).toHaveBeenLastCalledWith(true);
    const { wish } = heard.wish as { wish: Record<string, number> };
    expect([wish.sampleRate, wish.nominalHz, wish.clockCorrectionPpm]).toEqual([44100, 3000, 0]);
    // 60 s / 33 1/3; ±0.2 % is U = 2 · 0.2/√3; 100 parts in a million are 0.01 %.
    expect(wish.turnS).toBeCloseTo(1.8, 9);
    expect(wish.referenceUncertaintyPercent).toBeCloseTo(0.23094, 4);
    expect(wish.clockLimitPercent).toBeCloseTo(0.01, 9);
  });

  it('the number is the mean with its ±, judged; under it hertz, stretch and wow', () => {
    open();
    listen();
    expect(readout()).toContain('waiting for the tone');
    tell(tone());
    expect(screen.getByTestId('live-number').textContent).toBe('−0.40\u202f%');
    expect(readout()).toContain('± 0.12 %');
    // 0.4 slow with 0.12 of doubt, allowed 0.3: it may be inside.
    expect(screen.getByText('undecided')).toBeTruthy();
    expect(readout()).toContain('mean of the last two turns');
    expect(readout()).toContain('2988.00 Hz over 3.6 s · wow ±0.07 %');
    tell(tone({}, { errorPercent: 0.05, of: 'so far' }));
    expect(screen.getByTestId('live-number').textContent).toBe('+0.05\u202f%');
    expect(screen.getByText('right')).toBeTruthy();
    tell(tone({}, { errorPercent: -0.5 }));
    expect(screen.getByText('slow, not right yet')).toBeTruthy();
    tell(tone({}, { of: 'so far' }));
    expect(readout()).toContain('mean of what was heard so far');
  });

  it('when the tone ends its last number stays, with the word and without a verdict', () => {
    open();
    listen();
    tell(tone({}, { errorPercent: -0.5 }));
    expect(screen.getByText('slow, not right yet')).toBeTruthy();
    tell({ kind: 'ended', atS: 5, level: { peak: 0, clipped: false } });
    expect(screen.getByTestId('live-number').textContent).toBe('−0.50\u202f%');
    expect(readout()).toContain('tone ended');
    expect(screen.queryByText('slow, not right yet')).toBeNull();
    expect((screen.getByRole('button', { name: 'Capture' }) as HTMLButtonElement).disabled).toBe(true);
  });

  it('a capture is handed on as heard live, with its record; one that is refused says why', async () => {
    const { measured, live } = open();
    listen();
    tell(tone());
    fireEvent.click(screen.getByRole('button', { name: 'Capture' }));
    expect(heard.captures).toBe(1);
    act(() => heard.capture({ kind: 'refused', message: 'Less than two seconds of tone.' }));
    expect(screen.getByRole('alert').textContent).toBe('Less than two seconds of tone.');
    const run = {
      unit: 'Hz',
      nominal: 3000,
      mean: 2988,
      errorPercent: -0.4,
      expandedPercent: 0.1,
      lines: [],
      warnings: [],
      detail: { way: 'tone' },
    } as never;
    await act(async () => heard.capture({ kind: 'run', run }));
    expect(screen.queryByText('Less than two seconds of tone.')).toBeNull();
    expect(measured.mock.calls[0]?.[0]).toMatchObject({ run, fileName: 'heard live', fileBytes: 0, sha256: null });
    expect(measured.mock.calls[0]?.[0].source).toEqual(SOURCE);
    fireEvent.click(screen.getByRole('button', { name: 'Stop listening' }));
    expect(live).toHaveBeenLastCalledWith(false);
  });

  it('clipped once, it says so until it is listened for anew', () => {
    open();
    listen();
    const clipped = () => /clip|overdriven|too loud/i.test(document.body.textContent ?? '');
    tell(tone());
    expect(clipped()).toBe(false);
    tell(tone({ level: { peak: 1, clipped: true } }));
    tell(tone());
    expect(clipped()).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Stop listening' }));
    listen();
    tell(tone());
    expect(clipped()).toBe(false);
  });

  it('a capture that the second screen asked for is told to it, one by hand is not', async () => {
    const { told, ask, end } = standForFollowing();
    const { measured } = open();
    listen();
    const reading = () => heard.tell(tone());
    const refuse = (message: string) => act(() => heard.capture({ kind: 'refused', message }));
    expect(await told(reading)).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Capture' }));
    refuse('Too short.');
    expect(await told(reading)).toBeNull();
    await ask(reading);
    expect(heard.captures).toBe(2);
    refuse('Too short.');
    expect(await told(reading)).toEqual({ count: 1, words: 'Not kept. Too short.' });
    refuse('Too loud.');
    expect(await told(reading)).toEqual({ count: 1, words: 'Not kept. Too short.' });
    // A run is told as kept once it is stored, not before.
    const figures = { unit: 'Hz', nominal: 3000, mean: 2988, errorPercent: -0.4, expandedPercent: 0.1 };
    const run = { ...figures, lines: [], warnings: [], detail: { way: 'tone' } } as never;
    await ask(reading);
    let stored: () => void = () => undefined;
    measured.mockImplementation(() => new Promise((resolve) => (stored = resolve)));
    act(() => heard.capture({ kind: 'run', run }));
    expect(await told(reading)).toMatchObject({ count: 1 });
    await act(async () => stored());
    expect(await told(reading)).toEqual({ count: 2, words: 'Kept: −0.40 ± 0.10 %' });
    await ask(reading);
    measured.mockImplementation(() => Promise.reject(new Error('away')));
    await act(async () => heard.capture({ kind: 'run', run }));
    expect(await told(reading)).toMatchObject({
      count: 3,
      words: expect.stringMatching(/^Measured, but not stored yet/) as string,
    });
    end();
  });
});
