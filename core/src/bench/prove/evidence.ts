/** What the log holds for one check: every line that speaks for or against it. */
import { provingOf } from '../../families/index.js';
import { judge } from '../../speed/index.js';
import { fixed, THIN, withUnit } from '../../quantity/index.js';
import { minutesWords } from '../timers/index.js';
import { speedWords } from '../describe.js';
import { jobTolerance } from '../job.js';
import { atPitchRest } from '../pitch.js';
import type { CheckBound, CheckStatus } from './check.js';
import type { PlacedSpeed, SoakRun } from './history.js';
import { healthyOutcomes, type Standing } from './standing.js';
import { changeWords, LOUDER_DB, noiseChange } from './noise.js';
import { provocationOf } from './provocations.js';
import { safetyHolds, safetyWords } from './safety.js';
import type { JobTrial } from './trial.js';
import { said, say } from '../../words/index.js';
import { COLD_MIN } from '../defaults.js';

/** One line that speaks of a check. */
export interface Evidence {
  readonly index: number;
  readonly key: string;
  readonly at: string;
  readonly status: Extract<CheckStatus, 'met' | 'bad' | 'undecided'>;
  readonly words: string;
}

/** Id of the check that is made with the unit closed. */
export const CLOSED = 'closed';

/** All lines that speak of the check, in order. */
export function evidenceOf(bound: CheckBound, checkId: string, standing: Standing): Evidence[] {
  switch (bound.kind) {
    case 'speed':
      return (
        standing.history.speeds
          // With something still off nothing is closed, whatever is read.
          .filter(({ index }) => checkId !== CLOSED || index < openFrom(standing))
          .filter((one) => isAsked(one, bound, provingOf(standing.job.familyId).warmMin))
          .map((one) => ofSpeed(one, bound, standing))
      );
    case 'test':
      return ofTest(bound.testId, standing);
    case 'look':
      return standing.history.proved
        .filter(({ body }) => body.checkId === checkId)
        .map(({ body, ...one }) => ({
          ...one,
          status: body.good ? ('met' as const) : ('bad' as const),
          words: body.words || (body.good ? say`as it should` : say`not as it should`),
        }));
    case 'trial':
      return ofTrial(bound, standing);
    case 'soak':
      return standing.history.soaks.map((soak) => ofSoak(soak, bound.minutes, standing)).filter((one) => one !== null);
    case 'start-volts':
      return ofStarts(standing);
    case 'noise':
      return ofNoise(standing);
    case 'class':
      return standing.history.classes.map(({ body, ...one }) => ({
        ...one,
        status: 'met' as const,
        words: body.protection,
      }));
    case 'safety':
      return standing.history.safety
        .filter(({ body }) => body.reading === bound.reading)
        .map(({ body, ...one }) => ({
          ...one,
          status: safetyHolds(body) ? ('met' as const) : ('bad' as const),
          words: safetyWords(body),
        }));
  }
}

/** Where the first of the steps that are still off stands among the lines; beyond them all with everything on. */
const openFrom = ({ off, lines }: Standing): number => {
  const first = off[0];
  return first ? lines.findIndex(({ key }) => key === first.key) : Infinity;
};

type SpeedBound = Extract<CheckBound, { kind: 'speed' }>;

function isAsked({ body, onMin }: PlacedSpeed, bound: SpeedBound, warmMin: number | null): boolean {
  if (body.speedId !== bound.speedId) return false;
  if (bound.pitch === null ? !atPitchRest(body) : body.pitch !== bound.pitch) return false;
  if (bound.heat === 'warm')
    return body.condition === 'warm' || (body.condition === null && onMin !== null && onMin >= (warmMin ?? 0));
  if (bound.heat === 'cold')
    return body.condition === 'cold' || (body.condition === null && onMin !== null && onMin <= COLD_MIN);
  return true;
}

function ofSpeed(one: PlacedSpeed, bound: SpeedBound, { job, history }: Standing): Evidence {
  const { index, key, at, body } = one;
  const words = speedWords(body);
  const tell = (status: Evidence['status'], more = ''): Evidence => ({ index, key, at, status, words: words + more });
  if (!body.turned) return tell('bad');
  if (body.errorPercent === null) return tell('met', say`, no nominal`);
  if (bound.pitch !== null) {
    // The control works when its end lies on its own side of the rest, by more than both uncertainties.
    const rest = history.speeds.findLast((other) => other.body.speedId === body.speedId && atPitchRest(other.body));
    if (rest?.body.errorPercent == null) return tell('undecided', say`, no reading at the rest`);
    const moved = (body.errorPercent - rest.body.errorPercent) * (bound.pitch === 'plus' ? 1 : -1);
    const doubt = Math.hypot(body.expandedPercent ?? 0, rest.body.expandedPercent ?? 0);
    if (moved > doubt) return tell('met');
    return tell(moved < -doubt ? 'bad' : 'undecided');
  }
  const verdict = judge(body.errorPercent, body.expandedPercent, jobTolerance(job));
  if (verdict.kind === 'not-right') return tell('bad', `, ${said(verdict.side)}`);
  if (verdict.kind === 'right' && body.referenceIncluded) return tell('met');
  return tell('undecided');
}

function ofTest(testId: string, { path, history }: Standing): Evidence[] {
  const test = path?.tests.find((one) => one.id === testId);
  if (!path || !test) return [];
  const good = new Set(healthyOutcomes(path, test));
  return history.answers.flatMap(({ body, ...one }) => {
    if (body.testId !== testId || body.outcome === null) return [];
    return [{ ...one, status: good.has(body.outcome) ? ('met' as const) : ('bad' as const), words: body.words }];
  });
}

function ofTrial(bound: Extract<CheckBound, { kind: 'trial' }>, { trials, history }: Standing): Evidence[] {
  const measured = trials
    .filter(
      (one) => one.block === bound.block && one.provocation === bound.provocation && one.result.kind !== 'unfinished',
    )
    .map((one): Evidence => ({
      index: one.index,
      key: one.key,
      at: one.at,
      status: one.result.kind === 'held' ? 'met' : one.result.kind === 'moved' ? 'bad' : 'undecided',
      words: trialWords(one),
    }));
  const looked = history.looked
    .filter(({ body }) => body.block === bound.block && provocationOf(body.trial) === bound.provocation)
    .map(({ body, ...one }): Evidence => ({
      ...one,
      status: body.result === 'no-change' ? 'met' : 'bad',
      words: body.result === 'no-change' ? say`looked at: no change` : say`looked at: it changed`,
    }));
  return [...measured, ...looked].sort((a, b) => a.index - b.index);
}

/** "moved by −3.0 (−3.4 to −2.6) %", "held: 0.02 (−0.05 to 0.09) %". */
export function trialWords({ result, unit }: Pick<JobTrial, 'result' | 'unit'>): string {
  if (result.kind === 'unfinished') return say`not finished: ${result.wants}`;
  const decimals = unit === '%' ? 2 : 3;
  const shown = (value: number) => fixed(value, decimals);
  const range = `${shown(result.by)} (${shown(result.low)} to ${shown(result.high)})${THIN}${unit}`;
  if (result.kind === 'held') return say`held: ${range}`;
  return result.kind === 'moved' ? say`moved by ${range}` : say`undecided: ${range}`;
}

/** A soak counts with its hours, without a break, and a reading made at its end or after it. */
function ofSoak(soak: SoakRun, minutes: number, { history }: Standing): Evidence | null {
  const { index, key, at, body, end, interruptedAt } = soak;
  const tell = (status: Evidence['status'], words: string): Evidence => ({
    // From its start: what was disturbed while it ran or after it undoes it, whatever was read since.
    index,
    key,
    at,
    status,
    words,
  });
  if (interruptedAt !== null && (end === null || Date.parse(interruptedAt) < Date.parse(at) + body.minutes * 60_000))
    return tell(
      'undecided',
      say`interrupted after ${minutesWords((Date.parse(interruptedAt) - Date.parse(at)) / 60_000)}`,
    );
  if (end === null) return null;
  const ran = Math.min(body.minutes, (Date.parse(end.at) - Date.parse(at)) / 60_000);
  if (ran < minutes) return tell('undecided', `${minutesWords(Math.max(0, ran))} of ${minutesWords(minutes)}`);
  const last = history.speeds.findLast((one) => Date.parse(one.at) >= Date.parse(at) + 0.95 * ran * 60_000);
  if (!last) return tell('undecided', say`${minutesWords(ran)}, its last reading is owed`);
  const words = say`${minutesWords(ran)}, at its end ${speedWords(last.body)}`;
  return tell(last.body.turned ? 'met' : 'bad', words);
}

function ofStarts({ history, worked }: Standing): Evidence[] {
  const before = history.startVolts.findLast((one) => one.index < (worked?.index ?? 0));
  if (!before) return [];
  return history.startVolts
    .filter((one) => one.index > before.index)
    .map(({ body, ...one }) => ({
      ...one,
      status: body.volts <= before.body.volts ? ('met' as const) : ('bad' as const),
      words: say`${withUnit(body.volts, 'V')}, before ${withUnit(before.body.volts, 'V')}`,
    }));
}

/** Each clip after the work beside the newest before it of the same set-up. */
function ofNoise({ clips }: Standing): Evidence[] {
  const before = clips.filter((one) => one.when === 'before');
  return clips
    .filter((one) => one.when === 'after')
    .map(({ key, at, index, ...clip }): Evidence => {
      const change = noiseChange([...before, { key, at, index, ...clip }]);
      if (change === null || 'refused' in change)
        return {
          index,
          key,
          at,
          status: 'undecided',
          words: say`not comparable, ${change?.refused.join('; ') ?? say`nothing before`}`,
        };
      const louder = change.aWeighted.low > LOUDER_DB;
      const status = louder ? 'bad' : change.aWeighted.high <= LOUDER_DB ? 'met' : 'undecided';
      return { index, key, at, status, words: say`A-weighted ${changeWords(change.aWeighted)}` };
    });
}
