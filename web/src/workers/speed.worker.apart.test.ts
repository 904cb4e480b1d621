/** The speed worker as it is: files made from sines and times written out here, their speeds by arithmetic. */
import { createHash } from 'node:crypto';
import { expose } from 'comlink';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { SpeedWorker, SpeedAnswer } from './speed.worker.js';

vi.mock('comlink', () => ({ expose: vi.fn() }));

let api: SpeedWorker;
beforeAll(async () => {
  await import('./speed.worker.js');
  api = vi.mocked(expose).mock.calls[0]?.[0] as SpeedWorker;
});

const RATE = 16_000;
const sine = (hz: number, seconds: number, level = 0.5) =>
  Float32Array.from({ length: RATE * seconds }, (_, i) => level * Math.sin((2 * Math.PI * hz * i) / RATE));
/** 16-bit PCM, one channel (the usual header of 44 bytes). */
function wav(samples: Float32Array): Blob {
  const head = new DataView(new ArrayBuffer(44));
  const text = (at: number, words: string) => [...words].forEach((c, i) => head.setUint8(at + i, c.charCodeAt(0)));
  text(0, 'RIFF');
  head.setUint32(4, 36 + 2 * samples.length, true);
  text(8, 'WAVEfmt ');
  head.setUint32(16, 16, true);
  head.setUint16(20, 1, true);
  head.setUint16(22, 1, true);
  head.setUint32(24, RATE, true);
  head.setUint32(28, 2 * RATE, true);
  head.setUint16(32, 2, true);
  head.setUint16(34, 16, true);
  text(36, 'data');
  head.setUint32(40, 2 * samples.length, true);
  return new Blob([head.buffer, Int16Array.from(samples, (one) => Math.round(32767 * one)).buffer]);
}
const measured = (answer: SpeedAnswer) => {
  if (answer.kind !== 'measured') throw new Error(JSON.stringify(answer));
  return structuredClone(answer);
};
const reports = () => {
  const done: number[] = [];
  return { done, report: (one: number) => void done.push(one) };
};

describe('a recording of a tone', () => {
  it('is measured, marked by the hash of the file, and says how far it is', async () => {
    const file = wav(sine(3150 * 0.992, 12));
    const { done, report } = reports();
    const answer = measured(await api.tone(file, null, { nominalHz: 3150 }, report));
    expect(answer.run).toMatchObject({ unit: 'Hz', nominal: 3150 });
    expect(answer.run.errorPercent).toBeCloseTo(-0.8, 3);
    expect(answer.run.mean).toBeCloseTo(3124.8, 1);
    const bytes = Buffer.from(await file.arrayBuffer());
    expect(answer.sha256).toBe(createHash('sha256').update(bytes).digest('hex'));
    // The last tenth is left to what comes after the measuring.
    expect(Math.max(...done)).toBeLessThanOrEqual(0.9);
    expect(Math.max(...done)).toBeGreaterThan(0.5);
    expect(answer.bands).toEqual([]);
  });

  it('what the browser has decoded is measured in the file’s place, which still is what is marked', async () => {
    const file = new Blob(['packed']);
    const decoded = { sampleRate: RATE, channels: [sine(3150 * 1.004, 12)] };
    const answer = measured(await api.tone(file, decoded, { nominalHz: 3150 }, () => undefined));
    expect(answer.run.errorPercent).toBeCloseTo(0.4, 3);
    expect(answer.sha256).toBe(createHash('sha256').update('packed').digest('hex'));
  });

  it('of several bands each is measured by itself, and told where it stands', async () => {
    // A record of two tones, a percent fast as a whole: 300 Hz for twelve seconds, then 3150 for fourteen.
    const [one, other] = [sine(303, 12), sine(3181.5, 14)];
    const both = new Float32Array(one.length + other.length);
    both.set(one);
    both.set(other, one.length);
    const { run, bands } = measured(await api.tone(wav(both), null, { nominalHz: 3150 }, () => undefined));
    expect(run.errorPercent).toBeCloseTo(1, 2);
    expect(bands.map((band) => band.nominalHz)).toEqual([300, 3150]);
    expect(bands.map((band) => [Math.round(band.startS), Math.round(band.endS)])).toEqual([
      [0, 12],
      [12, 26],
    ]);
    for (const band of bands) {
      expect(band.run?.errorPercent).toBeCloseTo(1, 1);
      expect(band.message).toBe('');
    }
  });

  it('what cannot be measured is refused in words', async () => {
    const answer = await api.tone(new Blob([]), null, { nominalHz: 3150 }, () => undefined);
    expect(answer).toEqual({
      kind: 'refused',
      message: 'The file is empty. Record again and check that the recorder saved something.',
    });
    const silent = await api.tone(wav(new Float32Array(RATE * 12)), null, { nominalHz: 3150 }, () => undefined);
    expect(silent).toMatchObject({ kind: 'refused', message: expect.stringMatching(/^The recording is silent/) });
  });
});

describe('pulses', () => {
  const table = (seconds: number, count: number) =>
    new Blob([`time_s\n${Array.from({ length: count }, (_, i) => (i * seconds).toFixed(6)).join('\n')}\n`]);

  it('of a table turn as their times say: one each 1.8 s is 33 1/3 a minute', async () => {
    const answer = measured(await api.pulseTable(table(1.8 / 1.01, 40), { perTurn: 1, nominalRpm: 100 / 3 }));
    expect(answer.run.unit).toBe('rpm');
    expect(answer.run.errorPercent).toBeCloseTo(1, 3);
    expect(answer.run.mean).toBeCloseTo(33.6667, 3);
  });

  it('a bad line is named by its number; nonsense is refused without one', async () => {
    const broken = new Blob(['time_s\n0\n1.8\nhello there\n3.6\n5.4\n7.2\n']);
    expect(await api.pulseTable(broken, { perTurn: 1, nominalRpm: 100 / 3 })).toEqual({
      kind: 'refused',
      message: 'Line 4: There is text among the numbers. Remove or mend that line, or export again.',
    });
    expect(await api.pulseTable(new Blob([]), { perTurn: 1, nominalRpm: 100 / 3 })).toEqual({
      kind: 'refused',
      message: 'The file is empty. Save the capture again.',
    });
  });

  it('twice as fast as it can be is asked about, not filed', async () => {
    const answer = await api.pulseTable(table(0.9, 40), { perTurn: 1, nominalRpm: 100 / 3 });
    expect(answer.kind).toBe('asked');
  });

  it('of a recording: a beep each turn of 45 a minute, half a percent slow', async () => {
    const periodS = 60 / 45 / 0.995;
    const samples = new Float32Array(RATE * 30);
    for (let turn = 0; turn * periodS < 30; turn++)
      for (let i = 0; i < 160; i++) {
        const at = Math.round((turn * periodS + 0.2) * RATE) + i;
        if (at < samples.length) samples[at] = 0.8;
      }
    const { done, report } = reports();
    const answer = measured(await api.pulseRecording(wav(samples), null, { perTurn: 1, nominalRpm: 45 }, report));
    expect(answer.run.errorPercent).toBeCloseTo(-0.5, 1);
    expect(done.length).toBeGreaterThan(0);
    const none = await api.pulseRecording(wav(new Float32Array(RATE)), null, { perTurn: 1, nominalRpm: 45 }, report);
    expect(none.kind).toBe('refused');
  });
});

describe('the gyroscope', () => {
  const log = (rpm: number) => {
    // A turn a minute is 6 degrees a second.
    const rows = Array.from({ length: 2000 }, (_, i) => `${(i / 100).toFixed(2)},0.0,0.0,${(6 * rpm).toFixed(4)}`);
    return new Blob([`time_s,x_dps,y_dps,z_dps\n${rows.join('\n')}\n`]);
  };

  it('turns six degrees a second for each turn a minute', async () => {
    const answer = measured(await api.gyro(log(33), { nominalRpm: 100 / 3 }));
    expect(answer.run.mean).toBeCloseTo(33, 2);
    expect(answer.run.errorPercent).toBeCloseTo(-1, 2);
  });

  it('a log without axes is refused', async () => {
    const answer = await api.gyro(new Blob(['a\n1\n2\n3\n']), { nominalRpm: 33 });
    expect(answer.kind).toBe('refused');
  });
});

describe('a run down', () => {
  it('gives speeds that fall as the times widen, or says why there are none', async () => {
    // From 45 a minute it loses 1.5 a minute each second: the angle is t·ω − t²/2·α, solved for each whole turn.
    const [start, slower] = [45 / 60, 1.5 / 60];
    const times = Array.from({ length: 8 }, (_, n) => (start - Math.sqrt(start ** 2 - 2 * slower * n)) / slower);
    const file = new Blob([`time_s\n${times.map((one) => one.toFixed(6)).join('\n')}\n`]);
    const answer = await api.runDown(file, { nominalRpm: 45, perTurn: 1 });
    if (answer.kind !== 'run-down') throw new Error(JSON.stringify(answer));
    // It slows evenly, so the mean of a turn is its speed at the middle of it.
    expect(answer.speeds).toHaveLength(7);
    for (const { at, rpm } of answer.speeds) expect(rpm).toBeCloseTo(45 - 1.5 * at, 3);
    const empty = await api.runDown(new Blob([]), { nominalRpm: 45, perTurn: 1 });
    expect(empty).toEqual({ kind: 'refused', message: 'The file is empty. Save the capture again.' });
    const bad = await api.runDown(new Blob(['t\n0\n1\nhello there\n2\n3\n']), { nominalRpm: 45, perTurn: 1 });
    expect(bad).toMatchObject({ kind: 'refused', message: expect.stringMatching(/^Line 4: /) });
  });
});

describe('the sound of a motor', () => {
  it('is found by its lines: two bars a turn at 300 Hz are 9000 a minute', async () => {
    const tones = [sine(300, 10, 0.4), sine(600, 10, 0.2), sine(150, 10, 0.1)];
    const mixed = Float32Array.from(tones[0] as Float32Array, (_, i) =>
      tones.reduce((sum, one) => sum + (one[i] ?? 0), 0),
    );
    const wish = { lines: 'blades', count: 2, minRpm: 6000, maxRpm: 12_000, nominalRpm: null, reversing: false };
    const { done, report } = reports();
    const answer = measured(await api.sound(wav(mixed), null, wish as never, report));
    expect(answer.run.mean).toBeCloseTo(9000, -1);
    expect(answer.run.errorPercent).toBeNull();
    expect(done.length).toBeGreaterThan(0);
    const silent = await api.sound(wav(new Float32Array(RATE * 10)), null, wish as never, report);
    expect(silent.kind).toBe('refused');
  });
});

describe('a table’s head', () => {
  it('shows four rows, what stands between the columns, and how many rows there are', async () => {
    const rows = Array.from({ length: 6000 }, (_, i) => `${i},${2 * i}`);
    const head = await api.head(new Blob([`t,v\n${rows.join('\n')}\n`]));
    if ('message' in head) throw new Error(head.message);
    expect(head.names).toEqual(['t', 'v']);
    expect(head.rows).toEqual([
      [0, 0],
      [1, 2],
      [2, 4],
      [3, 6],
    ]);
    expect([head.separator, head.decimalComma, head.stamps, head.count]).toEqual([',', false, null, 6000]);
    expect(head.columns.map((one) => one.length)).toEqual([4000, 4000]);
  });

  it('a short one has the rows that it has; a bad one its line', async () => {
    const short = await api.head(new Blob(['t;v\n1,5;2\n']));
    expect(short).toMatchObject({ rows: [[1.5, 2]], decimalComma: true, count: 1 });
    expect(await api.head(new Blob(['t\n0\n1\nhello there\n2\n']))).toMatchObject({
      message: expect.stringMatching(/^Line 4: /),
    });
    expect(await api.head(new Blob([]))).toEqual({ message: 'The file is empty. Save the capture again.' });
  });
});

it('a tone that is made is a WAV of its length and coding', async () => {
  const made = api.make({ sampleRate: 8000, durationS: 2, nominalHz: 1000 }, 's24');
  const view = new DataView(await made.arrayBuffer());
  expect(made.type).toBe('audio/wav');
  expect([view.getUint32(24, true), view.getUint16(34, true)]).toEqual([8000, 24]);
  expect(made.size).toBeGreaterThanOrEqual(44 + 2 * 8000 * 3);
});
