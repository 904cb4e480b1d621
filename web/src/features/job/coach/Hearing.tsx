/** The tone heard while the screws are turned: what happens is told from it alone, no key between moves. */
import {
  coachSays,
  jobLabel,
  jobSpeeds,
  jobTolerance,
  turnLines,
  unitName,
  wantsHand,
  type JobCoach,
  type SpeedBody,
  type StageId,
  type ToneSource,
} from '@amber-gauge/core/bench';
import type { FamilySpeed } from '@amber-gauge/core/families';
import { fixed, signed, THIN } from '@amber-gauge/core/quantity';
import { centreLabel } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { useSources } from '../../../shared/api/queries.js';
import { useJobSource } from '../../../shared/api/useJobSource.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { RibbonLarge } from '../../../shared/ribbon/RibbonLarge.js';
import { fieldHasFocus } from '../../../shared/ui/focus.js';
import type { JobView } from '../useJobView.js';
import { useShare } from '../../../shared/live/share.js';
import { NotListening, pulsesOf, type Counted } from './NotListening.js';
import { useHearing, type Heard } from './useHearing.js';
import { useVoice } from './useVoice.js';
import classes from './Coach.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly course: JobCoach;
}

export function Hearing({ view, stage, course }: Props) {
  const { task, advice } = course;
  const speeds = jobSpeeds(view.job).filter((one) => task.speeds.some((speed) => speed.id === one.id));
  const { source } = useJobSource(view.job, useSources().data ?? []);
  const limits = jobTolerance(view.job);
  const aim = aimOf(course);
  const [counted, setCounted] = useState<Counted>({ on: false, perTurn: '1', rpm: '' });
  const pulses = counted.on ? pulsesOf(counted, speeds[0]?.nominalRpm ?? null) : null;
  const latest = useRef<Heard | null>(null);
  const { share, onCapture, tellCapture } = useShare();
  const keep = (one: Heard, byHand = false) => {
    const { view: seen, expandedPercent } = one;
    latest.current = one;
    share(frameOfHeard(one, view, course));
    if (!seen.read) return;
    const speed = speeds.find((one) => one.id === seen.read?.speedId);
    if (!speed) return;
    const reading = readingOf(speed, seen.read.errorPercent, expandedPercent, counted.on ? null : source);
    // Told by hand that it was turned, or told by the speed that it moved.
    const turned =
      wantsHand(advice) && (seen.movedSince || byHand) ? turnLines(view.job.familyId, course, advice.trimId, null) : [];
    void submitLines(view.job.id, ...[...turned, reading].map((body) => makeLine(stage, body)));
  };
  const { heard, live, start, stop, sounding, setSounding, louder, decibels } = useHearing({
    speeds,
    source,
    pulses,
    aim,
    onHeard: keep,
  });
  /** What is heard now, kept at once. */
  const keepNow = (byHand: boolean) => {
    const { view: seen, expandedPercent } = latest.current ?? {};
    if (seen?.speedId == null || seen.errorPercent === null || expandedPercent === undefined) return;
    const read = { speedId: seen.speedId, errorPercent: seen.errorPercent };
    keep({ view: { ...seen, read, movedSince: false }, expandedPercent, sound: null }, byHand);
  };
  useEffect(() =>
    onCapture(() => {
      keepNow(false);
      tellCapture(keptWords(latest.current?.view));
    }),
  );
  useVolumeKeys(live.state === 'on', louder);
  const word = heard?.sound?.word ?? null;
  const error = heard?.view.errorPercent ?? null;
  const at = speeds.find((one) => one.id === heard?.view.speedId);
  const voice = useVoice(spoken(word, error, aim?.untilPercent ?? 0));
  // Once every speed is right there is nothing to listen for; while it listens, the chord is heard out.
  if (live.state !== 'on')
    return advice.kind === 'stop' ? null : (
      <NotListening
        {...{ source, pulses, counted, problem: live.problem, opening: live.state === 'starting', start }}
        onCounted={setCounted}
        rpm={speeds[0]?.nominalRpm ?? null}
        cutFor={speeds[0]?.label ?? say`its speed`}
      />
    );
  return (
    <div className={classes.hearing}>
      <RibbonLarge
        reading={{
          turned: true,
          errorPercent: error,
          expandedPercent: error === null ? null : (heard?.expandedPercent ?? null),
          wowPeakPercent: null,
        }}
        limits={limits}
        centre={centreLabel(at?.nominalRpm ?? null, at?.label ?? '0')}
        describe={stateWords(heard)}
      />
      <p className={classes.number}>
        <span className="mono" data-testid="coach-number">
          {error === null ? '–' : `${signed(error, 2)}${THIN}%`}
        </span>
        <span
          className={classes.state}
          role="status"
          aria-label={say`What is heard`}
          data-sound={word ?? 'none'}
          data-state={heard?.view.state ?? 'waiting'}
        >
          {at ? `${at.label}, ` : ''}
          {stateWords(heard)}
        </span>
      </p>
      {wantsHand(advice) && at?.id === advice.watchSpeedId && (
        <Button
          variant="outlined"
          onClick={() => keepNow(true)}
          sx={{ alignSelf: 'flex-start' }}
        >{say`Turned, and nothing moved`}</Button>
      )}
      <Controls {...{ stop, sounding, setSounding, louder, decibels, voice }} />
    </div>
  );
}

type ControlProps = Pick<ReturnType<typeof useHearing>, 'stop' | 'sounding' | 'setSounding' | 'louder' | 'decibels'> & {
  readonly voice: ReturnType<typeof useVoice>;
};

function Controls({ stop, sounding, setSounding, louder, decibels, voice }: ControlProps) {
  return (
    <div className="row">
      <Button variant="outlined" onClick={stop}>{say`Stop listening`}</Button>
      <Button variant="outlined" aria-pressed={sounding} onClick={() => setSounding(!sounding)}>
        {sounding ? say`Sound is on` : say`Sound is off`}
      </Button>
      <Button variant="outlined" onClick={() => louder(-1)} title={say`Key −`} aria-label={say`Softer`}>
        −
      </Button>
      <span className="mono">{fixed(decibels, 0)} dB</span>
      <Button variant="outlined" onClick={() => louder(1)} title={say`Key +`} aria-label={say`Louder`}>
        +
      </Button>
      {voice.can && (
        <Button variant="outlined" aria-pressed={voice.on} onClick={() => voice.setOn(!voice.on)}>
          {voice.on ? say`Numbers are spoken` : say`Speak the numbers`}
        </Button>
      )}
    </div>
  );
}

/** The line of a reading that was heard once the speed had settled. */
const readingOf = (
  speed: FamilySpeed,
  errorPercent: number,
  expandedPercent: number | null,
  source: ToneSource | null,
): SpeedBody => ({
  kind: 'speed',
  text: '',
  speedId: speed.id,
  method: source ? 'tone-live' : 'pulses',
  turned: true,
  errorPercent,
  expandedPercent,
  referenceIncluded: source === null || source.tolerancePercent !== null,
  wowPeakPercent: null,
  rpm: speed.nominalRpm === null ? null : speed.nominalRpm * (1 + errorPercent / 100),
  sourceName: source?.name ?? null,
  runId: null,
  condition: 'warm',
});

/** What came of a reading that the second screen asked to keep. */
const keptWords = (view: Heard['view'] | undefined): string =>
  view?.speedId == null || view.errorPercent === null
    ? say`Not kept: no speed is heard.`
    : say`Kept: ${signed(view.errorPercent, 2)} %`;

/** What is heard, for a second screen: with what is to be done. */
function frameOfHeard({ view: seen, expandedPercent }: Heard, view: JobView, course: JobCoach) {
  const speed = jobSpeeds(view.job).find((one) => one.id === seen.speedId);
  const { lowerPercent, upperPercent } = jobTolerance(view.job);
  const error = seen.errorPercent;
  return {
    what: `${jobLabel(view.job)} ${unitName(view.job)}`.slice(0, 200),
    speedLabel: speed?.label ?? '',
    nominalRpm: speed?.nominalRpm ?? null,
    lowerPercent,
    upperPercent,
    edgePercent: error,
    meanPercent: error,
    expandedPercent: error === null ? null : expandedPercent,
    wowPercent: null,
    words: STATE_WORDS[seen.state],
    todo: coachSays(course.task, course).prompt.slice(0, 300),
  };
}

/** Where the sound leads: the trim's target at its own speed, or the middle of the window. */
function aimOf({ task, advice }: JobCoach) {
  const wanted = wantsHand(advice) ? advice.watchSpeedId : advice.kind === 'measure' ? advice.speedId : null;
  const speed = task.speeds.find((one) => wanted === null || one.id === wanted);
  if (!speed) return null;
  const middle = (speed.lowerPercent + speed.upperPercent) / 2;
  return {
    speedId: wanted,
    untilPercent: advice.kind === 'turn' ? advice.untilPercent : middle,
    halfWindowPercent: (speed.upperPercent - speed.lowerPercent) / 2,
    stop: advice.kind === 'runaway' || advice.kind === 'end-stop',
  };
}

const STATE_WORDS = {
  waiting: say`waiting for the tone`,
  moving: say`moving`,
  settled: say`settled`,
  ended: say`tone ended`,
} as const;
const stateWords = (heard: Heard | null): string => STATE_WORDS[heard?.view.state ?? 'waiting'];

/** "slow, 1.2 percent"; what is right is said once. */
function spoken(word: string | null, error: number | null, until: number): string | null {
  if (word === null || error === null) return word === 'ended' ? say`tone ended` : null;
  if (word === 'slow' || word === 'fast') return say`${word}, ${Math.abs(error - until).toFixed(1)} percent`;
  return word === 'listening' ? null : word;
}

function useVolumeKeys(active: boolean, louder: (steps: number) => void): void {
  useEffect(() => {
    if (!active) return;
    const listen = (event: KeyboardEvent) => {
      if (fieldHasFocus() || (event.key !== '-' && event.key !== '+')) return;
      event.preventDefault();
      louder(event.key === '+' ? 1 : -1);
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [active, louder]);
}
