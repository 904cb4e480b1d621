import { describe, expect, it } from 'vitest';
import { EMPTY_SHEET } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import { findAnswer, readForFind, type FindBasis } from './answer.js';
import { job as JOB, line, speed } from './evidence.test-data.js';
import { NO_KNOWLEDGE } from '../../diagnosis/index.js';

const live = () => line({ kind: 'power', state: 'live-isolated', conditions: [] });
const leader = (events: readonly BenchEvent[], basis?: FindBasis) => findAnswer(JOB, events, basis)?.suspects[0]?.block;

describe('what follows from a log', () => {
  it('one speed wrong, the other right: its trim or its place on the selector, before what both share (common practice)', () => {
    const own = ['trims', 'selector'];
    expect(own).toContain(leader([live(), speed('33', -3), speed('45', 0.05)]));
    expect(own).not.toContain(leader([live(), speed('33', -3), speed('45', -3)]));
  });

  it('knows nothing of a line that was struck out, whatever it said', () => {
    const wrong = speed('45', -3);
    const events = [live(), speed('33', -3), wrong];
    const struck = [...events, line({ kind: 'strike', target: wrong.key, reason: 'mistyped' })];
    const without = findAnswer(JOB, events.slice(0, 2));
    expect(findAnswer(JOB, struck)).toEqual(without);
    expect(findAnswer(JOB, events)).not.toEqual(without);
  });

  it('never names a part that the model has not, nor a look at it', () => {
    const absent = ['pitch'];
    const all = findAnswer(JOB, [live(), speed('33', -3)]);
    expect(all?.suspects.find(({ block }) => block === 'pitch')?.share).toBeGreaterThan(0);
    const some = findAnswer(JOB, [live(), speed('33', -3)], { sheet: { ...EMPTY_SHEET, absent } });
    expect(some?.suspects.find(({ block }) => block === 'pitch')?.share ?? 0).toBe(0);
    expect(some?.advice.tests.map(({ test }) => test.block)).not.toContain('pitch');
  });

  it('leans on what the bench has mended before, and stands without it', () => {
    const events = [live(), speed('33', -2), speed('45', -2)];
    const share = (basis: FindBasis) =>
      findAnswer(JOB, events, basis)?.suspects.find(({ block }) => block === 'belt')?.share ?? 0;
    const family60 = { units: 60, modes: { 'belt.slips': 55 } };
    const plain = share({});
    expect(share({ known: null })).toBe(plain);
    expect(share({ known: { ...NO_KNOWLEDGE, healthy: {}, cured: {}, opening: [] } })).toBe(plain);
    expect(
      share({ known: { ...NO_KNOWLEDGE, family: family60, healthy: {}, cured: {}, opening: [] } }),
    ).toBeGreaterThan(plain + 0.05);
  });

  it('shares stand between 0 and 1 and the same log gives the same answer', () => {
    const events = [live(), speed('33', -3), speed('45', 0.05)];
    const answer = findAnswer(JOB, events);
    expect(answer).toEqual(findAnswer(JOB, [...events].reverse()));
    for (const { share } of answer?.suspects ?? []) expect(share >= 0 && share <= 1).toBe(true);
    expect(answer?.suspects.map(({ share }) => share)).toEqual(
      answer?.suspects.map(({ share }) => share).sort((a, b) => b - a),
    );
    expect(answer?.outside).toBeLessThan(0.5);
  });

  it('says nothing of a family without a drive path', () => {
    const unknown = { ...JOB, familyId: 'constructor' };
    expect(() => findAnswer(unknown, [])).toThrow();
    expect(
      readForFind(
        unknown,
        [],
        {},
        { ledger: { steps: [], ends: [], moves: [], explained: new Map() }, power: 'unplugged-unknown', readings: [] },
      ),
    ).toBeNull();
  });
});
