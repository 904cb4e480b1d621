/** Pulses on the line input: turns a minute as they come, a run on capture. */
import { fixed, signed } from '@amber-gauge/core/quantity';
import type { LivePulsesReading, LivePulsesWish } from '@amber-gauge/core/speed';
import { useState } from 'react';
import { LiveControls } from '../live/LiveControls.js';
import { useCaptureKey } from '../live/useCaptureKey.js';
import { useLive } from '../live/useLive.js';
import { Question } from './Question.js';
import type { Handing } from './useHanding.js';
import { withoutFile } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly wish: Omit<LivePulsesWish, 'sampleRate'>;
  readonly ready: boolean;
  readonly hand: Handing['hand'];
  readonly onLive: (live: boolean) => void;
}

export function LivePulses({ wish, ready, hand, onLive }: Props) {
  const [reading, setReading] = useState<LivePulsesReading | null>(null);
  const [clipped, setClipped] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const live = useLive(
    (heard) => {
      if (!('rpm' in heard)) return;
      if (heard.level.clipped) setClipped(true);
      setReading(heard);
    },
    (capture) => {
      setRefusal(capture.kind === 'refused' ? capture.message : null);
      if (capture.kind === 'run') void hand(withoutFile(capture.run, say`pulses heard live`));
    },
  );
  const start = (device?: string) => {
    setReading(null);
    setClipped(false);
    onLive(true);
    void live.start((sampleRate) => ({ of: 'pulses', wish: { ...wish, sampleRate } }), device);
  };
  const captureKey = useCaptureKey(live.state === 'on', live.capture);
  return (
    <>
      {live.state === 'on' && (
        <div className={classes.numbers} aria-label={say`Live reading`}>
          <span className={classes.number} data-testid="live-number">
            {reading?.rpm == null ? '–' : fixed(reading.rpm, reading.rpm < 1000 ? 2 : 0)}
            <span className={classes.unit}>{'\u202frpm'}</span>
          </span>
          <span className={classes.spread}>
            {reading?.errorPercent == null
              ? say`waiting for pulses`
              : say`${signed(reading.errorPercent, 2)} %, mean of the last two turns, ${reading.pulses} pulses`}
          </span>
        </div>
      )}
      <LiveControls
        state={live.state}
        devices={live.devices}
        deviceId={live.deviceId}
        onDevice={(id) => (live.state === 'on' ? start(id) : live.setDeviceId(id))}
        onStart={() => ready && start()}
        onStop={() => {
          live.stop();
          onLive(false);
        }}
        onCapture={live.capture}
        canCapture={reading?.kind === 'pulses'}
        captureKey={captureKey}
        level={live.state === 'on' ? (reading?.level ?? null) : null}
        clippedBefore={clipped}
      />
      {live.question && <Question question={live.question} onAnswer={live.answer} onCancel={() => live.answer(null)} />}
      {(live.problem ?? refusal) && (
        <p role="alert" className={classes.refused}>
          {live.problem ?? refusal}
        </p>
      )}
    </>
  );
}
