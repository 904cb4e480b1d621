/** The motor's own sound: blades, bars or pole pairs counted, the speed from their harmonics. */
import { numberIn } from '@amber-gauge/core/quantity';
import { SOUND_DEFAULTS, SOUND_LINES, type SoundLines } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { decodeElse, inWorker, reporting, STOPPED } from '../../../workers/speedClient.js';
import { FileDrop } from './FileDrop.js';
import { Unsaved } from './Unsaved.js';
import { usePracticeStands } from './practiceStands.js';
import { useHanding } from './useHanding.js';
import { type WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { said, say } from '@amber-gauge/core/words';

const COUNT_WORDS: Readonly<Record<SoundLines, string>> = {
  blades: say`Blades`,
  bars: say`Commutator bars`,
  'pole pairs': say`Pole pairs`,
  'once a turn': say`Once a turn`,
};

export function SoundWay({ onMeasured, passing }: Pick<WayProps, 'onMeasured' | 'passing'>) {
  const clockLimitPpm = useSettings().data?.clockLimitPpm ?? 100;
  const [lines, setLines] = useState<SoundLines>('blades');
  const [count, setCount] = useState('');
  const [low, setLow] = useState(String(SOUND_DEFAULTS.lowestRpm));
  const [high, setHigh] = useState(String(SOUND_DEFAULTS.highestRpm));
  const [nominal, setNominal] = useState('');
  const [reversing, setReversing] = useState(false);
  const wav = usePracticeStands((state) => state.wav);
  const [taken, setTaken] = useState<File | null>(null);
  const handing = useHanding(onMeasured);
  const counted = lines === 'once a turn' ? 1 : Math.round(numberIn(count) ?? 0);
  const [minRpm, maxRpm] = [numberIn(low) ?? 0, numberIn(high) ?? 0];
  const ready = counted >= 1 && minRpm > 0 && maxRpm > minRpm;
  const field = (label: string, value: string, set: (text: string) => void) => (
    <Field
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 150 }}
    />
  );
  return (
    <div className={classes.way}>
      <div className="row">
        <Field
          select
          label={say`It sounds of`}
          value={lines}
          onChange={(event) => setLines(event.target.value as SoundLines)}
        >
          {SOUND_LINES.map((one) => (
            <MenuItem key={one} value={one}>
              {said(one)}
            </MenuItem>
          ))}
        </Field>
        {lines !== 'once a turn' && field(COUNT_WORDS[lines], count, setCount)}
        {field(say`From, rpm`, low, setLow)}
        {field(say`to, rpm`, high, setHigh)}
        {field(say`Nominal, rpm`, nominal, setNominal)}
        <FormControlLabel
          control={<Checkbox checked={reversing} onChange={(event) => setReversing(event.target.checked)} />}
          label={say`reverses in turn`}
        />
      </div>
      <FileDrop
        label={say`Recording of the sound`}
        button={say`Choose a recording`}
        or={say`or drop one of the running motor here: five seconds or more, close by`}
        disabled={!ready}
        passing={passing}
        given={taken}
        measure={async (file, report) => {
          const decoded = await decodeElse(file);
          const wish = {
            lines,
            count: counted,
            minRpm,
            maxRpm,
            nominalRpm: numberIn(nominal),
            reversing,
            clockLimitPercent: clockLimitPpm / 1e4,
          };
          return inWorker((api) => api.sound(file, decoded, wish, reporting(report)), STOPPED);
        }}
        onMeasured={(answer, file) =>
          handing.hand({
            run: answer.run,
            fileName: file.name,
            fileBytes: file.size,
            sha256: answer.sha256,
            source: null,
            recording: null,
          })
        }
      >
        {wav && (
          <Button
            variant="outlined"
            disabled={!ready}
            onClick={() => setTaken(new File([wav], 'practice-sound.wav', { type: 'audio/wav' }))}
          >{say`Take the sound of the practice bench`}</Button>
        )}
      </FileDrop>
      {!ready && (
        <p className="quiet">{say`Count the blades, bars or pole pairs and type them: the count decides the speed. An
          odd number of bars commutates twice for each.`}</p>
      )}
      <Unsaved handing={handing} />
    </div>
  );
}
