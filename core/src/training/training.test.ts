import { describe, expect, it } from 'vitest';
import { parseEntry, typedStrobe, type BenchEvent, type EventBody } from '../bench/index.js';
import { debriefOf, doTest, endBody, placesOf, practiceVisit, readAt, strobeAt, toneOf, type Visit } from './index.js';
import { deck, line, mend, OFF, ON, repairOf, testOf, visit } from './training.test-data.js';

describe('a practice unit follows its log', () => {
  it('a shorted rail under power cooks the transformer; it stays cooked when the line is struck out', () => {
    const job = deck('rail-shorted');
    // The short melted the fuse: with a new one and the short still there, power does its harm.
    const sound = visit(job);
    expect([...sound.unit.faults]).toContain('rail-shorted');
    const renewed = mend(repairOf(sound, 'plug.fuse').id);
    const on = ON();
    const after = visit(job, renewed, on, OFF());
    expect(after.harm.map(({ words }) => words)).toEqual(['the transformer cooks']);
    expect(after.spoiled).toEqual(['turns-shorted']);
    const struck = line({ kind: 'strike', target: on.key, reason: 'by mistake' });
    expect(visit(job, renewed, on, OFF(), struck).spoiled).toEqual(['turns-shorted']);
  });

  it('cause first, then power: nothing is harmed', () => {
    const job = deck('rail-shorted');
    const at = visit(job);
    const mended = [mend(repairOf(at, 'rectifier.shorted').id), mend(repairOf(at, 'plug.fuse').id)];
    expect(visit(job, ...mended, ON()).harm).toEqual([]);
    expect([...visit(job, ...mended).unit.faults]).toEqual([]);
  });

  it('a mend that was struck out was none', () => {
    const job = deck('lamp');
    const mended = mend(repairOf(visit(job), 'lamp.burnt').id);
    expect([...visit(job, mended).unit.faults]).toEqual([]);
    const struck = line({ kind: 'strike', target: mended.key, reason: 'another unit' });
    expect([...visit(job, mended, struck).unit.faults]).toEqual(['lamp']);
  });

  it('a part bought for nothing counts as wrong, one that was at fault does not', () => {
    const job = deck('lamp');
    const at = visit(job);
    const [lamp, bridge] = [repairOf(at, 'lamp.burnt'), repairOf(at, 'rectifier.half')];
    const after = visit(job, mend(bridge.id), mend(lamp.id));
    expect([after.parts, after.wrongParts]).toEqual([
      Number(lamp.money > 0) + Number(bridge.money > 0),
      Number(bridge.money > 0),
    ]);
    expect(bridge.money).toBeGreaterThan(0);
    const free = at.path.repairs.find(({ money, cures }) => money === 0 && cures.length > 0);
    const cleaned = visit(job, mend(free?.id ?? ''));
    expect([cleaned.parts, cleaned.wrongParts, cleaned.clockMin > 0]).toEqual([0, 0, true]);
  });

  it('power once is one switching on, not one a line', () => {
    const job = deck('jammed');
    expect(visit(job, ON(), ON()).harm).toHaveLength(1);
  });
});

describe('instruments', () => {
  it('a unit that is off shows no volts; on, the regulator gives its twelve within a twentieth', () => {
    const job = deck();
    const [off, on] = [visit(job), visit(job, ON())];
    const place = placesOf(off, 'volts-dc').find(({ words }) => words === 'board');
    expect(place).toBeDefined();
    if (!place) return;
    expect(readAt(off, 'volts-dc', place, {}, 1).words).toBe('0\u202fV');
    const read = readAt(on, 'volts-dc', place, {}, 1);
    expect(Number.parseFloat(read.typed ?? '')).toBeGreaterThan(11.4);
    expect(Number.parseFloat(read.typed ?? '')).toBeLessThan(12.6);
    expect(read.minutes).toBe(1);
  });

  it('ohms on a live circuit cost the meter its fuse, and show nothing', () => {
    const on = visit(deck(), ON());
    const [place] = placesOf(on, 'ohms');
    if (!place) throw new Error('no place for ohms');
    expect(readAt(on, 'ohms', place, {}, 1)).toMatchObject({
      typed: null,
      harm: 'the meter’s fuse: ohms on a live circuit',
    });
    expect(readAt(visit(deck()), 'ohms', place, {}, 1).harm).toBeNull();
  });

  it('no value that a machine expects is a place to measure', () => {
    const at = visit(deck());
    for (const tool of ['volts-dc', 'volts-ac', 'ohms', 'speed'] as const)
      expect(placesOf(at, tool).filter(({ quantity }) => quantity.includes('expected'))).toEqual([]);
  });

  it('a test that needs power is refused while it is off, a dead one while it is live', () => {
    const job = deck('belt-slips');
    const off = visit(job);
    const drive = testOf(off, 'drive-33');
    expect(doTest(off, drive, 1)).toEqual({ refused: 'It is not switched on. Go through the gate first.' });
    const ohms = testOf(off, 'selector-ohms');
    expect(doTest(visit(job, ON()), ohms, 1)).toEqual({ refused: 'It is live. Unplug it first.' });
  });

  it('a slack belt is seen as one, and the look costs its minutes and the way there', () => {
    const job = deck('belt-off');
    const at = visit(job);
    const look = testOf(at, 'belt-look');
    const done = doTest(at, look, 1);
    expect(done).toMatchObject({ testId: 'belt-look', outcome: 'off', typed: null });
    if ('refused' in done) return;
    expect(done.minutes).toBeGreaterThan(look.handsMin);
    const { typed: _typed, outcome: _outcome, ...body } = done;
    const after = visit(job, line({ kind: 'practice-act', ...body }));
    expect(after.clockMin).toBe(done.minutes);
    const again = doTest(after, look, 1);
    // It is open now: only the look itself.
    expect('refused' in again ? null : again.minutes).toBe(look.handsMin);
  });

  it('the tone of a deck whose pitch control stands off is off by as much at both speeds', () => {
    const on = visit(deck('pitch-off'), ON());
    const [a, b] = ['33', '45'].map((setting) => toneOf(on, { setting })?.errorPercent ?? NaN) as [number, number];
    expect(Math.abs(a)).toBeGreaterThan(1.2);
    expect(Math.abs(a - b)).toBeLessThan(0.5);
    expect(toneOf(visit(deck('pitch-off')), {})).toBeNull();
  });

  it('the strobe ring shows what its bars do by their number: 180 under 100 flashes, one bar a second is a hundredth', () => {
    const on = visit(deck('pitch-off'), ON());
    const error = toneOf(on, { setting: '33' })?.errorPercent ?? NaN;
    const seen = strobeAt(on, { setting: '33' }, { id: '33', nominalRpm: 100 / 3 }, 50);
    // 100 flashes a second: one percent is one bar a second, ten in ten seconds.
    const bars = Number(/^33: ([\d.]+) bars/.exec(seen?.typed ?? '')?.[1]);
    expect(Math.abs(bars - 10 * Math.abs(error))).toBeLessThan(0.6);
    // Clockwise from above the near edge goes left; slow bars fall back against that.
    expect(seen?.typed).toContain(error < 0 ? 'right near' : 'left near');
    const read = parseEntry(seen?.typed ?? '', { speedIds: ['33', '45'] });
    const measured = read.kind === 'strobe' && typedStrobe(read, { mainsHz: 50, nominalRpm: 100 / 3, clockwise: true });
    expect(measured && Math.abs(measured.errorPercent - error)).toBeLessThan(0.06);
    expect(strobeAt(visit(deck()), {}, { id: '33', nominalRpm: 100 / 3 }, 50)).toBeNull();
  });

  it('a turn of the trim that serves both moves both; the trim of 45 moves 45 alone', () => {
    const job = deck('low-both');
    const errors = (at: Visit) => ['33', '45'].map((setting) => toneOf(at, { setting })?.errorPercent ?? NaN);
    const [a, b] = errors(visit(job, ON())) as [number, number];
    const turned = line({ kind: 'practice-turn', trim: '33', name: '33 trim', turns: 0.1 });
    const [c, d] = errors(visit(job, ON(), turned)) as [number, number];
    expect(c - a).toBeGreaterThan(1);
    expect(Math.abs(d - b - (c - a))).toBeLessThan(0.3);
    const other = line({ kind: 'practice-turn', trim: '45', name: '45 trim', turns: -0.1 });
    const [e, f] = errors(visit(job, ON(), turned, other)) as [number, number];
    expect(Math.abs(e - c)).toBeLessThan(0.3);
    expect(f - d).toBeLessThan(-1);
  });
});

describe('the end', () => {
  it('marks what was found, what it cost, and plays the log back', () => {
    const job = deck('belt-off');
    const at = visit(job);
    const done = doTest(at, testOf(at, 'belt-look'), 1);
    if ('refused' in done) throw new Error(done.refused);
    const { typed: _typed, outcome: _outcome, ...body } = done;
    const repair = repairOf(at, 'belt.off');
    const lines = [
      line({ kind: 'practice-act', ...body }),
      line({
        kind: 'answer',
        testId: 'belt-look',
        name: 'Belt',
        outcome: 'off',
        words: 'off',
        value: null,
        unit: null,
      }),
      line({ kind: 'mended', repairId: repair.id, name: repair.name }),
    ];
    const marked = debriefOf(job, lines);
    expect(marked).not.toBeNull();
    if (!marked) return;
    expect(marked.found).toEqual(['belt off its pulley']);
    expect(marked.left).toEqual([]);
    // The mend that cured is left out, as it is for the advice beside it.
    expect(marked.own.minutes).toBeCloseTo(done.minutes, 9);
    expect(marked.bestMinutes).toBeGreaterThan(0);
    expect(marked.advice.minutes).toBeGreaterThanOrEqual(marked.bestMinutes * 0.5);
    const answer = marked.replay.find(({ words }) => words.startsWith('Belt'));
    expect(answer).toMatchObject({ rank: 1, missed: null });
    expect(answer?.moved).toBeGreaterThan(0.3);
    // What a line moved is its share less the one before it.
    expect(answer?.moved).toBeLessThan(answer?.share ?? 0);
    const shares = marked.replay.flatMap(({ share, moved }) => (share === null ? [] : [{ share, moved }]));
    expect(shares.length).toBeGreaterThan(1);
    shares.slice(1).forEach(({ share, moved }, i) => expect(moved).toBeCloseTo(share - (shares[i]?.share ?? 0), 9));
    expect(endBody(marked)).toMatchObject({ kind: 'practice-end', left: [], harm: [], live: 0 });
  });

  it('a mend that helps without a look before it is what confirms the fault: its minutes count', () => {
    const job = deck('belt-off');
    const repair = repairOf(visit(job), 'belt.off');
    const marked = debriefOf(job, [line({ kind: 'mended', repairId: repair.id, name: repair.name })]);
    // The platter is a minute away.
    expect(marked?.own.minutes).toBeCloseTo(repair.handsMin + 1, 9);
    expect(marked?.own.clockMin).toBeCloseTo(repair.handsMin + 1, 9);
  });

  it('says what the machine shows where something else was logged, and what was answered without looking', () => {
    const job = deck('belt-off');
    const wrong = line({
      kind: 'answer',
      testId: 'belt-look',
      name: 'Belt',
      outcome: 'sound',
      words: 'sound',
      value: null,
      unit: null,
    });
    const marked = debriefOf(job, [wrong]);
    const shows = testOf(visit(job), 'belt-look').outcomes.find(({ id }) => id === 'off')?.words ?? '';
    expect(marked?.replay[0]?.missed).toBe(`the machine shows: ${shows}`);
    const right = { ...wrong, body: { ...wrong.body, outcome: 'off', words: 'off' } as EventBody };
    expect(debriefOf(job, [right])?.left).toHaveLength(1);
    const look = (testId: string) =>
      line({ kind: 'practice-act', testId, name: testId, words: 'seen', minutes: 1, harm: null });
    const told = () => line(right.body);
    const missed = (...lines: BenchEvent[]) => debriefOf(job, lines)?.replay.map((step) => step.missed);
    expect(missed(told())).toEqual(['answered without looking']);
    // Looked at first it is told once, with its answer; a look elsewhere, or one that came after, is none.
    expect(missed(look('belt-look'), told())).toEqual([null]);
    expect(missed(look('supply-volts'), told())).toEqual([null, 'answered without looking']);
    expect(missed(told(), look('belt-look'))).toEqual(['answered without looking', null]);
    expect(missed(line({ kind: 'note', text: 'a belt' }), told())).toEqual(['answered without looking']);
  });

  it('says about what a value should have been where it is far off: the board has its twelve volts', () => {
    const job = deck('belt-off');
    const volts = (value: number) =>
      debriefOf(job, [
        line({
          kind: 'answer',
          testId: 'supply-volts',
          name: 'Board',
          outcome: null,
          words: '',
          value,
          unit: 'V',
        } as unknown as EventBody),
      ])?.replay[0]?.missed ?? '';
    for (const far of [24, -12]) {
      const shown = /^the machine shows about ([\d.]+)\s?V$/u.exec(volts(far))?.[1];
      expect(Number(shown), volts(far)).toBeGreaterThan(11.4);
      expect(Number(shown)).toBeLessThan(12.6);
    }
    // A tenth off is a meter's own, and the hand's.
    for (const near of [10.7, 12.9]) expect(volts(near)).toBe('answered without looking');
    for (const far of [10.4, 13.2]) expect(volts(far)).toMatch(/^the machine shows/);
  });

  it('a practice unit that was ended by mistake goes on when that line is struck out', () => {
    const job = deck('lamp');
    const marked = debriefOf(job, []);
    if (!marked) throw new Error('nothing marked');
    const end = line(endBody(marked));
    expect(visit(job, end).ended).toBe(true);
    expect(visit(job, end, line({ kind: 'strike', target: end.key, reason: 'not yet' })).ended).toBe(false);
  });

  it('the line of the end holds what the log can hold, however often something was broken', () => {
    const job = deck('lamp');
    const act = (harm: string) =>
      line({ kind: 'practice-act', testId: null, name: 'Ohms', words: 'nothing', minutes: 1, harm });
    const often = Array.from({ length: 60 }, (_, i) => act(`harm ${i % 30}`));
    const marked = debriefOf(job, often);
    expect(marked?.own.harm).toHaveLength(60);
    const { harm } = endBody(marked as NonNullable<typeof marked>);
    expect(harm).toHaveLength(20);
    expect(new Set(harm).size).toBe(20);
  });

  it('a long log is played back by its last two hundred told lines', () => {
    const job = deck('lamp');
    const on = Array.from({ length: 260 }, (_, i) => (i % 2 ? OFF() : ON()));
    const replay = debriefOf(job, on)?.replay ?? [];
    expect(replay).toHaveLength(200);
    expect(replay.at(-1)?.key).toBe(on.at(-1)?.key);
  });

  it('is nothing for a real job', () => {
    const { practice: _practice, ...real } = deck();
    expect(debriefOf(real, [])).toBeNull();
    expect(practiceVisit(real, [])).toBeNull();
  });
});
