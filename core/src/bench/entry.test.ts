import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typedReading, type MeterFunctionId } from '../instruments/index.js';
import { familyOf } from '../families/index.js';
import { parseEntry, type Entry } from './entry/index.js';
import { bearsOnNothing, entryPreview, linesFromEntry, type EntryContext } from './fromEntry.js';

const ids = ['33', '45'];

describe('entry line', () => {
  it.each([
    ['27.5Q @res', 'Q'],
    ['trim78 10:30', '78'],
    ['30V 8A @x', '8A'],
    ['47', '47'],
  ])('%s stays, with %s marked', (line, part) => {
    const entry = parseEntry(line, { speedIds: ids });
    expect(entry.kind).toBe('bad');
    if (entry.kind === 'bad') expect(line.slice(entry.from, entry.to)).toBe(part);
  });

  it.each([
    ['9'.repeat(40) + ' V', 'too large'],
    ['1 '.repeat(70) + '1 V', 'at most 64'],
    ['soak 90 days', '60 days'],
    ['x'.repeat(4001), 'split it'],
  ])('refuses what the log cannot hold: %.20s', (line, why) => {
    expect(parseEntry(line, { speedIds: ids })).toMatchObject({
      kind: 'bad',
      message: expect.stringContaining(why) as string,
    });
  });

  it('never throws and always marks inside the line', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (line) => {
        const entry = parseEntry(line, { speedIds: ids });
        if (entry.kind !== 'bad') return;
        expect(entry.from).toBeGreaterThanOrEqual(0);
        expect(entry.to).toBeLessThanOrEqual(line.length);
      }),
    );
  });
});

describe('from line to log', () => {
  const family = familyOf('belt-turntable-dc');
  const context: EntryContext = {
    speeds: family.speeds.filter((speed) => ids.includes(speed.id)),
    presentSpeedId: '33',
    source: { id: 's', name: 'record', nominalHz: 3150, tolerancePercent: 0.1 },
    mainsHz: 60,
    familyId: 'belt-turntable-dc',
    prompt: null,
    open: [],
    holdKey: null,
  };
  const event = (line: string, more: Partial<EntryContext> = {}) =>
    linesFromEntry(parseEntry(line, { speedIds: ids }), line, { ...context, ...more })[0];

  it('makes a frequency near the tone a speed, with the counter and the source in its uncertainty', () => {
    const body = event('3100Hz');
    expect(body).toMatchObject({ kind: 'speed', speedId: '33', method: 'counter', referenceIncluded: true });
    if (body?.kind === 'speed') {
      expect(body.errorPercent).toBeCloseTo(-1.587, 3);
      expect(body.expandedPercent).toBeGreaterThan(0.1);
    }
  });

  it('a speed typed bare answers the test asked at the speed that the test chooses', () => {
    const prompt = { testId: 'speed-45', name: 'Platter at 45', place: null, unit: null };
    expect(event('-2.4%', { prompt })).toMatchObject({ kind: 'speed', speedId: '45', errorPercent: -2.4 });
    expect(event('-2.4%')).toMatchObject({ kind: 'speed', speedId: '33' });
    // A speed that this unit has not is nobody's.
    const only33 = context.speeds.filter(({ id }) => id === '33');
    expect(event('-2.4%', { prompt, speeds: only33 })).toMatchObject({ kind: 'speed', speedId: '33' });
  });

  it('keeps a frequency at a place, and volts, as readings', () => {
    expect(event('3100Hz @FG head')).toMatchObject({ kind: 'reading', place: 'FG head' });
    expect(event('5V')).toMatchObject({ kind: 'reading', place: null, qualifier: 'dc' });
  });

  it.each(['1.5e-7F', '2,2E3 ohm', 'reads 1e3V'])(
    '%s is asked for without its power of ten, never read as less',
    (text) => {
      expect(parseEntry(text, { speedIds: ids })).toMatchObject({ kind: 'bad' });
    },
  );

  it('what a meter gives is typed as a person would, and means the same (IEEE 488.2 numbers)', () => {
    const read = (of: MeterFunctionId, value: number | null) =>
      parseEntry(typedReading(of, value), { speedIds: ids }) as Extract<Entry, { kind: 'reading' }>;
    const cases = [
      ['volts-dc', 4.98, 'V'],
      ['volts-ac', 229.6, 'V'],
      ['ohms', 2.2e6, 'Ω'],
      ['capacitance', 1.504e-7, 'F'],
      ['amps-dc', -0.0123, 'A'],
      ['frequency', 3012.54, 'Hz'],
    ] as const;
    for (const [of, value, unit] of cases) {
      const { values, unit: had } = read(of, value);
      expect(had, of).toBe(unit);
      expect(values[0], of).toBeCloseTo(value, 12 - Math.max(0, Math.ceil(Math.log10(Math.abs(value)))));
    }
    expect(read('volts-ac', 229.6)).toMatchObject({ qualifier: 'ac' });
    expect(read('ohms', null)).toMatchObject({ bound: 'overload' });
  });

  it('answers the prompt when no place is typed', () => {
    expect(event('2.1V', { prompt: { testId: null, name: '', place: 'charge left', unit: 'V' } })).toMatchObject({
      kind: 'reading',
      place: 'charge left',
    });
  });

  it('signs the strobe by the side looked at', () => {
    const near = event('33: 24 bars left near in 60 s');
    const far = event('33: 24 bars left far in 60 s');
    if (near?.kind !== 'speed' || far?.kind !== 'speed') throw new Error('not a speed');
    expect(near.errorPercent).toBeCloseTo(0.333, 3);
    expect(far.errorPercent).toBeCloseTo(-0.333, 3);
    expect(event('33: 24 bars left in 60 s')).toMatchObject({ kind: 'note' });
  });

  it('counts against the tone that was typed, whose tolerance nobody knows', () => {
    const body = event('3150 gives 3012');
    if (body?.kind !== 'speed') throw new Error('not a speed');
    expect(body.errorPercent).toBeCloseTo(-4.381, 3);
    expect(body.referenceIncluded).toBe(true);
    expect(event('3000 gives 3012')).toMatchObject({ kind: 'speed', referenceIncluded: false });
  });

  it('says before Enter exactly what it will file', () => {
    const preview = (line: string, more: Partial<EntryContext> = {}) =>
      entryPreview(parseEntry(line, { speedIds: ids }), line, { ...context, ...more }).replaceAll('\u202f', ' ');
    expect(preview('3100 Hz @45')).toBe('speed 45: −1.59 ± 0.12 %, on record');
    expect(preview('33: -1.2 %')).toBe('speed 33: −1.20 %');
    expect(preview('45.2 rpm at 45')).toBe('speed 45: +0.44 %');
    expect(preview('3100 Hz', { source: null })).toContain('choose the test record');
    expect(preview('gap 17mm')).toBe('17 mm, at gap, a new place');
    expect(preview('4.6-5.4 V')).toBe('4.6 V to 5.4 V d.c., no place');
    expect(preview('unplugged')).toBe('power: unplugged');
    expect(preview('plugged in')).toContain('gate');
    expect(preview('replaced Q3')).toBe('work done: replaced Q3, in the circuit');
    expect(preview('replaced the belt')).toBe('work done: replaced the belt');
    expect(preview('replaced the grommet')).toBe('work done: replaced the grommet');
    expect(preview('unsoldered red and black')).toBe('open end: red, unsoldered; open end: black, unsoldered');
  });

  it('answers the test asked with a bare number in its unit, under its own condition', () => {
    const prompt = { testId: 'drive-33', name: 'Volts at the motor, 33⅓', place: 'motor terminals', unit: 'V' };
    const entry = parseEntry('5,02', { speedIds: ids, prompt });
    expect(linesFromEntry(entry, '5,02', { ...context, prompt })).toEqual([
      { kind: 'answer', testId: 'drive-33', name: prompt.name, outcome: null, words: '', value: 5.02, unit: 'V' },
    ]);
  });

  it('goes live through the gate only, and closes what is open by its words', () => {
    expect(event('plugged in')).toBeUndefined();
    expect(event('unplugged')).toMatchObject({ kind: 'power', state: 'unplugged-unknown' });
    const end = {
      kind: 'open-end',
      what: 'motor red',
      how: 'unsoldered',
      usualId: null,
      stepKey: null,
      moveKey: null,
    } as const;
    const open = [{ key: 'k1', at: '', end, under: null, closed: null }];
    const entry = parseEntry('soldered back motor red', { speedIds: ids, open: ['motor red'] });
    expect(linesFromEntry(entry, 'soldered back motor red', { ...context, open })).toEqual([
      { kind: 'close', target: 'k1', how: 'soldered back motor red' },
    ]);
  });

  it('says why a reading bears on nothing', () => {
    const kept = event('40 V at the fan');
    if (!kept) throw new Error('not kept');
    expect(bearsOnNothing(kept, 'belt-turntable-dc')).toContain('measures no V at fan');
    const known = event('27.5 V @reservoir');
    if (!known) throw new Error('not kept');
    expect(bearsOnNothing(known, 'belt-turntable-dc')).toBeNull();
  });
});
