/** Pulses and a motor's own sound by file: what the worker is asked, what is asked of the hand first. */
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show, stubSizes } from '../../../test/scene.js';
import {
  bareRun as run,
  drop,
  measured,
  standForSpeedWorker,
  wayProps as props,
  worker,
} from '../../../test/speedClientStand.js';
import { usePracticeStands } from './practiceStands.js';
import { PulsesWay } from './PulsesWay.js';
import { SoundWay } from './SoundWay.js';

beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
  stubSizes();
  standForSpeedWorker();
});
afterEach(() => {
  act(() => usePracticeStands.setState({ wav: null }));
});

const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));
const found = async (name: RegExp | string) => fireEvent.click(await screen.findByRole('button', { name }));
const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const choose = (label: string, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};

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
    await waitFor(() => expect(worker.asked[0]?.[0]).toBe('pulseRecording'));
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
    const asked = await screen.findByLabelText('Can this be right?');
    expect(asked.textContent).toContain('9.9 times the nominal');
    expect(asked.textContent).toContain('Is the number of blades, bars or pole pairs right?');
    press('No, leave it');
    expect(given).toEqual([]);
    expect(screen.queryByLabelText('Can this be right?')).toBeNull();
    await drop('Recording of the sound');
    await found('It is right: keep it');
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
