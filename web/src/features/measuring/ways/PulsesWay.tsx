/** Pulses of a shaft: a table of times, a scope capture, a recording, or live on the line input. */
import { numberIn } from '@amber-gauge/core/quantity';
import { guessFor, type TableHead } from './columns.js';
import { MOST_PER_TURN, type Answer, type PulseColumns } from '@amber-gauge/core/speed';
import { isTable } from './kinds.js';
import { Field } from '../../../shared/ui/Field.js';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { decodeElse, inWorker, reporting, STOPPED, type Report } from '../../../workers/speedClient.js';
import { PulseColumnsForm } from './ColumnsForm.js';
import { FileDrop } from './FileDrop.js';
import { LivePulses } from './LivePulses.js';
import { TakeTrace } from './TakeTrace.js';
import { Unsaved } from './Unsaved.js';
import { useHanding } from './useHanding.js';
import { type WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Waiting {
  readonly file: File;
  readonly head: TableHead;
  readonly columns: PulseColumns;
}

export function PulsesWay({ speed, onMeasured, onLive, passing }: WayProps) {
  const [from, setFrom] = useState<'file' | 'live'>('file');
  const [perTurn, setPerTurn] = useState('1');
  const [rpm, setRpm] = useState(speed.nominalRpm === null ? '' : String(Number(speed.nominalRpm.toFixed(4))));
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const handing = useHanding(onMeasured);
  const per = Math.round(numberIn(perTurn) ?? 0);
  const nominalRpm = numberIn(rpm) ?? 0;
  const tooMany = per > MOST_PER_TURN;
  const ready = per >= 1 && !tooMany && nominalRpm > 0;
  const wish = { perTurn: per, nominalRpm };
  const keep = (answer: Parameters<Parameters<typeof FileDrop>[0]['onMeasured']>[0], file: File) =>
    handing.hand({
      run: answer.run,
      fileName: file.name,
      fileBytes: file.size,
      sha256: answer.sha256,
      source: null,
      recording: null,
    });
  const measure = async (file: File, report: Report, answered: Answer) => {
    if (!isTable(file)) {
      const decoded = await decodeElse(file);
      return inWorker((api) => api.pulseRecording(file, decoded, { ...wish, ...answered }, reporting(report)), STOPPED);
    }
    await ask(file);
    return null;
  };
  const ask = async (file: File) => {
    const head = await guessFor(file);
    setWaiting({ file, head: head.head, columns: head.pulses });
  };
  return (
    <div className={classes.way}>
      <div className="row">
        <ToggleButtonGroup
          exclusive
          size="small"
          value={from}
          onChange={(_event, value: 'file' | 'live' | null) => value && setFrom(value)}
          aria-label={say`Pulses from`}
        >
          <ToggleButton value="file">{say`a file`}</ToggleButton>
          <ToggleButton value="live">{say`the line input`}</ToggleButton>
        </ToggleButtonGroup>
        <Field
          label={say`Pulses a turn`}
          value={perTurn}
          onChange={(event) => setPerTurn(event.target.value)}
          error={tooMany}
          helperText={tooMany ? say`At most ${MOST_PER_TURN}` : undefined}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Field
          label={say`Nominal of this shaft, rpm`}
          value={rpm}
          onChange={(event) => setRpm(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        {!ready && <span className="quiet">{say`Type how many pulses a turn and the speed they should show.`}</span>}
      </div>
      {from === 'live' && <LivePulses wish={wish} ready={ready} hand={handing.hand} onLive={onLive} />}
      {from === 'file' && (
        <FileDrop
          label={say`File of pulses`}
          button={say`Choose a file`}
          or={say`or drop it here: CSV of times or of a scope, WAV of the pulses or of the generator’s sine`}
          disabled={!ready}
          measure={measure}
          passing={passing}
          onMeasured={keep}
        >
          <TakeTrace disabled={!ready} onFile={(file) => void ask(file)} />
        </FileDrop>
      )}
      {waiting && (
        <PulseColumnsForm
          key={waiting.file.name}
          head={waiting.head}
          columns={waiting.columns}
          onCancel={() => setWaiting(null)}
          onMeasure={async (columns, answered) => {
            const asked = { ...wish, columns, ...answered };
            const result = await inWorker((api) => api.pulseTable(waiting.file, asked), STOPPED).answer;
            if (result.kind === 'refused') return result.message;
            if (result.kind === 'asked') return result.question;
            setWaiting(null);
            await keep(result, waiting.file);
            return null;
          }}
        />
      )}
      <Unsaved handing={handing} />
    </div>
  );
}
