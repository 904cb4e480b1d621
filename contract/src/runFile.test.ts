import { memorySource, writeWav } from '@amber-gauge/core/formats';
import {
  measurePulses,
  measureWav,
  runOfPulses,
  runOfStopwatch,
  runOfTone,
  stopwatch,
  synthTone,
  type SpeedRun,
} from '@amber-gauge/core/speed';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readRunFile, runFileOf, runToCsv, runToJson, type RunFile } from './runFile.js';
import { figuresOf, runOfFigures } from './runs.js';

async function toneRun(): Promise<SpeedRun> {
  const wav = writeWav(
    [
      synthTone({
        sampleRate: 8000,
        durationS: 5,
        nominalHz: 3000,
        errorPercent: 0.7,
        snrDb: 40,
        lines: [{ hz: 4, peakPercent: 0.2 }],
      }),
    ],
    8000,
  );
  const tone = await measureWav(memorySource(wav), { nominalHz: 3000 });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  return runOfTone(tone);
}

const fileOf = (run: SpeedRun, fileName = 'side a, take 2.wav'): RunFile =>
  runFileOf(
    {
      fileName,
      fileBytes: 80044,
      sha256: 'ab'.repeat(32),
      sourceId: null,
      measuredAt: '2026-02-03T04:05:06.000Z',
      figures: figuresOf(run),
    },
    'Workshop "record", 3000 Hz',
  );

const counted = runOfStopwatch(stopwatch([0, 1.8, 3.6], 1), 100 / 3) as SpeedRun;

describe('a run as a file', () => {
  it('comes back the same from JSON and from CSV, series and spectrum too', async () => {
    const spaced = await measurePulses(Array.from({ length: 60 }, (_, i) => String(i * 0.3)).join('\n'), {
      perTurn: 3,
      nominalRpm: 66,
    });
    const runs = [await toneRun(), counted, ...(spaced.kind === 'measured' ? [runOfPulses(spaced)] : [])];
    expect(runs).toHaveLength(3);
    for (const run of runs) {
      const file = fileOf(run);
      for (const text of [runToJson(file), runToCsv(file), `\uFEFF${runToCsv(file).replaceAll('\n', '\r\n')}`]) {
        expect(readRunFile(text)).toEqual({ kind: 'run', file });
      }
      expect(figuresOf(runOfFigures(file.figures))).toEqual(file.figures);
    }
  });

  it('keeps any name, even one that looks like a number, a quote or a formula', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 60 }),
          fc.constantFrom('12', '-1e3', 'true', 'null', '[]', '"x"', '=1+1', 'a\nb'),
        ),
        (name) => {
          const file = fileOf(counted, name);
          const read = readRunFile(runToCsv(file));
          expect(read.kind === 'run' ? read.file.fileName : null).toBe(name);
        },
      ),
    );
  });

  it('says what is wrong with a file that is none', () => {
    const message = (text: string) => {
      const read = readRunFile(text);
      return read.kind === 'unusable' ? read.message : '';
    };
    expect(message('')).toMatch(/neither JSON nor CSV|not a run/);
    expect(message('{"a":1}')).toMatch(/format line is missing/);
    expect(message('time,volts\n1,2')).toMatch(/not a run|neither/);
    expect(message('{"format":')).toMatch(/neither JSON nor CSV/);
    expect(message(runToJson({ ...fileOf(counted), sha256: 'nonsense' }))).toMatch(/damaged at sha256/);
    expect(message(runToCsv(fileOf(counted)).replace('figures.mean,', 'figures.mean,x'))).toMatch(
      /damaged at figures\.mean/,
    );
  });
});
