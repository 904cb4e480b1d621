/** Trains to begin with, as they are usual in the trade (common practice; every size is to be measured on the unit). */
import { MOTOR_ID, type Train, type TrainMotor, type TrainPart } from './schema.js';

const part = (
  id: string,
  kind: TrainPart['kind'],
  name: string,
  by: string,
  contact: TrainPart['contact'],
  sizes: readonly number[],
  more: Partial<TrainPart> = {},
): TrainPart => ({
  id,
  kind,
  name,
  by,
  contact,
  sizes: [...sizes],
  toleranceMm: null,
  belt: null,
  centreMm: null,
  slipPercent: 0,
  ...more,
});

const flat = (thicknessMm: number): Pick<TrainPart, 'belt'> => ({
  belt: { thicknessMm, shape: 'flat', lengthMm: null },
});
const square = (thicknessMm: number): Pick<TrainPart, 'belt'> => ({
  belt: { thicknessMm, shape: 'square', lengthMm: null },
});

const motor = (kind: TrainMotor['kind'], more: Partial<TrainMotor>): TrainMotor => ({
  name: 'motor',
  kind,
  poles: [16],
  slipPercent: 0,
  rpm: [2400],
  sense: 'clockwise',
  seenFrom: 'shaft end',
  shaft: 'towards you',
  segments: null,
  generator: null,
  ...more,
});

const RECORD = [
  { id: '33', label: '33⅓ rpm', nominal: 100 / 3 },
  { id: '45', label: '45 rpm', nominal: 45 },
];

/** A train to begin with, by its name. */
export interface UsualTrain {
  readonly id: string;
  readonly name: string;
  readonly train: Train;
}

/** See the head of this file. */
export const USUAL_TRAINS: readonly UsualTrain[] = [
  {
    id: 'belt-mains',
    name: 'Belt turntable, synchronous motor, stepped pulley',
    train: {
      motor: motor('synchronous', { poles: [16] }),
      parts: [
        part('pulley', 'pulley', 'motor pulley', MOTOR_ID, 'shaft', [22.03, 29.95]),
        part('platter', 'platter', 'inner platter', 'pulley', 'belt', [254], flat(0.6)),
      ],
      output: { part: 'platter', kind: 'turns', tapeThicknessMm: 0 },
      speeds: RECORD,
    },
  },
  {
    id: 'belt-dc',
    name: 'Belt turntable, governed d.c. motor',
    train: {
      motor: motor('governed', { rpm: [640, 864], segments: 3 }),
      parts: [
        part('pulley', 'pulley', 'motor pulley', MOTOR_ID, 'shaft', [12.66]),
        part('platter', 'platter', 'inner platter', 'pulley', 'belt', [254], flat(0.6)),
      ],
      output: { part: 'platter', kind: 'turns', tapeThicknessMm: 0 },
      speeds: RECORD,
    },
  },
  {
    id: 'rim',
    name: 'Rim drive, stepped shaft and idler',
    train: {
      motor: motor('induction', { poles: [4], slipPercent: 6, sense: 'clockwise' }),
      parts: [
        part('step', 'pulley', 'stepped shaft', MOTOR_ID, 'shaft', [6.38, 8.62]),
        part('idler', 'idler', 'idler', 'step', 'rim', [45]),
        part('platter', 'platter', 'platter', 'idler', 'inside of a rim', [270]),
      ],
      output: { part: 'platter', kind: 'turns', tapeThicknessMm: 0 },
      speeds: RECORD,
    },
  },
  {
    id: 'cassette',
    name: 'Cassette deck, governed motor, flywheel and capstan',
    train: {
      motor: motor('governed', { rpm: [2400], segments: 3, sense: 'counter-clockwise' }),
      parts: [
        part('pulley', 'pulley', 'motor pulley', MOTOR_ID, 'shaft', [12.84]),
        part('flywheel', 'flywheel', 'flywheel', 'pulley', 'belt', [80], square(1)),
        part('capstan', 'capstan', 'capstan', 'flywheel', 'shaft', [2.2]),
      ],
      output: { part: 'capstan', kind: 'tape', tapeThicknessMm: 0.018 },
      speeds: [{ id: '4.76', label: '4.76 cm/s', nominal: 4.7625 }],
    },
  },
  {
    id: 'open-reel',
    name: 'Open reel, pole-switched capstan motor',
    train: {
      motor: motor('synchronous', { poles: [8, 4] }),
      parts: [
        part('pulley', 'pulley', 'motor pulley', MOTOR_ID, 'shaft', [36.05]),
        part('flywheel', 'flywheel', 'flywheel', 'pulley', 'belt', [120], flat(0.8)),
        part('capstan', 'capstan', 'capstan', 'flywheel', 'shaft', [7.917]),
      ],
      output: { part: 'capstan', kind: 'tape', tapeThicknessMm: 0.035 },
      speeds: [
        { id: '9.5', label: '9.5 cm/s', nominal: 9.525 },
        { id: '19', label: '19 cm/s', nominal: 19.05 },
      ],
    },
  },
  {
    id: 'direct',
    name: 'Direct drive',
    train: {
      motor: motor('servo', { rpm: [100 / 3, 45], generator: 200 }),
      parts: [part('platter', 'platter', 'platter', MOTOR_ID, 'shaft', [300])],
      output: { part: 'platter', kind: 'turns', tapeThicknessMm: 0 },
      speeds: RECORD,
    },
  },
  {
    id: 'mixer',
    name: 'Mixer, worm and planetary',
    train: {
      motor: motor('governed', { rpm: [7200], segments: 24 }),
      parts: [
        part('worm', 'gear', 'worm', MOTOR_ID, 'shaft', [2]),
        part('wheel', 'gear', 'worm wheel', 'worm', 'gear', [44]),
        part('sun', 'gear', 'sun', 'wheel', 'shaft', [15]),
        part('planet', 'load', 'planetary', 'sun', 'planetary', [45]),
      ],
      output: { part: 'planet', kind: 'turns', tapeThicknessMm: 0 },
      speeds: [{ id: 'run', label: 'step chosen', nominal: null }],
    },
  },
];
