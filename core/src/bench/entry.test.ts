import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { familyOf } from '../families/index.js';
import { entryWords } from './describe.js';
import { parseEntry } from './entry.js';
import { eventFromEntry, type EntryContext } from './fromEntry.js';

const ids = ['33', '45'];
const words = (line: string) => entryWords(parseEntry(line, ids)).replaceAll('\u202f', ' ');

describe('entry line', () => {
  it.each([
    ['27.5V @reservoir', '27.5 V d.c., at reservoir'],
    ['0.62Vpp @reservoir', '0.62 V peak to peak, at reservoir'],
    ['4k7', '4.7 kΩ, no place'],
    ['2.3 2.3 2.0R @U-V-W', '2.3, 2.3, 2 Ω, at U-V-W'],
    ['OL', 'over range (OL), no place'],
    ['>20M', 'above 20 MΩ, no place'],
    ['12,4 V', '12.4 V d.c., no place'],
    ['5.02V @motor 45 warm', '5.02 V d.c., at motor, 45, warm'],
    ['trim33 10:30', 'trim 33 at 10:30, facing the screw'],
    ['33: 12 bars left near in 10 s', 'strobe ring 33: 12 bars left in 10 s, near edge'],
    ['3012Hz', '3012 Hz, no place'],
    ['cleaned the pitch pot', 'work done: cleaned the pitch pot'],
    ['2 screws missing', 'a note'],
    ['1,500V', '1.5 V d.c., no place or 1.5 kV d.c., no place?'.replace(', no place', '').replace(', no place', '')],
  ])('%s → %s', (line, expected) => expect(words(line)).toBe(expected));

  it.each([
    ['27.5Q @res', 'Q'],
    ['trim78 10:30', '78'],
    ['30V 8A @x', '8A'],
    ['47', '47'],
  ])('%s stays, with %s marked', (line, part) => {
    const entry = parseEntry(line, ids);
    expect(entry.kind).toBe('bad');
    if (entry.kind === 'bad') expect(line.slice(entry.from, entry.to)).toBe(part);
  });

  it('never throws and always marks inside the line', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (line) => {
        const entry = parseEntry(line, ids);
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
    promptPlace: null,
    holdKey: null,
  };
  const event = (line: string, more: Partial<EntryContext> = {}) =>
    eventFromEntry(parseEntry(line, ids), line, { ...context, ...more });

  it('makes a frequency near the tone a speed, with the counter and the source in its uncertainty', () => {
    const body = event('3100Hz');
    expect(body).toMatchObject({ kind: 'speed', speedId: '33', method: 'counter', referenceIncluded: true });
    if (body?.kind === 'speed') {
      expect(body.errorPercent).toBeCloseTo(-1.587, 3);
      expect(body.expandedPercent).toBeGreaterThan(0.1);
    }
  });

  it('keeps a frequency at a place, and volts, as readings', () => {
    expect(event('3100Hz @FG head')).toMatchObject({ kind: 'reading', place: 'FG head' });
    expect(event('5V')).toMatchObject({ kind: 'reading', place: null, qualifier: 'dc' });
  });

  it('answers the prompt when no place is typed', () => {
    expect(event('2.1V', { promptPlace: 'charge left' })).toMatchObject({ kind: 'reading', place: 'charge left' });
  });

  it('signs the strobe by the side looked at', () => {
    const near = event('33: 24 bars left near in 60 s');
    const far = event('33: 24 bars left far in 60 s');
    if (near?.kind !== 'speed' || far?.kind !== 'speed') throw new Error('not a speed');
    expect(near.errorPercent).toBeCloseTo(0.333, 3);
    expect(far.errorPercent).toBeCloseTo(-0.333, 3);
    expect(event('33: 24 bars left in 60 s')).toMatchObject({ kind: 'note' });
  });
});
