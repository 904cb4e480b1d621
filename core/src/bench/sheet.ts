/** The hand-back sheet as a model: the page draws it, the server prints it, both say the same. */
import { errorDecimals, fixed, signed, THIN, type Tolerance } from '../quantity/index.js';
import { familyOf } from '../families/index.js';
import { verdictWords } from '../speed/index.js';
import { eventWords, speedWords } from './describe.js';
import { standing, type BenchEvent, type SpeedBody } from './event.js';
import { jobLabel, jobTolerance, unitName, type JobFacts } from './job.js';
import { foundIn, type Found } from './handback/found.js';
import type { PhotoMark } from './photos/index.js';
import { workDone } from './handback/workDone.js';
import { CHECK_GROUP_WORDS, CHECK_STATUS_WORDS } from './prove/index.js';
import { jobState, type JobState, type SpeedPair, type SpeedReading } from './state.js';
import { said, say } from '../words/index.js';

/** The shop as it stands at the head of a sheet. */
export interface SheetShop {
  readonly name: string;
  readonly address: string;
  readonly currency: string;
}

/** One reading of the before-and-after. */
export interface SheetSpeedSide {
  readonly at: string;
  readonly words: string;
  readonly verdict: string;
  readonly how: string;
  readonly errorPercent: number | null;
  readonly expandedPercent: number | null;
  readonly wowPeakPercent: number | null;
  readonly turned: boolean;
}

/** One speed on the sheet, as found and as left. */
export interface SheetSpeed {
  readonly label: string;
  readonly nominalRpm: number | null;
  readonly asFound: SheetSpeedSide | null;
  readonly asLeft: SheetSpeedSide | null;
}

/** Everything the owner's sheet says; page and PDF draw it. */
export interface SheetModel {
  readonly shop: SheetShop;
  readonly number: string;
  readonly unit: string;
  readonly facts: readonly { readonly label: string; readonly value: string }[];
  readonly complaint: string;
  readonly tolerance: Tolerance;
  readonly toleranceWords: string;
  readonly speeds: readonly SheetSpeed[];
  /** What was found, with the readings that decided it. */
  readonly found: readonly Found[];
  readonly done: readonly { readonly at: string; readonly text: string }[];
  /** Parts that went in, as the shelf knows them. */
  readonly parts: readonly string[];
  /** The proving plan: what was shown, with its figures; empty when nothing was worked on. */
  readonly shown: readonly {
    readonly group: string;
    readonly name: string;
    readonly status: string;
    readonly words: string;
  }[];
  /** What is not proved, with why, and what was left undone. */
  readonly notShown: readonly { readonly name: string; readonly words: string }[];
  readonly proved: boolean;
  readonly photos: readonly {
    readonly photoId: string;
    readonly caption: string;
    readonly width: number;
    readonly height: number;
    readonly marks: readonly PhotoMark[];
  }[];
  /** In the shop's currency; null while none was agreed. */
  readonly price: string | null;
  readonly watch: string;
  readonly comeAgain: readonly { readonly on: string; readonly what: string }[];
  readonly cautions: readonly string[];
  readonly notes: readonly { readonly at: string; readonly text: string }[];
  readonly leftUndone: string;
  readonly handedBackAt: string | null;
  readonly caution: string;
}

/** What the sheet says under every before-and-after. */
export const SHEET_CAUTION = say`Speeds are measured within the uncertainty given (k = 2). Electrical safety is judged
  by local rules and by those licensed to do so; this sheet does not replace that inspection.`;

/** Builds the sheet of a job from its log. */
export function sheetModel(
  shop: SheetShop,
  job: JobFacts,
  events: readonly BenchEvent[],
  parts: readonly string[] = [],
): SheetModel {
  const state = jobState(job, events);
  const lines = standing(events);
  const handed = lines.findLast((line) => line.body.kind === 'hand-back');
  return {
    shop,
    number: jobLabel(job),
    unit: unitName(job),
    facts: factsOf(job),
    complaint: job.complaint,
    tolerance: jobTolerance(job),
    toleranceWords: toleranceWords(job),
    speeds: state.speeds.map(sheetSpeed),
    done: workDone(lines),
    found: foundIn(job.familyId, lines),
    parts,
    ...provingOf(state),
    photos: state.photos
      .filter(({ key }) => state.sheet?.photos.includes(key))
      .map(({ photo: { photoId, caption, width, height }, marks }) => ({ photoId, caption, width, height, marks })),
    price: state.terms?.price == null ? null : `${fixed(state.terms.price, 2)}${THIN}${shop.currency}`,
    watch: state.sheet?.watch ?? '',
    comeAgain: state.followUps.map(({ on, what }) => ({ on, what })),
    cautions: ownersCautions(job),
    notes: lines.flatMap((line) =>
      line.body.kind === 'note' && state.sheet?.notes.includes(line.key)
        ? [{ at: line.enteredAt, text: eventWords(line.body) }]
        : [],
    ),
    leftUndone: handed?.body.kind === 'hand-back' ? handed.body.leftUndone : '',
    handedBackAt: state.handedBackAt,
    caution: SHEET_CAUTION,
  };
}

/** What was shown and what was not, from the plan. */
function provingOf({ proving }: JobState): Pick<SheetModel, 'shown' | 'notShown' | 'proved'> {
  const asked = proving.checks.filter(({ status }) => status !== 'untouched');
  return {
    proved: proving.proved,
    shown: asked
      .filter(({ status }) => status === 'met')
      .map(({ group, name, status, words }) => ({
        group: CHECK_GROUP_WORDS[group],
        name,
        status: CHECK_STATUS_WORDS[status],
        words,
      })),
    notShown: asked
      .filter(({ status }) => status !== 'met')
      .map(({ name, status, words }) => ({
        name,
        words: status === 'waived' ? words : [CHECK_STATUS_WORDS[status], words].filter(Boolean).join(': '),
      })),
  };
}

/** What an owner has to mind with such a unit (common practice). */
function ownersCautions(job: JobFacts): string[] {
  const { turns } = familyOf(job.familyId);
  const out = [say`Keep fingers, sleeves and cords clear of the ${turns} while it turns.`];
  if (job.powerKind === 'mains')
    out.push(say`Pull the plug before cleaning it; have it opened only by those used to it.`);
  if (job.powerKind === 'pack')
    out.push(say`Take the pack out before touching what it drives; no swollen, hot or wet pack.`);
  return out;
}

/** "−0.3 to +0.3 %, broadcast, dancing to pitch (broadcast disc 0.3 %)". */
export function toleranceWords(job: Pick<JobFacts, 'tolerance'>): string {
  const { lowerPercent, upperPercent, use, origin } = job.tolerance;
  const range =
    lowerPercent === -upperPercent
      ? `±${fixed(upperPercent, 1)}`
      : say`${signed(lowerPercent, 1)} to ${signed(upperPercent, 1)}`;
  return say`${range}${THIN}% for ${said(use)} (${origin.text})`;
}

function factsOf(job: JobFacts): { label: string; value: string }[] {
  const rated = job.ratedVolts === null ? '' : `${job.ratedVolts}${THIN}V ${said(job.powerKind)}`;
  return [
    { label: say`Kind`, value: familyOf(job.familyId).name },
    { label: say`Serial`, value: job.serial },
    { label: say`Rated`, value: rated },
    { label: say`For`, value: job.customer },
  ].filter((fact) => fact.value !== '');
}

function sheetSpeed(pair: SpeedPair): SheetSpeed {
  return {
    label: pair.label,
    nominalRpm: pair.nominalRpm,
    asFound: side(pair.asFound),
    asLeft: side(pair.asLeft),
  };
}

function side(reading: SpeedReading | null): SheetSpeedSide | null {
  if (!reading) return null;
  const { speed } = reading;
  return {
    at: reading.at,
    words: speedWords(speed),
    verdict: speed.turned && speed.errorPercent !== null ? verdictWords(reading.verdict) : '',
    how: howMeasured(speed),
    errorPercent: speed.errorPercent,
    expandedPercent: speed.expandedPercent,
    wowPeakPercent: speed.wowPeakPercent,
    turned: speed.turned,
  };
}

/** "test tone recording, workshop test record; wow and flutter 0.12 % unweighted peak". */
export function howMeasured(speed: SpeedBody): string {
  const ways: Readonly<Record<SpeedBody['method'], string>> = {
    'tone-recording': say`test tone recording`,
    'tone-live': say`test tone, live`,
    pulses: say`pulses of the shaft`,
    gyro: say`gyroscope on the platter`,
    sound: say`sound of the motor`,
    counter: say`frequency counter on the test tone`,
    strobe: say`strobe disc`,
    stopwatch: say`stopwatch and counted turns`,
    typed: 'typed',
    looked: say`looked at`,
  };
  const parts = [ways[speed.method], speed.sourceName].filter(Boolean).join(', ');
  if (speed.wowPeakPercent === null) return parts;
  return say`${parts}; wow and flutter ${fixed(speed.wowPeakPercent, errorDecimals(0.05))}${THIN}% unweighted peak`;
}
