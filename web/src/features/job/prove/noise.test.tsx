/** Noise before and after: what is heard how, what is compared and what is not, how loud it is played. */
import type { EventBody } from '@amber-gauge/core/bench';
import type { NoiseFigures } from '@amber-gauge/core/speed';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { line, show, speedRead, viewOf } from '../../../test/scene.js';
import * as client from '../../../workers/client.js';
import * as inputs from '../../measuring/live/input.js';
import { bodies, stage } from '../find/find.test-data.js';
import { fetchSound, playSound, readClip, recordClip, wavOf } from './clipSound.js';
import { Noise } from './Noise.js';

const input = {
  samples: { onmessage: null as ((event: { data: Float32Array }) => void) | null },
  sampleRate: 100,
  closed: 0,
};
const worker = { figures: null as unknown, asked: [] as unknown[][] };

stage();

const level = (db: number) => ({ db, variance: 0, count: 20 });
const figures = (db: number, more: Partial<NoiseFigures> = {}): NoiseFigures => ({
  seconds: 10,
  sampleRate: 48000,
  aWeighted: level(db),
  octaves: [
    { hz: 63, ...level(db - 10) },
    { hz: 1000, ...level(db - 3) },
  ],
  ticks: null,
  hum: { mainsHz: 50, part: 0.256 },
  ...more,
});
const clip = (n: number, of: NoiseFigures, setup: object = {}): EventBody => ({
  kind: 'clip',
  clipId: `0000000${n}-0000-4000-8000-000000000000`,
  sound: true,
  setup: { support: 'on foam', distanceCm: 20, device: 'input', speedId: '33', ...setup },
  figures: of,
});
const WORK: EventBody = { kind: 'work', action: 'oil', what: 'the bearing', blocks: ['bearing'], reach: 'mechanics' };
const plain = (text: string | null | undefined) => (text ?? '').replaceAll('\u202f', ' ');
const noise = (...given: EventBody[]) =>
  show(<Noise view={viewOf(given.map((body) => line(body)))} stage="prove" speedId="33" />);
const rows = () => screen.getAllByRole('listitem').map((one) => plain(one.textContent));

beforeEach(() => {
  vi.spyOn(inputs, 'openNoise').mockImplementation(() =>
    Promise.resolve({ ...input, samples: input.samples, close: () => input.closed++ } as never),
  );
  vi.spyOn(client, 'clipFigures').mockImplementation((...given) => {
    worker.asked.push(given);
    return Promise.resolve(worker.figures as never);
  });
  localStorage.clear();
  sessionStorage.clear();
  worker.asked.length = 0;
  input.closed = 0;
  worker.figures = figures(-40);
});

describe('clips of the noise', () => {
  it('side by side the change is told, A-weighted and by octave', () => {
    const quieter = figures(-46, {
      octaves: [
        { hz: 63, ...level(-50) },
        { hz: 1000, ...level(-50.5) },
      ],
    });
    noise(clip(1, figures(-40)), WORK, clip(2, quieter));
    // −46 − −40 = −6; 63 Hz: −50 − −50 = 0; 1000 Hz: −50.5 − −43 = −7.5. Nothing scattered: no interval.
    expect(plain(screen.getByText(/A-weighted$/).textContent)).toBe('−6.0 (−6.0 to −6.0) dB, A-weighted');
    const table = within(screen.getByRole('table', { name: 'Change by octave' })).getAllByRole('row');
    expect(table.map((one) => one.textContent)).toEqual(['octave631000', 'dB0.0−7.5', '±0.00.0']);
    expect(rows().map((one) => one.replace(/Play.*$/, ''))).toEqual([
      'before the work: −40.0 dB A-weighted re full scale, on foam, 20 cm; hum of 50 Hz mains 26 %',
      'after the work: −46.0 dB A-weighted re full scale, on foam, 20 cm; hum of 50 Hz mains 26 %',
    ]);
  });

  it('of another set-up are not compared, and say what differs', () => {
    noise(clip(1, figures(-40)), WORK, clip(2, figures(-46), { support: 'clamped', distanceCm: 30 }));
    expect(plain(screen.getByText(/^Not compared/).textContent)).toBe(
      'Not compared: support: on foam and clamped; distance: 20 cm and 30 cm.',
    );
    expect(screen.queryByRole('table', { name: 'Change by octave' })).toBeNull();
  });

  it('ticks are told by the second and by the turn', () => {
    const ticking = figures(-40, { ticks: { hz: 2.2222, regularity: 0.914 } });
    noise(clip(1, ticking));
    // 60 · 2.2222 / 33⅓ = 4.0 a turn.
    expect(rows()[0]).toContain('; 2.2 ticks a second, 4.0 a turn, regular to 91 %');
  });

  it('by the turn as it was measured, where it was', () => {
    noise(speedRead('33', -20, { rpm: 26.6667 }), clip(1, figures(-40, { ticks: { hz: 2.2222, regularity: 1 } })));
    expect(rows()[0]).toContain('5.0 a turn');
  });

  it('without a clip there is no list', () => {
    noise();
    expect(screen.queryByRole('listitem')).toBeNull();
  });

  it('is kept with how it was held, how far off, and at which speed', async () => {
    noise();
    const distance = screen.getByLabelText('From the microphone to it');
    fireEvent.change(distance, { target: { value: 'near' } });
    expect((screen.getByRole('button', { name: /^Listen/ }) as HTMLButtonElement).disabled).toBe(true);
    for (const far of ['0', '1001']) {
      fireEvent.change(distance, { target: { value: far } });
      expect(distance.getAttribute('aria-invalid'), far).toBe('true');
    }
    fireEvent.change(distance, { target: { value: '12,5' } });
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Held how' }));
    fireEvent.click(screen.getByRole('option', { name: 'clamped' }));
    fireEvent.click(screen.getByRole('button', { name: 'Listen for 10 s' }));
    await waitFor(() => expect(input.samples.onmessage).toBeTruthy());
    expect(await screen.findByRole('button', { name: 'Listening' })).toBeTruthy();
    // A thousand samples are ten seconds at a hundred a second; what comes after them is left.
    for (let k = 0; k < 3; k++) input.samples.onmessage?.({ data: new Float32Array(400).fill(k + 1) });
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [body] = await bodies();
    expect(body).toMatchObject({
      kind: 'clip',
      sound: true,
      setup: { support: 'clamped', distanceCm: 12.5, device: 'this device’s input', speedId: '33' },
    });
    const [samples, rate] = worker.asked[0] as [Float64Array, number];
    expect([samples.length, samples[399], samples[400], samples[999], rate]).toEqual([1000, 1, 2, 3, 100]);
    expect(input.closed).toBe(1);
  });

  it('too short is said, and nothing is kept', async () => {
    worker.figures = null;
    vi.stubGlobal(
      'OfflineAudioContext',
      class {
        decodeAudioData = () =>
          Promise.resolve({
            length: 4,
            sampleRate: 48000,
            numberOfChannels: 1,
            getChannelData: () => new Float32Array(4),
          });
      },
    );
    noise();
    fireEvent.change(screen.getByLabelText('Clip of the noise'), { target: { files: [new File(['x'], 'a.wav')] } });
    expect((await screen.findByRole('status')).textContent).toBe('Too short: a clip is two seconds or more.');
    expect(await bodies()).toEqual([]);
  });

  it('no sound file is said by what to choose', async () => {
    vi.stubGlobal(
      'OfflineAudioContext',
      class {
        decodeAudioData = () => Promise.reject(new Error('no'));
      },
    );
    noise();
    fireEvent.change(screen.getByLabelText('Clip of the noise'), { target: { files: [new File(['x'], 'a.txt')] } });
    expect((await screen.findByRole('status')).textContent).toMatch(/^This is no sound file that can be read/);
  });

  it('is played matched to the quietest; one that is not here says so', async () => {
    const gains: number[] = [];
    let peak = 0.1;
    vi.stubGlobal(
      'AudioContext',
      class {
        destination = {};
        createBufferSource = () => ({
          connect: () => ({ connect: () => undefined }),
          start: () => undefined,
          buffer: null,
        });
        createGain = () => ({
          gain: {
            set value(one: number) {
              gains.push(one);
            },
          },
        });
        decodeAudioData = () => Promise.resolve({ getChannelData: () => Float32Array.from([0.02, -peak]) });
        close = () => undefined;
      },
    );
    const fetched: string[] = [];
    vi.stubGlobal('fetch', (url: string) => {
      fetched.push(url);
      return Promise.resolve(new Response('wav', { status: url.includes('00000002') ? 404 : 200 }));
    });
    noise(clip(1, figures(-40)), WORK, clip(2, figures(-46)));
    const [first, second] = screen.getAllByRole('button', { name: 'Play, level-matched' }) as [
      HTMLElement,
      HTMLElement,
    ];
    fireEvent.click(first);
    await waitFor(() => expect(gains).toHaveLength(1));
    // Six decibels louder than the quietest: half as high, 10^(−6/20).
    expect(gains[0]).toBeCloseTo(0.5012, 4);
    expect(fetched).toEqual(['/api/v1/clips/00000001-0000-4000-8000-000000000000']);
    fireEvent.click(second);
    expect((await screen.findByRole('alert')).textContent).toBe('The sound is not here: it may not have arrived yet.');
    peak = 0.5;
    await playSound(new ArrayBuffer(4), 20);
    // Ten times as high would be over full scale: no more than twice.
    expect(gains.at(-1)).toBeCloseTo(2, 9);
  });
});

describe('the sound of a clip', () => {
  it('of a file is its channels’ mean, of half a minute at most', async () => {
    const rate = 10;
    vi.stubGlobal(
      'OfflineAudioContext',
      class {
        decodeAudioData = () =>
          Promise.resolve({
            length: 400,
            sampleRate: rate,
            numberOfChannels: 2,
            getChannelData: (channel: number) => new Float32Array(400).fill(channel === 0 ? 0.5 : -0.25),
          });
      },
    );
    const sound = await readClip(new File(['x'], 'a.wav'));
    expect([sound.samples.length, sound.samples[0], sound.samples[299], sound.sampleRate]).toEqual([
      300, 0.125, 0.125, 10,
    ]);
    await expect(readClip({ size: 64e6 + 1 } as File)).rejects.toThrow('over 64 MB');
  });

  it('is kept as 16-bit WAV of its rate', () => {
    const view = new DataView(wavOf({ samples: Float64Array.of(0, 0.5, -0.5), sampleRate: 22050, device: '' }));
    expect([view.getUint16(22, true), view.getUint32(24, true), view.getUint16(34, true)]).toEqual([1, 22050, 16]);
  });

  it('an input that gives nothing is given up after fifteen seconds', async () => {
    vi.useFakeTimers();
    const listening = recordClip().catch((error: unknown) => error);
    await vi.advanceTimersByTimeAsync(14_999);
    const before = input.closed;
    await vi.advanceTimersByTimeAsync(1);
    expect(((await listening) as Error).message).toBe('The input gave nothing. Choose another, or a file.');
    expect(input.closed).toBe(before + 1);
    vi.useRealTimers();
  });

  it('that cannot be fetched says so', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    await expect(fetchSound('x')).rejects.toThrow('The sound is not here');
  });
});
