/**
 * Symptoms in the words of the trade, put against the tests of the unit's own path: "hunts at 33" is
 * the answer "surges" of "does it surge". Common practice, no source.
 */
import { ownEntry } from '../../quantity/index.js';
import type { DrivePath, PathTest } from '../../families/index.js';
import { HUNTING } from '../../diagnosis/index.js';
import type { EntryAnswer } from './types.js';

interface Concept {
  /** How people say it. */
  readonly said: RegExp;
  /** Answers it stands for, by their words or states. */
  readonly answers: RegExp;
  /** Tests it is looked for in, by id, name or signal; all where it is left out. */
  readonly of?: RegExp;
  /** It speaks of all settings at once: the one named is not a condition. */
  readonly everySetting?: true;
  /** Where no test of the setting named tells of it, one without a setting does. */
  readonly orAnySetting?: true;
}

const CONCEPTS: readonly Concept[] = [
  {
    said: /\b(?:full speed(?: only)?|flat out|runs? (?:only )?on high only|high only|same on (?:low|every setting))\b/,
    answers: /full speed|same as|fast/,
    of: /low|half/,
    everySetting: true,
  },
  {
    said: /\b(?:hunts?|hunting|surges?|surging|unsteady|wavers?|wavering|wanders?|pumps|erratic)\b/,
    answers: /hunt|surg|unsteady|erratic|wander/,
    orAnySetting: true,
  },
  {
    said: /\bwarbl(?:es?|ing)\b|\bwobbly\b|\bflutters?\b/,
    answers: /warbl|unsteady|uneven|hunt/,
    of: /warble|wow|steady|play/,
  },
  { said: /\bwow(?:s|ing)?\b/, answers: /uneven|platter rate|once a turn|wow|warbl/, of: /wow|warble/ },
  { said: /\b(?:lock (?:lamp|light))\b.*\b(?:dark|dead)\b/, answers: /^dark/, of: /lock/ },
  {
    said: /\b(?:lock (?:lamp|light))\b.*\b(?:out|off|flash\w*)\b|\bout of lock\b|\bnever locks\b/,
    answers: /out of lock/,
    of: /lock/,
  },
  { said: /\bruns? away\b|\b(?:races|racing)\b/, answers: /full|fast|runs away/ },
  { said: /\b(?:slow|slowly|too low|drags?)\b/, answers: /slow/ },
  { said: /\b(?:fast|too high|quick)\b/, answers: /fast/ },
  {
    said: /\b(?:does ?n[o']t|doesn't|won't|will not|no|can't) rewind(?:ing)?\b/,
    answers: /not at all|still|none/,
    of: /rewind/,
  },
  { said: /\b(?:does ?n[o']t|doesn't|won't|will not|no) wind(?:ing)?\b/, answers: /not at all|still|none/, of: /wind/ },
  { said: /\bno reverse\b|\breverse (?:is )?dead\b/, answers: /still/, of: /reverse/ },
  { said: /\b(?:no spin|(?:does ?n[o']t|doesn't|won't|will not) spin)\b/, answers: /still/, of: /spin|drum|platter/ },
  { said: /\b(?:balance|imbalance|unbalance)\b|\bout of balance\b/, answers: /balance/, of: /code/ },
  { said: /\bdew\b|\bdamp warning\b/, answers: /^on$/, of: /dew/ },
  { said: /\b(?:will ?n[o']t|won't|does ?n[o']t|doesn't) (?:load|take (?:a|the) tape)\b/, answers: /^no$/, of: /load/ },
  { said: /\bchanges its mind\b|\bspits (?:it|the tape) out\b/, answers: /changes its mind/, of: /load/ },
  { said: /\bno picture\b/, answers: /none/, of: /picture/ },
  { said: /\b(?:stiff|sticks) lever\b|\blever (?:is )?(?:stiff|sticks)\b/, answers: /stiff/, of: /lever/ },
  { said: /\b(?:pump|drain) (?:works|runs)\b|\bdrains\b/, answers: /^runs/, of: /drain|pump/ },
  { said: /\b(?:does ?n[o']t|doesn't|won't|will not) (?:drain|pump)\b/, answers: /no|still|not/, of: /drain|pump/ },
  { said: /\b(?:does ?n[o']t|doesn't|won't|will not) fill\b|\bno water\b/, answers: /^none/, of: /fill/ },
  { said: /^(?:it )?fills(?: and stops)?$/, answers: /fills and stops/, of: /fill/ },
  { said: /\bstarts? (?:only )?(?:after|with) a tap\b|\btap(?:ped)? and it starts\b/, answers: /^starts/, of: /tap/ },
  {
    said: /\b(?:does ?n[o']t|doesn't|will ?n[o']t|will not|won't|not) (?:turn|turning|run|running|start|go|move|tumble)\b|\bdead\b|\bnothing turns\b|\bstands still\b|\bno rotation\b|\bmotor (?:silent|dead)\b/,
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
  { said: /\b(?:squeals?|squeaks?|screams?|screeches)\b/, answers: /squeal|squeak|scream|howl|rough|shrill/ },
  { said: /\b(?:sparks?|sparking)\b/, answers: /spark|many/, of: /spark|slot/ },
  {
    said: /\b(?:smokes?|smoked|smells? (?:of )?burn\w*|burnt smell|smell of burning)\b/,
    answers: /smok|smelt|smell|burst/,
  },
  {
    said: /\b(?:lamps?|light|display) (?:is |are )?(?:dark|out|off|dead)\b|\bno (?:lamps?|lights?|display)\b/,
    answers: /dark|out|off/,
    of: /lamp|display|strobe/,
  },
  {
    said: /\b(?:lamps?|light|display) (?:is |are )?(?:on|lit|lights?|works?)\b/,
    answers: /^lit|lights|lit$/,
    of: /lamp|display|strobe/,
  },
  { said: /\bcuts? out(?: hot)?\b/, answers: /cuts out|still|stops/, of: /hot|warm/ },
  { said: /\b(?:weak|no power|drops under load|loses power)\b/, answers: /weak|drops/ },
  { said: /\bchews?(?: tape)?\b|\btape (?:is )?chewed\b/, answers: /slow|loop|weak|none|still/, of: /take-up/ },
];

/** "wow gone", "no hum": what a healthy unit answers. */
const GONE =
  /\b(?:gone|no longer|has stopped|is away|cured)\b|^no (?:wow|hum|rumble|thump|noise|warble|flutter|sparks?|smoke|surging|hunting|grinding|knocks?|ticks?|clicks?|buzz)\b/;
const HEALTHY = /^(?:none|no|steady|even|right|quiet|silent|clean|usual|nothing)\b|^holds$/;

/** Words that make a line a story, not a symptom. */
const STORY = /\b(?:customer|owner|says|said|because|maybe|perhaps|think|before|yesterday|was|were|used to|if|but)\b/;

const WARM = /\b(?:(?:when|once|while|if)\s+)?(?:warm|hot|warmed up)\b|\bafter (?:a while|\d+ min\w*|half an hour)\b/;
const COLD = /\b(?:when\s+)?cold\b/;

/** The answer that the words stand for on this path; null when the family knows no such symptom. */
export function symptomIn(text: string, path: DrivePath, speedIds: readonly string[]): EntryAnswer | null {
  const plain = text.toLowerCase().replace(/[’`]/g, "'").trim();
  if (plain.split(/\s+/).length > 8 || STORY.test(plain)) return null;
  const concept = CONCEPTS.find(({ said }) => said.test(plain));
  if (!concept) return null;
  const wanted = contextIn(concept.everySetting ? '' : plain, path, speedIds);
  const found = answerUnder(wanted, concept, plain, path);
  return found ?? (concept.orAnySetting ? answerUnder({}, concept, plain, path) : null);
}

/** The first test under these conditions that has an answer for what was said. */
function answerUnder(
  wanted: Readonly<Record<string, string>>,
  concept: Concept,
  plain: string,
  path: DrivePath,
): EntryAnswer | null {
  const gone = GONE.test(plain);
  const named = byReach(path).filter(
    (test) => concept.of?.test(`${test.id} ${test.name.toLowerCase()} ${test.signal ?? ''}`) ?? true,
  );
  const strict = named.filter((test) => sameContext(path, test, wanted, false));
  // Words that name their test ("no reverse") name its condition too.
  const loose = concept.of
    ? named.filter((test) => !strict.includes(test) && sameContext(path, test, wanted, true))
    : [];
  // A test that shares the words said ("lock lamp", "under load") goes first.
  const shared = (test: PathTest) =>
    test.name
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter((word) => word.length > 3 && plain.includes(word)).length;
  const tests = [strict, loose].flatMap((some) => [...some].sort((a, b) => shared(b) - shared(a)));
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
/** A steady speed is no hunting, although what hunts is counted with one of the answers where no other has it. */
const STEADY = /^(?:slow|right|fast|full)$/;
const standsForIt = (one: Outcome, answers: RegExp): boolean =>
  one.states.some(
    (state) => answers.test(state) && !(state === HUNTING && one.states.some((each) => STEADY.test(each))),
  );

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
  if (/\b(?:under load|loaded|in dough)\b/.test(plain)) {
    const load = path.contexts.find((one) => one.id === 'load');
    if (load?.values[1]) out.load = load.values[1];
  }
  if (/\bswitch(?:ed)? off\b|\bwhen off\b/.test(plain) && path.contexts.some((one) => one.id === 'switch'))
    out.switch = 'off';
  for (const { id, values } of path.contexts) {
    if (ownEntry(out, id) !== undefined || id === heat?.id || id === speed?.id) continue;
    const value = values.slice(1).find((one) => saysValue(plain, id, one, values));
    if (value) out[id] = value;
  }
  return out;
}

/** "off the detent", "in wind", "damp": a value said as a word; on and off need what they are said of. */
function saysValue(plain: string, id: string, value: string, values: readonly string[]): boolean {
  if (value === 'off' && values.includes('detent')) return /\boff (?:the )?(?:detent|centre|pitch)\b/.test(plain);
  if (value.length <= 3 && !new RegExp(`\\b${id}\\b`).test(plain)) return false;
  return new RegExp(`\\b${value.replace(/[^a-z0-9 ]/gi, '.')}\\b`).test(plain);
}

/** Every condition named is the test's; what is not named is the first of its kind, or anything. */
const sameContext = (
  path: DrivePath,
  test: PathTest,
  wanted: Readonly<Record<string, string>>,
  anything: boolean,
): boolean =>
  path.contexts.every(({ id, values }) => {
    const has = ownEntry(test.context, id) ?? values[0];
    const want = ownEntry(wanted, id);
    return want === undefined ? anything || has === values[0] : has === want;
  });
