/**
 * Files as they are published: the WAV header (Multimedia Programming Interface and Data Specifications 1.0, 1991, and
 * its extensible form, from memory), sheets of paper (ISO 216; ANSI Y14.1: 8½ by 11 inches), SVG at true size; and tables
 * as instruments write them, each with what a reader of it would say.
 */
import { describe, expect, it } from 'vitest';
import { drawingSvg, memorySource, PAPERS, readTable, readWavHeader, wavSamples, writeWav } from './index.js';

const ascii = (text: string) => [...text].map((one) => one.charCodeAt(0));
const u16 = (value: number) => [value & 255, (value >> 8) & 255];
const u32 = (value: number) => [...u16(value & 0xffff), ...u16(Math.floor(value / 65536))];
const chunk = (id: string, body: readonly number[]) => [
  ...ascii(id),
  ...u32(body.length),
  ...body,
  ...(body.length % 2 === 1 ? [0] : []),
];
const format = (kind: number, channels: number, rate: number, bits: number, more: readonly number[] = []) => [
  ...u16(kind),
  ...u16(channels),
  ...u32(rate),
  ...u32((rate * channels * bits) / 8),
  ...u16((channels * bits) / 8),
  ...u16(bits),
  ...more,
];
/** An extensible header ends with the size of its rest, valid bits, speakers and the kind, the first word of a long name. */
const extensible = (kind: number, bits: number) =>
  format(0xfffe, 1, 8000, bits, [...u16(22), ...u16(bits), ...u32(4), ...u16(kind), ...Array<number>(14).fill(0)]);
const wav = (form: string, type: string, ...chunks: readonly (readonly number[])[]) => {
  const body = chunks.flat();
  return Uint8Array.from([...ascii(form), ...u32(4 + body.length), ...ascii(type), ...body]);
};
const header = (bytes: Uint8Array) => readWavHeader(memorySource(bytes));
const SAMPLES = chunk('data', [...u16(0), ...u16(16384), ...u16(0x8000), ...u16(0x7fff)]);

describe('a WAV file', () => {
  it('is written as published, byte for byte', () => {
    expect([...writeWav([[0, 0.5, -1]], 8000)]).toEqual([
      ...wav(
        'RIFF',
        'WAVE',
        chunk('fmt ', format(1, 1, 8000, 16)),
        chunk('data', [...u16(0), ...u16(16384), ...u16(0x8000)]),
      ),
    ]);
    // Beyond full scale it stands at it; floats have kind 3 and are as they are.
    expect([...writeWav([[2, -2]], 8000)].slice(44)).toEqual([...u16(0x7fff), ...u16(0x8000)]);
    const float = writeWav([[2, -2]], 8000, 'f32');
    expect([...float].slice(0, 44)).toEqual([
      ...wav('RIFF', 'WAVE', chunk('fmt ', format(3, 1, 8000, 32)), chunk('data', Array<number>(8).fill(0))).slice(
        0,
        44,
      ),
    ]);
    expect([new DataView(float.buffer).getFloat32(44, true), new DataView(float.buffer).getFloat32(48, true)]).toEqual([
      2, -2,
    ]);
    expect(() => writeWav([], 8000)).toThrow();
    expect(() => writeWav([[0], [0, 1]], 8000)).toThrow();
  });

  it('is read by its chunks, whatever stands between them, odd ones with their byte of padding', async () => {
    const plain = wav('RIFF', 'WAVE', chunk('fmt ', format(1, 1, 8000, 16)), SAMPLES);
    expect(await header(plain)).toEqual({
      kind: 'wav',
      sampleRate: 8000,
      channels: 1,
      coding: 's16',
      bytesPerFrame: 2,
      dataOffset: 44,
      frames: 4,
      truncated: false,
    });
    const noted = wav(
      'RF64',
      'WAVE',
      chunk('LIST', ascii('odd')),
      chunk('fmt ', format(1, 1, 8000, 16)),
      chunk('x   ', []),
      SAMPLES,
    );
    const layout = await header(noted);
    if (layout.kind !== 'wav') throw new Error(layout.reason);
    expect(layout).toMatchObject({ frames: 4, dataOffset: 12 + 12 + 24 + 8 + 8 });
    const [got] = await wavSamples(memorySource(noted), layout).read(0, 4, [0]);
    expect([...(got ?? [])]).toEqual([0, 0.5, -1, 32767 / 32768]);
  });

  it.each([
    ['RIFX', 'WAVE', 'NOT_WAV'],
    ['RIFF', 'WAVX', 'NOT_WAV'],
    ['RF64', 'AVI ', 'NOT_WAV'],
  ])('%s of %s is none', async (form, type, reason) => {
    expect(await header(wav(form, type, chunk('fmt ', format(1, 1, 8000, 16)), SAMPLES))).toEqual({
      kind: 'unusable',
      reason,
    });
  });

  it.each([
    ['one channel', format(1, 1, 8000, 16), 's16'],
    ['eight channels', format(1, 8, 8000, 8), 'u8'],
    ['nine channels', format(1, 9, 8000, 8), 'BAD_HEADER'],
    ['no channel', format(1, 0, 8000, 16), 'BAD_HEADER'],
    ['192 kHz', format(1, 1, 192_000, 24), 's24'],
    ['more than 192 kHz', format(1, 1, 192_001, 16), 'BAD_HEADER'],
    ['less than 8 kHz', format(1, 1, 7999, 16), 'BAD_HEADER'],
    ['floats', format(3, 1, 8000, 64), 'f64'],
    ['floats of 16 bits', format(3, 1, 8000, 16), 'UNSUPPORTED_ENCODING'],
    ['a music coder', format(85, 1, 8000, 16), 'UNSUPPORTED_ENCODING'],
    ['extensible words', extensible(1, 32), 's32'],
    ['extensible floats', extensible(3, 32), 'f32'],
    ['extensible, no more than its kind', extensible(3, 32).slice(0, 26), 'f32'],
    ['extensible, broken off', extensible(3, 32).slice(0, 25), 'UNSUPPORTED_ENCODING'],
    ['a header broken off', format(1, 1, 8000, 16).slice(0, 14), 'BAD_HEADER'],
  ])('%s: %s', async (_name, body, is) => {
    const layout = await header(wav('RIFF', 'WAVE', chunk('fmt ', body), chunk('data', Array<number>(16).fill(128))));
    expect(layout.kind === 'wav' ? layout.coding : layout.reason).toBe(is);
  });

  it('is read in pieces from anywhere, fewer only at the end, by channel, short and long', async () => {
    const count = 5000;
    const channels = [1, 2, 3].map((k) =>
      Float64Array.from({ length: count }, (_, i) => Math.round(1000 * Math.sin(i * k)) / 32768),
    );
    for (const coding of ['s16', 's24', 'f64'] as const) {
      const bytes = writeWav(channels, 8000, coding);
      const layout = await header(bytes);
      if (layout.kind !== 'wav') throw new Error(layout.reason);
      const source = wavSamples(memorySource(bytes), layout);
      for (const [start, wanted, there] of [
        [0, 5000, 5000],
        [10, 20, 20],
        [100, 3000, 3000],
        [4990, 20, 10],
        [4999, 1, 1],
        [5000, 5, 0],
      ] as const) {
        const got = await source.read(start, wanted, [2, 0]);
        expect(got.map((one) => one.length)).toEqual([there, there]);
        for (const [n, channel] of [2, 0].entries())
          got[n]?.forEach((value, i) => expect(value).toBeCloseTo(channels[channel]?.[start + i] ?? NaN, 6));
      }
    }
  });
});

describe('paper and drawings', () => {
  it('A4 is 210 by 297 mm, Letter 8½ by 11 inches', () => {
    expect(PAPERS).toEqual({ A4: [210, 297], Letter: [expect.closeTo(8.5 * 25.4, 9), expect.closeTo(11 * 25.4, 9)] });
  });

  it('a drawing has its size in millimetres, a unit each; words are turned about their place', () => {
    const svg = drawingSvg({
      widthMm: 210,
      heightMm: 297,
      title: 'A & B',
      marks: [
        { kind: 'words', x: 10.12345, y: 20, text: '<33>', sizeMm: 3, anchor: 'middle', turned: 0 },
        { kind: 'words', x: 10, y: 20, text: '45', sizeMm: 3, anchor: 'start', turned: 90 },
        {
          kind: 'line',
          points: [
            [0, 0],
            [1.5, 2],
          ],
          widthMm: 0.25,
        },
        { kind: 'circle', x: 5, y: 6, radius: 7, filled: false, widthMm: 0.1 },
      ],
    } as never);
    expect(svg).toContain('width="210mm" height="297mm" viewBox="0 0 210 297"');
    expect(svg).toContain('<title>A &amp; B</title>');
    expect(svg).toMatch(/<text x="10\.123[45]" y="20" [^>]*text-anchor="middle" fill="#221C15">&lt;33&gt;<\/text>/);
    expect(svg).toMatch(/<text x="10" y="20" [^>]*transform="rotate\(90 10 20\)">45<\/text>/);
    expect(svg).toMatch(/<polyline points="0,0 1\.5,2" [^>]*stroke-width="0\.25"/);
    expect(svg).toMatch(/<circle cx="5" cy="6" r="7"\s+fill="none"/);
  });
});

describe('a table of an instrument', () => {
  // What it is: its rows, parted by //, and what is read: its columns, parted by semicolons.
  it.each([
    'two columns of whole numbers that both rise: 1,5 // 2,6 // 3,7 // 4,8 => 1 2 3 4; 5 6 7 8',
    'decimal commas, the same whole part twice: 0,5 // 0,6 // 0,7 // 1,1 => 0.5 0.6 0.7 1.1',
    'decimal commas, a leading nought: 1,05 // 2,06 // 3,07 // 4,08 => 1.05 2.06 3.07 4.08',
    'decimal commas, a right part that falls: 1,9 // 2,1 // 3,5 // 4,7 => 1.9 2.1 3.5 4.7',
    'two columns, what would fall with decimal commas: 3,5 // 2,5 // 1,5 // 0,5 => 3 2 1 0; 5 5 5 5',
    'separators at the end: 1;2; // 3;4; // 5;6; => 1 3 5; 2 4 6',
    'bars and blanks: 1 | 2.5 // 3 | 4.5 // 5 | 6.5 => 1 3 5; 2.5 4.5 6.5',
    'powers of ten, signs, points at either end: -1e3 +.5 // 2E-3 1. // 3 4 => -1000 0.002 3; 0.5 1 4',
    'a preamble with numbers in it: Rate,1000 // Gain,2 // time,volts // 0,1.5 // 1,2.5 // 2,3.5 // 3,4.5 => 0 1 2 3; 1.5 2.5 3.5 4.5',
    'a last row broken off: 1;2 // 3;4 // 5;6 // 7;8 // 9 => 1 3 5 7; 2 4 6 8',
    'text in the middle, with its line: 1;2 // 3;4 // x;6 // 7;8 // 9;10 => TEXT_IN_NUMBERS 3',
    'the largest number that is read: 9e99 1 // 2 3 // 4 5 => 9e+99 2 4; 1 3 5',
    'nothing: // // # only a note // % another => EMPTY_FILE 0',
    'words alone: once upon a time // there was a deck => NOT_A_TABLE 0',
  ])('%s', (line) => {
    const [rows = '', is] = line.slice(line.indexOf(': ') + 2).split(' => ');
    const table = readTable(rows.split(/ ?\/\/ ?/).join('\n'));
    const told =
      table.kind === 'table' ? table.columns.map((one) => one.join(' ')).join('; ') : `${table.reason} ${table.line}`;
    expect(told).toBe(is);
  });

  it('words in a column stand beside the numbers, its heads with both; a last row broken off is left out', () => {
    const table = readTable(
      ['time;edge;volts', '0.1;up;5', '0.2;down;0', '0.3;up;5', '0.4;down;0', '0.5;u'].join('\n'),
    );
    if (table.kind !== 'table') throw new Error(table.reason);
    expect(table.names).toEqual(['time', 'volts']);
    expect(table.columns.map((one) => [...one])).toEqual([
      [0.1, 0.2, 0.3, 0.4],
      [5, 0, 5, 0],
    ]);
    expect(table.texts).toEqual([{ name: 'edge', cells: ['up', 'down', 'up', 'down'] }]);
    expect([...table.lineOf]).toEqual([2, 3, 4, 5]);
  });
});
