/** Files measured: what the worker is asked, what is asked of the hand first, what is handed on. */
import type { Source } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import { tolerance } from '@amber-gauge/core/quantity';
import type { SpeedRun } from '@amber-gauge/core/speed';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show, stubSizes } from '../../../test/scene.js';
import type { OtherBand, SpeedAnswer } from '../../../workers/speed.worker.js';
import { usePracticeStands } from './practiceStands.js';
import { PulsesWay } from './PulsesWay.js';
import { RecordingWay } from './RecordingWay.js';
import { SoundWay } from './SoundWay.js';
import { TonesInARow } from './TonesInARow.js';
import type { Measured, WayProps } from './way.js';

type Given = readonly unknown[];
const worker = vi.hoisted(() => ({
  answers: [] as unknown[],
  asked: [] as [string, ...unknown[]][],
  decoded: null as unknown,
  stops: 0,
}));
vi.mock('../../../workers/speedClient.js', () => {
  const api = new Proxy(
    {},
    {
      get:
        (_target, name: string) =>
        (...given: Given) => {
          worker.asked.push([name, ...given]);
          return Promise.resolve(worker.answers.shift());
        },
    },
  );
  return {
    warmWorker: () => undefined,
    reporting: (report: unknown) => report,
    decodeElse: () => Promise.resolve(worker.decoded),
    STOPPED: { kind: 'refused', message: 'Stopped.' },
    inWorker: (work: (api: object) => Promise<unknown>, stopped: unknown) => {
      let stop = () => undefined as void;
      const halted = new Promise((resolve) => {
        stop = () => {
          worker.stops++;
          resolve(stopped);
        };
      });
      return { answer: Promise.race([work(api), halted]), stop };
    },
  };
});

beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
  stubSizes();
  Object.assign(worker, { answers: [], asked: [], decoded: null, stops: 0 });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  act(() => usePracticeStands.setState({ wav: null }));
});

const family = familyOf('belt-turntable-dc');
const speed = family.speeds.find(({ id }) => id === '33') as (typeof family.speeds)[number];
const source = (id: string, nominalHz: number, tolerancePercent: number | null): Source => ({
  id,
  name: `Record of ${nominalHz}`,
  nominalHz,
  tolerancePercent,
  demo: false,
  version: 1,
});
const SHOP = source('a', 3150, 0.1);
const OLD = source('b', 3000, null);
const run = (more: Partial<SpeedRun> = {}): SpeedRun =>
  ({
    unit: 'Hz',
    nominal: 3150,
    mean: 3152,
    errorPercent: 0.06,
    expandedPercent: 0.1,
    uncertainty: [],
    driftPercent: null,
    flutter: null,
    lines: [],
    warnings: [],
    detail: { way: 'tone', nominalHz: 3150 },
    series: null,
    spectrum: null,
    ...more,
  }) as unknown as SpeedRun;
const measured = (of: SpeedRun, bands: readonly OtherBand[] = []): SpeedAnswer => ({
  kind: 'measured',
  run: of,
  sha256: 'f'.repeat(64),
  bands,
});
const props = (more: Partial<WayProps> = {}) => {
  const given: Measured[] = [];
  const chosen = vi.fn();
  const all: WayProps = {
    family,
    speed,
    limits: tolerance(-0.3, 0.3, { kind: 'practice', text: 'test' }),
    source: SHOP,
    sources: [SHOP],
    onSource: chosen,
    onMeasured: (one) => {
      given.push(one);
      return Promise.resolve();
    },
    onLive: () => undefined,
    ...more,
  };
  return { all, given, chosen };
};
const drop = (label: string, name = 'take.wav') =>
  act(async () => {
    fireEvent.change(screen.getByLabelText(label), { target: { files: [new File(['RIFF'], name)] } });
    await new Promise((resolve) => setTimeout(resolve, 20));
  });
const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const choose = (label: string, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};

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
    expect((worker.asked[0]?.[3] as { lossy: boolean }).lossy).toBe(lossy);
  });

  it('is kept with the run only when that is wished', async () => {
    worker.answers = [measured(run())];
    const { given } = open();
    fireEvent.click(screen.getByLabelText('keep the recording'));
    await drop(TONE);
    expect(given[0]?.recording?.name).toBe('take.wav');
  });

  const NEAR = run({ mean: 2999, errorPercent: -4.79, warnings: ['MAYBE_3000_HZ_TAPE'] });

  it('near 3000 Hz it is asked which tape that is; the answer measures it anew against that', async () => {
    worker.answers = [measured(NEAR), measured(run({ nominal: 3000, mean: 2999, errorPercent: -0.03 }))];
    const { given, chosen } = open({ sources: [SHOP, OLD] });
    await drop(TONE);
    expect(given).toEqual([]);
    expect(screen.getByText(/^The tone sits near 3000 Hz/).textContent).toBe(
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
    press('Yes: Record of 3000');
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
    expect(screen.getByText(/^If it is, add it in Set-up with 3000 Hz/)).toBeTruthy();
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
    press('only the second half');
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
    expect(screen.getByRole('alert').textContent).toBe('take.wav The recording is silent.');
    worker.answers = [new Promise(() => undefined)];
    await drop(TONE, 'long.wav');
    expect(screen.getByText('Measuring long.wav')).toBeTruthy();
    const report = worker.asked.at(-1)?.[4] as (done: number) => void;
    act(() => report(0.42));
    expect(screen.getByRole('progressbar', { name: 'Measuring' }).getAttribute('aria-valuenow')).toBe('42');
    press('Stop');
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('long.wav Stopped.'));
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
    expect(screen.getByRole('alert').textContent).toContain(
      'Measured, but not stored yet: The server does not answer.',
    );
    away = false;
    press('Store it now');
    await waitFor(() => expect(stored).toHaveLength(1));
    expect(screen.queryByRole('alert')).toBeNull();
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

describe('pulses', () => {
  const open = () => {
    const made = props();
    show(<PulsesWay {...made.all} />);
    return made;
  };
  const FILE = 'File of pulses';
  const rpmRun = (mean: number) =>
    run({
      unit: 'rpm',
      nominal: 100 / 3,
      mean,
      errorPercent: 100 * (mean / (100 / 3) - 1),
      detail: { way: 'pulses' } as never,
    });

  it('need their number a turn and the speed of their shaft', () => {
    open();
    const key = () => screen.getByRole('button', { name: 'Choose a file' }) as HTMLButtonElement;
    expect((screen.getByLabelText('Nominal of this shaft, rpm') as HTMLInputElement).value).toBe('33.3333');
    expect(key().disabled).toBe(false);
    type('Pulses a turn', '0');
    expect(key().disabled).toBe(true);
    expect(screen.getByText(/^Type how many pulses a turn/)).toBeTruthy();
    type('Pulses a turn', '1000000');
    expect(screen.getByText(/^At most \d+$/)).toBeTruthy();
    expect(key().disabled).toBe(true);
    type('Pulses a turn', '36');
    type('Nominal of this shaft, rpm', 'fast');
    expect(key().disabled).toBe(true);
  });

  it('of a recording go to the worker as they are', async () => {
    worker.answers = [measured(rpmRun(33.4))];
    const { given } = open();
    type('Pulses a turn', '36');
    type('Nominal of this shaft, rpm', '33,5');
    await drop(FILE);
    expect(worker.asked[0]?.[0]).toBe('pulseRecording');
    expect(worker.asked[0]?.[3]).toEqual({ perTurn: 36, nominalRpm: 33.5 });
    expect(given[0]).toMatchObject({ fileName: 'take.wav', source: null, recording: null, run: { mean: 33.4 } });
  });

  it('of a table are asked about by column first', async () => {
    const head = {
      names: ['t'],
      rows: [[0], [1.8]],
      columns: [Float64Array.of(0, 1.8, 3.6)],
      separator: ',',
      decimalComma: false,
      stamps: null,
      count: 3,
    };
    worker.answers = [head, { kind: 'refused', message: 'Fewer than four pulses.' }, measured(rpmRun(33.4))];
    const { given } = open();
    await drop(FILE, 'times.csv');
    await screen.findByLabelText('Columns of the table');
    press('Measure');
    expect(await screen.findByText('Fewer than four pulses.')).toBeTruthy();
    expect(worker.asked[1]?.[2]).toMatchObject({ perTurn: 1, nominalRpm: 33.3333, columns: { time: 0 } });
    press('Measure');
    await waitFor(() => expect(given).toHaveLength(1));
    expect(given[0]).toMatchObject({ fileName: 'times.csv' });
    expect(screen.queryByLabelText('Columns of the table')).toBeNull();
  });
});

describe('the motor’s own sound', () => {
  it('needs the count; once a turn it is one', async () => {
    worker.answers = [
      measured(run({ unit: 'rpm', nominal: null, errorPercent: null, mean: 9000, detail: { way: 'sound' } as never })),
    ];
    const { all, given } = props();
    show(<SoundWay onMeasured={all.onMeasured} />);
    const key = () => screen.getByRole('button', { name: 'Choose a recording' }) as HTMLButtonElement;
    expect(key().disabled).toBe(true);
    expect(screen.getByText(/^Count the blades, bars or pole pairs/)).toBeTruthy();
    type('Blades', '7');
    expect(key().disabled).toBe(false);
    type('From, rpm', '5000');
    type('to, rpm', '5000');
    expect(key().disabled).toBe(true);
    type('to, rpm', '20000');
    type('Nominal, rpm', '12000');
    fireEvent.click(screen.getByLabelText('reverses in turn'));
    await drop('Recording of the sound');
    const wish = worker.asked[0]?.[3] as Record<string, number>;
    expect(worker.asked[0]?.[0]).toBe('sound');
    expect(wish).toMatchObject({
      lines: 'blades',
      count: 7,
      minRpm: 5000,
      maxRpm: 20000,
      nominalRpm: 12000,
      reversing: true,
    });
    expect(wish.clockLimitPercent).toBeCloseTo(0.01, 12);
    expect(given[0]).toMatchObject({ fileName: 'take.wav', source: null });
    choose('It sounds of', 'once a turn');
    expect(screen.queryByLabelText('Blades')).toBeNull();
    expect(key().disabled).toBe(false);
  });

  it('a figure that cannot be is kept only when it is said to be right', async () => {
    const sound = run({ unit: 'rpm', nominal: 1000, mean: 9900, errorPercent: 890, detail: { way: 'sound' } as never });
    worker.answers = [measured(sound), measured(sound)];
    const { all, given } = props();
    show(<SoundWay onMeasured={all.onMeasured} />);
    type('Blades', '7');
    await drop('Recording of the sound');
    const asked = screen.getByLabelText('Can this be right?');
    expect(asked.textContent).toContain('9.9 times the nominal');
    expect(asked.textContent).toContain('Is the number of blades, bars or pole pairs right?');
    press('No, leave it');
    expect(given).toEqual([]);
    expect(screen.queryByLabelText('Can this be right?')).toBeNull();
    await drop('Recording of the sound');
    press('It is right: keep it');
    await waitFor(() => expect(given).toHaveLength(1));
    expect(given[0]).toMatchObject({ answered: true, run: { mean: 9900 } });
  });

  it('of the practice bench is taken with its own key, once', async () => {
    worker.answers = [{ kind: 'refused', message: 'No lines.' }];
    const { all } = props();
    show(<SoundWay onMeasured={all.onMeasured} />);
    expect(screen.queryByRole('button', { name: /practice bench$/ })).toBeNull();
    act(() => usePracticeStands.setState({ wav: new Blob(['RIFF']) as never }));
    const key = screen.getByRole('button', { name: 'Take the sound of the practice bench' }) as HTMLButtonElement;
    expect(key.disabled).toBe(true);
    type('Blades', '4');
    press('Take the sound of the practice bench');
    await waitFor(() => expect(worker.asked).toHaveLength(1));
    expect((worker.asked[0]?.[1] as File).name).toBe('practice-sound.wav');
    expect(await screen.findByText('No lines.')).toBeTruthy();
  });
});
