/**
 * What was seen at the parts themselves: a brush under its limit is under its limit whatever the motor
 * does. Two looks at one part that cannot both be right are to be repeated; who saw a thing twice is believed.
 */
import type { Engine } from './engine.js';
import type { Observation } from './observation.js';

/** A fault that was seen at the part itself. */
export interface Pin {
  readonly block: string;
  /** Modes that the look cannot tell apart, "block.mode". */
  readonly modes: readonly string[];
  readonly ids: readonly string[];
  readonly reliability: number;
}

/** All of them, and what was set aside by them. */
export interface Pins {
  readonly pins: readonly Pin[];
  /** Of each hypothesis, whether it holds every pin; null without any. */
  readonly fits: readonly boolean[] | null;
  /** Reliability of all pins together. */
  readonly reliability: number;
  /** Readings left out of the sums: outvoted, or a third fault found beside two. */
  readonly aside: ReadonlySet<string>;
  /** Looks at one part that contradict each other, by part. */
  readonly contradictions: readonly {
    readonly block: string;
    readonly ids: readonly string[];
    readonly tests: readonly string[];
  }[];
}

type Look = Observation & { readonly saw: Extract<Observation['saw'], { kind: 'block' }> };
const isLook = (one: Observation): one is Look => one.saw.kind === 'block';

/** The pins of an epoch, what contradicts itself, and what stands aside. */
export function pinsOf(engine: Engine, seen: readonly Observation[]): Pins {
  const byBlock = new Map<string, Look[]>();
  for (const one of seen) if (isLook(one)) byBlock.set(one.saw.block, [...(byBlock.get(one.saw.block) ?? []), one]);
  const aside = new Set<string>();
  const contradictions: Pins['contradictions'][number][] = [];
  const pins: Pin[] = [];
  for (const [block, looks] of byBlock) {
    const standing = believed(looks);
    for (const one of looks) if (!standing.includes(one)) aside.add(one.id);
    const common = commonModes(standing);
    if (common.length === 0) {
      const tests = [...new Set(standing.flatMap((one) => (one.test ? [one.test] : [])))];
      contradictions.push({ block, ids: standing.map((one) => one.id), tests });
      continue;
    }
    const seeing = standing.filter((one) => one.pin !== undefined);
    if (seeing.length === 0 || common.includes('healthy')) continue;
    pins.push({
      block,
      modes: common.map((mode) => `${block}.${mode}`),
      ids: seeing.map((one) => one.id),
      reliability: Math.max(...seeing.map((one) => one.pin ?? 0)),
    });
  }
  return { ...together(engine, pins, aside), pins, aside, contradictions };
}

const commonModes = (looks: readonly Look[]): string[] =>
  (looks[0]?.saw.modes ?? []).filter((mode) => looks.every((one) => one.saw.modes.includes(mode)));

/** The looks that agree; where one answer was given twice and the others once, that one. */
function believed(looks: readonly Look[]): readonly Look[] {
  if (commonModes(looks).length > 0) return looks;
  const count = (one: Look) => looks.filter((other) => other.saw.modes.join() === one.saw.modes.join()).length;
  const most = Math.max(...looks.map(count));
  const best = looks.filter((one) => count(one) === most);
  return most > 1 && commonModes(best).length > 0 ? best : looks;
}

/** Hypotheses that hold all pins; where three faults were seen and no hypothesis holds them, the first seen stand aside. */
function together(engine: Engine, pins: readonly Pin[], aside: Set<string>): Pick<Pins, 'fits' | 'reliability'> {
  const { model, space } = engine;
  let left = pins;
  while (left.length > 0) {
    const wanted = left.map((pin) => new Set(pin.modes.map((mode) => model.modeOf.get(mode))));
    const fits = space.hypotheses.map(({ modes }) => wanted.every((set) => modes.some((m) => set.has(m))));
    if (fits.includes(true)) return { fits, reliability: left.reduce((product, pin) => product * pin.reliability, 1) };
    for (const id of left[0]?.ids ?? []) aside.add(id);
    left = left.slice(1);
  }
  return { fits: null, reliability: 1 };
}
