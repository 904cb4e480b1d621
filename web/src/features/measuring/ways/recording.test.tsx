/** A recording of the test tone: what the worker is asked, what is asked of the hand first, what is handed on. */
import type { SpeedRun } from '@amber-gauge/core/speed';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { show, stubSizes } from '../../../test/scene.js';
import {
  bareRun as run,
  drop,
  measured,
  record,
  standForSpeedWorker,
  SHOP,
  wayProps as props,
  worker,
} from '../../../test/speedClientStand.js';
import type { OtherBand } from '../../../workers/speed.worker.js';
import { RecordingWay } from './RecordingWay.js';
import { TonesInARow } from './TonesInARow.js';
import type { Measured, WayProps } from './way.js';

beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
  stubSizes();
  standForSpeedWorker();
});

const OLD = record('b', 3000, null);
const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
const found = async (name: RegExp | string) => fireEvent.click(await screen.findByRole('button', { name }));

describe('a recording of the tone', () => {
  const TONE = 'Recording of the test tone';
  const open = (more: Partial<WayProps> = {}) => {
    const made = props(more);
    show(<RecordingWay {...made.all} />);
    return made;
  };

  it('is measured against its record and the clock; without a record there is nothing to measure against', async () => {
    worker.answers = [measured(run())];
    const { given } = open();
    await drop(TONE);
    const [name, , decoded, wish] = worker.asked[0] as [string, File, unknown, Record<string, number>];
    expect([name, decoded, wish.nominalHz, wish.clockCorrectionPpm, wish.lossy]).toEqual([
      'tone',
      null,
      3150,
      0,
      false,
    ]);
    // ±0.1 % rectangular: U = 2 · 0.1 / √3; a clock within 100 in a million is within 0.01 %.
    expect(wish.referenceUncertaintyPercent).toBeCloseTo(0.11547, 5);
    expect(wish.clockLimitPercent).toBeCloseTo(0.01, 12);
    expect(given).toEqual([
      { run: run(), fileName: 'take.wav', fileBytes: 4, sha256: 'f'.repeat(64), source: SHOP, recording: null },
    ]);
    cleanup();
    open({ source: null });
    expect(screen.getByText(/^Add the test tape or record in Set-up first/)).toBeTruthy();
  });

  it.each([
    ['a.flac', false],
    ['a.aiff', false],
    ['a.FLAC', false],
    ['a.mp3', true],
    ['a.m4a', true],
  ])('%s, decoded by the browser, is lossy: %s', async (name, lossy) => {
    worker.decoded = { sampleRate: 48000, channels: [] };
    worker.answers = [measured(run())];
    open();
    await drop(TONE, name);
    await waitFor(() => expect((worker.asked[0]?.[3] as { lossy: boolean }).lossy).toBe(lossy));
  });

  it('is kept with the run only when that is wished', async () => {
    worker.answers = [measured(run())];
    const { given } = open();
    fireEvent.click(screen.getByLabelText('keep the recording'));
    await drop(TONE);
    await waitFor(() => expect(given[0]?.recording?.name).toBe('take.wav'));
  });

  const NEAR = run({ mean: 2999, errorPercent: -4.79, warnings: ['MAYBE_3000_HZ_TAPE'] });

  it('near 3000 Hz it is asked which tape that is; the answer measures it anew against that', async () => {
    worker.answers = [measured(NEAR), measured(run({ nominal: 3000, mean: 2999, errorPercent: -0.03 }))];
    const { given, chosen } = open({ sources: [SHOP, OLD] });
    await drop(TONE);
    await waitFor(() => expect(given).toEqual([]));
    expect((await screen.findByText(/^The tone sits near 3000 Hz/)).textContent).toBe(
      'The tone sits near 3000 Hz, −4.8 % of 3150 Hz. Is this a 3000 Hz tape?',
    );
    press('Yes: Record of 3000');
    await waitFor(() => expect(given).toHaveLength(1));
    expect(given[0]).toMatchObject({ source: OLD, run: { errorPercent: -0.03 } });
    expect(chosen).toHaveBeenCalledWith('b');
    expect((worker.asked[1]?.[3] as { nominalHz: number }).nominalHz).toBe(3000);
    expect((worker.asked[1]?.[3] as { referenceUncertaintyPercent: null }).referenceUncertaintyPercent).toBeNull();
  });

  it('measured anew without success, the first figure is still there to be kept', async () => {
    worker.answers = [measured(NEAR), { kind: 'refused', message: 'Too noisy.' }];
    const { given, chosen } = open({ sources: [SHOP, OLD] });
    await drop(TONE);
    await found('Yes: Record of 3000');
    expect(await screen.findByText('Too noisy.')).toBeTruthy();
    expect([given.length, chosen.mock.calls.length]).toEqual([0, 0]);
    press('No, the unit is that slow');
    await waitFor(() => expect(given).toHaveLength(1));
    expect(given[0]).toMatchObject({ source: SHOP, run: { errorPercent: -4.79 } });
    expect(screen.queryByText(/^The tone sits near/)).toBeNull();
  });

  it('where no 3000 Hz tape is known it says where to add one', async () => {
    worker.answers = [measured(NEAR)];
    open();
    await drop(TONE);
    await waitFor(() => expect(screen.getByText(/^If it is, add it in Set-up with 3000 Hz/)).toBeTruthy());
    expect(screen.queryByRole('button', { name: /^Yes:/ })).toBeNull();
  });

  it('a question of the figure is answered for the same file; both answers count', async () => {
    const question = {
      kind: 'asked',
      code: 'SPEED',
      message: 'Twice as fast as it can be.',
      choices: [
        { words: 'only the second half', answer: { fromS: 6 } },
        { words: 'it is right', answer: { asIs: true } },
      ],
    };
    worker.answers = [{ kind: 'asked', question }, { kind: 'asked', question }, measured(run())];
    const { given } = open();
    await drop(TONE);
    await found('only the second half');
    await waitFor(() => expect(worker.asked).toHaveLength(2));
    expect(worker.asked[1]?.[3]).toMatchObject({ fromS: 6 });
    expect(worker.asked[1]?.[3]).not.toHaveProperty('asIs');
    press(await screen.findByRole('button', { name: 'it is right' }).then(() => 'it is right'));
    await waitFor(() => expect(given).toHaveLength(1));
    expect(worker.asked[2]?.[3]).toMatchObject({ fromS: 6, asIs: true });
  });

  it('what cannot be measured is said with the name of the file; a stop ends it', async () => {
    worker.answers = [{ kind: 'refused', message: 'The recording is silent.' }];
    open();
    await drop(TONE);
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('take.wav The recording is silent.'));
    worker.answers = [new Promise(() => undefined)];
    await drop(TONE, 'long.wav');
    await waitFor(() => expect(screen.getByText('Measuring long.wav')).toBeTruthy());
    const report = worker.asked.at(-1)?.[4] as (done: number) => void;
    act(() => report(0.42));
    expect(screen.getByRole('progressbar', { name: 'Measuring' }).getAttribute('aria-valuenow')).toBe('42');
    press('Stop');
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toBe('long.wav Measuring was stopped. Nothing was stored.'),
    );
  });

  it('stopped before the worker began it never begins, and what comes of it later is not told', async () => {
    let opened: (file: null) => void = () => undefined;
    worker.decoded = new Promise((resolve) => (opened = resolve));
    worker.answers = [measured(run())];
    const { given } = open();
    fireEvent.change(screen.getByLabelText(TONE), { target: { files: [new File(['RIFF'], 'slow.wav')] } });
    await screen.findByRole('button', { name: 'Stop' });
    press('Stop');
    expect(screen.getByRole('alert').textContent).toBe('slow.wav Measuring was stopped. Nothing was stored.');
    expect(screen.queryByRole('progressbar')).toBeNull();
    await act(async () => {
      opened(null);
      await Promise.resolve();
    });
    await waitFor(() => expect(worker.answers).toHaveLength(0));
    expect(given).toEqual([]);
    expect(screen.getByRole('alert').textContent).toBe('slow.wav Measuring was stopped. Nothing was stored.');
    // The next is measured as if nothing had been.
    worker.decoded = null;
    worker.answers = [measured(run())];
    await drop(TONE, 'next.wav');
    await waitFor(() => expect(given).toHaveLength(1));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });

  it('while it is stored there is nothing to stop', async () => {
    worker.answers = [measured(run())];
    let stored: () => void = () => undefined;
    open({ onMeasured: () => new Promise((resolve) => (stored = resolve)) });
    await drop(TONE);
    await waitFor(() => expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('100'));
    expect(screen.queryByRole('button', { name: 'Stop' })).toBeNull();
    act(() => stored());
    await waitFor(() => expect(screen.queryByRole('progressbar')).toBeNull());
  });

  it('measured while the server is away it waits, and is stored with one key', async () => {
    worker.answers = [measured(run())];
    let away = true;
    const stored: Measured[] = [];
    open({
      onMeasured: (one) => {
        if (away) return Promise.reject(new Error('The server does not answer.'));
        stored.push(one);
        return Promise.resolve();
      },
    });
    await drop(TONE);
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toContain(
        'Measured, but not stored yet: The server does not answer.',
      ),
    );
    away = false;
    press('Store it now');
    await waitFor(() => expect(stored).toHaveLength(1));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });

  it('several tones stand in a row, each with its own figure or why it has none', async () => {
    const band = (nominalHz: number, startS: number, of: SpeedRun | null, message = ''): OtherBand => ({
      nominalHz,
      startS,
      endS: startS + 12.34,
      run: of,
      message,
    });
    const flutter = { unweightedPeakPercent: 0.1234 } as SpeedRun['flutter'];
    worker.answers = [measured(run(), [band(300, 0, null, 'Too short.'), band(3150, 20, run({ flutter }))])];
    open();
    await drop(TONE);
    const rows = () =>
      within(screen.getByRole('table', { name: 'Tones on this recording' }))
        .getAllByRole('row')
        .slice(1)
        .map((one) => [...one.querySelectorAll('td')].map((cell) => cell.textContent));
    expect(rows()).toEqual([
      ['300 Hz', '0.0 to 12.3 s', 'Too short.'],
      ['3150 Hz', '20.0 to 32.3 s', '+0.06 ± 0.10 %', '0.123 %'],
    ]);
    cleanup();
    show(<TonesInARow bands={[band(3150, 0, run())]} />);
    // Where no flutter was measured none is told.
    expect(rows()[0]?.[3]).toBe('–');
  });
});
