/**
 * Lessons: a machine with a fault chosen for what it teaches. What is said before and after is common practice of
 * the trade; the units themselves are the practice bench's own.
 */
import type { PracticeUnitDrawn } from './spec.js';
import { mapOf } from './spec.js';
import { say } from '../words/index.js';

/** A lesson. */
export interface Lesson {
  readonly id: string;
  readonly theme: string;
  readonly title: string;
  readonly familyId: string;
  readonly faults: readonly string[];
  readonly seed: number;
  /** What it is about, before. */
  readonly before: string;
  /** What to have noticed, told at the end. */
  readonly after: string;
}

/** All lessons, easiest first. */
export const LESSONS: readonly Lesson[] = [
  {
    id: 'strobe-slow',
    theme: say`Read a strobe`,
    title: say`Both speeds off by as much`,
    familyId: 'belt-turntable-dc',
    faults: ['pitch-off'],
    seed: 4,
    before: say`Read both speeds before anything is touched. Bars that drift against the turn mean slow.`,
    after: say`Off by the same part at both speeds: what both share, not a trim. Here the pitch control stood off its
      centre.`,
  },
  {
    id: 'trims-interact',
    theme: say`Trims that interact`,
    title: say`The trim of 33 moves 45 as well`,
    familyId: 'belt-turntable-dc',
    faults: ['low-both'],
    seed: 11,
    before: say`Set both speeds with the coach. The practice knobs stand on its bench; mind what the first does to the
      second.`,
    after: say`Whoever sets 45 first sets it twice: the trim that serves both comes first.`,
  },
  {
    id: 'warm-only',
    theme: say`Only warm`,
    title: say`Right at first, gone when warm`,
    familyId: 'belt-turntable-dc',
    faults: ['joint-warm'],
    seed: 7,
    before: say`Cold it runs. Bring the fault on before you measure: a reading of a healthy moment clears nothing.`,
    after: say`A cold reading that is right says little of a warm fault. The joint opened with warmth: the volts went,
      not the motor.`,
  },
  {
    id: 'wow-by-part',
    theme: say`Wow by part`,
    title: say`How often it comes tells which part`,
    familyId: 'belt-turntable-dc',
    faults: ['pulley-bent'],
    seed: 5,
    before: say`Listen to a held tone and find how often the wow comes: the platter, the belt and the pulley each turn
      at a rate of their own.`,
    after: say`Several times a second is the pulley; once in 1.8 s would be the platter or the record.`,
  },
  {
    id: 'starting-volts',
    theme: say`Stiff or weak`,
    title: say`A motor that is slow to come up`,
    familyId: 'belt-turntable-ac',
    faults: ['bearing-gummed'],
    seed: 3,
    before: say`A synchronous motor is right or slips; it is never a little fast. Feel it before you buy it a
      capacitor.`,
    after: say`A weak run capacitor and a gummed bearing look alike from outside. The hand tells them apart, for
      nothing.`,
  },
  {
    id: 'victim-and-cause',
    theme: say`Victim and cause`,
    title: say`The fuse is not the fault`,
    familyId: 'belt-turntable-dc',
    faults: ['rail-shorted'],
    seed: 9,
    before: say`Ask what blew it before you renew it: ohms across the rail with the power off.`,
    after: say`A new fuse on a shorted rail blows again, or the transformer cooks. Cause first, victim after, then
      power.`,
  },
  {
    id: 'half-wave',
    theme: say`Phase control`,
    title: say`Only the top speed is weak`,
    familyId: 'stand-mixer',
    faults: ['control-half'],
    seed: 6,
    before: say`Measure at the motor, not at the control without a load: a lamp or a meter alone is fooled by what
      leaks back.`,
    after: say`Half of the wave leaves about seven tenths of the volts. Leakage through a snubber shows volts where
      none can drive anything.`,
  },
  {
    id: 'brushes',
    theme: say`Brushes`,
    title: say`It comes back when it is tapped`,
    familyId: 'vacuum-cleaner',
    faults: ['brush-stuck'],
    seed: 8,
    before: say`Look at both brushes, how they slide and what the commutator looks like, before anything is bought.`,
    after: say`Long enough and stuck in its holder: cleaning cures it, a new pair sticks as well.`,
  },
  {
    id: 'trigger-or-pack',
    theme: say`Pack, switch or motor`,
    title: say`Dead in the hand`,
    familyId: 'tool-brushed',
    faults: ['trigger-open'],
    seed: 12,
    before: say`Pack out for all that is done with ohms. From the pack inwards: where do the volts end?`,
    after: say`Volts before the switch and none behind it, with the trigger pulled: the switch, whatever the motor
      looks like.`,
  },
  {
    id: 'shorted-leg',
    theme: say`A shorted leg`,
    title: say`Kicks once and stops`,
    familyId: 'cordless-brushless',
    faults: ['switch-shorted'],
    seed: 3,
    before: say`Pack out, capacitor measured empty. Motor leads off, then each phase to each rail on the diode range:
      six readings, and five of them agree.`,
    after: say`The reading near nought names the leg and the side. Both switches of that leg go together, with what
      drives them; the first power after it is through a limit and without the motor.`,
  },
  {
    id: 'backfeed',
    theme: say`Backfeed`,
    title: say`Full volts, and no motor`,
    familyId: 'washer-front',
    faults: ['backfeed'],
    seed: 5,
    before: say`Unplugged to clip on and to take off. Volts on a wire do not say which end they come from: lift the
      wire at one end and measure both.`,
    after: say`With the wire lifted the volts stayed on the board’s side, and a meter that loads them did not pull
      them down: the board fed the wire, not the switch.`,
  },
  {
    id: 'end-of-reel',
    theme: say`Speed along the reel`,
    title: say`It gets slower towards the end`,
    familyId: 'open-reel',
    faults: ['holdback-high'],
    seed: 6,
    before: say`Measure the same tone at the start, in the middle and at the end: what changes along the reel is a
      pull, not a speed.`,
    after: say`The same torque pulls harder on a small radius. Right in the middle and slow at the end was the
      holdback; the capstan never changed.`,
  },
  {
    id: 'mode-by-mode',
    theme: say`Function by function`,
    title: say`Noise in play, good in search and still`,
    familyId: 'video-recorder',
    faults: ['control-dirty'],
    seed: 4,
    before: say`Play, still, search, wind: try each before the cover comes off. What works clears all that it uses.`,
    after: say`A good still clears the heads and the drum, a good search the capstan: only play needs the control
      track, and its head was dirty.`,
  },
];

/** The unit of a lesson. @throws RangeError for a family without a machine. */
export function lessonUnit({ id, familyId, faults, seed }: Lesson): PracticeUnitDrawn {
  const map = mapOf(familyId);
  if (!map) throw new RangeError(`no machine for ${familyId}`);
  const spec = { machine: map.machine.id, faults, seed, lesson: id };
  return {
    familyId,
    spec,
    complaint: map.machine.unit(faults, seed).complaint ?? say`The owner says that it is not as it was.`,
  };
}
