/** What the gate asks before power and before hand-back, and what of it is still unanswered. */
import { limitSum } from '../../circuit/index.js';
import { familyOf, type UsualEnd } from '../../families/index.js';
import { capital } from '../describe.js';
import type { WorkBody } from '../event.js';
import type { JobFacts } from '../job.js';
import {
  END_SAFE,
  endWords,
  findingsOf,
  openEnds,
  stepsOff,
  type Finding,
  type Ledger,
  type LedgerStep,
  type OpenEnd,
} from '../ledger/index.js';
import { NO_CIRCUIT, type GateBody, type GateTo } from './body.js';
import { say } from '../../words/index.js';
import { LEAST_SUPPLY_OHM } from '../defaults.js';
export { LEAST_SUPPLY_OHM } from '../defaults.js';

/** One condition before power, asked by itself. */
export interface GateCondition {
  readonly id: string;
  readonly text: string;
}

/** What the gate asks for before it passes. */
export interface GateAsks {
  readonly to: GateTo;
  readonly ends: readonly OpenEnd[];
  readonly stepsOff: readonly LedgerStep[];
  /** Usual ends of the family that are not on the list: are they all in place? */
  readonly usual: readonly UsualEnd[];
  /** The state in which an end is safe: a test bridge removed, a lifted leg soldered back. */
  readonly safeOf: (end: OpenEnd) => string;
  /**
   * Work since the last short test that calls for another: what changed the circuit, or may have. `sure` is false where
   * its line does not say: then it is tested, or somebody says that nothing of the circuit was touched. Null for none.
   */
  readonly shortTest: { readonly after: string; readonly sure: boolean } | null;
  readonly limitNeeded: boolean;
  readonly conditions: readonly GateCondition[];
  readonly findings: readonly Finding[];
  /** Electrical safety that failed: mended and read again before mains, whatever is ticked. */
  readonly unsafe: readonly string[];
  readonly firstSeconds: { readonly expect: string; readonly otherwise: string };
}

/** Everything asked on the way to `to`. */
export function gateAsks(
  job: JobFacts,
  state: {
    readonly ledger: Ledger;
    readonly work: readonly unknown[];
    readonly untested: readonly WorkBody[];
    readonly unsafe: readonly string[];
  },
  to: GateTo,
): GateAsks {
  const family = familyOf(job.familyId);
  const ends = openEnds(state.ledger);
  const listed = new Set(ends.map((end) => end.end.usualId));
  // A unit that nobody has opened has nothing left off.
  const touched =
    state.ledger.steps.length + state.ledger.ends.length + state.ledger.moves.length + state.work.length > 0;
  const back = to === 'hand-back';
  return {
    to,
    ends,
    stepsOff: stepsOff(state.ledger),
    safeOf: ({ end }) => family.openEnds.find((one) => one.id === end.usualId)?.safe ?? END_SAFE[end.how],
    usual: touched ? family.openEnds.filter((end) => !listed.has(end.id)) : [],
    shortTest: back ? null : shortTestOf(state.untested),
    limitNeeded: !back,
    unsafe: to === 'live-direct' ? state.unsafe : [],
    conditions: back
      ? []
      : [...unsafeOf(to, state.unsafe), ...conditionsOf(to, family.keepClear), ...coversOff(state.ledger)],
    findings: back ? findingsOf(state.ledger).filter((finding) => finding.explained === null) : [],
    firstSeconds: family.firstSeconds,
  };
}

function shortTestOf(untested: readonly WorkBody[]): GateAsks['shortTest'] {
  const changed = untested.filter((one) => one.reach === 'circuit');
  const maybe = untested.filter((one) => reachOf(one) === undefined);
  const [first] = changed.length > 0 ? changed : maybe;
  return first ? { after: first.what, sure: changed.length > 0 } : null;
}

/** What a line of work reached: as it says; cleaning, oiling and adjusting leave the circuit as it is. */
const reachOf = ({ reach, action }: WorkBody): WorkBody['reach'] =>
  reach ?? (action === 'replace' || action === 'repair' ? undefined : 'mechanics');

/** A cover that is off is on again, or hands are kept off what it covered. */
function coversOff(ledger: Ledger): GateCondition[] {
  const off = stepsOff(ledger).map((step) => step.step.what);
  if (off.length === 0) return [];
  return [
    { id: 'covers', text: say`Off now: ${off.join(', ')}. On again, or hands and tools kept off what they cover` },
  ];
}

/** Behind an isolation transformer alone a failed earth or insulation may be looked for with power on. */
function unsafeOf(to: GateTo, unsafe: readonly string[]): GateCondition[] {
  if (to !== 'live-isolated' || unsafe.length === 0) return [];
  return [
    {
      id: 'unsafe',
      text: say`Failed: ${unsafe.join(', ')}. Isolated only, nothing bare touched, hands off while it is live`,
    },
  ];
}

function conditionsOf(to: GateTo, keepClear: string): GateCondition[] {
  const held = { id: 'held', text: say`Unit held down. ${keepClear}` };
  if (to === 'live-isolated')
    return [held, { id: 'isolation', text: say`Isolation transformer first, the variable one after it` }];
  if (to === 'live-direct')
    return [held, { id: 'used', text: say`Used to live work; probes clipped on dead, hands off while it is live` }];
  return [held, { id: 'pack', text: say`Pack looked at: not swollen, hot, wet or crushed, no cell under 2.0 V` }];
}

/** What was answered. */
export type GateAnswers = Omit<GateBody, 'kind' | 'to'>;

/** Why it does not pass yet, at its question. */
export interface GateProblem {
  readonly id: string;
  readonly text: string;
}

/** What stands between here and `asks.to`; empty when the gate is passed. */
export function gateProblems(asks: GateAsks, answers: GateAnswers, volts: number | null): GateProblem[] {
  const problems: GateProblem[] = [];
  const add = (id: string, text: string) => problems.push({ id, text });
  const accepted = new Set(answers.accepted.filter((one) => one.why.trim() !== '').map((one) => one.key));
  for (const end of asks.ends)
    if (!accepted.has(end.key)) add(`end:${end.key}`, say`Open: ${endWords(end.end)}. ${capital(asks.safeOf(end))}?`);
  for (const end of asks.usual)
    if (!answers.inPlace.includes(end.id)) add(`usual:${end.id}`, say`Look: ${end.what}: ${end.safe}?`);
  if (asks.to === 'hand-back') {
    for (const step of asks.stepsOff) add(`off:${step.key}`, say`Still off: step ${step.number}, ${step.step.what}`);
    for (const finding of asks.findings) add(`finding:${finding.id}`, finding.text);
  }
  for (const name of asks.unsafe)
    add(`unsafe:${name}`, say`Failed: ${name}. Mend it and read it again, unplugged, before mains`);
  if (asks.shortTest && (asks.shortTest.sure || !answers.confirmed.includes(NO_CIRCUIT)))
    shortProblem(answers.shortOhm, add);
  if (asks.limitNeeded) limitProblem(answers.limit, volts, add);
  for (const condition of asks.conditions)
    if (!answers.confirmed.includes(condition.id)) add(`condition:${condition.id}`, condition.text);
  return problems;
}

type Add = (id: string, text: string) => void;

function shortProblem(ohm: number | null, add: Add): void {
  if (ohm === null) add('short', say`Measure ohms across the supply, dead`);
  else if (ohm < LEAST_SUPPLY_OHM)
    add('short', say`${ohm} Ω across the supply: under ${LEAST_SUPPLY_OHM} Ω do not power`);
}

function limitProblem(limit: GateAnswers['limit'], volts: number | null, add: Add): void {
  if (limit === null || !(limit.value > 0) || !(limit.unitWatts > 0))
    return add('limit', say`Choose fuse, lamp or current limit`);
  if (volts !== null && limitSum(limit.kind, limit.value, volts, limit.unitWatts).verdict === 'tight')
    add('limit', say`The limit is under the unit’s own current: it would not start`);
}
