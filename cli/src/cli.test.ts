import { synthMotor, synthTone } from '@amber-gauge/core/speed';
import { writeWav } from '@amber-gauge/core/formats';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { gauge, started } from './gauge.test-data.js';

let dir: string;
beforeAll(() => (dir = mkdtempSync(join(tmpdir(), 'gauge-'))));
afterAll(() => rmSync(dir, { recursive: true }));

const file = (name: string, bytes: Uint8Array | string) => {
  const path = join(dir, name);
  writeFileSync(path, bytes);
  return path;
};

describe('gauge tone', () => {
  it('prints exactly one JSON object with the keys that scripts rely on', () => {
    const samples = synthTone({
      sampleRate: 16000,
      durationS: 20,
      nominalHz: 3150,
      errorPercent: 0.8,
      lines: [{ hz: 0.5556, peakPercent: 0.1 }],
      snrDb: 50,
    });
    const { status, out } = started('tone', file('a.wav', writeWav([samples], 16000)), '--nominal', '3150', '--json');
    expect(status).toBe(0);
    const result = JSON.parse(out) as Record<string, unknown>;
    expect(Object.keys(result)).toEqual([
      'nominal_hz',
      'mean_hz',
      'mean_error_percent',
      'mean_error_expanded_uncertainty_percent',
      'drift_percent',
      'unweighted_peak_percent',
      'unweighted_rms_percent',
      'weighted_2sigma_percent',
      'weighted_quasi_peak_percent',
      'weighted_rms_percent',
      'components',
      'tone',
      'warnings',
    ]);
    expect(result.mean_error_percent).toBeCloseTo(0.8, 4);
    expect(Object.keys(result.tone as object)).toEqual([
      'start_s',
      'end_s',
      'snr_db',
      'dropouts',
      'clipped',
      'channel',
    ]);
    expect((result.components as { frequency_hz: number }[])[0]?.frequency_hz).toBeCloseTo(0.5556, 3);
    expect(result.warnings).toContain('REFERENCE_NOT_INCLUDED');
  });

  it.each([
    ['EMPTY_FILE', ''],
    ['NOT_WAV', 'not a recording'],
    ['SILENT', writeWav([new Float64Array(16000)], 16000)],
  ])('ends with 2 and %s for unusable input', async (code, content) => {
    const { status, json } = await gauge('tone', file('bad.wav', content), '--nominal', '3150');
    expect(status).toBe(2);
    expect(json).toMatchObject({ error: { code } });
  });

  it('says what to do when called wrongly, without a stack', async () => {
    expect((await gauge('tone', join(dir, 'absent.wav'), '--nominal', '3150')).json).toMatchObject({
      error: { code: 'NO_FILE' },
    });
    expect((await gauge('tone')).json).toMatchObject({ error: { code: 'USAGE' } });
    const unknown = started('dance');
    expect(unknown.status).toBe(2);
    expect(unknown.errors).toContain('Commands: tone, pulses, gyro');
    expect(unknown.errors).not.toMatch(/at .*\.ts:/);
  });
});

describe('gauge pulses and gauge gyro', () => {
  it('print their keys', async () => {
    const times = Array.from({ length: 200 }, (_, i) => ((i * 60) / 4 / 33.5).toFixed(6)).join('\n');
    const pulses = (await gauge('pulses', file('p.csv', times), '--per-turn', '4', '--nominal-rpm', '33.3333')).json;
    const shared = [
      'nominal_rpm',
      'mean_rpm',
      'mean_error_percent',
      'mean_error_expanded_uncertainty_percent',
      'drift_percent',
      'unweighted_peak_percent',
      'wow_up_to_hz',
      'sense',
      'stretches',
      'components',
      'warnings',
    ];
    expect(Object.keys(pulses)).toEqual([
      ...shared,
      'missing',
      'doubled',
      'damaged_segments_per_turn',
      'spacing_errors_percent',
      'weak_segments',
      'edge',
      'channel',
      'duty_percent',
    ]);
    expect(pulses.mean_rpm).toBeCloseTo(33.5, 3);
    const log = Array.from({ length: 1500 }, (_, i) => `${(i / 100).toFixed(2)},0,0,${i < 200 ? 0.5 : 200.5}`).join(
      '\n',
    );
    const gyro = (await gauge('gyro', file('g.csv', `time,x,y,z (deg/s)\n${log}`), '--nominal-rpm', '33.3333')).json;
    expect(Object.keys(gyro)).toEqual([...shared, 'bias_dps', 'axis_unit']);
    expect(gyro).toMatchObject({
      mean_rpm: expect.closeTo(33.333, 2) as number,
      bias_dps: expect.closeTo(0.5, 2) as number,
    });
  });

  it('name the line of bad input', async () => {
    const bad = await gauge('pulses', file('b.csv', '1\n2\n3\nfour\n5'), '--per-turn', '1', '--nominal-rpm', '33');
    expect(bad.status).toBe(2);
    expect(bad.json).toMatchObject({
      error: { code: 'TEXT_IN_NUMBERS', message: expect.stringContaining('Line 4') as string },
    });
  });
});

describe('gauge line', () => {
  it('says what a typed line means, in one JSON object', async () => {
    const { status, json } = await gauge('line', '27,5 V DC @ main cap', '--family', 'belt-turntable-dc');
    expect(status).toBe(0);
    expect(json).toMatchObject({
      kind: 'reading',
      quantity: 'voltage',
      value: 27.5,
      unit: 'V',
      current: 'dc',
      place: 'reservoir',
      new_place: false,
      will: '27.5 V d.c., at reservoir',
      keeps: ['reading'],
    });
  });

  it('takes the unit of the prompt, gives both ends of a range, and asks where it is near', async () => {
    const line = async (...args: string[]) => (await gauge('line', ...args, '--family', 'belt-turntable-dc')).json;
    expect(await line('11,9', '--prompt', 'supply-volts')).toMatchObject({ value: 11.9, unit: 'V', keeps: ['answer'] });
    expect(await line('4.6-5.4 V')).toMatchObject({ bound: 'between', low: 4.6, high: 5.4 });
    expect(await line('27.5 V at resevoir')).toMatchObject({ kind: 'ask-place', near: ['reservoir'], keeps: [] });
    expect(await line('hunts at 33')).toMatchObject({ kind: 'answer', testId: 'steady', outcome: 'surges' });
  });

  it('refuses an unknown family or test by name', async () => {
    expect((await gauge('line', '5 V', '--family', 'x')).json).toMatchObject({ error: { code: 'UNKNOWN_FAMILY' } });
    const wrong = await gauge('line', '5 V', '--family', 'rim-drive', '--prompt', 'x');
    expect(wrong.status).toBe(2);
    expect(wrong.json).toMatchObject({ error: { code: 'UNKNOWN_TEST' } });
  });
});

describe('what is asked about', () => {
  it('ends with 2, a code, and the options that would answer', async () => {
    const times = Array.from({ length: 200 }, (_, i) => ((i * 60000) / 4 / 33.5).toFixed(3)).join('\n');
    const wish = ['--per-turn', '4', '--nominal-rpm', '33.3333', '--json'];
    const path = file('ms.csv', `Time (s)\n${times}`);
    const asked = await gauge('pulses', path, ...wish);
    expect(asked.status).toBe(2);
    const { error } = asked.json as {
      error: { code: string; message: string; guess: { mean_rpm: number; options: string[] } };
    };
    expect(error.code).toBe('TIME_UNIT');
    expect(error.guess.mean_rpm).toBeCloseTo(33.5, 3);
    expect(error.guess.options).toEqual(['--time-unit', 'ms']);
    const answered = await gauge('pulses', path, ...wish, ...error.guess.options);
    expect(answered.status).toBe(0);
    expect(answered.json.mean_rpm).toBeCloseTo(33.5, 4);
  });

  it('two speeds in one log are listed, and either can be measured by itself', async () => {
    const first = Array.from({ length: 60 }, (_, i) => (i * 60) / 4 / 33.4);
    const second = Array.from({ length: 80 }, (_, i) => 29 + (i * 60) / 4 / 45.2);
    const path = file('two.csv', [...first, ...second].map((t) => t.toFixed(6)).join('\n'));
    const wish = ['--per-turn', '4', '--nominal-rpm', '33.3333', '--json'];
    const { error } = (await gauge('pulses', path, ...wish)).json as {
      error: { code: string; stretches: { mean_rpm: number }[]; choices: { options: string[] }[] };
    };
    expect(error.code).toBe('SEVERAL_SPEEDS');
    expect(error.stretches.map((one) => one.mean_rpm)).toEqual([
      expect.closeTo(33.4, 2) as number,
      expect.closeTo(45.2, 2) as number,
    ]);
    expect((await gauge('pulses', path, ...wish, ...(error.choices[1]?.options ?? []))).json.mean_rpm).toBeCloseTo(
      45.2,
      2,
    );
  });
});

describe('gauge sound and --by-part', () => {
  it('a fan: its speed, candidates with odds, runs, droop', async () => {
    const samples = synthMotor({
      sampleRate: 22050,
      durationS: 5,
      rpmAt: () => 12000,
      linesPerTurn: 7,
      harmonics: [0.2, 0.1, 0.05],
      shaft: [0.03],
      noise: 0.03,
    });
    const { status, json } = await gauge('sound', file('fan.wav', writeWav([samples], 22050)), '--lines-per-turn', '7');
    expect(status).toBe(0);
    const result = json;
    expect(Object.keys(result)).toEqual([
      'mean_rpm',
      'mean_rpm_expanded_uncertainty',
      'candidates',
      'runs',
      'droop_percent',
      'drift_percent',
      'warnings',
    ]);
    expect(result.mean_rpm).toBeCloseTo(12000, -1);
    expect((result.candidates as { rpm: number; odds: number }[])[0]?.odds).toBeGreaterThan(0.9);
    expect(result.runs).toHaveLength(1);
    expect(result.droop_percent).toBeNull();
  });

  it('the wow is given to the parts of a train, and the turn has its slow place', async () => {
    const samples = synthTone({
      sampleRate: 16000,
      durationS: 30,
      nominalHz: 3150,
      snrDb: 60,
      lines: [
        { hz: 100 / 180, peakPercent: 0.1 },
        // Nine and a half times a turn: it averages out of the fold.
        { hz: 5.28, peakPercent: 0.04 },
      ],
    });
    const train = file(
      'train.json',
      '{"parts": [{"name": "platter", "rpm": 33.3333}, {"name": "motor", "rpm": 316.8}]}',
    );
    const wav = file('wow.wav', writeWav([samples], 16000));
    const result = (await gauge('tone', wav, '--nominal', '3150', '--by-part', train)).json as {
      by_part: { shares: { part: string; peak_percent: number }[]; sum_percent: number };
      turn: { part: string; turns: number; slowest: { percent: number } };
    };
    expect(result.by_part.shares).toMatchObject([
      { part: 'platter', peak_percent: expect.closeTo(0.1, 3) as number },
      { part: 'motor', peak_percent: expect.closeTo(0.04, 3) as number },
    ]);
    // The root of 0.1^2 + 0.04^2, and the noise of 60 dB.
    expect(result.by_part.sum_percent).toBeGreaterThan(0.1076);
    expect(result.by_part.sum_percent).toBeLessThan(0.125);
    expect(result.turn).toMatchObject({ part: 'platter', turns: 16 });
    expect(result.turn.slowest.percent).toBeCloseTo(-0.1, 2);
    const bad = await gauge(
      'tone',
      wav,
      '--nominal',
      '3150',
      '--by-part',
      file('bad.json', '{"parts": [{"name": "x"}]}'),
    );
    expect(bad.json).toMatchObject({ error: { code: 'BAD_TRAIN' } });
  });
});
