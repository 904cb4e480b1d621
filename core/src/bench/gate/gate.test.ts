import { lineMaker, testJob } from '../job.test-data.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILIES, familyOf } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import { parseStep, type EndHow } from '../ledger/index.js';
import { owedItems, nextWish } from '../owed.js';
import { jobState } from '../state.js';
import { gateAsks, gateProblems, type GateAnswers } from './asks.js';
import { GATE_HOURS, gateHolds } from './pass.js';

const family = familyOf('video-recorder');
const job = testJob(family.id, { speedIds: ['sp'], complaint: 'eats tapes' });
const line = lineMaker('mend');
const end = (what: string, usualId: string | null = null): BenchEvent =>
  line({ kind: 'open-end', what, how: 'unsoldered', usualId, stepKey: null, moveKey: null });
const close = (target: string) => line({ kind: 'close', target, how: 'soldered' });
const all: GateAnswers = {
  accepted: [],
  inPlace: family.openEnds.map((one) => one.id),
  shortOhm: 47_000,
  limit: { kind: 'lamp', value: 60, unitWatts: 25 },
  confirmed: ['held', 'isolation'],
};
const problems = (lines: readonly BenchEvent[], answers: Partial<GateAnswers> = {}) =>
  gateProblems(gateAsks(job, jobState(job, lines), 'live-isolated'), { ...all, ...answers }, 230);
const gate = (more: Partial<GateAnswers> = {}) => line({ kind: 'gate', to: 'live-isolated', ...all, ...more });
const later = (hours: number) => new Date(Date.parse(line({ kind: 'note', text: '' }).enteredAt) + hours * 3_600_000);

describe('the gate before power', () => {
  it('is passed only when nothing is open', () => {
    const modeSwitch = end('mode switch', 'mode-switch');
    expect(problems([modeSwitch]).map((one) => one.text)).toEqual([
      'Open: mode switch, unsoldered. Soldered back, marks in the home position?',
    ]);
    expect(problems([modeSwitch, close(modeSwitch.key)])).toEqual([]);
    expect(problems([modeSwitch], { accepted: [{ key: modeSwitch.key, why: 'insulated' }] })).toEqual([]);
    expect(problems([modeSwitch], { accepted: [{ key: modeSwitch.key, why: ' ' }] })).toHaveLength(1);
  });

  it('asks by family what else may be off, once the unit was touched', () => {
    expect(gateAsks(job, jobState(job, []), 'live-isolated').usual).toEqual([]);
    const touched = gateAsks(job, jobState(job, [line(parseStep('cover'))]), 'live-isolated');
    expect(touched.usual.map((one) => one.id)).toContain('mode-switch');
    const asked = problems([line(parseStep('cover'))], { inPlace: [] }).map((one) => one.id);
    expect(asked.filter((id) => id.startsWith('usual:'))).toHaveLength(family.openEnds.length);
    expect(asked).toContain('condition:covers');
  });

  it('lets nothing to mains after a failed earth path or insulation until it is read better, and breaks a gate that was passed', () => {
    const earth = (value: number) =>
      line({ kind: 'safety-reading', reading: 'earth', value, above: false, limit: 0.3, instrument: '' });
    const to = (lines: readonly BenchEvent[], where: 'live-direct' | 'live-isolated') =>
      gateProblems(
        gateAsks(job, jobState(job, lines), where),
        { ...all, confirmed: ['held', 'used', 'isolation'] },
        230,
      ).map((one) => one.id);
    expect(to([earth(4)], 'live-direct')).toEqual(['unsafe:earth path']);
    // Behind isolation it is asked, not refused: the fault may have to be looked for.
    expect(to([earth(4)], 'live-isolated')).toEqual(['condition:unsafe']);
    // Mended is not read: only a reading within the limit lifts it.
    const mended = line({ kind: 'work', action: 'repair', what: 'the earth lead' });
    expect(to([earth(4), mended], 'live-direct')).toContain('unsafe:earth path');
    expect(to([earth(4), mended, earth(0.1)], 'live-direct')).not.toContain('unsafe:earth path');
    const passed = gate();
    expect(gateHolds(jobState(job, [passed]).gates, 'live-isolated', later(0.1)).holds).toBe(true);
    const ends = new Date(Date.parse(passed.enteredAt) + GATE_HOURS * 3_600_000);
    const at = (ms: number) =>
      gateHolds(jobState(job, [passed]).gates, 'live-isolated', new Date(ends.getTime() + ms)).holds;
    expect([at(0), at(1)]).toEqual([true, false]);
    const broken = gateHolds(jobState(job, [passed, earth(4)]).gates, 'live-isolated', later(0.1));
    expect(broken).toMatchObject({ holds: false, why: expect.stringContaining('failed since: Earth path') as string });
    expect(gateHolds(jobState(job, [passed, earth(0.1)]).gates, 'live-isolated', later(0.1)).holds).toBe(true);
  });

  it('asks each end for its own safe state, in every family', () => {
    const asksFor = (what: string, how: EndHow) =>
      problems([line({ kind: 'open-end', what, how, usualId: null, stepKey: null, moveKey: null })])[0]?.text;
    expect(asksFor('boost switch', 'bridged')).toBe('Open: boost switch, bridged. Bridge removed?');
    expect(asksFor('leg of D4', 'lifted')).toBe('Open: leg of D4, lifted. Leg soldered back?');
    expect(asksFor('R7', 'shorted')).toBe('Open: R7, shorted. Short removed?');
    expect(asksFor('blue and brown', 'swapped')).toContain('Crossed back');
    for (const one of FAMILIES)
      for (const { id, how, safe } of one.openEnds) {
        // What is off must never be called safe by being left as it is.
        if (how === 'bridged') expect(safe, `${one.id} ${id}`).toMatch(/removed/);
        if (how === 'lifted' && id === 'lifted-leg') expect(safe).toMatch(/soldered/);
        if (how === 'unsoldered') expect(safe, `${one.id} ${id}`).toMatch(/soldered/);
        expect(safe, `${one.id} ${id}`).not.toMatch(/in place/);
      }
  });

  it('a cover that is off is on again, or hands are kept off: asked before live, not before it is opened', () => {
    const off = [line(parseStep('bottom cover 4 x 30 mm'))];
    const texts = problems(off, { confirmed: ['held', 'isolation'] }).map((one) => one.text);
    expect(texts).toEqual(['Off now: bottom cover. On again, or hands and tools kept off what they cover']);
    expect(problems(off, { confirmed: ['held', 'isolation', 'covers'] })).toEqual([]);
    expect(problems([], { confirmed: ['held', 'isolation'] })).toEqual([]);
  });

  it('wants ohms across the supply after work on the circuit, and refuses a short', () => {
    const work = line({ kind: 'work', action: 'replace', what: 'the reservoir capacitor', reach: 'circuit' });
    expect(problems([work], { shortOhm: null }).map((one) => one.id)).toEqual(['short']);
    expect(problems([work], { shortOhm: 120 }).map((one) => one.id)).toEqual(['short']);
    expect(problems([work], { shortOhm: 999.9 }).map((one) => one.id)).toEqual(['short']);
    expect(problems([work], { shortOhm: 1000 })).toEqual([]);
    expect(problems([work])).toEqual([]);
    expect(problems([line({ kind: 'work', action: 'oil', what: 'bearing' })], { shortOhm: null })).toEqual([]);
    const belt = line({ kind: 'work', action: 'replace', what: 'capacitor, so it says', reach: 'mechanics' });
    expect(problems([belt], { shortOhm: null })).toEqual([]);
  });

  it('where work does not say what it reached it asks, and takes the word that no circuit was touched', () => {
    const unsaid = line({ kind: 'work', action: 'replace', what: 'the grommet' });
    const held = all.confirmed;
    expect(problems([unsaid], { shortOhm: null }).map((one) => one.id)).toEqual(['short']);
    expect(problems([unsaid], { shortOhm: null, confirmed: [...held, 'no-circuit'] })).toEqual([]);
    // The word does not do for work that says it was the circuit, before it or after it.
    const known = line({ kind: 'work', action: 'repair', what: 'a joint', reach: 'circuit' });
    for (const lines of [
      [unsaid, known],
      [known, unsaid],
    ])
      expect(
        problems(lines, { shortOhm: null, confirmed: [...held, 'no-circuit'] }).map((one) => one.id),
        lines.map(({ body }) => (body as { what: string }).what).join(),
      ).toEqual(['short']);
  });

  it('a short test covers the work before it, through later gates too; new work asks again', () => {
    const joint = () => line({ kind: 'work', action: 'repair', what: 'a joint', reach: 'circuit' });
    const asked = (lines: readonly BenchEvent[]) => problems(lines, { shortOhm: null }).map((one) => one.id);
    expect(asked([joint(), gate()])).toEqual([]);
    expect(asked([joint(), gate(), gate({ shortOhm: null })])).toEqual([]);
    expect(asked([joint(), gate({ shortOhm: null })])).toEqual(['short']);
    expect(asked([joint(), gate(), joint()])).toEqual(['short']);
    const unsaid = line({ kind: 'work', action: 'replace', what: 'the grommet' });
    expect(asked([unsaid, gate({ shortOhm: null, confirmed: [...all.confirmed, 'no-circuit'] })])).toEqual([]);
  });

  it('wants a limit that lets the unit start, and every condition held', () => {
    expect(problems([], { limit: null }).map((one) => one.id)).toEqual(['limit']);
    for (const nought of [{ value: 0 }, { unitWatts: 0 }])
      expect(
        problems([], { limit: { kind: 'lamp', value: 60, unitWatts: 25, ...nought } }).map((one) => one.text),
      ).toEqual(['Choose fuse, lamp or current limit']);
    expect(problems([], { limit: { kind: 'lamp', value: 15, unitWatts: 25 } }).map((one) => one.id)).toEqual(['limit']);
    expect(problems([], { confirmed: ['held'] }).map((one) => one.id)).toEqual(['condition:isolation']);
  });

  it('finds any one closing that is missing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.nat(), (count, pick) => {
        const ends = Array.from({ length: count }, (_, i) => end(`end ${i}`));
        const closes = ends.map((one) => close(one.key));
        expect(problems([...ends, ...closes])).toEqual([]);
        const left = closes.filter((_, i) => i !== pick % count);
        expect(problems([...ends, ...left]).map((one) => one.id)).toEqual([`end:${ends[pick % count]?.key}`]);
      }),
    );
  });
});

describe('a passed gate', () => {
  const holds = (lines: readonly BenchEvent[], hours = 1) =>
    gateHolds(jobState(job, lines).gates, 'live-isolated', later(hours));

  it('holds for twelve hours', () => {
    expect(holds([gate()], 1).holds).toBe(true);
    expect(holds([gate()], GATE_HOURS + 1)).toMatchObject({ holds: false, why: 'passed more than 12 hours ago' });
    expect(gateHolds([], 'live-isolated', later(0)).holds).toBe(false);
    expect(gateHolds(jobState(job, [gate()]).gates, 'live-direct', later(0)).holds).toBe(false);
  });

  it.each([
    ['a step', () => line(parseStep('cover')), 'taken off since: cover'],
    ['an open end', () => end('plug'), 'opened since: plug'],
    ['a mend', () => line({ kind: 'work', action: 'clean', what: 'heads' }), 'worked on since: heads'],
    ['a move', () => line({ kind: 'move', moveId: 'm', name: 'Swap it', began: null }), 'begun since: Swap it'],
  ] as const)('is broken by %s', (_name, make, why) => {
    expect(holds([gate(), make()])).toMatchObject({ holds: false, why });
  });

  it('is broken when a closing before it is struck out', () => {
    const plug = end('plug');
    const shut = close(plug.key);
    const strike = line({ kind: 'strike', target: shut.key, reason: 'was not' });
    expect(holds([plug, shut, gate(), strike])).toMatchObject({ holds: false, why: 'open again: plug' });
  });

  it('is not broken by a reading or by power itself', () => {
    const off = line({ kind: 'power', state: 'unplugged-unknown', conditions: [] });
    expect(holds([gate(), line({ kind: 'note', text: 'x' }), off]).holds).toBe(true);
  });
});

describe('before hand-back', () => {
  it('everything is back and every finding explained', () => {
    const cover = line(parseStep('cover 4 x 8 mm tray A'));
    const ask = (lines: readonly BenchEvent[]) =>
      gateProblems(gateAsks(job, jobState(job, lines), 'hand-back'), { ...all, confirmed: [], limit: null }, 230);
    expect(ask([cover]).map((one) => one.text)).toEqual(['Still off: step 1, cover']);
    const back = line({ kind: 'refit', target: cover.key, returned: [3], distances: [], flush: true, renewed: [] });
    expect(ask([cover, back]).map((one) => one.text)).toEqual(['1 of 4 8 mm, tray A left over from step 1']);
    const finding = jobState(job, [cover, back]).findings[0]?.id ?? '';
    expect(ask([cover, back, line({ kind: 'explain', finding, why: 'stripped' })])).toEqual([]);
  });
});

describe('what is owed', () => {
  it('counts what is off, and never asks for dead work on a live unit without saying unplug', () => {
    const lines = [
      line(parseStep('cover 4 x 8 mm')),
      line({ kind: 'work', action: 'clean', what: 'mode switch' }),
      line({ kind: 'power', state: 'live-isolated', conditions: [] }),
    ];
    const state = jobState(job, lines);
    expect(owedItems(job, state).map((one) => one.text)).toContain('Put 1 step back');
    expect(nextWish(job, state, later(0)).text).toBe('Unplug, then: Put 1 step back');
  });
});
