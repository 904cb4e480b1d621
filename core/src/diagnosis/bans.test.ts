/** What keeps power off, over every family: by construction, whatever was believed before. */
import { describe, expect, it } from 'vitest';
import { BANS, needsPower, PATHS, type DrivePath } from '../families/index.js';
import { seeded, type Random } from '../numeric/index.js';
import { ready, pick, eventsOf } from './everyFamily.test-data.js';
import { adviseNext, bansOf, nextStep, posteriorOf, untouched, type Advice, type CaseEntry } from './index.js';

/** Up to six answers of any tests at all, in any order, contradictions with them. */
function answers(path: DrivePath, random: Random): CaseEntry[] {
  return Array.from({ length: Math.floor(random() * 7) }, () => {
    const test = pick(path.tests, random);
    return { test: test.id, outcome: pick(test.outcomes, random).id };
  });
}

/** The step says what it is, whether power is off for it, what keeps it off, what it waits and costs. */
function expectSaid(path: DrivePath, advice: Advice): void {
  const step = nextStep(path, advice);
  if (!step) return;
  const test = path.tests.find((one) => step.kind === 'test' && one.id === step.id);
  const repair = path.repairs.find((one) => step.kind === 'mend' && one.id === step.id);
  const { power = 'either', waitMin = 0, name = '' } = test ?? repair ?? {};
  expect(step.what.startsWith(name) && name !== '').toBe(true);
  const level = path.levels.findIndex((one) => one.id === (test ?? repair)?.level);
  expect(step.needs.includes(path.levels[level]?.name ?? ''), step.id).toBe(level > 0);
  const mend = advice.mends.find((one) => repair && one.repair.id === repair.id);
  if (mend)
    expect(step.why).toContain(
      `${(100 * mend.chance).toFixed(0)} % that it cures, about ${mend.minutes.toFixed(0)} min`,
    );
  const off = step.needs.includes('power off, charge measured gone');
  expect(off, step.id).toBe(repair ? power !== 'running' : power === 'dead');
  expect(step.needs.includes('power on, running'), step.id).toBe(power === 'running');
  expect(step.needs.includes('power on'), step.id).toBe(test?.power === 'powered');
  expect(step.needs.some((need) => /of waiting$/.test(need))).toBe(waitMin > 0);
  expect(step.needs.some((need) => /^parts for about/.test(need))).toBe((repair?.money ?? 0) > 0);
  const kept = step.must_not.filter((words) => words.startsWith('no power: '));
  expect(kept.length, step.id).toBe(repair || test?.power === 'dead' ? advice.bans.length : 0);
  expect(step.must_not.some((words) => words.startsWith('leave it at that'))).toBe(Boolean(repair?.leaves));
}

describe.each([...PATHS.keys()])('%s', (id) => {
  it('advises nothing that needs power under a ban, over random posteriors', () => {
    const engine = ready(id);
    const { path } = engine.model;
    const random = seeded(id.length * 7919);
    let banned = 0;
    for (let i = 0; i < 40; i++) {
      const posterior = posteriorOf(engine, eventsOf(path, answers(path, random)));
      const advice = adviseNext(engine, posterior, untouched(engine));
      expect(advice.bans).toEqual(bansOf(engine, posterior));
      // The likeliest first, each once, what was only told last.
      const chances = advice.bans.map(({ chance }) => chance ?? -1);
      expect(chances).toEqual(chances.toSorted((a, b) => b - a));
      expect(new Set(advice.bans.map((ban) => ban.id)).size).toBe(chances.length);
      const both = [...advice.tests, ...advice.rest].map((one) => one.test.id);
      expect(new Set(both).size).toBe(both.length);
      expectSaid(path, advice);
      const [lead] = advice.tests;
      if (lead?.first) expect(lead.forbidden, lead.test.id).toBeNull();
      // Nothing is switched on to find out whether it may be.
      if (lead?.first === 'before-power')
        expect(lead.test.power === 'dead' || lead.test.marks, lead.test.id).toBeTruthy();
      if (advice.bans.length === 0) continue;
      banned++;
      for (const one of [...advice.tests, ...advice.rest])
        if (needsPower(one.test)) expect(one.forbidden, one.test.id).toMatch(/: first /);
      for (const one of advice.mends)
        if (one.repair.power === 'running') expect(one.forbidden, one.repair.id).not.toBeNull();
      const first = advice.tests.findIndex((one) => one.forbidden !== null && one.first === null);
      if (first >= 0)
        expect(
          advice.tests
            .slice(first)
            .filter((one) => one.first === null)
            .every((one) => one.forbidden !== null),
        ).toBe(true);
    }
    expect(banned).toBeGreaterThan(0);
  });

  it('has something that bans power, and every ban has a way out of it', () => {
    const { path } = ready(id).model;
    const of = (block: DrivePath['blocks'][number]) => block.modes.flatMap((mode) => (mode.bans ? [mode] : []));
    const banning = path.blocks.flatMap(of);
    expect(banning.length).toBeGreaterThan(0);
    for (const block of path.blocks)
      for (const mode of of(block)) {
        const dead = path.tests.filter((test) => test.power === 'dead' && test.block === block.id);
        const tells = dead.some((test) =>
          test.outcomes.some((one) => one.modes.includes(mode.id) && !one.modes.includes('healthy')),
        );
        expect(tells, `${block.id}.${mode.id} is seen by no look with power off`).toBe(true);
      }
  });

  it('a dead look that finds the part sound lifts the ban of its fault', () => {
    const engine = ready(id);
    const { path } = engine.model;
    for (const block of path.blocks)
      for (const mode of block.modes) {
        if (!mode.bans || mode.byWork) continue;
        const looks = path.tests.filter((test) => test.power === 'dead' && test.block === block.id);
        const seen = looks.find((test) =>
          test.outcomes.some((one) => one.modes.includes(mode.id) && !one.modes.includes('healthy')),
        );
        const outcome = (healthy: boolean) =>
          seen?.outcomes.find((one) => one.modes.includes(healthy ? 'healthy' : mode.id))?.id ?? '';
        const bans = (result: string) =>
          bansOf(engine, posteriorOf(engine, eventsOf(path, [{ test: seen?.id ?? '', outcome: result }])));
        expect(
          bans(outcome(false)).map((one) => one.id),
          `${block.id}.${mode.id} seen`,
        ).toContain(mode.bans);
        const chance = bans(outcome(true)).find((one) => one.id === mode.bans)?.chance ?? 0;
        const others = path.blocks.flatMap((one) => one.modes).filter((one) => one.bans === mode.bans && one !== mode);
        if (others.length === 0) expect(chance, `${block.id}.${mode.id} found sound`).toBe(0);
      }
  });
});

describe('what was told', () => {
  const engine = ready('rim-drive');
  const bans = (...entries: CaseEntry[]) =>
    bansOf(engine, posteriorOf(engine, eventsOf(engine.model.path, entries))).map((one) => one.id);
  const told = (outcome: string): CaseEntry => ({ test: 'first', outcome });

  it('bans power until it is traced', () => {
    expect(bans(told('nothing-special'))).toEqual([]);
    expect(bans(told('smells-burnt-or-smoked'))).toContain('burnt');
    expect(bans(told('smells-burnt-or-smoked'), { test: 'inside-look', outcome: 'nothing-burnt-dry' })).not.toContain(
      'burnt',
    );
    expect(bans(told('got-wet'))).toContain('wet');
    expect(bans(told('got-wet'), { test: 'inside-look', outcome: 'wet' })).toContain('wet');
    expect(bans(told('got-wet'), { test: 'inside-look', outcome: 'nothing-burnt-dry' })).not.toContain('wet');
  });

  it('a tingle bans power until the insulation is measured, and longer where it is poor', () => {
    const tingle = told('tingled-or-tripped-the-earth-leakage-breaker');
    expect(bans(tingle)).toContain('frame');
    expect(bans(tingle, { test: 'insulation', value: 0.2, unit: 'MΩ' })).toContain('frame');
    expect(bans(tingle, { test: 'insulation', value: 200, unit: 'kΩ' })).toContain('frame');
    expect(bans(tingle, { test: 'insulation', value: 40, unit: 'MΩ' })).toEqual([]);
  });

  it('one sound measurement does not lift what several have to answer, nor does a wet look say that nothing is burnt', () => {
    const washer = ready('washer-top');
    const of = (...entries: CaseEntry[]) => posteriorOf(washer, eventsOf(washer.model.path, entries)).standing;
    const blew: CaseEntry = { test: 'first', outcome: 'blew-a-fuse' };
    expect(of(blew)).toEqual(['fuse']);
    expect(of(blew, { test: 'cord', outcome: 'through' })).toEqual(['fuse']);
    expect(of(blew, { test: 'cord', outcome: 'through' }, { test: 'bridge-diode', outcome: 'alike' })).toEqual([]);
    const tingle: CaseEntry = { test: 'first', outcome: 'tingled-or-tripped-the-earth-leakage-breaker' };
    expect(of(tingle, { test: 'winding-ohms', outcome: 'alike' })).toEqual(['frame']);
    expect([...of(told('smells-burnt-or-smoked'), { test: 'inside-look', outcome: 'wet' })].sort()).toEqual([
      'burnt',
      'wet',
    ]);
  });

  it('the mend of what was behind it lifts it', () => {
    const burnt: CaseEntry[] = [told('smells-burnt-or-smoked'), { test: 'motor-spin', outcome: 'will-not-turn' }];
    expect(bans(...burnt)).toContain('stalled');
    // The seized motor explains the smell: it is traced.
    expect(bans(...burnt)).not.toContain('burnt');
    // Freed and turning: what is left is the field that it may have cooked, which ohms tell.
    const freed: CaseEntry[] = [...burnt, { mend: 'motor-oil' }, { test: 'motor-spin', outcome: 'coasts' }];
    expect(bans(...freed)).toEqual(['rails']);
    expect(bans(...freed, { test: 'field-ohms', outcome: 'through' })).toEqual([]);
  });

  it('every ban says why and what lifts it', () => {
    for (const ban of BANS) {
      expect(ban.why.length, ban.id).toBeGreaterThan(10);
      expect(ban.lift.length, ban.id).toBeGreaterThan(10);
    }
  });
});
