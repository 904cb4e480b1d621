/** A recording of the test tone: WAV, or what the browser decodes; one tone or several in a row. */
import { referenceUncertainty } from '@amber-gauge/core/bench';
import type { Answer } from '@amber-gauge/core/speed';
import type { Source } from '@amber-gauge/contract';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { decodeElse, inWorker, reporting, STOPPED, type Report } from '../../../workers/speedClient.js';
import type { OtherBand } from '../../../workers/speed.worker.js';
import { FileDrop } from './FileDrop.js';
import { NO_SOURCE, SourceChoice } from './SourceChoice.js';
import { TonesInARow } from './TonesInARow.js';
import { PlayedQuestion } from './PlayedQuestion.js';
import { Unsaved } from './Unsaved.js';
import { useHanding } from './useHanding.js';
import type { Measured, WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

/** Largest recording that may be kept with the job, bytes; the server holds the same limit. */
const KEEP_LIMIT = 64 * 1024 * 1024;

/** What the browser decoded is lossy unless its name says FLAC or the like. */
const isLossy = (file: File): boolean => !/\.(flac|aiff?|alac|caf)$/i.test(file.name);

interface Asked {
  readonly measured: Measured;
  readonly file: File;
  readonly with3000: Source | null;
}

export function RecordingWay({ family, source, sources, onSource, onMeasured, passing }: WayProps) {
  const settings = useSettings().data;
  const [keepRecording, setKeep] = useState(false);
  const [bands, setBands] = useState<readonly OtherBand[]>([]);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const handing = useHanding(onMeasured);
  if (!source) return <p>{NO_SOURCE}</p>;
  const measure = async (file: File, report: Report, { fromS, toS, asIs }: Answer = {}, against: Source = source) => {
    const decoded = await decodeElse(file);
    const wish = {
      nominalHz: against.nominalHz,
      referenceUncertaintyPercent: referenceUncertainty(against),
      clockLimitPercent: (settings?.clockLimitPpm ?? 100) / 1e4,
      clockCorrectionPpm: settings?.clockCorrectionPpm ?? 0,
      lossy: decoded !== null && isLossy(file),
      ...(fromS === undefined ? {} : { fromS }),
      ...(toS === undefined ? {} : { toS }),
      ...(asIs ? { asIs } : {}),
    };
    return inWorker((api) => api.tone(file, decoded, wish, reporting(report)), STOPPED);
  };
  const again = async ({ file, with3000 }: Asked) => {
    if (!with3000) return;
    const answer = await (await measure(file, () => {}, {}, with3000)).answer;
    // What was measured first stands, and the question with it, until it is measured anew.
    if (answer.kind !== 'measured')
      return setFailed(answer.kind === 'refused' ? answer.message : answer.question.message);
    setAsked(null);
    onSource(with3000.id);
    await handing.hand(measuredOf(file, answer.run, answer.sha256, with3000, keepRecording));
  };
  return (
    <>
      <FileDrop
        label={say`Recording of the test tone`}
        button={say`Choose a recording`}
        or={say`or drop it here: WAV, FLAC, MP3, AAC`}
        measure={measure}
        passing={passing}
        onMeasured={async (answer, file) => {
          const measured = measuredOf(file, answer.run, answer.sha256, source, keepRecording);
          setBands(answer.bands);
          if (answer.run.warnings.includes('MAYBE_3000_HZ_TAPE')) {
            const with3000 = sources.find((one) => one.nominalHz === 3000) ?? null;
            setFailed(null);
            return setAsked({ measured, file, with3000 });
          }
          await handing.hand(measured);
        }}
      >
        <SourceChoice source={source} sources={sources} onSource={onSource} />
        <FormControlLabel
          control={<Checkbox checked={keepRecording} onChange={(event) => setKeep(event.target.checked)} />}
          label={say`keep the recording`}
        />
      </FileDrop>
      {handing.question && (
        <PlayedQuestion
          measured={handing.question}
          family={family}
          onAnswer={(answered) => void handing.hand(answered)}
        />
      )}
      <Unsaved handing={handing} />
      {asked && (
        <div role="alert" className={classes.asked}>
          <p
            className={classes.dropWord}
          >{say`The tone sits near 3000 Hz, ${(asked.measured.run.errorPercent ?? 0).toFixed(1).replace('-', '−')} %
            of ${source.nominalHz} Hz. Is this a 3000 Hz tape?`}</p>
          <div className="row">
            {asked.with3000 ? (
              <Button
                variant="contained"
                onClick={() => void again(asked).catch((error: Error) => setFailed(error.message))}
              >{say`Yes: ${asked.with3000.name}`}</Button>
            ) : (
              <span>{say`If it is, add it in Set-up with 3000 Hz and drop the recording again.`}</span>
            )}
            <Button
              variant="outlined"
              onClick={() => {
                setAsked(null);
                void handing.hand(asked.measured);
              }}
            >{say`No, the unit is that slow`}</Button>
          </div>
          {failed !== null && <p className={classes.refused}>{failed}</p>}
        </div>
      )}
      {bands.length > 1 && <TonesInARow bands={bands} />}
    </>
  );
}

function measuredOf(file: File, run: Measured['run'], sha256: string, source: Source, keep: boolean): Measured {
  return {
    run,
    fileName: file.name,
    fileBytes: file.size,
    sha256,
    source,
    recording: keep && file.size <= KEEP_LIMIT ? file : null,
  };
}
