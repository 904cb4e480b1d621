/** At a prompt its own answers count: in full, by their beginning, or in the usual other words. */
import type { DrivePath } from '../../families/index.js';
import type { EntryAnswer } from './types.js';

/** Other words for answers (common practice): the right side is looked for in the answer's own words. */
const SYNONYMS: readonly (readonly [said: RegExp, answer: RegExp])[] = [
  [
    /^(?:y|yes|yep|ok|okay|fine|good|sound|healthy|works|working|right|normal|all right)$/,
    /^(?:yes|right|sound|works|lit|steady|smooth|even|free|true|usual|healthy|clean|through|coasts|holds|turns|there|tight)/,
  ],
  [/^(?:n|no|nope|nothing|none|dead|nil|zero)$/, /^(?:no\b|none|nothing|dark|still|dead|silent|not)/],
  [/^(?:bad|worn|shot|gone|broken|failed)$/, /^(?:worn|short|slack|burnt|open|broken|failed|gone|off)/],
  [/^(?:on|lights?|glows?|bright)$/, /^(?:lit|on|lights)/],
  [/^(?:off|out|dark|unlit)$/, /^(?:dark|out|off)/],
  [/^(?:low|down|under|too low)$/, /low/],
  [/^(?:high|up|over|too high)$/, /high/],
  [/^(?:slow|drags|slower)$/, /slow/],
  [/^(?:fast|quick|faster|races)$/, /fast|full/],
  [/^(?:hunts|hunting|unsteady|surging|wavers|jumps|jumping)$/, /hunt|surg|unsteady|wander|jump|erratic/],
  [/^(?:stiff|tight|drag|binds|gummed|gummy)$/, /stiff|drag|gummed|binds/],
  [/^(?:free|spins|turns freely|spins freely|coasting)$/, /free|coast|spins/],
  [/^(?:loose|play|rattles)$/, /loose/],
  [/^(?:shorted|short|dead short)$/, /short/],
  [/^(?:open|ol|infinite|o\.l\.?)$/, /open/],
];

/** The answer of the test asked that `text` stands for; null when it is none or fits two. */
export function answerOf(text: string, path: DrivePath, testId: string): EntryAnswer | null {
  const test = path.tests.find((one) => one.id === testId);
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[.!]+$/, '');
  if (!test || plain === '') return null;
  const words = test.outcomes.map((one) => ({ one, own: one.words.toLowerCase() }));
  const exact = words.filter(({ own, one }) => own === plain || one.id === plain);
  const begun =
    plain.length >= 3 ? words.filter(({ own }) => own.startsWith(plain) || plain.startsWith(`${own} `)) : [];
  const other = SYNONYMS.filter(([said]) => said.test(plain)).flatMap(([, answer]) =>
    words.filter(({ own }) => answer.test(own)),
  );
  const hit = [exact, begun, [...new Set(other)]].find((list) => list.length > 0);
  if (hit?.length !== 1) return null;
  const { one } = hit[0] as (typeof words)[number];
  return { kind: 'answer', testId, name: test.name, outcome: one.id, words: one.words, by: 'prompt' };
}
