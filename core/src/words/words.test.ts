import { afterAll, describe, expect, it, vi } from 'vitest';
import { say, said, speakThrough, type Translate } from './index.js';

describe('what is said', () => {
  afterAll(() => speakThrough(undefined));

  it('is English as it stands, its gaps filled, lines of code run together', () => {
    expect(say`Waited ${2} min for ${'glue'}`).toBe('Waited 2 min for glue');
    expect(say`Unplug it,
      then wait`).toBe('Unplug it, then wait');
    expect(say`from ${1}
        to ${2}`).toBe('from 1 to 2');
    expect(said('swollen')).toBe('swollen');
  });

  it('goes through another language where one speaks, gaps in its own order', () => {
    const german: Readonly<Record<string, string>> = {
      '{0} of {1} read': 'von {1} sind {0} gelesen',
      swollen: 'gebläht',
    };
    speakThrough((sentence, values) =>
      (german[sentence] ?? sentence).replace(/\{(\d+)\}/g, (_, i: string) => String(values[Number(i)])),
    );
    expect(say`${3} of ${4} read`).toBe('von 4 sind 3 gelesen');
    expect(said('swollen')).toBe('gebläht');
    expect(say`not in the list: ${5}`).toBe('not in the list: 5');
    speakThrough(undefined);
    expect(say`${3} of ${4} read`).toBe('3 of 4 read');
  });
});

const shift = (text: string, from: number, to: number) =>
  text.replace(/\p{L}/gu, (letter) => {
    const at = (letter.codePointAt(0) as number) - from;
    return (at >= 0 && at < 26) || (at >= 32 && at < 58) ? String.fromCodePoint(to + at) : letter;
  });
/** Every Latin letter as a Cyrillic one: no English word is left in what is said; typed words and ids stay Latin. */
const cyrillic = (text: string) => shift(text, 65, 0x410);
const latin = (text: string) => shift(text, 0x410, 65);
const foreign: Translate = (sentence, values) =>
  sentence
    .split(/\{(\d+)\}/)
    .reduce((text, piece, i) => text + (i % 2 ? String(values[Number(piece)]) : cyrillic(piece)), '');

/** The core read afresh, speaking through this from its first word. */
async function core(translate: Translate | undefined) {
  vi.resetModules();
  const words = await import('./index.js');
  words.speakThrough(translate);
  const [bench, families, workings] = [
    await import('../bench/index.js'),
    await import('../families/index.js'),
    await import('../workings/index.js'),
  ];
  return { bench, families, workings };
}
type Core = Awaited<ReturnType<typeof core>>;

/** What is typed at the bench with each family; a part of one word is called by its name in the language of the bench. */
const typedAbout = (part: string) => [
  'unplugged',
  '27.5 V @reservoir',
  '0.3 Vpp @reservoir',
  '12 ohm',
  '3090 Hz',
  'timer 10 min soak',
  `cleaned ${part}`,
  `unsoldered ${part.split(' ')[0]} red`,
  'customer says it hums',
  '4 screws black 12mm tray A3',
];

/** Families whose whole answer is compared: an engine of each takes its time. */
const ENGINES = new Set(['belt-turntable-dc', 'cassette-direct', 'stand-mixer', 'washer-front', 'tool-brushed']);

/** A job of the family: lines typed, some tests answered, then all that the screens and papers are made of. */
function job({ bench, families }: Core, familyId: string) {
  const family = families.familyOf(familyId);
  const path = families.PATHS.get(familyId) as NonNullable<ReturnType<typeof families.PATHS.get>>;
  const facts = {
    number: 7,
    familyId,
    make: 'Linden',
    model: 'LD 1',
    serial: '1',
    customer: 'somebody',
    powerKind: 'mains' as const,
    ratedVolts: 230,
    speedIds: family.usualSpeeds,
    complaint: 'too slow when warm',
    tried: '',
    tolerance: bench.toleranceOfUse(family),
  };
  const known = { speedIds: facts.speedIds, places: [], path, prompt: null, open: [] };
  const context = {
    familyId,
    speeds: bench.jobSpeeds(facts),
    presentSpeedId: facts.speedIds[0] ?? null,
    source: null,
    mainsHz: 50,
    prompt: null,
    holdKey: null,
    open: [],
  };
  const part = path.blocks.map(({ name }) => name).find((name) => /^[a-z]+[^s\s]$/.test(latin(name))) ?? '';
  const entries = typedAbout(part).map((typed) => ({ typed, entry: bench.parseEntry(typed, known) }));
  const answered = path.tests.slice(0, 6).map((test) => {
    const outcome = test.outcomes[test.outcomes.length - 1] as (typeof test.outcomes)[number];
    const { id: testId, name } = test;
    return {
      kind: 'answer' as const,
      testId,
      name,
      outcome: outcome.id,
      words: outcome.words,
      value: null,
      unit: null,
    };
  });
  const bodies = [...entries.flatMap(({ typed, entry }) => bench.linesFromEntry(entry, typed, context)), ...answered];
  const events = bodies.map((body, i) => ({
    key: `k${i}`,
    enteredAt: new Date(Date.UTC(2026, 0, 5, 9, i)).toISOString(),
    device: 'a',
    sequence: i,
    stage: 'find' as const,
    body,
  }));
  const now = new Date(Date.UTC(2026, 0, 5, 12));
  const shop = { name: 'Bench', address: '', calibration: '' };
  return {
    events,
    previews: entries.map(({ typed, entry }) => bench.entryPreview(entry, typed, context)),
    words: bodies.map((body) => bench.lineWords(body, () => undefined)),
    state: bench.jobState(facts, events),
    row: bench.listRow(facts, events, [], now),
    answer: ENGINES.has(familyId) ? bench.findAnswer(facts, events) : null,
    sheet: bench.sheetModel(shop as never, facts, events),
  };
}

/** Every sum with its usual values, a figure where there is none, and each of its choices in turn. */
const sums = ({ workings }: Core) =>
  workings.WORKINGS.map((working) => {
    const texts = Object.fromEntries(
      working.fields.map(({ id, usual, choices, kind }) => [
        id,
        usual ?? choices?.[0] ?? (kind === 'text' ? '2.0 2.1 2.0' : '10'),
      ]),
    );
    const turned = working.fields.flatMap(({ id, choices }) => (choices ?? []).map((one) => ({ ...texts, [id]: one })));
    return [working, ...[texts, ...turned].map((one) => workings.solveWorking(working, one))];
  });

/** As it would be sent: maps and sets as rows. */
const rows = (value: unknown): string =>
  JSON.stringify(value, (_, one: unknown) => (one instanceof Map || one instanceof Set ? [...one] : one), 1);

describe('another language', () => {
  afterAll(() => vi.resetModules());

  it('changes no sum: choices are ids, whatever they are called', async () => {
    const told = rows(sums(await core(undefined)));
    const also = rows(sums(await core(foreign)));
    expect(latin(also)).toBe(told);
    expect(also).toMatch(/\p{Script=Cyrillic}{4}/u);
    expect(told.match(/"kind": "answer"/g)?.length).toBeGreaterThan(20);
  }, 60_000);

  it('changes no decision: a bench that speaks it reads, finds, lists and writes the same in every family', async () => {
    const english = await core(undefined);
    const told = [...english.families.PATHS.keys()].map((id) => rows(job(english, id)));
    const other = await core(foreign);
    const also = [...other.families.PATHS.keys()].map((id) => rows(job(other, id)));
    also.forEach((text, i) => expect(latin(text)).toBe(told[i]));
    // It does speak: what is shown of a line is foreign.
    expect(also.every((text) => /\p{Script=Cyrillic}{4}/u.test(text))).toBe(true);
  }, 120_000);
});
