import { describe, expect, it } from 'vitest';
import { isTable, passedOn } from './kinds.js';
import type { Way } from './way.js';

const ALL: readonly Way[] = ['recording', 'sound', 'pulses', 'gyroscope'];
const file = (name: string, text: string, type = '') => new File([text], name, { type });
const pulses = (name = 'edges.csv') =>
  file(name, Array.from({ length: 40 }, (_, i) => (0.45 * i).toFixed(3)).join('\n'));
const wav = file('tape.wav', 'RIFF');
const to = async (one: File, way: Way, ways = ALL) => (await passedOn(one, way, ways))?.to ?? null;

describe('a file dropped on another way', () => {
  it('is a table by its name or kind', () => {
    for (const name of ['a.csv', 'a.TXT', 'a.tsv', 'a.dat', 'a.asc']) expect(isTable(file(name, ''))).toBe(true);
    expect(isTable(file('a', '', 'text/csv'))).toBe(true);
    for (const name of ['a.wav', 'csv', 'a.csv.wav']) expect(isTable(file(name, ''))).toBe(false);
  });

  // The worker that looks at the columns is not here: a table that cannot be looked at counts as pulses.
  it('a table that is no recording goes where it can be read, if there is such a way', async () => {
    expect(await to(pulses(), 'recording')).toBe('pulses');
    expect(await to(pulses(), 'sound', ['sound', 'gyroscope'])).toBeNull();
    expect((await passedOn(pulses(), 'recording', ALL))?.words.replace(/\s+/gu, ' ')).toBe(
      'edges.csv is a table, no recording: read as pulses.',
    );
  });

  it('a recording is no log; what fits stays', async () => {
    expect(await to(pulses(), 'pulses')).toBeNull();
    expect(await to(wav, 'gyroscope')).toBe('recording');
    expect(await to(wav, 'gyroscope', ['gyroscope', 'sound'])).toBe('sound');
    expect(await to(wav, 'recording')).toBeNull();
    expect(await to(wav, 'pulses')).toBeNull();
  });
});
