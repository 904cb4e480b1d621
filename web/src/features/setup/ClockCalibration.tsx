/** The sound card's clock against a known frequency: from a recording to correction and limit. */
import type { Settings } from '@amber-gauge/contract';
import { fixed, signed, numberIn } from '@amber-gauge/core/quantity';
import { calibrateClock, type ClockCalibration as Found, type SpeedRun } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import { Field } from '../../shared/ui/Field.js';
import { useState } from 'react';
import { decodeElse, inWorker, reporting, STOPPED } from '../../workers/speedClient.js';
import { FileDrop } from '../measuring/ways/FileDrop.js';
import { useSettingsChange } from './useSettingsChange.js';
import { say } from '@amber-gauge/core/words';

interface Answer extends Found {
  readonly readHz: number;
}

export function ClockCalibration({ settings }: { readonly settings: Settings }) {
  const { change } = useSettingsChange();
  const [hz, setHz] = useState('1000');
  const [limit, setLimit] = useState('1');
  const [found, setFound] = useState<Answer | null>(null);
  const [referenceHz, limitPpm] = [numberIn(hz) ?? 0, numberIn(limit) ?? -1];
  const ready = referenceHz >= 20 && referenceHz <= 20000 && limitPpm >= 0;
  const evaluate = (run: SpeedRun) => {
    // Only the noise counts here: the clock is what is being measured.
    const noise = run.uncertainty.find((part) => part.name === 'noise')?.standardPercent ?? 0;
    setFound({ ...calibrateClock(referenceHz, limitPpm, run.mean, 2e4 * noise), readHz: run.mean });
  };
  return (
    <section className="stack" aria-label={say`Calibrate the sound card`}>
      <p>{say`Record a frequency that is known (a standard, a broadcast time signal, a calibrated generator) for a
          minute with this sound card and drop it here. The card runs at ${settings.clockCorrectionPpm === 0 ? say`its own rate` : `${signed(settings.clockCorrectionPpm, 2)} ppm`} now, within ±${settings.clockLimitPpm} ppm.`}</p>
      <div className="row">
        <Field label={say`Known frequency, Hz`} value={hz} onChange={(event) => setHz(event.target.value)} />
        <Field label={say`Known within ± ppm`} value={limit} onChange={(event) => setLimit(event.target.value)} />
      </div>
      <FileDrop
        label={say`Recording of the known frequency`}
        button={say`Choose a recording`}
        or={say`or drop it here`}
        disabled={!ready}
        measure={async (file, report) => {
          const decoded = await decodeElse(file);
          const wish = { nominalHz: referenceHz, clockLimitPercent: 0.01 };
          return inWorker((api) => api.tone(file, decoded, wish, reporting(report)), STOPPED);
        }}
        onMeasured={(answer) => {
          evaluate(answer.run);
          return Promise.resolve();
        }}
      />
      {found && (
        <div className="row">
          <p role="status">{say`Read as ${fixed(found.readHz, 5)} Hz: correction ${signed(found.correctionPpm, 2)}
            ppm, then within ±${fixed(found.limitPpm, 1)} ppm.`}</p>
          <Button
            variant="contained"
            onClick={() =>
              change.mutate(
                {
                  version: settings.version,
                  fields: {
                    clockCorrectionPpm: found.correctionPpm,
                    clockLimitPpm: Number(found.limitPpm.toPrecision(3)),
                  },
                },
                { onSuccess: () => setFound(null) },
              )
            }
          >{say`Use it`}</Button>
        </div>
      )}
      {change.error && (
        <p role="alert" className="danger">
          {change.error.message}
        </p>
      )}
    </section>
  );
}
