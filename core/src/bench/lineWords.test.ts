/** Every kind of line as the log reads it aloud: written out by hand, as a repairer would want to read it. */
import { describe, expect, it } from 'vitest';
import { fastenerWords, ledgerWordsAbout, stepWords } from './describeLedger.js';
import { eventWords, lineWords } from './describe.js';
import type { EventBody } from './event.js';
import type { StepBody } from './ledger/body.js';

const plain = (text: string) => text.replaceAll('\u202f', ' ');

const STEP: StepBody = {
  kind: 'step',
  text: 'bottom cover, 4 screws 30mm tray B',
  what: 'bottom cover',
  fasteners: [{ count: 4, what: '30 mm', tray: 'B', odd: false }],
  marks: '',
  orientation: '',
  distances: [],
  wires: [],
  wiresSide: null,
  owes: [],
  traces: '',
  earth: false,
  cover: true,
  after: [],
};
const end = (what: string, how: 'unsoldered' | 'left over'): EventBody => ({
  kind: 'open-end',
  what,
  how,
  usualId: null,
  stepKey: null,
  moveKey: null,
});
const timer = (label: string, minutes: number): EventBody => ({ kind: 'timer', timer: 'soak', label, minutes });
const answer = (more: object): EventBody => ({
  kind: 'answer',
  testId: 'coast',
  name: 'Spin the platter',
  outcome: 'good',
  words: 'coasts well',
  value: null,
  unit: null,
  ...more,
});
const gate = (to: 'live-isolated' | 'hand-back', accepted: number): EventBody => ({
  kind: 'gate',
  to,
  accepted: Array.from({ length: accepted }, (_, i) => ({ key: `k${i}`, why: 'known' })),
  inPlace: [],
  shortOhm: null,
  limit: null,
  confirmed: [],
});
const tried = (
  trial: 'fed-direct' | 'cooled' | 'bridged',
  result: 'nothing' | 'changed' | 'cured',
  amps: number | null,
): EventBody => ({
  kind: 'tried',
  block: 'motor',
  name: 'motor',
  trial,
  result,
  amps,
});
const mark = { shape: 'arrow' as const, x: 0, y: 0, toX: 1, toY: 1, text: '' };
const terms = (more: object): EventBody => ({
  kind: 'terms',
  worth: null,
  price: null,
  ceiling: null,
  wantedBy: null,
  ...more,
});
const decision = (reason: string): EventBody => ({
  kind: 'decision',
  optionId: 'belt',
  name: 'Fit a new belt',
  reason,
  chance: 0.626,
  minutes: 10,
  money: 12,
  expectedCost: 30,
  beside: '',
});
const quote = (days: number | null): EventBody => ({
  kind: 'quote',
  optionId: 'belt',
  name: 'a belt',
  money: 9.5,
  days,
});
const trial = (phase: 'rest' | 'provoked' | 'end'): EventBody => ({
  kind: 'trial-phase',
  began: null,
  provocation: 'cold',
  block: 'governor',
  name: 'governor',
  phase,
});
const coast = (conditions: string): EventBody => ({
  kind: 'coast',
  speedId: '33',
  fromRpm: 33.3,
  toRpm: 16.7,
  seconds: 12.44,
  how: 'stopwatch',
  conditions,
});
const proved = (good: boolean, words: string): EventBody => ({
  kind: 'proved',
  checkId: 'x',
  name: 'Auto-stop',
  good,
  words,
});
const sheet = (photos: number, notes: number, watch: string): EventBody => ({
  kind: 'sheet',
  photos: Array.from({ length: photos }, (_, i) => `p${i}`),
  notes: Array.from({ length: notes }, (_, i) => `n${i}`),
  watch,
});
const done = (how: 'done' | 'dropped', words: string): EventBody => ({
  kind: 'follow-up-done',
  target: 'k',
  how,
  words,
});
const turned = (turns: number | null): EventBody => ({ kind: 'coach-turned', trimId: 't', name: '33 trim', turns });
const safety = (more: object): EventBody => ({
  kind: 'safety-reading',
  reading: 'earth',
  value: 0.21,
  above: false,
  limit: 0.3,
  instrument: '',
  ...more,
});
const practiceEnd = (left: readonly string[]): EventBody => ({
  kind: 'practice-end',
  minutes: 20,
  live: 2,
  parts: 1,
  wrongParts: 0,
  harm: [],
  found: [],
  left,
  adviceMinutes: 15,
  bestMinutes: 8,
});

const LINES: readonly (readonly [body: EventBody, words: string])[] = [
  [{ kind: 'safe', lineId: 'x', text: 'rings off' } as unknown as EventBody, 'made safe: rings off'],
  [
    { kind: 'charge', storeId: 'x', name: 'reservoir', microfarad: 4700, volts: 35, ohm: 1000 } as unknown as EventBody,
    'reservoir: 4.7 mF at 35 V through 1 kΩ',
  ],
  [{ kind: 'start-volts', volts: 90, start: 'first' } as EventBody, 'first start at 90 V'],
  [STEP, 'off: bottom cover, 4 × 30 mm, tray B'],
  [end('motor red', 'unsoldered'), 'open end: motor red, unsoldered'],
  [end('washer 3 mm', 'left over'), 'open end: washer 3 mm left over'],
  [{ kind: 'close', target: 'k', how: 'soldered back' }, 'closed: soldered back'],
  [{ kind: 'close', target: 'k', how: '' }, 'closed'],
  [{ kind: 'refit', target: 'k', returned: [], distances: [], flush: null, renewed: [] }, 'back on'],
  [{ kind: 'explain', finding: 'f', why: 'one screw replaced' }, 'explained: one screw replaced'],
  [{ kind: 'move', moveId: 'm', name: 'Belt off', began: null }, 'begun: Belt off'],
  [{ kind: 'move', moveId: 'm', name: 'Belt off', began: 'k' }, 'ended: Belt off'],
  [{ kind: 'move', moveId: 'm', name: 'Belt off', began: 'k', dropped: true }, 'dropped: Belt off'],
  [gate('live-isolated', 0), 'gate passed: live through isolation'],
  [gate('live-isolated', 1), 'gate passed: live through isolation, 1 end accepted open'],
  [gate('hand-back', 3), 'gate passed: hand-back, 3 ends accepted open'],
  [timer('', 90), 'Soak: 90 min'],
  [timer('run in after oil', 1440), 'run in after oil: 24 h'],
  [{ kind: 'timer-end', target: 'k', how: 'stopped' }, 'timer stopped'],
  [{ kind: 'timer-end', target: 'k', how: 'answered' } as EventBody, 'timer answered'],
  [{ kind: 'photo', photoId: 'p', caption: '', width: 1, height: 1, about: null, place: null }, 'photo'],
  [{ kind: 'photo', photoId: 'p', caption: 'trims', width: 1, height: 1, about: null, place: null }, 'photo: trims'],
  [{ kind: 'marks', target: 'k', marks: [mark] }, '1 mark on a photo'],
  [{ kind: 'marks', target: 'k', marks: [mark, mark] }, '2 marks on a photo'],
  [answer({}), 'Spin the platter: coasts well'],
  [answer({ value: 4.7, unit: 'V' }), 'Spin the platter: 4.7 V'],
  [answer({ value: 4700, unit: 'Ω', instrument: 'Bench meter' }), 'Spin the platter: 4.7 kΩ, by Bench meter'],
  [{ kind: 'mended', repairId: 'belt', name: 'Fit a new belt' }, 'mended: Fit a new belt'],
  [
    { kind: 'mended', repairId: 'one-speed', name: 'Wire one speed fast', loses: 'the other speed' },
    'mended: Wire one speed fast; gone with it: the other speed',
  ],
  [{ kind: 'suspect', block: 'belt', name: 'belt', verdict: 'pinned' }, 'by hand: it is the belt'],
  [{ kind: 'suspect', block: 'belt', name: 'belt', verdict: 'ruled-out' }, 'by hand: not the belt'],
  [
    { kind: 'suspect', block: '', name: 'a magnet under the mat', verdict: 'outside' },
    'by hand, not in the path: a magnet under the mat',
  ],
  [{ kind: 'unreachable', testId: 't', name: 'Ripple' }, 'cannot reach: Ripple'],
  [tried('fed-direct', 'nothing', 0.01), 'tried: motor fed from a bench supply, 0.01 A: nothing'],
  [tried('cooled', 'changed', null), 'tried: motor cooled: the fault changed'],
  [tried('bridged', 'cured', null), 'tried: motor bridged for a minute: cured it'],
  [terms({}), 'agreed: nothing yet'],
  [
    terms({ worth: 120, price: 0, ceiling: 60, wantedBy: '2026-12-01' }),
    'agreed: worth 120, price 0, ceiling 60, wanted by 2026-12-01',
  ],
  [
    {
      kind: 'working',
      workingId: 'esr',
      name: 'Capacitor',
      inputs: [],
      words: 'ESR 0.4 Ω',
      verdict: 'weak',
      expects: null,
    },
    'reckoned: Capacitor: ESR 0.4 Ω (weak)',
  ],
  [
    {
      kind: 'working',
      workingId: 'esr',
      name: 'Capacitor',
      inputs: [],
      words: 'ESR 0.4 Ω',
      verdict: null,
      expects: null,
    },
    'reckoned: Capacitor: ESR 0.4 Ω',
  ],
  [{ kind: 'mend-step', repairId: 'r', stepId: 's', what: 'Old oil out' }, 'done: Old oil out'],
  [quote(null), 'asked: parts of a belt 9.5'],
  [quote(1), 'asked: parts of a belt 9.5, in a day'],
  [quote(4), 'asked: parts of a belt 9.5, in 4 days'],
  [{ kind: 'decision-dropped', optionId: 'belt', name: 'Fit a new belt' }, 'left: Fit a new belt'],
  [decision(''), 'decided: Fit a new belt, cures with 63 %'],
  [decision('the cheapest'), 'decided: Fit a new belt, cures with 63 %: the cheapest'],
  [turned(0.25), 'turned 33 trim a quarter turn clockwise'],
  [turned(-0.5), 'turned 33 trim half a turn counter-clockwise'],
  [turned(null), 'turned 33 trim, by the speed'],
  [{ kind: 'coach-stands', trimId: 't', name: '33 trim', turns: 0.25 }, '33 trim stands 0.25 turns from its stop'],
  [
    {
      kind: 'coach-begin',
      checks: [],
      task: { trims: [{ name: '33 trim' }, { name: '45 trim' }] },
    } as unknown as EventBody,
    'trims begun: 33 trim, 45 trim',
  ],
  [proved(true, ''), 'Auto-stop: as it should'],
  [proved(false, ''), 'Auto-stop: not as it should'],
  [proved(false, 'misses the end'), 'Auto-stop: misses the end'],
  [{ kind: 'unproved', checkId: 'x', name: 'Soak', why: 'no time' }, 'not proved: Soak, no time'],
  [trial('rest'), 'trial: governor at rest'],
  [trial('provoked'), 'trial: governor cooled'],
  [trial('end'), 'trial ended: governor cooled'],
  [coast(''), 'coasts 33 to 17 rpm in 12.4 s'],
  [coast('mat on'), 'coasts 33 to 17 rpm in 12.4 s, mat on'],
  [{ kind: 'protection-class', protection: 'II', cordM: 2 }, 'class II, cord 2.0 m'],
  [sheet(1, 2, ''), 'for the sheet: 1 photo, 2 notes'],
  [sheet(0, 1, 'a hum when warm'), 'for the sheet: 0 photos, 1 note; watch: a hum when warm'],
  [{ kind: 'follow-up', why: 'oil', what: 'Oil again', on: '2027-05-01' }, 'due 2027-05-01: Oil again'],
  [done('done', ''), 'seen to'],
  [done('done', 'runs well'), 'seen to: runs well'],
  [done('dropped', ''), 'dropped'],
  [done('dropped', 'sold'), 'dropped: sold'],
  [{ kind: 'return', number: 42, jobId: 'j', same: true }, 'came back: job 0042, the same complaint'],
  [{ kind: 'return', number: 1234, jobId: 'j', same: false }, 'came back: job 1234, another complaint'],
  [
    { kind: 'practice-act', testId: null, name: 'Smell', words: 'nothing', minutes: 1, harm: null },
    'on the practice bench: Smell: nothing',
  ],
  [
    { kind: 'practice-turn', trim: 't', name: '33 trim', turns: -0.25 },
    'turned: 33 trim, 0.25 of a turn counter-clockwise',
  ],
  [{ kind: 'practice-turn', trim: 't', name: '33 trim', turns: 0.5 }, 'turned: 33 trim, 0.5 of a turn clockwise'],
  [{ kind: 'practice-hand', hand: 'h', name: 'switch bridged', on: true }, 'on the practice bench: switch bridged'],
  [
    { kind: 'practice-hand', hand: 'h', name: 'switch bridged', on: false },
    'put back on the practice bench: switch bridged',
  ],
  [practiceEnd([]), 'practice ended: nothing left'],
  [practiceEnd(['belt slack', 'trim high']), 'practice ended, left: belt slack, trim high'],
  [{ kind: 'work', action: 'oil', what: 'motor bearings' }, 'oiled motor bearings'],
  [{ kind: 'power', state: 'pack-in', conditions: [] }, 'Pack in'],
  [{ kind: 'hold', prompt: 'Volts at reservoir' }, 'held: Volts at reservoir'],
  [{ kind: 'place', target: 'k', place: 'motor' }, 'placed at motor'],
  [{ kind: 'strike', target: 'k', reason: 'mistyped' }, 'struck out: mistyped'],
  [{ kind: 'field', field: 'serial', from: '', to: '77' }, 'serial: nothing → 77'],
  [{ kind: 'field', field: 'serial', from: '77', to: '' }, 'serial: 77 → nothing'],
  [{ kind: 'hand-back', leftUndone: '' }, 'handed back'],
  [{ kind: 'hand-back', leftUndone: 'lid hinge' }, 'handed back; left undone: lid hinge'],
];

describe('a line of the log in words', () => {
  it.each(LINES.map(([body, words]) => [words, body] as const))('%s', (words, body) => {
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
      ['end', end('motor red', 'unsoldered')],
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
