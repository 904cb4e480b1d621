/** What an answer is expected to tell, in bits, and whom it parts. */
import type { PathTest } from '../families/index.js';
import { answerOfStates, type Engine } from './engine.js';
import { keyOf } from './hypotheses.js';
import type { Posterior } from './belief.js';
import type { Suspect } from './suspects.js';
import { SPLIT, SPOKEN_FOR } from './defaults.js';

/** What is looked for: hypotheses that differ only in faults which nothing seen speaks for are one and the same. */
export interface Target {
  /** Class of each hypothesis. */
  readonly classes: Int32Array;
  /** Share of each class. */
  readonly shares: Float64Array;
}

/**
 * The faults that what was seen speaks for are looked for; what a unit may have beside them, as any other
 * may, is not. While nothing was seen that speaks for any, all are looked for.
 */
export function targetOf({ model, space }: Engine, posterior: Posterior, before: Posterior): Target {
  const sharesOf = (of: Posterior) => {
    const out = new Float64Array(model.modes.length);
    of.hypotheses.forEach((share, h) => {
      for (const m of space.hypotheses[h]?.modes ?? []) out[m] = (out[m] as number) + share;
    });
    return out;
  };
  const [now, then] = [sharesOf(posterior), sharesOf(before)];
  const spoken = model.modes.map((_mode, m) => (now[m] as number) > SPOKEN_FOR * (then[m] as number));
  const all = !spoken.includes(true);
  const byKey = new Map<string, number>();
  const classes = Int32Array.from(space.hypotheses, ({ modes }) => {
    const key = keyOf(all ? modes : modes.filter((m) => spoken[m]));
    const known = byKey.get(key) ?? byKey.size;
    byKey.set(key, known);
    return known;
  });
  const shares = new Float64Array(byKey.size);
  posterior.hypotheses.forEach((share, h) => {
    const at = classes[h] as number;
    shares[at] = (shares[at] as number) + share;
  });
  return { classes, shares };
}

/**
 * Mutual information of the answer and what is looked for, bits. With a slip every answer is alike. What
 * lies outside the model counts as one more thing that may be wrong.
 */
export function information(
  engine: Engine,
  posterior: Posterior,
  test: PathTest,
  { classes, shares }: Target,
): { bits: number; chances: Float64Array } {
  const { space } = engine;
  const count = test.outcomes.length;
  const slip = (1 - test.reliability) / count;
  const answers = engine.answers(test);
  const sure = new Float64Array(shares.length * count);
  if (test.marks) {
    const chances = engine.markChances(test);
    for (let h = 0; h < classes.length; h++)
      for (let a = 0; a < count; a++) {
        const at = (classes[h] as number) * count + a;
        sure[at] = (sure[at] as number) + (chances[h * count + a] as number) * (posterior.hypotheses[h] as number);
      }
  } else
    for (let w = 0; w < answers.length; w++) {
      const at = (classes[space.worlds[w]?.hypothesis ?? 0] as number) * count;
      const share = posterior.worlds[w] as number;
      const answer = answers[w] as number;
      if (answer >= 0) sure[at + answer] = (sure[at + answer] as number) + share;
      else for (let a = 0; a < count; a++) sure[at + a] = (sure[at + a] as number) + share / count;
    }
  const chances = outsideChances(engine, posterior, test);
  let known = chances.reduce((sum, part) => sum + plogp(part, part / posterior.outside), 0);
  for (let c = 0; c < shares.length; c++) {
    const share = shares[c] as number;
    if (share < 1e-12) continue;
    for (let a = 0; a < count; a++) {
      const part = test.reliability * (sure[c * count + a] as number) + slip * share;
      chances[a] = (chances[a] as number) + part;
      known += plogp(part, part / share);
    }
  }
  const bits = chances.reduce((sum, chance) => sum - plogp(chance, chance), known);
  return { bits: Math.max(0, bits), chances };
}

/** Chance of each answer together with the fault lying outside the model. */
function outsideChances(engine: Engine, posterior: Posterior, test: PathTest): Float64Array {
  const count = test.outcomes.length;
  const chances = new Float64Array(count);
  const answers = beyondAnswers(engine, test);
  for (let b = 0; b < answers.length; b++) {
    const share = posterior.beyond[b] as number;
    const answer = answers[b] as number;
    for (let a = 0; a < count; a++) {
      const part = answer < 0 ? 1 / count : test.reliability * Number(a === answer) + (1 - test.reliability) / count;
      chances[a] = (chances[a] as number) + share * part;
    }
  }
  return chances;
}

/** The answer in each way to be outside; -1 where all are alike. */
function beyondAnswers({ model, beyond }: Engine, test: PathTest): Int8Array {
  const out = new Int8Array(beyond.shares.length).fill(-1);
  if (test.marks) return out;
  if (test.block !== null) return out.fill(test.outcomes.findIndex((one) => one.modes.includes('healthy')));
  const signal = model.signalOf.get(test.signal ?? '') ?? 0;
  const of = answerOfStates(model, test, model.states[signal] as string[], signal);
  const settled = beyond.settled(test.context);
  for (let b = 0; b < out.length - 1; b++) out[b] = of[settled[b * model.states.length + signal] as number] as number;
  return out;
}

const plogp = (weight: number, chance: number): number => (chance > 0 ? weight * Math.log2(chance) : 0);

/**
 * Mutual information of two answers together and the hypothesis, bits: what is learnt of two looks behind
 * one opening. What lies outside the model and slips are left to the single answers.
 */
export function pairInformation(
  engine: Engine,
  posterior: Posterior,
  { classes, shares }: Target,
  a: PathTest,
  b: PathTest,
): number {
  const { space } = engine;
  const [first, second] = [engine.answers(a), engine.answers(b)];
  const count = (a.outcomes.length + 1) * (b.outcomes.length + 1);
  const joint = new Float64Array(shares.length * count);
  const chances = new Float64Array(count);
  for (let w = 0; w < first.length; w++) {
    const share = posterior.worlds[w] as number;
    if (share < 1e-12) continue;
    const answer = ((first[w] as number) + 1) * (b.outcomes.length + 1) + (second[w] as number) + 1;
    const at = (classes[space.worlds[w]?.hypothesis ?? 0] as number) * count + answer;
    joint[at] = (joint[at] as number) + share;
    chances[answer] = (chances[answer] as number) + share;
  }
  let known = 0;
  for (let i = 0; i < joint.length; i++) {
    const part = joint[i] as number;
    if (part > 0) known += plogp(part, part / (shares[Math.floor(i / count)] as number));
  }
  const sum = chances.reduce((total, chance) => total + chance, 0);
  return a.reliability * b.reliability * chances.reduce((bits, chance) => bits - plogp(chance, chance / sum), known);
}

/** Sorts the likeliest suspects by the answer of a test that each makes likeliest; made once for all tests. */
export function splitter(
  { model, space, answers: answersOf }: Engine,
  posterior: Posterior,
  suspects: readonly Suspect[],
): (test: PathTest) => readonly (readonly string[])[] {
  const likely = suspects.slice(0, SPLIT.most).filter(({ share }) => share >= SPLIT.share);
  const bitOf = new Map(likely.map(({ block }, i) => [model.blockOf.get(block), 1 << i]));
  // Which of them each hypothesis holds, a bit each.
  const holds = Int32Array.from(space.hypotheses, ({ modes }) =>
    modes.reduce((bits, m) => bits | (bitOf.get(model.modes[m]?.block) ?? 0), 0),
  );
  return (test) => {
    const count = test.outcomes.length;
    const answers = answersOf(test);
    const sums = new Float64Array(likely.length * count);
    for (let w = 0; w < answers.length; w++) {
      const answer = answers[w] as number;
      const bits = holds[space.worlds[w]?.hypothesis ?? 0] as number;
      if (answer < 0 || bits === 0) continue;
      const share = posterior.worlds[w] as number;
      for (let i = 0; i < likely.length; i++)
        if ((bits >> i) & 1) sums[i * count + answer] = (sums[i * count + answer] as number) + share;
    }
    const groups: string[][] = test.outcomes.map(() => []);
    likely.forEach(({ name }, i) => {
      const own = sums.subarray(i * count, (i + 1) * count);
      const total = own.reduce((sum, one) => sum + one, 0);
      const best = own.indexOf(Math.max(...own));
      if (total > 0 && (own[best] as number) / total > SPLIT.sure) groups[best]?.push(name);
    });
    return groups.filter((group) => group.length > 0);
  };
}
