/** Noise before and after: a clip under a stated support and distance; unlike set-ups are not compared. */
import {
  changeWords,
  jobSpeeds,
  noiseChange,
  type ClipSetup,
  type JobClip,
  type StageId,
} from '@amber-gauge/core/bench';
import { ticksATurn } from '@amber-gauge/core/speed';
import { fixed, numberIn, signed, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState } from 'react';
import { makeLine, submitWith, useOutbox } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { useStored } from '../../../shared/ui/useStored.js';
import tables from '../../../shared/ui/Table.module.css';
import { clipFigures } from '../../../workers/client.js';
import type { JobView } from '../useJobView.js';
import { CLIP_S, fetchSound, playSound, readClip, recordClip, wavOf, type ClipSound } from './clipSound.js';
import classes from './Prove.module.css';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
}

const SUPPORTS = ['on its feet', 'on foam', 'clamped', 'on the wooden blocks', 'in the hand', 'on a tin'] as const;

export function Noise({ view, stage, speedId }: Props) {
  const [support, setSupport] = useStored<string>(`amber-gauge-clip-support-${view.job.id}`, SUPPORTS[0]);
  const [distance, setDistance] = useStored(`amber-gauge-clip-cm-${view.job.id}`, '20');
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const cm = numberIn(distance);
  const good = cm !== null && cm > 0 && cm <= 1000;
  const take = async (from: () => Promise<ClipSound>) => {
    if (!good) return;
    setBusy(true);
    setTold('');
    try {
      const sound = await from();
      setTold(await keep(view, stage, { support, distanceCm: cm, device: sound.device, speedId }, sound));
    } catch (error) {
      setTold(error instanceof Error ? error.message : say`Nothing was heard.`);
    }
    setBusy(false);
  };
  return (
    <section className="stack" aria-label={say`Noise`}>
      <h2>{say`Noise, in clips`}</h2>
      <div className={classes.readings}>
        <Field
          select
          label={say`Held how`}
          value={support}
          onChange={(event) => setSupport(event.target.value)}
          sx={{ width: 220 }}
        >
          {SUPPORTS.map((one) => (
            <MenuItem key={one} value={one}>
              {said(one)}
            </MenuItem>
          ))}
        </Field>
        <Field
          label={say`From the microphone to it`}
          unit="cm"
          value={distance}
          onChange={(event) => setDistance(event.target.value)}
          error={!good}
          sx={{ width: 220 }}
        />
        <Button variant="outlined" disabled={busy || !good} onClick={() => void take(recordClip)}>
          {busy ? say`Listening` : say`Listen for ${CLIP_S} s`}
        </Button>
        <Button
          variant="outlined"
          disabled={busy || !good}
          onClick={() => file.current?.click()}
        >{say`From a file`}</Button>
        <input
          ref={file}
          type="file"
          accept="audio/*"
          hidden
          aria-label={say`Clip of the noise`}
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            event.target.value = '';
            if (chosen) void take(() => readClip(chosen));
          }}
        />
      </div>
      {told && <p role="status">{told}</p>}
      <Clips view={view} speedId={speedId} />
    </section>
  );
}

async function keep(view: JobView, stage: StageId, setup: ClipSetup, sound: ClipSound): Promise<string> {
  const figures = await clipFigures(sound.samples, sound.sampleRate);
  if (!figures) return say`Too short: a clip is two seconds or more.`;
  const clipId = crypto.randomUUID();
  const line = makeLine(stage, { kind: 'clip', clipId, sound: true, setup, figures });
  await submitWith(view.job.id, line, { sound: { clipId, bytes: wavOf(sound) } });
  return '';
}

function Clips({ view, speedId }: Pick<Props, 'view' | 'speedId'>) {
  const { clips } = view.state.proving;
  if (clips.length === 0) return null;
  const change = noiseChange(clips);
  // Matched to the quietest: nothing is turned up into clipping.
  const reference = Math.min(...clips.map((one) => one.body.figures.aWeighted.db));
  return (
    <>
      {change && 'refused' in change && <p>{say`Not compared: ${change.refused.join('; ')}.`}</p>}
      {change && !('refused' in change) && (
        <>
          <p className={classes.figure}>{say`${changeWords(change.aWeighted)}, A-weighted`}</p>
          <table className={tables.table} aria-label={say`Change by octave`}>
            <thead>
              <tr>
                <th>{say`octave`}</th>
                {change.octaves.map((one) => (
                  <th key={one.hz}>{one.hz}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              <tr>
                <td>dB</td>
                {change.octaves.map((one) => (
                  <td key={one.hz} className="mono">
                    {signed(one.by, 1)}
                  </td>
                ))}
              </tr>
              <tr>
                <td>±</td>
                {change.octaves.map((one) => (
                  <td key={one.hz} className="mono quiet">
                    {fixed((one.high - one.low) / 2, 1)}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </>
      )}
      <ul>
        {clips.map((clip) => (
          <ClipRow key={clip.key} clip={clip} reference={reference} rpm={rpmOf(view, speedId)} />
        ))}
      </ul>
    </>
  );
}

const rpmOf = (view: JobView, speedId: string): number | null =>
  view.state.speeds.find((one) => one.speedId === speedId)?.latest?.speed.rpm ??
  jobSpeeds(view.job).find((one) => one.id === speedId)?.nominalRpm ??
  null;

function ClipRow({
  clip,
  reference,
  rpm,
}: {
  readonly clip: JobClip;
  readonly reference: number;
  readonly rpm: number | null;
}) {
  const { figures, setup, clipId } = clip.body;
  const [told, setTold] = useState('');
  const waiting = useOutbox(({ entries }) => entries.find((entry) => entry.sound?.clipId === clipId)?.sound);
  const play = async () => {
    try {
      await playSound(waiting?.bytes ?? (await fetchSound(clipId)), reference - figures.aWeighted.db);
      setTold('');
    } catch (error) {
      setTold(error instanceof Error ? error.message : say`It cannot be played.`);
    }
  };
  const ticks = figures.ticks && [
    say`${fixed(figures.ticks.hz, 1)} ticks a second`,
    rpm === null ? '' : `${fixed(ticksATurn(figures.ticks.hz, rpm), 1)} a turn`,
    say`regular to ${fixed(100 * figures.ticks.regularity, 0)}${THIN}%`,
  ];
  return (
    <li className="row">
      <span>{say`${clip.when === 'before' ? say`before the work` : say`after the work`}: ${signed(figures.aWeighted.db, 1)}${THIN}dB A-weighted re full scale,
        ${setup.support}, ${fixed(setup.distanceCm, 0)}${THIN}cm; hum of ${figures.hum.mainsHz}${THIN}Hz mains
        ${fixed(100 * figures.hum.part, 0)}${THIN}%${ticks ? `; ${ticks.filter(Boolean).join(', ')}` : ''}`}</span>
      {clip.body.sound && <Button variant="outlined" onClick={() => void play()}>{say`Play, level-matched`}</Button>}
      {told && <span role="alert">{told}</span>}
    </li>
  );
}
