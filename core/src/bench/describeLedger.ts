/** Lines of making safe, strip-down, gate, timers and photos in words. */
import { withUnit } from '../quantity/index.js';
import type { CoachBody } from './coach/body.js';
import { coachWords } from './coach/coach.js';
import { POWER_WORDS, type EventBody } from './event.js';
import { endWords } from './ledger/index.js';
import type { FindBody } from './find/body.js';
import { triedWords } from './find/trials.js';
import type { GateBody } from './gate/body.js';
import type { MendBody } from './mend/body.js';
import { mendWords } from './mend/words.js';
import type { HandBackLaterBody } from './handback/body.js';
import { handBackWords } from './handback/words.js';
import { practiceWords, type PracticeBody } from './practice.js';
import type { Fasteners, LedgerBody, StepBody } from './ledger/body.js';
import type { MarksBody, PhotoBody } from './photos/body.js';
import type { SafetyBody } from './safety/body.js';
import type { ProveBody } from './prove/body.js';
import { proveWords } from './prove/words.js';
import { TIMER_WORDS, type TimerBody, type TimerEndBody } from './timers/body.js';
import { minutesWords } from './timers/duration.js';
import { said, say } from '../words/index.js';

/** The kinds of line that this file puts into words. */
export type LaterBody =
  | SafetyBody
  | LedgerBody
  | GateBody
  | TimerBody
  | TimerEndBody
  | PhotoBody
  | MarksBody
  | FindBody
  | MendBody
  | CoachBody
  | ProveBody
  | HandBackLaterBody
  | PracticeBody;

/** "4 × 30 mm, tray B". */
export const fastenerWords = (one: Fasteners): string =>
  `${one.count} × ${one.what}${one.tray ? say`, tray ${one.tray}` : ''}`;

/** "bottom cover, 4 × 30 mm, tray B". */
export const stepWords = (step: StepBody): string =>
  [step.what, ...step.fasteners.map(fastenerWords)].filter((part) => part !== '' && part !== 'fasteners').join(', ');

/** One of the later kinds of line in words. */
export function ledgerWords(body: LaterBody): string {
  switch (body.kind) {
    case 'safe':
      return say`made safe: ${body.text}`;
    case 'charge':
      return say`${body.name}: ${withUnit(body.microfarad * 1e-6, 'F')} at ${withUnit(body.volts, 'V')} through
        ${withUnit(body.ohm, 'Ω')}`;
    case 'start-volts':
      return say`${body.start} start at ${withUnit(body.volts, 'V')}`;
    case 'step':
      return say`off: ${stepWords(body)}`;
    case 'open-end':
      return say`open end: ${endWords(body)}`;
    case 'close':
      return body.how ? say`closed: ${body.how}` : say`closed`;
    case 'refit':
      return say`back on`;
    case 'explain':
      return say`explained: ${body.why}`;
    case 'move':
      return body.dropped
        ? say`dropped: ${body.name}`
        : body.began
          ? say`ended: ${body.name}`
          : say`begun: ${body.name}`;
    case 'gate':
      return gateWords(body);
    case 'timer':
      return `${body.label || TIMER_WORDS[body.timer]}: ${minutesWords(body.minutes)}`;
    case 'timer-end':
      return body.how === 'stopped' ? say`timer stopped` : say`timer answered`;
    case 'photo':
      return body.caption ? say`photo: ${body.caption}` : say`photo`;
    case 'answer':
      return `${body.name}: ${body.value === null ? body.words : withUnit(body.value, body.unit ?? '')}${body.instrument === undefined ? '' : `, by ${body.instrument}`}`;
    case 'mended':
      return say`mended: ${body.name}${body.loses === undefined ? '' : say`; gone with it: ${body.loses}`}`;
    case 'suspect':
      return HAND_WORDS[body.verdict](body.name);
    case 'unreachable':
      return say`cannot reach: ${body.name}`;
    case 'tried':
      return triedWords(body);
    case 'marks':
      return body.marks.length === 1 ? say`1 mark on a photo` : say`${body.marks.length} marks on a photo`;
    default:
      return ownWords(body);
  }
}

/** Kinds whose words stand beside their bodies. */
function ownWords(body: MendBody | CoachBody | ProveBody | HandBackLaterBody | PracticeBody): string {
  switch (body.kind) {
    case 'terms':
    case 'working':
    case 'decision':
    case 'quote':
    case 'mend-step':
    case 'decision-dropped':
      return mendWords(body);
    case 'coach-begin':
    case 'coach-turned':
    case 'coach-stands':
      return coachWords(body);
    case 'proved':
    case 'unproved':
    case 'trial-phase':
    case 'coast':
    case 'protection-class':
    case 'safety-reading':
    case 'clip':
      return proveWords(body);
    case 'sheet':
    case 'follow-up':
    case 'follow-up-done':
    case 'return':
      return handBackWords(body);
    case 'practice-act':
    case 'practice-turn':
    case 'practice-hand':
    case 'practice-end':
      return practiceWords(body);
  }
}

/** A line that speaks of another one, with what that was; null where it speaks of none. */
export function ledgerWordsAbout(body: EventBody, find: (key: string) => EventBody | undefined): string | null {
  if (body.kind === 'refit') {
    const step = find(body.target);
    return step?.kind === 'step' ? say`back on: ${step.what}` : null;
  }
  if (body.kind === 'close') {
    const end = find(body.target);
    return end?.kind === 'open-end' ? say`closed: ${end.what}${body.how ? `, ${body.how}` : ''}` : null;
  }
  if (body.kind === 'timer-end') {
    const timer = find(body.target);
    return timer?.kind === 'timer' ? `${timer.label || TIMER_WORDS[timer.timer]} ${said(body.how)}` : null;
  }
  return null;
}

function gateWords(body: GateBody): string {
  const where = body.to === 'hand-back' ? 'hand-back' : POWER_WORDS[body.to].toLowerCase();
  const left = body.accepted.length;
  return say`gate passed:
    ${where}${left > 0 ? say`, ${left === 1 ? say`1 end` : say`${left} ends`} accepted open` : ''}`;
}

/** What the repairer knows better, in words. */
const HAND_WORDS = {
  pinned: (name: string) => say`by hand: it is the ${name}`,
  'ruled-out': (name: string) => say`by hand: not the ${name}`,
  outside: (name: string) => say`by hand, not in the path: ${name}`,
} as const;
