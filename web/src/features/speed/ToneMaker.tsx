/** Exact test tones as WAV files, to check the chain from player to meter end to end. */
import { fixed, numberIn } from '@amber-gauge/core/quantity';
import { TEST_TONES_HZ, type SynthTone } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../shared/ui/Field.js';
import { useState } from 'react';
import { Link } from 'react-router';
import { download } from '../../shared/ui/download.js';
import { inWorker } from '../../workers/speedClient.js';
import classes from '../measuring/Desk.module.css';
import { say } from '@amber-gauge/core/words';

const RATES = [44100, 48000, 96000, 192000] as const;
const CODINGS = [
  ['s16', '16 bit'],
  ['s24', '24 bit'],
  ['f32', say`32 bit float`],
] as const;
type Coding = (typeof CODINGS)[number][0];

/** Largest file made in one piece, seconds times rate. */
const MOST_SAMPLES = 40_000_000;

export function ToneMaker() {
  const [hz, setHz] = useState<string>(String(TEST_TONES_HZ[0]));
  const [rate, setRate] = useState<number>(48000);
  const [coding, setCoding] = useState<Coding>('s24');
  const [seconds, setSeconds] = useState('60');
  const [error, setError] = useState('0');
  const [wowHz, setWowHz] = useState('0.5556');
  const [wow, setWow] = useState('0');
  const [level, setLevel] = useState('-6');
  const [busy, setBusy] = useState(false);
  const values = { hz, seconds, error, wowHz, wow, level };
  const wrong = problemOf(values, rate);
  const make = async () => {
    setBusy(true);
    const wish: SynthTone = {
      sampleRate: rate,
      durationS: numberIn(seconds) ?? 0,
      nominalHz: numberIn(hz) ?? 0,
      errorPercent: numberIn(error) ?? 0,
      amplitude: 10 ** ((numberIn(level) ?? 0) / 20),
      lines: (numberIn(wow) ?? 0) > 0 ? [{ hz: numberIn(wowHz) ?? 0, peakPercent: numberIn(wow) ?? 0 }] : [],
    };
    const made = await inWorker<Blob | null>(async (api) => api.make(wish, coding), null).answer;
    if (made) download(nameOf(values, rate), 'audio/wav', made);
    setBusy(false);
  };
  const field = (label: string, value: string, set: (text: string) => void) => (
    <Field
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
  const played = (numberIn(hz) ?? 0) * (1 + (numberIn(error) ?? 0) / 100);
  return (
    <main className={classes.desk}>
      <h1 className="prompt">{say`Make a test tone`}</h1>
      <p className={classes.lead}>
        {say`The file is exact to its sample clock. Played from one device into another it shows what the chain adds:
          drop the recording on the `}
        <Link to="/speed">{say`speed desk`}</Link>
        {say` and the meter must read what stands here.`}
      </p>
      <div className={classes.maker}>
        <Field
          select
          label={say`Tone`}
          value={TEST_TONES_HZ.some((one) => String(one) === hz) ? hz : 'own'}
          onChange={(event) => setHz(event.target.value === 'own' ? '' : event.target.value)}
        >
          {TEST_TONES_HZ.map((one) => (
            <MenuItem key={one} value={String(one)}>
              {one} Hz
            </MenuItem>
          ))}
          <MenuItem value="own">{say`another`}</MenuItem>
        </Field>
        {!TEST_TONES_HZ.some((one) => String(one) === hz) && field(say`Frequency, Hz`, hz, setHz)}
        <Field select label={say`Sample rate`} value={rate} onChange={(event) => setRate(Number(event.target.value))}>
          {RATES.map((one) => (
            <MenuItem key={one} value={one}>
              {one} Hz
            </MenuItem>
          ))}
        </Field>
        <Field select label={say`Samples`} value={coding} onChange={(event) => setCoding(event.target.value as Coding)}>
          {CODINGS.map(([id, words]) => (
            <MenuItem key={id} value={id}>
              {words}
            </MenuItem>
          ))}
        </Field>
        {field(say`Length, s`, seconds, setSeconds)}
        {field(say`Speed error, %`, error, setError)}
        {field(say`Wow or flutter, % peak`, wow, setWow)}
        {field(say`at, Hz`, wowHz, setWowHz)}
        {field(say`Peak level, dB of full scale`, level, setLevel)}
      </div>
      {wrong ? (
        <p role="alert" className="danger">
          {wrong}
        </p>
      ) : (
        <p className="reading">{fixed(played, 3)} Hz</p>
      )}
      <div className="row">
        <Button
          variant="contained"
          className={classes.makeKey ?? ''}
          disabled={wrong !== null || busy}
          onClick={() => void make()}
        >
          {busy ? say`Making it` : say`Save as WAV`}
        </Button>
      </div>
      <CheckTheChain />
    </main>
  );
}

function CheckTheChain() {
  return (
    <>
      <h2>{say`To check the chain`}</h2>
      <ol className={classes.steps ?? ''}>
        <li>{say`Drop the saved file on the speed desk as it is: error and wow must read what stands above.`}</li>
        <li>{say`Play it into the line input and record it there: what the error differs by is the two clocks.`}</li>
        <li>{say`Never over a wireless speaker or a phone call: they stretch time on their own.`}</li>
      </ol>
    </>
  );
}

type Values = Readonly<Record<'hz' | 'seconds' | 'error' | 'wowHz' | 'wow' | 'level', string>>;

/** What is wrong with the wish, in words; null when nothing is. */
function problemOf(values: Values, rate: number): string | null {
  const [hz, seconds, error, wowHz, wow, level] = (['hz', 'seconds', 'error', 'wowHz', 'wow', 'level'] as const).map(
    (name) => numberIn(values[name]),
  );
  if (hz === null || hz === undefined || hz < 20 || hz > 0.4 * rate)
    return say`The tone lies between 20 and ${0.4 * rate} Hz.`;
  if (seconds === null || seconds === undefined || seconds < 1) return say`At least one second.`;
  if (seconds * rate > MOST_SAMPLES) return say`At most ${Math.floor(MOST_SAMPLES / rate)} s at this rate.`;
  if (error === null || error === undefined || Math.abs(error) > 50) return say`The speed error lies within ±50 %.`;
  if (wow === null || wow === undefined || wow < 0 || wow > 10) return say`Wow lies between 0 and 10 %.`;
  if (wow > 0 && !(wowHz && wowHz >= 0.05 && wowHz <= 500)) return say`Wow and flutter lie between 0.05 and 500 Hz.`;
  if (level === null || level === undefined || level > 0 || level < -60)
    return say`The level lies between −60 and 0 dB.`;
  return null;
}

const nameOf = (values: Values, rate: number): string =>
  `tone-${values.hz}Hz${Number(values.error) === 0 ? '' : `-${values.error}pc`}${Number(values.wow) === 0 ? '' : `-wow${values.wow}pc-${values.wowHz}Hz`}-${rate}.wav`;
