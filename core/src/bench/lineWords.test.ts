/** Every kind of line as the log reads it aloud: written out by hand, as a repairer would want to read it. */
import { describe, expect, it } from 'vitest';
import { fastenerWords, ledgerWordsAbout, stepWords } from './describeLedger.js';
import { eventWords, lineWords } from './describe.js';
import type { EventBody } from './event.js';
import type { StepBody } from './ledger/body.js';
import told from './lineWords.json' with { type: 'json' };

const LINES = told.lines as unknown as readonly { readonly words: string; readonly body: EventBody }[];
/** The first line of a kind. */
const first = (kind: EventBody['kind']) => LINES.find(({ body }) => body.kind === kind)?.body as EventBody;
const STEP = first('step') as StepBody;
const end = (what: string): EventBody => ({ ...first('open-end'), what, how: 'unsoldered' }) as EventBody;
const timer = (label: string, minutes: number): EventBody => ({ ...first('timer'), label, minutes }) as EventBody;
const safety = (more: object): EventBody =>
  ({
    kind: 'safety-reading',
    reading: 'earth',
    value: 0.21,
    above: false,
    limit: 0.3,
    instrument: '',
    ...more,
  }) as EventBody;

const plain = (text: string) => text.replaceAll('\u202f', ' ');

describe('a line of the log in words', () => {
  it.each(LINES)('$words', ({ words, body }) => {
    expect(plain(eventWords(body))).toBe(words);
  });

  it('tells a safety reading with its limit and what that means', () => {
    expect(plain(eventWords(safety({})))).toContain('0.21 Ω');
    expect(plain(eventWords(safety({ reading: 'insulation', value: 200, above: true, limit: 2 })))).toMatch(/200 MΩ/);
    expect(plain(eventWords(safety({ reading: 'touch-current', value: 0.62, limit: 0.5 })))).toMatch(/0\.62 mA/);
  });

  it('is told with the line it speaks of', () => {
    const known = new Map<string, EventBody>([
      ['step', STEP],
      ['end', end('motor red')],
      ['timer', timer('glue', 10)],
      ['plain', timer('', 10)],
    ]);
    const about = (body: EventBody) => lineWords(body, (key) => known.get(key));
    const refit = (target: string): EventBody => ({
      kind: 'refit',
      target,
      returned: [],
      distances: [],
      flush: null,
      renewed: [],
    });
    expect(about(refit('step'))).toBe('back on: bottom cover');
    expect(about(refit('end'))).toBe('back on');
    expect(about({ kind: 'close', target: 'end', how: 'soldered back' })).toBe('closed: motor red, soldered back');
    expect(about({ kind: 'close', target: 'end', how: '' })).toBe('closed: motor red');
    expect(about({ kind: 'close', target: 'step', how: 'soldered back' })).toBe('closed: soldered back');
    expect(about({ kind: 'timer-end', target: 'timer', how: 'stopped' })).toBe('glue stopped');
    expect(about({ kind: 'timer-end', target: 'plain', how: 'stopped' })).toBe('Soak stopped');
    expect(about({ kind: 'timer-end', target: 'gone', how: 'stopped' })).toBe('timer stopped');
    expect(ledgerWordsAbout({ kind: 'note', text: 'x' }, () => undefined)).toBeNull();
  });

  it('names fasteners with their tray where they have one, and leaves out what says nothing', () => {
    expect(fastenerWords({ count: 2, what: 'black 12 mm', tray: null, odd: false })).toBe('2 × black 12 mm');
    expect(stepWords({ ...STEP, what: 'fasteners' })).toBe('4 × 30 mm, tray B');
    expect(stepWords({ ...STEP, what: '', fasteners: [] })).toBe('');
  });
});
