/** What the entry line says that Enter will do, and what it then files: typed lines and their previews written by hand. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../families/index.js';
import { knownPlaces, parseEntry } from './entry/index.js';
import type { EventBody } from './event.js';
import { bearsOnNothing, entryPreview, linesFromEntry, type EntryContext } from './fromEntry.js';
import { jobSpeeds } from './job.js';
import { testJob } from './job.test-data.js';
import told from './previews.json' with { type: 'json' };

const FAMILY = 'belt-turntable-dc';
const path = PATHS.get(FAMILY) as DrivePath;
const job = testJob(FAMILY, { speedIds: ['33', '45'] });
const red: EntryContext['open'][number] = {
  key: 'e1',
  at: '2026-01-01T00:00:00Z',
  end: { kind: 'open-end', what: 'motor red', how: 'unsoldered', usualId: null, stepKey: null, moveKey: null },
} as EntryContext['open'][number];

const typed = (text: string, more: Partial<EntryContext> = {}) => {
  const context: EntryContext = {
    familyId: FAMILY,
    speeds: jobSpeeds(job),
    presentSpeedId: '33',
    source: { id: 's', name: 'Record', nominalHz: 3150, tolerancePercent: 0.1 },
    mainsHz: 50,
    prompt: null,
    holdKey: null,
    open: [red],
    ...more,
  };
  const entry = parseEntry(text, {
    speedIds: job.speedIds,
    places: knownPlaces(job, path, path, []),
    path,
    prompt: context.prompt,
    open: context.open.map(({ end }) => end.what),
  });
  return {
    preview: entryPreview(entry, text, context).replaceAll('\u202f', ' '),
    lines: linesFromEntry(entry, text, context),
  };
};

describe('a typed line', () => {
  // A timer of 100 s is 1.67 min, of 200 min 3.33 h: told to one place.
  it.each(told.lines as unknown as readonly [string, string, EventBody['kind'][]][])(
    '%s: %s',
    (text, preview, kinds) => {
      const { preview: said, lines } = typed(text);
      expect(said).toBe(preview);
      expect(lines.map(({ kind }) => kind)).toEqual(kinds);
    },
  );

  it('with no end open that it could mean is work', () => {
    expect(typed('soldered back motor red', { open: [] }).lines.map(({ kind }) => kind)).toEqual(['work']);
  });

  it('in hertz without a record or tape is a reading, and says how it would be a speed', () => {
    const { preview, lines } = typed('3120 Hz', { source: null });
    expect(lines[0]?.kind).toBe('reading');
    expect(preview).toContain('for a speed choose the test record or tape');
  });

  it('answers the test that is asked by a plain value in its unit, under its own condition', () => {
    const prompt = { testId: 'drive-45', name: 'Volts at the motor, 45', place: 'motor terminals', unit: 'V' };
    const { preview, lines } = typed('3.2 V', { prompt });
    expect(lines).toEqual([
      {
        kind: 'answer',
        testId: 'drive-45',
        name: 'Volts at the motor, 45',
        outcome: null,
        words: '',
        value: 3.2,
        unit: 'V',
      },
    ]);
    expect(preview).toBe('Volts at the motor, 45: 3.2 V d.c.');
    // Another unit, several values, a place of its own or a bound: a reading, no answer.
    for (const other of ['3.2 ohm', '3 3 3 V', 'above 3 V', '3.2 V at reservoir'])
      expect(typed(other, { prompt }).lines[0]?.kind, other).toBe('reading');
    expect((typed('3.2 ohm', { prompt }).lines[0] as { place?: string }).place).toBe('motor terminals');
  });

  it('takes the speed of the test asked before the one selected', () => {
    const prompt = { testId: 'speed-45', name: 'Platter at 45', place: null, unit: null };
    expect((typed('44.1 rpm', { prompt }).lines[0] as { speedId?: string }).speedId).toBe('45');
    expect((typed('33.1 rpm').lines[0] as { speedId?: string }).speedId).toBe('33');
    expect((typed('trim to 10:30', { prompt }).lines[0] as { what?: string }).what).toBe(
      'trim 45 to 10:30, facing the screw',
    );
  });

  it('carries the stamp that it was typed onto', () => {
    expect((typed('27.5 V at reservoir', { holdKey: 'h1' }).lines[0] as { holdKey?: string }).holdKey).toBe('h1');
  });
});

describe('a reading that bears on nothing', () => {
  const reading = (place: string | null, unit: string): EventBody => ({
    kind: 'reading',
    text: '',
    values: [3],
    unit,
    qualifier: 'dc',
    bound: 'exact',
    place,
    speedId: null,
    condition: null,
    holdKey: null,
  });

  it('says why: no place yet, no path, nothing measured there', () => {
    expect(bearsOnNothing(reading('reservoir', 'V'), FAMILY)).toBeNull();
    expect(bearsOnNothing(reading(null, 'V'), FAMILY)).toContain('until it has a place');
    expect(bearsOnNothing(reading('reservoir', 'V'), 'no-such-family')).toContain('no drive path');
    expect(bearsOnNothing(reading('under the mat', 'V'), FAMILY)).not.toBeNull();
    expect(bearsOnNothing(reading('reservoir', 'Ω'), FAMILY)).not.toBeNull();
    expect(bearsOnNothing({ kind: 'note', text: 'x' }, FAMILY)).toBeNull();
  });
});
