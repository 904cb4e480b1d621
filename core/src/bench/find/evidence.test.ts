import { describe, expect, it } from 'vitest';
import { engineOf, movedPrior, NO_KNOWLEDGE, posteriorOf, suspectsOf } from '../../diagnosis/index.js';
import { FAMILIES, familyOf, type DrivePath } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import { workSaid } from '../workSaid.js';
import { type JobFacts } from '../job.js';
import { ledgerOf, parseStep } from '../ledger/index.js';
import { didNotTurn } from '../speedReading.js';
import { jobState } from '../state.js';
import { confirmedFaults } from './confirmed.js';
import { findEvidence, fittedPath, pathOf } from './evidence.js';
import { answer, family, job, line, path, read, reading, speed } from './evidence.test-data.js';
import { workOfRepair } from './workOf.js';

const engine = engineOf(path);
const share = (block: string, ...lines: BenchEvent[]) =>
  suspectsOf(engine, posteriorOf(engine, read(...lines).events)).find((one) => one.block === block)?.share ?? 0;

describe('work that touches a part', () => {
  const touched = (familyId: string, what: string, action: 'clean' | 'replace' = 'clean') => {
    const own = { ...job, familyId };
    const { events } = findEvidence(
      own,
      pathOf(own) as DrivePath,
      [line(workSaid(familyId, { action, what }))],
      jobStateOf(own),
    );
    const [epoch] = events;
    return epoch?.kind === 'epoch' ? epoch.touched : null;
  };
  const jobStateOf = (own: JobFacts) => {
    const { ledger, power } = jobState(own, []);
    return { ledger, power, places: new Map<string, string>() };
  };
  const named = (familyId: string, word: string) =>
    (pathOf({ familyId }) as DrivePath).blocks
      .filter(({ name }) => new RegExp(`\\b${word}`).test(name))
      .map(({ id }) => id);

  it('is known by whole words: a recorder is no cord, a planet no plane', () => {
    const families = FAMILIES.filter((one) => pathOf({ familyId: one.id }) && named(one.id, 'cord').length > 0);
    expect(families.length).toBeGreaterThan(0);
    for (const { id } of families) {
      for (const block of named(id, 'cord')) {
        expect(touched(id, 'the recorder heads'), id).not.toContain(block);
        expect(touched(id, 'the cord', 'replace'), id).toContain(block);
      }
    }
  });

  it('is known in the plural as in the singular', () => {
    const [belt] = named(family.id, 'belt');
    expect(touched(family.id, 'both belts', 'replace')).toContain(belt);
    expect(touched(family.id, 'Belt', 'replace')).toContain(belt);
  });
});

describe('what was measured elsewhere speaks in Find', () => {
  it('speeds as found are observations, at the speed and warmth they were taken', () => {
    const { events, situation } = read(speed('33', -1.8), speed('45', -1.7, { condition: 'warm' }));
    expect(events.map((event) => event.kind === 'saw' && event.observation.context)).toEqual([
      { speed: '33' },
      { speed: '45', heat: 'warm' },
    ]);
    expect(situation.done.has('speed-33')).toBe(true);
    expect(situation.done.has('speed-45')).toBe(false);
    expect(share('belt', speed('33', -1.8), speed('45', -1.7))).toBeGreaterThan(share('belt'));
  });

  it('a speed near the edge of its tolerance counts for both sides', () => {
    const [edge] = read(speed('33', -1.02)).events;
    if (edge?.kind !== 'saw' || edge.observation.saw.kind !== 'signal') throw new Error('no speed');
    // A surging platter reads slow, right or fast, each alike.
    expect(edge.observation.saw.weights).toEqual({ right: 0.5, slow: 0.5, uneven: 1 / 3 });
  });

  it('one that did not turn is still; one that turns without a nominal does not stand still, no more', () => {
    const still = read(speed('33', 0, { turned: false, errorPercent: null })).events[0];
    expect(still?.kind === 'saw' && still.observation.saw).toMatchObject({ weights: { still: 1 } });
    const turns = read(speed('33', 0, { errorPercent: null })).events[0];
    expect(turns?.kind === 'saw' && turns.observation.saw).toMatchObject({ weights: { slow: 1, right: 1, fast: 1 } });
  });

  it('what Take in asked moves the path in every family', () => {
    for (const other of FAMILIES) {
      const own = { ...job, familyId: other.id, speedIds: other.usualSpeeds };
      const state = { ledger: ledgerOf([]), power: 'live-direct', places: new Map<string, string>() } as const;
      for (const one of other.speeds.filter(({ id }) => other.usualSpeeds.includes(id))) {
        const { events } = findEvidence(own, pathOf(own) as DrivePath, [line(didNotTurn(one))], state);
        expect(events, `${other.id} ${one.id}`).toMatchObject([{ kind: 'saw' }]);
      }
    }
  });

  it('readings at known places are observations, also when the place came later', () => {
    expect(share('regulator', reading('supply at the board', 8))).toBeGreaterThan(4 * share('regulator'));
    const homeless = reading(null, 8);
    const placed = line({ kind: 'place', target: homeless.key, place: 'Supply at the board' });
    expect(share('regulator', homeless, placed)).toBeGreaterThan(4 * share('regulator'));
    expect(read(reading('somewhere else', 8)).events).toEqual([]);
    expect(read(reading('reservoir', 0.1, { qualifier: 'pp' })).events).toHaveLength(1);
  });

  it('a value that cannot be is a message and no observation; struck out it is gone', () => {
    const absurd = reading('motor terminals', 2300);
    expect(read(absurd)).toMatchObject({ events: [], problems: [{ key: absurd.key }] });
    const strike = line({ kind: 'strike', target: absurd.key, reason: 'mistyped' });
    expect(read(absurd, strike).problems).toEqual([]);
  });
});

describe('a model’s own sheet', () => {
  it('renames a test point and computes a value from another reading', () => {
    const sheet = {
      absent: [],
      places: { supply: 'CN3 pin 2' },
      bands: {
        supply: [
          { state: 'low', from: 1, to: { of: 'raw', times: 0.7 } },
          { state: 'right', from: { of: 'raw', times: 0.7 }, to: 20 },
        ],
      },
    };
    const lines = [reading('reservoir', 16), reading('CN3 pin 2', 10)];
    const fitted = fittedPath(path, sheet, lines, new Map());
    const state = jobState(job, lines);
    const { events } = findEvidence(job, fitted, lines, {
      ledger: state.ledger,
      power: state.power,
      places: new Map(),
    });
    expect(events.map((event) => event.kind === 'saw' && event.observation.saw)).toMatchObject([
      { signal: 'raw', weights: { right: 1 } },
      { signal: 'supply', weights: { low: 1 } },
    ]);
  });
});

describe('answers', () => {
  it('are observations of their test, and are not asked again', () => {
    const { events, situation, words } = read(answer('lamp', 'lit'));
    expect(events).toHaveLength(1);
    expect(situation.done).toEqual(new Set(['lamp']));
    expect([...words.values()]).toEqual(['lamp: lit']);
  });

  it('to a question of marks answer that one alone: who smelt nothing has not looked inside, nor at a part', () => {
    const [smelt, looked] = ['first', 'inside-look'].map((id) => path.tests.find((one) => one.id === id));
    const done = (...lines: BenchEvent[]) => read(...lines).situation.done;
    const first = answer('first', smelt?.outcomes.at(-1)?.id ?? '');
    const inside = answer('inside-look', looked?.outcomes.at(-1)?.id ?? '');
    expect(done(first)).toEqual(new Set(['first']));
    expect(done(first, inside)).toEqual(new Set(['first', 'inside-look']));
    expect(done(answer('belt-look', 'slack-or-shiny'))).toEqual(new Set(['belt-look']));
  });

  it('that this family does not know are said, with what it knows', () => {
    expect(read(answer('nothing', 'lit')).problems[0]?.message).toContain('There is no test');
    expect(read(answer('lamp', 'purple')).problems[0]?.message).toContain('cannot answer');
  });

  it('of values use the bands', () => {
    const typed = line({
      kind: 'answer',
      testId: 'supply-volts',
      name: 'x',
      outcome: null,
      words: '',
      value: 8,
      unit: 'V',
    });
    expect(share('regulator', typed)).toBeGreaterThan(4 * share('regulator'));
  });
});

describe('a speed without a nominal', () => {
  const seen = (familyId: string, turned: boolean) => {
    const own = { ...job, familyId };
    const [first] = familyOf(familyId).speeds;
    const told = line({ ...didNotTurn(first as NonNullable<typeof first>), turned });
    const { ledger, power } = jobState(own, []);
    const { events } = findEvidence(own, pathOf(own) as DrivePath, [told], { ledger, power, places: new Map() });
    return events.map((event) =>
      event.kind === 'saw' && event.observation.saw.kind === 'signal' ? event.observation.saw.weights : null,
    );
  };

  it('that turns is any of the states in which it turns, alike: one that kicks once or quivers does not', () => {
    expect(seen('stand-mixer', true)).toEqual([{ weak: 1, slow: 1, fast: 1 }]);
    expect(seen('cordless-brushless', true)).toEqual([{ weak: 1, turns: 1 }]);
    expect(seen('stand-mixer', false)).toEqual([{ still: 1 }]);
  });
});

describe('work', () => {
  it('opens an epoch: earlier readings stay behind, what was mended falls', () => {
    const before = [speed('33', -1.8), speed('45', -1.8), answer('belt-look', 'slack-or-shiny')];
    const mended = line({ kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' });
    expect(share('belt', ...before)).toBeGreaterThan(0.8);
    expect(share('belt', ...before, mended, speed('33', 0.1), speed('45', 0.1))).toBeLessThan(0.1);
    expect(read(...before, mended).situation.done.size).toBe(0);
  });

  it('makes what was touched likelier to be left off', () => {
    const start = [speed('33', -1.8), line(workSaid(job.familyId, { action: 'clean', what: 'the belt and pulley' }))];
    const leftOff = (...lines: BenchEvent[]) =>
      suspectsOf(engine, posteriorOf(engine, read(...lines).events))
        .flatMap((one) => one.modes)
        .find((one) => one.mode === 'belt.left-off')?.share ?? 0;
    const after = speed('33', 0, { turned: false, errorPercent: null });
    const untouched = [speed('33', -1.8), line(workSaid(job.familyId, { action: 'clean', what: 'the lid' })), after];
    expect(leftOff(...start, after)).toBeGreaterThan(3 * leftOff(...untouched));
    expect(read(...start).since).toBe('cleaned the belt and pulley');
  });
});

describe('what this bench has confirmed', () => {
  const mended = (repairId: string) => line({ kind: 'mended', repairId, name: repairId });

  it('is a direct look followed by the repair that cures it', () => {
    const logs = [
      [answer('belt-look', 'slack-or-shiny'), mended('new-belt')],
      [answer('belt-look', 'sound'), mended('new-belt')],
      [answer('belt-look', 'slack-or-shiny'), mended('oil-motor')],
      [answer('speed-33', 'slow')],
    ];
    expect(confirmedFaults(path, logs)).toEqual({ units: 1, modes: { 'belt.slips': 1 } });
    const [first] = logs;
    const strike = line({ kind: 'strike', target: first?.[1]?.key ?? '', reason: 'not done' });
    expect(confirmedFaults(path, [[...(first ?? []), strike]]).units).toBe(0);
  });

  it('moves the odds of the next unit', () => {
    const moved = engineOf(path, {
      knowledge: { ...NO_KNOWLEDGE, family: { units: 10, modes: { 'pulley.loose': 6 } } },
    });
    const shareIn = (one: typeof engine) =>
      suspectsOf(one, posteriorOf(one, read(speed('33', -1.8)).events)).find((two) => two.block === 'pulley')?.share ??
      0;
    expect(shareIn(moved)).toBeGreaterThan(3 * shareIn(engine));
    expect(movedPrior(0.05, 'x.y', { units: 10, modes: { 'x.y': 2 } })).toBeCloseTo(0.1, 9);
  });
});

describe('a repair as a line of work', () => {
  it.each([
    ['regulator', 'Renew the regulator', 'replace', 'the regulator'],
    ['clean-trims', 'Clean trims and pitch pot', 'clean', 'trims and pitch pot'],
    ['bearing', 'Clean and oil the platter bearing', 'oil', 'the platter bearing'],
    ['set-trims', 'Set the trims', 'adjust', 'the trims'],
    ['belt', 'Fit a new belt', 'replace', 'the belt'],
    ['glue-magnet', 'Glue the ring magnet', 'repair', 'the ring magnet'],
    ['return', 'Free the auto-return', 'repair', 'the auto-return'],
    ['nothing-known', 'Clean the thing', 'repair', 'the thing'],
  ])('%s: %s', (id, name, action, what) => {
    expect(workOfRepair({ id, name, cures: ['a.x', 'a.y', 'b.*'] })).toMatchObject({
      action,
      what,
      blocks: ['a', 'b'],
    });
  });
});

describe('the situation', () => {
  it('knows how far the unit is open and whether it is live', () => {
    expect(read().situation).toMatchObject({ level: 'outside', power: 'dead' });
    const open = [line(parseStep('platter')), line(parseStep('bottom cover 4 x 30 mm'))];
    expect(read(...open).situation.level).toBe('bottom');
    expect(read(line({ kind: 'power', state: 'live-isolated', conditions: [] })).situation.power).toBe('live');
  });

  it('keeps what cannot be reached and what the repairer knows better', () => {
    const { situation, events } = read(
      line({ kind: 'unreachable', testId: 'motor-ohms', name: 'x' }),
      line({ kind: 'suspect', block: 'motor', name: 'motor', verdict: 'ruled-out' }),
    );
    expect(situation.unreachable).toEqual(new Set(['motor-ohms']));
    expect(events).toEqual([{ kind: 'hand', block: 'motor', verdict: 'ruled-out' }]);
  });
});
