import { describe, expect, it } from 'vitest';
import {
  drawPractice,
  heldAs,
  LESSONS,
  waysToHold,
  lessonUnit,
  practiceFile,
  practiceProblem,
  PRACTICE_FAMILIES,
  readPracticeFile,
  toneOf,
  type Visit,
} from './index.js';
import { familyOf } from '../families/index.js';
import { MAPS } from '../marking/index.js';
import { deck, jobWith, ON, visit } from './training.test-data.js';

describe('units', () => {
  it('are drawn for every family with a machine, each with something its owner says', () => {
    for (const family of PRACTICE_FAMILIES) {
      const unit = drawPractice(family, 77);
      expect(unit.familyId).toBe(family);
      expect(unit.complaint.length).toBeGreaterThan(10);
      expect(practiceProblem(family, unit.spec)).toBeNull();
    }
    expect(new Set(Array.from({ length: 40 }, (_, i) => drawPractice(null, i).familyId)).size).toBeGreaterThan(4);
  });

  it('go out as a file and come back as they were', () => {
    const { spec, complaint } = drawPractice('stand-mixer', 5);
    const read = readPracticeFile(practiceFile(spec, complaint));
    expect(read).toEqual({ unit: { familyId: 'stand-mixer', spec, complaint } });
    // Without a word of the owner's he says what such a fault makes him say; one letter is a word.
    const said = (more: Record<string, unknown>) => readPracticeFile(FILE(more));
    expect(said({})).toMatchObject({
      unit: { complaint: visit(jobWith('belt-turntable-dc', 'turntable-dc', ['lamp'], 1)).unit.complaint },
    });
    for (const one of ['?', 'x'.repeat(2000)])
      expect(said({ complaint: one })).toMatchObject({ unit: { complaint: one } });
    expect(said({ seed: 2147483647 })).toMatchObject({ unit: { spec: { seed: 2147483647 } } });
  });

  it.each([
    ['not json', 'no JSON', /not JSON/],
    ['another format', '{"format":"x"}', /format/],
    ['too long', ' '.repeat(20_001), /too long/],
    ['a strange field', FILE({ colour: 'red' }), /colour|key/],
    ['a seed below nought', FILE({ seed: -1 }), /seed.*from 0/],
    ['a seed that is none', FILE({ seed: 1.5 }), /seed.*whole number/],
    ['a seed beyond', FILE({ seed: 2147483648 }), /seed.*2147483647/],
    ['an owner who says nothing', FILE({ complaint: '' }), /complaint/],
    ['an owner who says too much', FILE({ complaint: 'x'.repeat(2001) }), /complaint/],
    ['seven faults', FILE({ faults: Array(7).fill('lamp') }), /faults.*six/],
    ['no such machine', FILE({ machine: 'washer' }), /no machine “washer”/],
    ['no such fault', FILE({ faults: ['gremlin'] }), /no fault gremlin/],
    ['a name of the prototype', FILE({ faults: ['constructor'] }), /no fault constructor/],
  ])('refuses %s by name', (_what, text, problem) => {
    const read = readPracticeFile(text);
    expect('problem' in read && read.problem).toMatch(problem);
  });
});

function FILE(more: Record<string, unknown>): string {
  return JSON.stringify({
    format: 'amber-gauge-practice-unit',
    version: 1,
    machine: 'turntable-dc',
    faults: ['lamp'],
    seed: 1,
    ...more,
  });
}

describe('machines', () => {
  it('a trim that is named moves the speed; what has none names none', () => {
    for (const { machine, tone } of MAPS) {
      for (const trim of machine.trims) {
        const unit = machine.unit([], 8);
        const before = unit.see(tone?.error ?? '').mean;
        unit.turn(trim, 0.05);
        const moved = unit.see(tone?.error ?? '', { setting: machine.settings.includes(trim) ? trim : '' }).mean;
        expect(Math.abs(moved - before), `${machine.id} ${trim}`).toBeGreaterThan(0.5);
      }
    }
    expect(
      MAPS.filter(({ machine }) => machine.trims.length > 0)
        .map(({ machine }) => machine.id)
        .sort(),
    ).toEqual(['cassette-deck', 'cassette-direct', 'servo-deck', 'turntable-dc'].sort());
  });

  it('what carries a test record or tape gives its tone', () => {
    const toned = MAPS.filter(({ tone }) => tone).map(({ family }) => family);
    expect(toned).toEqual(
      MAPS.filter(({ family }) => familyOf(family).testTone !== 'none').map(({ family }) => family),
    );
    for (const { machine, tone } of MAPS.filter((one) => one.tone))
      expect(Math.abs(machine.unit([], 3).see(tone?.error ?? '').mean), machine.id).toBeLessThan(2);
  });
});

describe('lessons', () => {
  it('are of units whose owner notices something, and keep their names', () => {
    expect(new Set(LESSONS.map(({ id }) => id)).size).toBe(LESSONS.length);
    for (const lesson of LESSONS) {
      const { spec, familyId } = lessonUnit(lesson);
      expect(practiceProblem(familyId, spec), lesson.id).toBeNull();
      const job = jobWith(familyId, spec.machine, spec.faults, spec.seed);
      expect(visit(job).unit.complaint, lesson.id).not.toBeNull();
    }
  });

  it('half of the wave leaves some seven tenths of the volts at the motor (definition: 1/√2)', () => {
    const lesson = LESSONS.find(({ id }) => id === 'half-wave');
    if (!lesson) throw new Error('no lesson half-wave');
    const whole = visit(jobWith(lesson.familyId, 'mixer', [], lesson.seed));
    const half = visit(jobWith(lesson.familyId, 'mixer', lesson.faults, lesson.seed));
    const volts = (of: Visit) => of.unit.see('motor.V', { setting: 'high' }).mean;
    expect(volts(half) / volts(whole)).toBeGreaterThan(0.66);
    expect(volts(half) / volts(whole)).toBeLessThan(0.76);
  });

  it('a joint that opens warm: right cold, not warm', () => {
    const at = visit(deck('joint-warm'), ON());
    expect(Math.abs(toneOf(at, { setting: '33', warm: 0 })?.errorPercent ?? 99)).toBeLessThan(1.2);
    const warm = at.unit.see('platter.error.percent', { setting: '33', warm: 1 });
    expect(Math.abs(warm.mean) > 1.2 || warm.spread > 1).toBe(true);
  });
});

describe('how else a unit is held while it is measured', () => {
  const waysOf = (familyId: string, machine: string) =>
    waysToHold(visit(jobWith(familyId, machine, []))).map(({ id, values }) => [id, ...values].join(' '));

  it('is what its machine tells apart, and nothing that has a key of its own', () => {
    expect(waysOf('belt-turntable-dc', 'turntable-dc')).toEqual(['belt on off']);
    expect(waysOf('direct-drive-servo', 'servo-deck')).toContain('sink no yes');
    expect(waysOf('video-recorder', 'video-recorder')).toEqual(['mode play load search still wind']);
    expect(waysOf('open-reel', 'reel-deck')).toEqual(['mode play wind rewind stop', 'place middle start end']);
  });

  it('with the belt off the platter stands and the motor turns', () => {
    const at = visit(deck(), ON());
    const see = (held: Readonly<Record<string, string>>, quantity: string) =>
      at.unit.see(quantity, heldAs(at, { setting: '33', held })).mean;
    expect(see({}, 'platter.rpm')).toBeGreaterThan(33);
    expect(see({ belt: 'off' }, 'platter.rpm')).toBe(0);
    expect(see({ belt: 'off' }, 'motor.rpm')).toBeGreaterThan(100);
  });

  it('in still the tape of a recorder stands, in search it moves; what is warm stays warm', () => {
    const at = visit(jobWith('video-recorder', 'video-recorder', []), ON());
    const speed = (mode: string) => at.unit.see('tape.error.percent', heldAs(at, { warm: 1, held: { mode } })).mean;
    expect(speed('still')).toBe(-100);
    expect(Math.abs(speed('search'))).toBeLessThan(1);
    expect(heldAs(at, { warm: 1, held: { mode: 'still' } })).toMatchObject({ warm: 1, mode: 'still' });
  });
});
