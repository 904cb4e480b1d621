/** The decision: mends side by side, with what each costs until the unit works; reckoned anew after every mend. */
import { curedBy, type FaultSet, type MendAdvice } from '../../diagnosis/index.js';
import { banWords, risksOfMend, wayOf, type Ban, type DrivePath, type PathRepair } from '../../families/index.js';
import { dayNumber } from '../../quantity/index.js';
import type { TermsBody } from './body.js';
import { bestAfter, costsOf, gainOf, weightsOf, type Try } from './expectedCost.js';
import type { Offer } from './offer.js';
import { USUAL_COSTS, type Decision, type DecisionCosts, type MendOption } from './option.js';
import { say } from '../../words/index.js';
import { LEAST_TOGETHER, MOST_TOGETHER } from '../defaults.js';

/** What Find says of the unit, as far as the decision needs it. */
export interface Findings {
  readonly path: DrivePath;
  readonly faults: readonly FaultSet[];
  readonly mends: readonly MendAdvice[];
  /** Ways round the usual mends. */
  readonly ways?: readonly MendAdvice[];
  /** What keeps power off. */
  readonly bans?: readonly Ban[];
}

/** What was agreed, what it costs here, what the parts take. */
export interface DecisionBasis {
  readonly terms?: TermsBody | null;
  readonly costs?: DecisionCosts;
  /** What the parts of a mend cost and take; the family's guess and no waiting where it is left out. */
  readonly offer?: (repair: PathRepair) => Pick<Offer, 'money' | 'days' | 'from' | 'priced'>;
  /** Today as YYYY-MM-DD. */
  readonly today?: string;
}

/** A mend as it is weighed: alone, or several at once. */
interface Weighed extends Try {
  readonly members: readonly Row[];
}

interface Row extends Weighed {
  readonly advice: MendAdvice;
  readonly offer: Pick<Offer, 'money' | 'days' | 'from' | 'priced'>;
  readonly usual: boolean;
}

const guessed = (repair: PathRepair): ReturnType<NonNullable<DecisionBasis['offer']>> => ({
  money: repair.money,
  days: 0,
  from: repair.money > 0 ? 'usual' : 'none',
  priced: false,
});

/** Lays mends and ways round them side by side, and those that had better be done together while it is open. */
export function decide(
  { path, faults, mends, ways = [], bans = [] }: Findings,
  { terms = null, costs = USUAL_COSTS, offer = guessed, today = '' }: DecisionBasis = {},
): Decision {
  const weights = weightsOf(faults);
  const rows = [...mends.map((one) => [one, true] as const), ...ways.map((one) => [one, false] as const)].map(
    ([advice, usual]) => rowOf(path, advice, usual, offer(advice.repair), costs),
  );
  const free = rows.filter((row) => row.advice.forbidden === null);
  const usual = free.filter((row) => row.usual);
  // After the one begun with, the usual mends follow: nobody buys two donors.
  const costOfOrder = costsOf(faults);
  const begunWith = (first: Weighed) => {
    const rest = usual.filter((one) => !first.members.includes(one));
    return costOfOrder(bestAfter([first], rest, weights)).money;
  };
  const chanceOf = (set: Weighed) => 1 - costOfOrder([set]).uncured;
  const outside = path.levels[0]?.id;
  const opened = usual.filter(({ advice }) => advice.repair.level !== outside);
  const together = togetherOf(opened, begunWith, costs);
  const optionOf = optionMaker(chanceOf, begunWith, terms, costs, today);
  const options = [...(together ? [together] : []), ...rows].map(optionOf).sort(
    (a, b) =>
      Number(a.forbidden !== null) - Number(b.forbidden !== null) ||
      Number(a.overCeiling) - Number(b.overCeiling) ||
      Number(a.late) - Number(b.late) ||
      // A donor at a guessed price looks cheap: it comes first only once somebody has asked.
      Number(a.guessed) - Number(b.guessed) ||
      // What the unit loses for good is the owner's to give away: it is never the first thing to do.
      Number(a.loses !== null) - Number(b.loses !== null) ||
      // Money in whole units: prices are guesses. What costs the same stands by its chance.
      Math.round(a.expectedCost) - Math.round(b.expectedCost) ||
      b.chance - a.chance,
  );
  return {
    options,
    uncured: costOfOrder(usual).uncured,
    turning: turningOf(free, weights),
    stop: stopOf(options, terms, bans),
  };
}

/** Curing and waiting for parts in days. */
const daysOf = (rows: readonly Row[]): number =>
  Math.max(0, ...rows.map((row) => row.offer.days)) +
  Math.max(0, ...rows.map((row) => row.advice.repair.waitMin)) / 1440;

function rowOf(path: DrivePath, advice: MendAdvice, usual: boolean, offer: Row['offer'], costs: DecisionCosts): Row {
  const { repair, reachMin } = advice;
  const own = { advice, offer, usual, cures: curedBy(path, repair.id), members: [] as Row[] };
  const row: Row = { ...own, ...costOf([{ ...own, money: 0, reach: (reachMin * costs.hourMoney) / 60 }], costs) };
  own.members.push(row);
  return row;
}

/** What it takes to do these at once and to see whether they have cured. */
function costOf(
  rows: readonly Row[],
  { hourMoney, dayMoney, tryMin }: DecisionCosts,
): { money: number; reach: number } {
  const hands = rows.reduce((sum, { advice }) => sum + advice.repair.handsMin, tryMin);
  const parts = rows.reduce((sum, { offer }) => sum + offer.money, 0);
  return {
    money: parts + (hands * hourMoney) / 60 + daysOf(rows) * dayMoney,
    reach: Math.max(...rows.map((row) => row.reach)),
  };
}

/** Mends done in one go, with one look afterwards, while that is cheaper than one after the other; null where none are. */
function togetherOf(
  usual: readonly Row[],
  begunWith: (first: Weighed) => number,
  costs: DecisionCosts,
): Weighed | null {
  const dead = usual.filter(({ advice }) => advice.repair.power === 'dead');
  const joined = (members: readonly Row[]): Weighed => ({
    members,
    cures: members.flatMap((row) => row.cures),
    ...costOf(members, costs),
  });
  const cheapest = (sets: readonly Weighed[]) =>
    sets.reduce<{ set: Weighed; cost: number } | null>((best, set) => {
      const cost = begunWith(set);
      return best && best.cost <= cost ? best : { set, cost };
    }, null);
  let best = cheapest(dead);
  while (best && best.set.members.length < MOST_TOGETHER) {
    const { members } = best.set;
    const more = dead.filter((row) => !members.includes(row) && row.advice.chance >= LEAST_TOGETHER);
    const next = cheapest(more.map((row) => joined([...members, row])));
    if (!next || next.cost >= best.cost) break;
    best = next;
  }
  return best && best.set.members.length > 1 ? best.set : null;
}

const joinedWords = (words: readonly (string | null)[]): string | null =>
  [...new Set(words.filter((one) => one !== null))].join('; ') || null;

/** `chanceOf`: that the unit works after these. */
function optionMaker(
  chanceOf: (set: Weighed) => number,
  begunWith: (first: Weighed) => number,
  terms: TermsBody | null,
  { hourMoney }: DecisionCosts,
  today: string,
): (set: Weighed) => MendOption {
  return (set) => {
    const { members } = set;
    const [first] = members as readonly [Row, ...Row[]];
    const repairs = members.map((row) => row.advice.repair);
    const one = members.length === 1;
    const partsMoney = members.reduce((sum, row) => sum + row.offer.money, 0);
    const minutes =
      repairs.reduce((sum, repair) => sum + repair.handsMin, 0) +
      Math.max(...members.map((row) => row.advice.reachMin));
    const money = partsMoney + (minutes * hourMoney) / 60;
    const slowest = members.reduce((most, row) => (row.offer.days > most.offer.days ? row : most), first);
    const words = (of: (repair: PathRepair) => string | null) => joinedWords(repairs.map(of));
    return {
      id: first.advice.repair.id,
      also: repairs.slice(1).map((repair) => repair.id),
      name: repairs.map((repair) => repair.name).join('; '),
      members: repairs.map((repair) => repair.name),
      way: one ? wayOf(first.advice.repair) : 'set',
      guessed: members.some((row) => !row.usual && row.offer.money > 0 && !row.offer.priced),
      chance: chanceOf(set),
      minutes,
      waitMin: Math.max(...repairs.map((repair) => repair.waitMin)),
      partsDays: slowest.offer.days,
      partsFrom: slowest.offer.from,
      partsMoney,
      priced: members.every((row) => row.offer.priced),
      money,
      expectedCost: begunWith(set),
      leaves: words((repair) => repair.leaves),
      loses: words((repair) => repair.loses),
      risks: one ? risksOfMend(first.advice.repair) : null,
      school: one ? (first.advice.repair.school ?? null) : null,
      forbidden: one ? first.advice.forbidden : null,
      overCeiling: terms !== null && terms.ceiling !== null && money > terms.ceiling,
      late: isLate(terms, today, daysOf(members)),
    };
  };
}

/** Is it ready after the day on which it is wanted? */
function isLate(terms: TermsBody | null, today: string, days: number): boolean {
  if (!terms || terms.wantedBy === null || today === '') return false;
  return dayNumber(today) + days > dayNumber(terms.wantedBy);
}

/** One mend comes before another while its chance over its cost is the greater (see the head of this file). */
function turningOf(free: readonly Row[], weights: ReadonlyMap<string, number>): Decision['turning'] {
  const gain = (row: Row) => gainOf(row, weights, new Map());
  const likely = [...free].sort((a, b) => gain(b) - gain(a));
  const best = likely.find((one) => one.offer.money > 0);
  const other = likely.find((one) => one !== best);
  if (!best || !other || gain(other) <= 0) return null;
  const whole = (row: Row) => row.money + row.reach;
  const partsMoney = (gain(best) * whole(other)) / gain(other) - (whole(best) - best.offer.money);
  return partsMoney > 0 ? { best: best.advice.repair.name, other: other.advice.repair.name, partsMoney } : null;
}

function stopOf(options: readonly MendOption[], terms: TermsBody | null, bans: readonly Ban[]): string[] {
  const open = options.filter((one) => one.forbidden === null);
  const [best] = open;
  const kills = bans.map(
    (ban) => say`${banWords(ban)} Where that cannot be had: another way than power, or stop here.`,
  );
  if (!best || !terms) return kills;
  const { worth, price } = terms;
  const money = open.every((one) => one.overCeiling)
    ? say`Every mend costs more than the ceiling: ask the owner before going on.`
    : open.every((one) => one.late)
      ? say`No mend is ready by the day it is wanted: tell the owner before going on.`
      : worth !== null && best.expectedCost > worth
        ? say`Until it works it is likely to cost more than it is worth: ask the owner, or leave it.`
        : price !== null && best.expectedCost > price
          ? say`It is likely to cost more than the price agreed.`
          : null;
  return money === null ? kills : [...kills, money];
}
