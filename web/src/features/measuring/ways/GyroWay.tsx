/** A phone's gyroscope log, flat on the platter. */
import { numberIn } from '@amber-gauge/core/quantity';
import { ROTATION_REFUSALS, type AxisUnit, type GyroColumns } from '@amber-gauge/core/speed';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { inWorker, STOPPED } from '../../../workers/speedClient.js';
import { GyroColumnsForm } from './ColumnsForm.js';
import { guessFor, type TableHead } from './columns.js';
import { FileDrop } from './FileDrop.js';
import { Unsaved } from './Unsaved.js';
import { useHanding } from './useHanding.js';
import { type WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Waiting {
  readonly file: File;
  readonly head: TableHead;
  readonly columns: GyroColumns;
}

export function GyroWay({ speed, onMeasured, passing }: WayProps) {
  const [scale, setScale] = useState('3');
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const handing = useHanding(onMeasured);
  const scaleLimitPercent = numberIn(scale);
  if (speed.nominalRpm === null) return <p>{say`A gyroscope lies on a platter. Choose a record speed.`}</p>;
  const nominalRpm = speed.nominalRpm;
  return (
    <div className={classes.way}>
      <FileDrop
        label={say`Log of the gyroscope`}
        button={say`Choose a log`}
        or={say`or drop the CSV here: time and three axes, a few seconds standing still, then turning`}
        disabled={scaleLimitPercent === null || scaleLimitPercent <= 0}
        measure={async (file) => {
          const guess = await guessFor(file, nominalRpm);
          if (guess.gyro === 'accelerometer') throw new Error(ROTATION_REFUSALS.ACCELEROMETER_ONLY);
          if (!guess.gyro) throw new Error(ROTATION_REFUSALS.NO_AXES);
          setWaiting({ file, head: guess.head, columns: guess.gyro });
          return null;
        }}
        onMeasured={() => Promise.resolve()}
        passing={passing}
      >
        <Field
          label={say`Scale within ± % (3: not calibrated)`}
          value={scale}
          onChange={(event) => setScale(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      </FileDrop>
      <p className="small quiet">{say`The phone in the middle, not slowing a weak drive. Many gyroscopes end at 250
        deg/s: 45 rpm is 270.`}</p>
      {waiting && scaleLimitPercent !== null && (
        <GyroColumnsForm
          key={waiting.file.name}
          head={waiting.head}
          columns={waiting.columns}
          onCancel={() => setWaiting(null)}
          onMeasure={async (columns, { axisUnit, ...answered }) => {
            const wish = {
              nominalRpm,
              scaleLimitPercent,
              columns,
              ...answered,
              ...(axisUnit ? { axisUnit: axisUnit as AxisUnit } : {}),
            };
            const result = await inWorker((api) => api.gyro(waiting.file, wish), STOPPED).answer;
            if (result.kind === 'refused') return result.message;
            if (result.kind === 'asked') return result.question;
            const { file } = waiting;
            setWaiting(null);
            await handing.hand({
              run: result.run,
              fileName: file.name,
              fileBytes: file.size,
              sha256: result.sha256,
              source: null,
              recording: null,
            });
            return null;
          }}
        />
      )}
      <Unsaved handing={handing} />
    </div>
  );
}
