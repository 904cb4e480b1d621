/** The table of spoken lines is the grammar's specification; the share understood is printed. */
import { describe, expect, it } from 'vitest';
import { familyOf, PATHS } from '../../families/index.js';
import type { DrivePath } from '../../families/index.js';
import spoken from '../../../published/spoken.json' with { type: 'json' };
import { parseEntry } from './parse.js';
import { knownPlaces } from './places.js';
import type { Entry, EntryReading } from './types.js';

declare const console: { log(text: string): void };

const SPOKEN = Object.values(spoken.spoken).flat() as unknown as readonly (readonly [line: string, meaning: string])[];
const PROMPTED = spoken.prompted.lines as unknown as readonly (readonly [
  test: string,
  line: string,
  meaning: string,
])[];
const ELSEWHERE = spoken.elsewhere.lines as unknown as readonly (readonly [
  family: string,
  line: string,
  meaning: string,
])[];

const path = PATHS.get('belt-turntable-dc') as DrivePath;
const known = {
  speedIds: ['33', '45'],
  places: knownPlaces({ familyId: 'belt-turntable-dc', powerKind: 'mains', ratedVolts: 230 }, path, path, []),
  path,
};

const number = (value: number): string =>
  value !== 0 && Math.abs(value) < 1e-5
    ? Number(value.toPrecision(6)).toExponential()
    : String(Number(value.toPrecision(6)));

function reading(one: EntryReading): string {
  const parts = [
    ...one.values.map(number),
    one.unit,
    one.qualifier,
    one.bound === 'exact' ? null : one.bound,
    one.place === null ? null : `@${one.place}${one.newPlace ? '*' : ''}`,
    one.speedId === null ? null : `#${one.speedId}`,
    one.condition === null ? null : `~${one.condition}`,
    one.nominalHz === null ? null : `of ${one.nominalHz}`,
  ];
  return parts.filter((part) => part !== null && part !== '').join(' ');
}

/** The table's notation of an entry; of a refusal, what of the line is marked. */
function said(entry: Entry, line: string): string {
  switch (entry.kind) {
    case 'reading':
      return reading(entry);
    case 'readings':
      return entry.readings.map(reading).join(' & ');
    case 'ask':
      return `ask ${number(entry.readings[0].values[0] as number)}|${reading(entry.readings[1])}`;
    case 'ask-place':
      return `near ${entry.near.join('|')}: ${reading(entry.reading)}`;
    case 'strobe':
      return entry.direction === 'still'
        ? `strobe ${entry.speedId} still`
        : `strobe ${entry.speedId} ${entry.bars} ${entry.direction} ${entry.edge ?? '?'} ${entry.overS}`;
    case 'answer':
      return `answer ${entry.testId}=${entry.outcome}`;
    case 'trim':
      return `trim ${entry.speedId ?? '?'} ${entry.clock}`;
    case 'work':
      return `work ${entry.action}: ${entry.what}`;
    case 'ends':
      return `${entry.work ? `work ${entry.work.action}: ${entry.work.what} & ` : ''}ends ${entry.ends.map((end) => `${end.how}: ${end.what}`).join(' & ')}`;
    case 'closed':
      return `closed ${entry.what}`;
    case 'power':
      return `${entry.pack ? 'pack' : 'power'} ${entry.on ? 'on' : 'off'}`;
    case 'start-volts':
      return `starts ${entry.volts}`;
    case 'timer':
      return `timer ${entry.timer} ${entry.minutes}`;
    case 'ordered':
      return `ordered ${entry.what}`;
    case 'bad':
      return `bad ${line.slice(entry.from, entry.to)}`;
    default:
      return entry.kind;
  }
}

describe('the entry line hears a repairer', () => {
  const results = [
    ...SPOKEN.map(([line, meaning]) => ({ line, meaning, heard: said(parseEntry(line, known), line) })),
    ...PROMPTED.map(([testId, line, meaning]) => {
      const signal = path.signals.find((one) => one.id === path.tests.find((test) => test.id === testId)?.signal);
      const prompt = { testId, place: signal?.measure?.place ?? null, unit: signal?.measure?.unit ?? null };
      return { line: `${testId}: ${line}`, meaning, heard: said(parseEntry(line, { ...known, prompt }), line) };
    }),
  ];

  it.each(ELSEWHERE)('%s: %s → %s', (familyId, line, meaning) => {
    const own = PATHS.get(familyId) as DrivePath;
    const family = familyOf(familyId);
    const powerKind = family.supply === 'pack' ? 'pack' : 'mains';
    const places = knownPlaces({ familyId, powerKind, ratedVolts: 230 }, own, own, []);
    const heard = parseEntry(line, { speedIds: family.speeds.map((one) => one.id), places, path: own });
    expect(said(heard, line)).toBe(meaning);
  });

  it('holds a table of at least 250 lines, none twice', () => {
    expect(results.length).toBeGreaterThanOrEqual(250);
    expect(new Set(results.map((one) => one.line)).size).toBe(results.length);
  });

  it.each(results.map((one) => [one.line, one.meaning, one.heard] as const))('%s → %s', (_line, meaning, heard) => {
    expect(heard).toBe(meaning);
  });

  it('prints the share understood', () => {
    const right = results.filter((one) => one.heard === one.meaning).length;
    console.log(
      `spoken lines understood: ${right} of ${results.length} (${((100 * right) / results.length).toFixed(1)} %)`,
    );
    expect(right).toBe(results.length);
  });
});

describe('what stands in a line of no figure', () => {
  it('a ring that stands still is no bar in no time', () => {
    expect(parseEntry('33: still', known)).toEqual({
      kind: 'strobe',
      speedId: '33',
      bars: 0,
      direction: 'still',
      edge: null,
      overS: 0,
    });
  });

  it('a position that no clock has is told from none at all', () => {
    const told = (text: string) => {
      const entry = parseEntry(text, known);
      return entry.kind === 'bad' ? entry.message : entry.kind;
    };
    expect(told('trim33 13:30')).toBe('clock positions run from 1:00 to 12:59');
    expect(told('trim33 42')).toContain('write the position as on a clock');
    expect(told('33: 12 bars somewhere')).toContain('write it as 33: 12 bars left near in 10 s');
    expect(told('33: 12 bars left near in 0 s')).toContain('count for some seconds');
    expect(told('78: still')).toBe('this unit has no speed 78');
  });

  it('a power of ten is refused at its own place, from its first digit to its unit', () => {
    for (const text of ['1e3 V', 'reservoir 2.5e3 V', 'reads 10e-9 F there']) {
      const entry = parseEntry(text, known);
      if (entry.kind !== 'bad') throw new Error(entry.kind);
      expect(text.slice(entry.from, entry.to)).toMatch(/^(1e3 V|2\.5e3 V|10e-9 F)$/);
    }
  });
});
