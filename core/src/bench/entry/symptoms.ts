/**
 * Symptoms in the words of the trade, put against the tests of the unit's own path: "hunts at 33" is
 * the answer "surges" of "does it surge". Common practice, no source.
 */
import type { DrivePath, PathTest } from '../../families/index.js';
import type { EntryAnswer } from './types.js';

interface Concept {
  /** How people say it. */
  readonly said: RegExp;
  /** Answers it stands for, by their words or states. */
  readonly answers: RegExp;
  /** Tests it is looked for in, by id, name or signal; all where it is left out. */
  readonly of?: RegExp;
}

const CONCEPTS: readonly Concept[] = [
  {
    said: /\b(?:hunts?|hunting|surges?|surging|unsteady|wavers?|wavering|pumps|speed wanders|erratic)\b/,
    answers: /hunt|surg|unsteady|erratic|wander/,
  },
  {
    said: /\bwarbl(?:es?|ing)\b|\bwobbly\b|\bflutters?\b/,
    answers: /warbl|unsteady|uneven|hunt/,
    of: /warble|wow|steady|play/,
  },
  { said: /\bwow(?:s|ing)?\b/, answers: /uneven|platter rate|once a turn|wow|warbl/, of: /wow|warble/ },
  { said: /\b(?:runs? away|races?|racing|full speed(?: only)?|flat out)\b/, answers: /full|fast|races|high/ },
  { said: /\b(?:slow|slowly|too low|drags?)\b/, answers: /slow/ },
  { said: /\b(?:fast|too high|quick)\b/, answers: /fast/ },
  {
    said: /\b(?:does ?n[o']t|doesn't|will ?n[o']t|won't|not) (?:turn|turning|run|running|start|spin|go|move|tumble)\b|\bdead\b|\bnothing turns\b|\bstands still\b|\bno rotation\b|\bmotor (?:silent|dead)\b/,
    answers: /still|does not|silent|^no$|dead|none/,
    of: /speed|platter|turn|drum|basket|full|play|runs|spin|tumbl|motor|pitch-high|detent/,
  },
  { said: /\bquivers?\b|\btwitches\b|\bjerks?\b/, answers: /quiver|jerk|kick/ },
  { said: /\bkicks?(?: once)?\b/, answers: /kick/ },
  { said: /\b(?:hums?|humming|buzz(?:es|ing)?)\b/, answers: /hum|buzz/ },
  { said: /\brumbles?\b/, answers: /rumbl/ },
  { said: /\bthumps?\b/, answers: /thump/ },
  { said: /\b(?:grinds?|grinding|grating)\b/, answers: /grind|grat|rough/ },
  { said: /\b(?:ticks?|ticking|clicks?|knocks?)\b/, answers: /tick|click|knock/, of: /noise|sound|hum/ },
  { said: /\b(?:squeals?|squeaks?|screams?|screeches)\b/, answers: /squeal|squeak|scream|howl|rough/ },
  { said: /\b(?:sparks?|sparking)\b/, answers: /spark|ring of fire|fire/, of: /spark|slot/ },
  {
    said: /\b(?:smokes?|smoked|smells? (?:of )?burn\w*|burnt smell|smell of burning)\b/,
    answers: /smok|smelt|smell|burst/,
  },
  {
    said: /\b(?:lamps?|light|display) (?:is |are )?(?:dark|out|off|dead)\b|\bno lamps?\b/,
    answers: /dark|out|off/,
    of: /lamp|display|strobe/,
  },
  {
    said: /\b(?:lamps?|light|display) (?:is |are )?(?:on|lit|lights?|works?)\b/,
    answers: /^lit|lights|lit$/,
    of: /lamp|display|strobe/,
  },
  { said: /\bcuts? out(?: hot)?\b/, answers: /cuts out|still|stops/, of: /hot|warm/ },
  { said: /\b(?:weak|no power)\b/, answers: /weak/ },
  {
    said: /\b(?:does ?n[o']t|doesn't|won't|no) (?:wind|rewind)\b|\bno winding\b/,
    answers: /still|none|no|slow/,
    of: /wind/,
  },
  { said: /\bchews?(?: tape)?\b|\btape (?:is )?chewed\b/, answers: /slow|loop|weak|none|still/, of: /take-up/ },
  { said: /\b(?:does ?n[o']t|doesn't|won't) drain\b/, answers: /no|still|not/, of: /drain|pump/ },
  { said: /\bstays? (?:fast|slow)\b/, answers: /stays/ },
];

/** "wow gone", "no hum": what a healthy unit answers. */
const GONE = /\b(?:gone|no longer|has stopped|is away|cured)\b|^no\s/;
const HEALTHY = /^(?:none|no|steady|even|right|quiet|silent|clean|usual|nothing)\b|^holds$/;

/** Words that make a line a story, not a symptom. */
const STORY = /\b(?:customer|owner|says|said|because|maybe|perhaps|think|before|yesterday|was|were|used to|if|but)\b/;

const WARM = /\b(?:(?:when|once|while|if)\s+)?(?:warm|hot|warmed up)\b|\bafter (?:a while|\d+ min\w*|half an hour)\b/;
const COLD = /\b(?:when\s+)?cold\b/;

/** The answer that the words stand for on this path; null when the family knows no such symptom. */
export function symptomIn(text: string, path: DrivePath, speedIds: readonly string[]): EntryAnswer | null {
  const plain = text.toLowerCase().replace(/[’`]/g, "'").trim();
  if (plain.split(/\s+/).length > 8 || STORY.test(plain)) return null;
  const gone = GONE.test(plain);
  const concept = CONCEPTS.find(({ said }) => said.test(plain));
  if (!concept) return null;
  const wanted = contextIn(plain, path, speedIds);
  const tests = byReach(path).filter(
    (test) =>
      (concept.of?.test(`${test.id} ${test.name.toLowerCase()} ${test.signal ?? ''}`) ?? true) &&
      sameContext(path, test, wanted),
  );
  // An answer that says the word goes before one that only stands for its state.
  for (const fits of [saysIt, standsForIt]) {
    for (const test of tests) {
      const bad = test.outcomes.find((one) => fits(one, concept.answers));
      const outcome = bad && gone ? test.outcomes.find((one) => HEALTHY.test(one.words.toLowerCase())) : bad;
      if (outcome)
        return {
          kind: 'answer',
          testId: test.id,
          name: test.name,
          outcome: outcome.id,
          words: outcome.words,
          by: 'symptom',
        };
    }
  }
  return null;
}

type Outcome = PathTest['outcomes'][number];
const saysIt = (one: Outcome, answers: RegExp): boolean => answers.test(one.words.toLowerCase());
const standsForIt = (one: Outcome, answers: RegExp): boolean => one.states.some((state) => answers.test(state));

/** What is seen from outside first: nobody speaks of a probe in these words. */
const byReach = (path: DrivePath): PathTest[] => [
  ...path.tests.filter((one) => one.outside),
  ...path.tests.filter((one) => !one.outside && !one.probe && one.signal !== null),
];

function contextIn(plain: string, path: DrivePath, speedIds: readonly string[]): Readonly<Record<string, string>> {
  const out: Record<string, string> = {};
  const heat = path.contexts.find((one) => one.values.includes('warm'));
  if (heat && WARM.test(plain)) out[heat.id] = 'warm';
  else if (heat && COLD.test(plain)) out[heat.id] = 'cold';
  const speed = path.contexts.find((one) => one.values.some((value) => speedIds.includes(value)));
  const named = speed?.values.find((value) =>
    new RegExp(`(?:at|in|on)\\s+${value.replace('.', '\\.')}\\b|^${value.replace('.', '\\.')}\\b`).test(plain),
  );
  if (speed && named) out[speed.id] = named;
  for (const { id, values } of path.contexts) {
    if (out[id] !== undefined || id === heat?.id || id === speed?.id) continue;
    const value = values.slice(1).find((one) => one.length > 2 && plain.includes(one));
    if (value) out[id] = value;
  }
  return out;
}

/** Every condition named is the test's; what is not named is the first of its kind. */
const sameContext = (path: DrivePath, test: PathTest, wanted: Readonly<Record<string, string>>): boolean =>
  path.contexts.every(({ id, values }) => {
    const has = test.context[id] ?? values[0];
    const want = wanted[id];
    return want === undefined ? test.context[id] === undefined || has === values[0] : has === want;
  });
