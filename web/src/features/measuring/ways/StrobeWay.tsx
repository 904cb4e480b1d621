/** A strobe count: lamp, ring, where one looks, which way it turns, how many bars; signed rightly. */
import { fixed, signed, numberIn } from '@amber-gauge/core/quantity';
import {
  flashRate,
  otherStandstills,
  readStrobe,
  ringBars,
  runOfStrobe,
  STROBE_REFUSALS,
  STROBE_WARNINGS,
  wrongRingWords,
  type StrobeLamp,
  type StrobeLook,
} from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { StrobeCount } from './StrobeCount.js';
import { Unsaved } from './Unsaved.js';
import { useHanding } from './useHanding.js';
import { withoutFile, type WayProps } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

const LAMPS: readonly (readonly [StrobeLamp, string])[] = [
  ['mains', say`lamp on the mains, both half-waves`],
  ['half-wave', say`lamp behind one diode`],
  ['crystal', say`crystal strobe lamp`],
  ['own-crystal', say`the deck’s own crystal lamp`],
  ['steady', say`LED on direct current, or no idea`],
];

const SENSES = [
  ['clockwise', say`clockwise from above`],
  ['counter', say`counter-clockwise`],
] as const;

const CAMERAS = [
  ['none', say`by eye`],
  ['plain', say`through a camera`],
  ['mirrored', say`mirrored (selfie) camera`],
] as const;

/** "50 Hz mains light", or the lamp's own name. */
function lightWords({ lamp, measuredMainsHz, mainsHz }: StrobeLook): string {
  const onMains = lamp === 'mains' || lamp === 'half-wave';
  return onMains ? say`${measuredMainsHz ?? mainsHz} Hz mains light` : (LAMPS.find(([id]) => id === lamp)?.[1] ?? lamp);
}

export function StrobeWay({ speed, onMeasured }: Pick<WayProps, 'speed' | 'onMeasured'>) {
  const mainsHz = useSettings().data?.mainsHz ?? 50;
  const [lamp, setLamp] = useState<StrobeLamp>('mains');
  const [measuredMains, setMeasuredMains] = useState('');
  const [ring, setRing] = useState('');
  const [sense, setSense] = useState<'clockwise' | 'counter'>('clockwise');
  const [camera, setCamera] = useState<StrobeLook['camera']>('none');
  const [direction, setDirection] = useState<StrobeLook['direction']>('left');
  const [edge, setEdge] = useState<StrobeLook['edge']>('near');
  const [bars, setBars] = useState('');
  const [overS, setOverS] = useState('30');
  const handing = useHanding(onMeasured);
  if (speed.nominalRpm === null) return <p>{say`A strobe disc is for platters. Choose a record speed.`}</p>;
  const usual = ringBars(flashRate(lamp, mainsHz), speed.nominalRpm);
  const look: StrobeLook = {
    nominalRpm: speed.nominalRpm,
    mainsHz,
    measuredMainsHz: numberIn(measuredMains),
    lamp,
    ringBars: Math.max(1, Math.round(numberIn(ring) ?? usual)),
    direction,
    edge,
    bars: numberIn(bars) ?? 0,
    overS: numberIn(overS) ?? 0,
    clockwise: sense === 'clockwise',
    camera,
  };
  const counted = direction === 'still' || bars.trim() !== '';
  const reading = counted ? readStrobe(look) : null;
  const others = otherStandstills(look.ringBars, flashRate(lamp, mainsHz));
  const keep = () => {
    if (reading?.kind === 'measured')
      void handing.hand(withoutFile(runOfStrobe(reading), say`${look.ringBars} bars, ${lightWords(look)}`));
  };
  return (
    <div className={classes.way}>
      <p>
        {say`Look at the ring of `}
        <strong>{say`${usual} bars`}</strong>
        {say`. It also seems to stand still at ${fixed(others.double, 1)} rpm and, with twice the bars, at
          ${fixed(others.half, 1)} rpm.`}
      </p>
      <StrobeCount
        direction={direction}
        onDirection={setDirection}
        edge={edge}
        onEdge={setEdge}
        bars={bars}
        onBars={setBars}
        overS={overS}
        onOverS={setOverS}
      >
        <Button
          variant="contained"
          className={classes.main ?? ''}
          disabled={reading?.kind !== 'measured'}
          onClick={keep}
        >
          {reading?.kind === 'measured' ? say`Keep ${signed(reading.errorPercent, 2)} %` : say`Keep`}
        </Button>
      </StrobeCount>
      <div className="row">
        <Choice label={say`Light`} value={lamp} onValue={setLamp} options={LAMPS} />
        <Field
          label={say`Mains measured, Hz`}
          placeholder={String(mainsHz)}
          value={measuredMains}
          onChange={(event) => setMeasuredMains(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ width: 220 }}
        />
        <Field
          label={say`Bars of the ring`}
          placeholder={String(usual)}
          value={ring}
          onChange={(event) => setRing(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 160 }}
        />
        <Choice label={say`The platter turns`} value={sense} onValue={setSense} options={SENSES} />
        <Choice label={say`Seen`} value={camera} onValue={setCamera} options={CAMERAS} />
      </div>
      <Remarks look={look} reading={reading} />
      <p className="small quiet">{say`Strobe light makes turning fans and pulleys look still: keep fingers away.
        Flashing can trigger seizures.`}</p>
      <Unsaved handing={handing} />
    </div>
  );
}

/** Why it cannot be read, that the ring is not the usual one, what the reading rests on. */
function Remarks({
  look,
  reading,
}: {
  readonly look: StrobeLook;
  readonly reading: ReturnType<typeof readStrobe> | null;
}) {
  const wrong = wrongRingWords(look);
  return (
    <>
      {reading?.kind === 'unusable' && <p role="alert">{STROBE_REFUSALS[reading.reason]}</p>}
      {wrong && <p role="alert">{wrong}</p>}
      {reading?.kind === 'measured' &&
        reading.warnings
          .filter((code) => code !== 'WRONG_RING')
          .map((code) => <p key={code}>{STROBE_WARNINGS[code]}</p>)}
    </>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly onValue: (value: T) => void;
  readonly options: readonly (readonly [T, string])[];
}

function Choice<T extends string>({ label, value, onValue, options }: ChoiceProps<T>) {
  return (
    <Field select label={label} value={value} onChange={(event) => onValue(event.target.value as T)}>
      {options.map(([id, words]) => (
        <MenuItem key={id} value={id}>
          {words}
        </MenuItem>
      ))}
    </Field>
  );
}
