import { describe, expect, it } from 'vitest';
import { engineOf, healthyAnswer, play } from '../diagnosis/index.js';
import { seeded } from '../numeric/index.js';
import { drawMarked, drawOf, markedUnit, pathFor } from './family.js';
import { MAPS } from './maps/index.js';
import { bestOrder, bySymptom } from './symptoms.js';
import { PRACTICE_WAYS, scorePractice } from './score.js';

describe.each(MAPS.map((map) => [map.family, map] as const))('the machine of %s', (_family, map) => {
  const path = pathFor(map);
  const engine = engineOf(path);

  it('has eight faults or more, each a mode that the family knows, and every test can be made on it', () => {
    expect(map.machine.faults.length).toBeGreaterThanOrEqual(8);
    const modes = new Set(path.blocks.flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`)));
    const refs = Object.values(map.faults).flatMap((one) => one.split('|'));
    expect(refs.filter((ref) => !modes.has(ref))).toEqual([]);
    expect(Object.keys(map.faults).sort()).toEqual(map.machine.faults.map((one) => one.id).sort());
    expect(path.tests.filter((test) => !map.tests[test.id]).map((test) => test.id)).toEqual([]);
  });

  it('sound, shows what is sound: no test of the family says otherwise, and its owner has nothing to say', () => {
    const units = [11, 12, 13, 14, 15, 16].map((seed) => markedUnit(map, [], seed));
    for (const { practice } of units) expect([practice.complaint, practice.harm()]).toEqual([null, []]);
    const wrong = path.tests.flatMap((test) => {
      const answers = units.map((unit) => unit.read(test, 'r')).filter(({ slip }) => !slip);
      const healthy = healthyAnswer(engine, test);
      const off = answers.filter(({ outcome }) => healthy !== null && outcome !== healthy.id);
      return off.length > 1 ? [`${test.id}: ${off[0]?.outcome ?? ''}`] : [];
    });
    expect(wrong).toEqual([]);
  });

  it('sound, it bears no mark: nothing to tell, to smell or to see, and its insulation holds; with a lead to the frame it does not', () => {
    const of = (faults: readonly string[], id: string) => {
      const test = path.tests.find((one) => one.id === id);
      if (!test) return null;
      // One answer in a hundred is a slip of the hand.
      const told = [31, 32, 33].map((seed) => markedUnit(map, faults, seed).read(test, 'r').outcome);
      return told.find((one, i) => told.indexOf(one) !== i) ?? told.join();
    };
    for (const test of path.tests.filter((one) => one.marks))
      expect(
        test.outcomes.find((one) => one.id === of([], test.id)),
        test.id,
      ).toMatchObject({ mark: null });
    for (const { id } of map.machine.faults) {
      // One megohm is what is asked of the insulation of a class I appliance (common practice).
      const megohms = map.machine.unit([id], 31).moment()['insulation.Mohm'] ?? Infinity;
      if (megohms < 0.9 || megohms > 2)
        expect(of([id], 'insulation') ?? 'good', id).toBe(
          megohms < 1 && !map.absent?.includes('insulation') ? 'poor' : 'good',
        );
    }
  });

  it('offers to stand it as something on it answers to, and in no other way', () => {
    const { machine } = map;
    const ways = { warm: { warm: 1 }, tapped: { tapped: true }, loaded: { loaded: true }, damp: { damp: true } };
    const found = new Set<string>();
    for (const faults of [[], ...machine.faults.map(({ id }) => [id])]) {
      // The same draw each time: what differs is how it stands.
      const shown = (way: object) => JSON.stringify(Object.entries(machine.unit(faults, 11).moment(way)));
      const still = shown({});
      for (const [id, way] of Object.entries(ways)) if (!found.has(id) && shown(way) !== still) found.add(id);
    }
    expect([...machine.answersTo].sort()).toEqual([...found].sort());
  }, 60_000);

  it('with any one fault answers every test, the same way for the same draw, and is sound again when it is mended', () => {
    for (const [i, { id }] of map.machine.faults.entries()) {
      const [one, other] = [markedUnit(map, [id], 23), markedUnit(map, [id], 23)];
      // Each fault through a tenth of the tests, another tenth each.
      for (const test of path.tests.filter((_, t) => (t + i) % 10 === 0))
        expect(one.read(test, 't').outcome).toBe(other.read(test, 't').outcome);
      for (const ref of [...one.faults]) one.faults.delete(ref);
      expect(one.practice.faults.size, id).toBe(0);
    }
  });
});

describe('what an owner is asked before power', () => {
  const dc = MAPS.find(({ family }) => family === 'belt-turntable-dc') as (typeof MAPS)[number];
  const first = pathFor(dc).tests.find(({ id }) => id === 'first') as ReturnType<typeof pathFor>['tests'][number];
  const look = pathFor(dc).tests.find(({ id }) => id === 'inside-look') ?? first;
  const said = (test: typeof first, ...faults: string[]) => {
    const units = Array.from({ length: 120 }, (_, i) => markedUnit(dc, faults, 101 * i + 7).read(test, 'r'));
    const right = units.filter(({ slip }) => !slip);
    return (word: RegExp) => right.filter(({ outcome }) => word.test(outcome)).length / right.length;
  };

  it('a live case is felt by more than half, what burnt is smelt by half and seen by more, of a sound one nobody says anything', () => {
    const [live, burnt, sound] = [said(first, 'lead-on-case'), said(first, 'turns-shorted'), said(first)];
    expect([live(/tingled/), live(/burnt|fuse/)]).toEqual([expect.closeTo(0.6, 0.5), 0]);
    expect(burnt(/tingled/)).toBe(0);
    expect(burnt(/burnt|fuse/)).toBeGreaterThan(0.35);
    expect(sound(/nothing-special/)).toBe(1);
    expect(said(first, 'fuse-aged')(/nothing-special/)).toBe(1);
    expect(said(look, 'turns-shorted')(/a-burnt-place/)).toBeGreaterThan(0.45);
    expect(said(look)(/a-burnt-place/)).toBe(0);
  });
});

describe('the score on machines', () => {
  const [map] = MAPS;
  if (!map) throw new Error('no machine');
  const engine = engineOf(pathFor(map));

  it('draws units that somebody would bring in, now and then with two faults, now and then sound', () => {
    const units = Array.from({ length: 80 }, (_, i) => drawMarked(map, 900 + i));
    const broken = units.filter((unit) => !unit.outside);
    expect(broken.every((unit) => unit.practice.complaint !== null)).toBe(true);
    expect(units.length - broken.length).toBeGreaterThan(0);
    expect(broken.some((unit) => unit.practice.faults.size > 1)).toBe(true);
    // Each of two faults is one that somebody would notice by itself; a victim came with its cause.
    for (const own of MAPS)
      for (let seed = 93_100_003; seed < 93_100_043; seed++) {
        const drawn = drawOf(own, seed);
        for (const one of drawn.faults) expect(own.machine.unit([one], drawn.seed).complaint, one).not.toBeNull();
      }
  });

  it('who knows the fault needs least; a symptom table buys parts that were not to blame', () => {
    const broken = Array.from({ length: 30 }, (_, i) => 4000 + i).filter((seed) => !drawMarked(map, seed).outside);
    const gone = broken.map((seed) => bySymptom(engine, drawMarked(map, seed)));
    const best = broken.map((seed) => bestOrder(engine, drawMarked(map, seed)));
    const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
    expect(mean(best)).toBeGreaterThan(1);
    expect(mean(best)).toBeLessThan(mean(gone.map((one) => one.minutes)));
    expect(mean(gone.map((one) => one.wrongParts))).toBeGreaterThan(0);
  });

  it('what no look shows costs its mend: who knows of an open triac opens the cleaner and renews the board', () => {
    const vacuum = MAPS.find(({ family }) => family === 'vacuum-cleaner');
    if (!vacuum) throw new Error('no vacuum');
    const own = engineOf(pathFor(vacuum));
    const unit = () => markedUnit(vacuum, ['control-open'], 23);
    // Five minutes to the board, twenty-five for it; that it blocks both ways a sound one says as well.
    expect(bestOrder(own, unit())).toBe(30);
    const gone = play(own, unit(), 'engine', seeded(24));
    expect(gone.found).toBe(true);
    expect(gone.minutes).toBeGreaterThan(30);
    // A look that shows it ends the search without its mend.
    const [brushes, lifted] = [markedUnit(vacuum, ['brushes-gone'], 23), markedUnit(vacuum, ['brushes-gone'], 23)];
    expect(bestOrder(own, brushes)).toBeLessThan(20);
    expect(bySymptom(own, lifted).minutes).toBeGreaterThanOrEqual(bestOrder(own, brushes));
  });

  it('is the same for the same seed, and counts every unit once', () => {
    const quick = MAPS.find(({ family }) => family === 'rim-drive');
    if (!quick) throw new Error('no rim drive');
    const score = scorePractice(quick, 3, 3);
    expect(score.units + score.soundUnits).toBe(3);
    // The advice alone comes out the same as beside the others.
    expect(scorePractice(quick, 3, 3, ['engine']).ways.engine).toEqual(score.ways.engine);
    for (const way of PRACTICE_WAYS) {
      expect(score.ways[way].found).toBeGreaterThanOrEqual(0);
      expect(score.ways[way].found).toBeLessThanOrEqual(1);
      expect(score.ways[way].minutes).toBeGreaterThanOrEqual(0);
    }
    // Nobody was hurt over three rim drives looked at from outside.
    expect(score.ways.engine.harmed).toBe(0);
    // A table believes nothing, so nothing leads; all others lead or not.
    expect(score.ways.symptoms.led).toBeNull();
    for (const way of ['engine', 'checklist', 'plain'] as const) expect(score.ways[way].led).toBeGreaterThan(0);
  }, 120_000);
});
