/** The test tone heard live: the ribbon's edge follows, the number is the mean of whole turns. */
import { referenceUncertainty } from '@amber-gauge/core/bench';
import { errorDecimals, fixed, signed, type Tolerance } from '@amber-gauge/core/quantity';
import { centreLabel, judge, verdictWords, type LiveReading } from '@amber-gauge/core/speed';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { RibbonLarge } from '../../../shared/ribbon/RibbonLarge.js';
import { BySelf } from '../live/BySelf.js';
import { LiveControls } from '../live/LiveControls.js';
import { useCaptureKey } from '../live/useCaptureKey.js';
import { useLive } from '../live/useLive.js';
import { useShare } from '../../../shared/live/share.js';
import { captureWords, frameOf, MEAN_WORDS } from '../live/frame.js';
import { NO_SOURCE, SourceChoice } from './SourceChoice.js';
import { PlayedQuestion } from './PlayedQuestion.js';
import { Unsaved } from './Unsaved.js';
import { useHanding } from './useHanding.js';
import { withoutFile, type WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

const READINGS_PER_S = 20;
const TRAIL_S = 60;

interface Heard {
  readonly reading: LiveReading | null;
  /** Edge of every reading with a tone, the last minute. */
  readonly trail: readonly number[];
}

const NOTHING: Heard = { reading: null, trail: [] };

export function LiveToneWay(props: WayProps) {
  const { family, source, sources, onSource, speed, limits, onMeasured, onLive } = props;
  const settings = useSettings().data;
  const [{ reading, trail }, setHeard] = useState<Heard>(NOTHING);
  const [clipped, setClipped] = useState(false);
  const [everyS, setEvery] = useState(0);
  const [refusal, setRefusal] = useState<string | null>(null);
  const handing = useHanding(onMeasured);
  const { share, onCapture, tellCapture } = useShare();
  const live = useLive(
    (heard) => {
      if ('pulses' in heard) return;
      share(frameOf(heard, { what: family.name, speed, limits }));
      if (heard.level.clipped) setClipped(true);
      setHeard((old) => ({
        reading: heard,
        trail: heard.kind === 'tone' ? [...old.trail, heard.edgePercent].slice(-TRAIL_S * READINGS_PER_S) : old.trail,
      }));
    },
    (capture) => {
      setRefusal(capture.kind === 'refused' ? capture.message : null);
      if (capture.kind !== 'run') return tellCapture(captureWords(capture, 'asked'));
      void handing
        .hand(withoutFile(capture.run, say`heard live`, source))
        .then((handed) => tellCapture(captureWords(capture, handed)));
    },
  );
  const listening = useCallback(
    (sampleRate: number) => ({
      of: 'tone' as const,
      wish: {
        sampleRate,
        nominalHz: source?.nominalHz ?? 3150,
        turnS: speed.nominalRpm === null ? null : 60 / speed.nominalRpm,
        referenceUncertaintyPercent: source ? referenceUncertainty(source) : null,
        clockLimitPercent: (settings?.clockLimitPpm ?? 100) / 1e4,
        clockCorrectionPpm: settings?.clockCorrectionPpm ?? 0,
      },
    }),
    [source, speed, settings],
  );
  const start = (device?: string) => {
    setHeard(NOTHING);
    setClipped(false);
    onLive(true);
    void live.start(listening, device);
  };
  const stop = () => {
    live.stop();
    onLive(false);
  };
  const captureKey = useCaptureKey(live.state === 'on', live.capture);
  useEffect(() => onCapture(live.capture), [onCapture, live.capture]);
  if (!source) return <p>{NO_SOURCE}</p>;
  return (
    <div className={classes.way}>
      {live.state === 'on' && <LiveReadout reading={reading} limits={limits} rpm={speed.nominalRpm} trail={trail} />}
      <LiveControls
        state={live.state}
        devices={live.devices}
        deviceId={live.deviceId}
        onDevice={(id) => (live.state === 'on' ? start(id) : live.setDeviceId(id))}
        onStart={() => start()}
        onStop={stop}
        onCapture={live.capture}
        canCapture={reading?.kind === 'tone'}
        captureKey={captureKey}
        level={live.state === 'on' ? (reading?.level ?? null) : null}
        clippedBefore={clipped}
      />
      {live.state === 'on' && (
        <BySelf everyS={everyS} onEvery={setEvery} heard={reading?.kind === 'tone'} sample={live.sample} />
      )}
      {live.state !== 'on' && (
        <div className="row">
          <SourceChoice source={source} sources={sources} onSource={onSource} />
          <span className="quiet">{say`Line cable or microphone; not over Bluetooth and not through a voice call:
            their clocks and codecs shift the tone.`}</span>
        </div>
      )}
      {(live.problem ?? refusal) && (
        <p role="alert" className={classes.refused}>
          {live.problem ?? refusal}
        </p>
      )}
      {handing.question && (
        <PlayedQuestion
          measured={handing.question}
          family={family}
          onAnswer={(answered) => void handing.hand(answered)}
        />
      )}
      <Unsaved handing={handing} />
    </div>
  );
}

interface ReadoutProps {
  readonly reading: LiveReading | null;
  readonly limits: Tolerance;
  readonly rpm: number | null;
  readonly trail: readonly number[];
}

/** The edge in the ribbon, the mean as the number; when the tone ends the last of both stay, greyed by a word. */
function LiveReadout({ reading, limits, rpm, trail }: ReadoutProps) {
  const last = useLast(reading);
  const ribbon = useMemo(
    () => ({
      turned: true,
      errorPercent: last?.edgePercent ?? null,
      expandedPercent: last?.mean.expandedPercent ?? null,
      wowPeakPercent: last?.halfWidthPercent ?? null,
    }),
    [last],
  );
  const decimals = errorDecimals(last?.mean.expandedPercent ?? null);
  const words =
    reading?.kind === 'tone'
      ? MEAN_WORDS[reading.mean.of]
      : reading?.kind === 'ended'
        ? say`tone ended`
        : say`waiting for the tone`;
  return (
    <section className={classes.readout} aria-label={say`Live reading`} data-state={reading?.kind ?? 'waiting'}>
      <RibbonLarge
        reading={ribbon}
        limits={limits}
        centre={centreLabel(rpm, '0')}
        trail={{ stepS: 1 / READINGS_PER_S, errorPercent: trail }}
        describe={words}
      />
      <div className={classes.numbers}>
        <span className={classes.number} data-testid="live-number">
          {last ? signed(last.mean.errorPercent, decimals) : '–'}
          <span className={classes.unit}>{last ? '\u202f%' : ''}</span>
        </span>
        {last && <span className={classes.spread}>± {fixed(last.mean.expandedPercent, decimals)} %</span>}
        {last && reading?.kind === 'tone' && (
          <span className={classes.verdict}>
            {verdictWords(judge(last.mean.errorPercent, last.mean.expandedPercent, limits))}
          </span>
        )}
        <span className={classes.spread} role="status">
          {words}
        </span>
      </div>
      {last && (
        <p className="quiet">{say`${fixed(last.hz, 2)} Hz over ${fixed(last.mean.overS, 1)} s · wow
          ±${fixed(last.halfWidthPercent, 2)} %`}</p>
      )}
    </section>
  );
}

type ToneReading = LiveReading & { readonly kind: 'tone' };

/** The last reading that held a tone. */
function useLast(reading: LiveReading | null): ToneReading | null {
  const [last, setLast] = useState<ToneReading | null>(null);
  if (reading?.kind === 'tone' && reading !== last) setLast(reading);
  return reading?.kind === 'tone' ? reading : last;
}
