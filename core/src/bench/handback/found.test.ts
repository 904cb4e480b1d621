/** What the owner's and the next repairer's papers say, from logs written by hand. */
import { describe, expect, it } from 'vitest';
import type { BenchEvent } from '../event.js';
import { lineMaker, testJob, voltsAt } from '../job.test-data.js';
import { benchSheet } from './benchSheet.js';
import { foundIn } from './found.js';
import { workDone } from './workDone.js';

const FAMILY = 'belt-turntable-dc';
const plain = (text: string) => text.replaceAll('\u202f', ' ');

const line = lineMaker();
const answer = (testId: string, outcome: string, words: string): BenchEvent =>
  line({ kind: 'answer', testId, name: testId, outcome, words, value: null, unit: null });
const volts = (value: number, place: string | null): BenchEvent => line(voltsAt(value, place));
const mended = (repairId: string, name: string) => line({ kind: 'mended', repairId, name });
const hand = (verdict: 'pinned' | 'ruled-out' | 'outside', name: string) =>
  line({ kind: 'suspect', block: 'belt', name, verdict });

describe('what was found', () => {
  it('is the fault that a look at the part showed, with the looks and readings that bore on it', () => {
    const found = foundIn(FAMILY, [
      answer('belt-look', 'slack-or-shiny', 'slack or shiny'),
      answer('lamp', 'lit', 'lit'),
      mended('new-belt', 'Fit a new belt'),
    ]);
    expect(found).toHaveLength(1);
    expect(found[0]?.text).toMatch(/^[A-Z].*(slack|slips|glazed|shiny)/);
    expect(found[0]?.by).toEqual(['belt-look: slack or shiny']);
  });

  it('is the likeliest part where nothing showed it, and no reading that has nothing to do with it', () => {
    const [found] = foundIn(FAMILY, [volts(9.8, 'supply at the board'), mended('regulator', 'Renew the regulator')]);
    expect(found?.text).toBe('Most likely: regulator');
    expect(found?.by.map(plain)).toEqual(['9.8 V d.c., at supply at the board']);
    const [belt] = foundIn(FAMILY, [volts(9.8, 'supply at the board'), mended('new-belt', 'Fit a new belt')]);
    expect(belt).toEqual({ text: 'Most likely: belt', by: [] });
  });

  it('counts a reading by the place it was given later', () => {
    const unplaced = volts(9.8, null);
    const placed = line({ kind: 'place', target: unplaced.key, place: 'supply at the board' });
    const before = foundIn(FAMILY, [unplaced, mended('regulator', 'Renew the regulator')]);
    expect(before[0]?.by).toEqual([]);
    const after = foundIn(FAMILY, [unplaced, placed, mended('regulator', 'Renew the regulator')]);
    expect(after[0]?.by).toHaveLength(1);
  });

  it('takes what was read since the mend before, four lines at most, the last ones', () => {
    const looks = Array.from({ length: 6 }, (_, i) => answer('belt-look', 'sound', `look ${i}`));
    const found = foundIn(FAMILY, [...looks, mended('new-belt', 'x'), mended('new-belt', 'x')]);
    expect(found.map(({ by }) => by.length)).toEqual([4, 0]);
    expect(found[0]?.by[3]).toBe('belt-look: look 5');
  });

  it('is what the repairer saw with his own eyes, never what he ruled out', () => {
    const found = foundIn(FAMILY, [
      hand('pinned', 'belt'),
      hand('ruled-out', 'motor'),
      hand('outside', 'a coin under the mat'),
    ]);
    expect(found.map(({ text }) => text)).toEqual([
      'Belt: at fault, by the repairer’s own eye',
      'A coin under the mat',
    ]);
    expect(foundIn('no-such-family', [hand('pinned', 'belt'), mended('new-belt', 'x')])).toHaveLength(1);
  });

  it('knows nothing of a mend that cures nothing', () => {
    expect(foundIn(FAMILY, [mended('no-such-mend', 'x')])).toEqual([]);
  });
});

describe('the work in words', () => {
  it('is said as it was typed, or by the name of the mend that follows it, with what went with it', () => {
    const work = line({ kind: 'work', action: 'clean', what: 'pots' });
    expect(workDone([work]).map(({ text }) => text)).toEqual(['Cleaned pots']);
    const lost = line({ kind: 'mended', repairId: 'x', name: 'Fit a new belt', loses: 'the other speed' });
    expect(workDone([work, lost]).map(({ text }) => text)).toEqual([
      'Fitted a new belt. Gone with it: the other speed',
    ]);
    expect(workDone([lost])).toEqual([]);
  });
});

describe('the sheet for the next repairer', () => {
  const job = testJob(FAMILY, { make: 'Linden', model: 'LD 1', serial: '77', speedIds: ['33'] });
  const shop = { name: 'Bench', address: '', calibration: '' } as never;
  const step = (what: string, more: object): BenchEvent =>
    line({
      kind: 'step',
      text: '',
      what,
      fasteners: [],
      marks: '',
      orientation: '',
      distances: [],
      wires: [],
      wiresSide: null,
      owes: [],
      traces: '',
      earth: false,
      cover: false,
      after: [],
      ...more,
    });
  const stands = (turns: number) => line({ kind: 'coach-stands', trimId: 't33', name: '33 trim', turns });
  const log = [
    volts(9.1, 'supply at the board'),
    line({ kind: 'work', action: 'replace', what: 'regulator' }),
    volts(12.02, 'supply at the board'),
    volts(12.05, 'supply at the board'),
    volts(3, 'somewhere else'),
    stands(0.3),
    stands(0.41),
    step('platter', {
      marks: 'spindle marked',
      distances: [{ what: 'height', value: 2.5, unit: 'mm', tolerance: 0.1 }],
    }),
    step('bottom', { traces: 'one screw of another kind', orientation: 'slot to the back' }),
  ];
  const sheet = benchSheet(shop, job, log);

  it('holds readings at test points after the last work, the newest of each, and no working reading', () => {
    expect(sheet.points.map(({ label, value }) => [label, plain(value)])).toEqual([
      ['supply at the board', '12.05 V d.c.'],
    ]);
  });

  it('says where each trim was last left', () => {
    expect(sheet.trims.map(({ label, value }) => [label, value])).toEqual([
      ['33 trim', '0.41 turns from its counter-clockwise stop'],
    ]);
  });

  it('tells how it comes apart, with marks and distances, and what somebody left in it', () => {
    expect(sheet.opening.map(({ label, value }) => [label, plain(value)])).toEqual([
      ['1', 'platter; spindle marked; height 2.5 mm'],
      ['2', 'bottom; slot to the back'],
    ]);
    expect(sheet.traces.map(({ label, value }) => [label, value])).toEqual([['step 2', 'one screw of another kind']]);
  });

  it('names the unit, its kind, the work and what to keep clear of', () => {
    expect(sheet.unit).toBe('Linden LD 1');
    expect(sheet.serial).toBe('77');
    expect(sheet.done.map(({ text }) => text)).toEqual(['Replaced regulator']);
    expect(sheet.cautions.length).toBeGreaterThan(0);
    expect(sheet.speeds).toEqual([]);
  });
});
