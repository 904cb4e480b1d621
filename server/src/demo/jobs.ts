/**
 * The island's repair room: made-up units, people and serials. Speed readings are not typed here:
 * each names a tone to synthesise, and the figures come from measuring it. Volts follow from the
 * rectifier formula beside them.
 */
import { CHARGE_PLACE, parseStep, type EventBody, type StageId, type StepBody } from '@amber-gauge/core/bench';
import type { JobFields } from '@amber-gauge/contract';
import type { SynthLine } from '@amber-gauge/core/speed';

/** A recording to synthesise and measure. */
export interface DemoTone {
  readonly speedId: string;
  readonly sourceIndex: number;
  readonly errorPercent: number;
  readonly rampPercent?: number;
  readonly lines: readonly SynthLine[];
  readonly snrDb: number;
  readonly seconds: number;
  /** Said with the reading; left out where nobody said. */
  readonly condition?: 'warm' | null;
}

type DemoLine = {
  /** Hours before the start of the demo. */
  readonly hoursAgo: number;
  readonly stage: StageId;
  /** Name by which later lines of the job speak of this one, as "ref:name" where a key stands. */
  readonly id?: string;
} & ({ readonly body: EventBody } | { readonly tone: DemoTone });

export interface DemoJob {
  readonly number: number;
  readonly fields: Omit<JobFields, 'tolerance'> & { readonly use: string };
  readonly lines: readonly DemoLine[];
}

export const DEMO_SOURCES = [
  { name: 'Workshop record, 3150 Hz', nominalHz: 3150, tolerancePercent: 0.1 },
  { name: 'Workshop tape, 3000 Hz', nominalHz: 3000, tolerancePercent: 0.3 },
] as const;

const reading = (text: string, values: number[], unit: string, place: string | null, more: object = {}): EventBody => ({
  kind: 'reading',
  text,
  values,
  unit,
  qualifier: unit === 'V' ? 'dc' : null,
  bound: 'exact',
  place,
  speedId: null,
  condition: null,
  holdKey: null,
  ...more,
});
const note = (text: string): EventBody => ({ kind: 'note', text });
const power = (state: 'unplugged-discharged' | 'unplugged-unknown' | 'live-isolated'): EventBody => ({
  kind: 'power',
  state,
  conditions: [],
});
export const charge = (volts: number): EventBody => reading(`${volts}V`, [volts], 'V', CHARGE_PLACE);
/** A strip-down step; what it lies behind is named by ref. */
const step = (text: string, after: readonly string[] = [], more: Partial<StepBody> = {}): EventBody => ({
  ...parseStep(
    text,
    after.map((name) => `ref:${name}`),
  ),
  ...more,
});
const safe = (lineId: string, text: string): EventBody => ({ kind: 'safe', lineId, text });
/** A drawn photo of the demo, by its name. */
const photo = (name: 'underside' | 'modeswitch' | 'magnet', about: string, caption: string): EventBody => ({
  kind: 'photo',
  photoId: `photo:${name}`,
  caption,
  width: 800,
  height: 600,
  about: `ref:${about}`,
  place: null,
});
export const rpm = (speedId: string, value: number): EventBody => ({
  kind: 'speed',
  text: `${value}rpm`,
  speedId,
  method: 'typed',
  turned: true,
  errorPercent: null,
  expandedPercent: null,
  referenceIncluded: true,
  wowPeakPercent: null,
  rpm: value,
  sourceName: 'optical counter',
  runId: null,
  condition: null,
});
export const still = (speedId: string): EventBody => ({
  ...(rpm(speedId, 1) as Extract<EventBody, { kind: 'speed' }>),
  text: '',
  method: 'looked',
  turned: false,
  rpm: null,
  sourceName: null,
});

/** Bridge rectifier, light load: sqrt(2) V_rms less two drops of 0.7 V. */
const reservoirVolts = (rms: number): number => Number((Math.SQRT2 * rms - 1.4).toFixed(1));

const platterWow = (rpmValue: number, peakPercent: number): SynthLine => ({ hz: rpmValue / 60, peakPercent });

export const DEMO_JOBS: readonly DemoJob[] = [
  {
    number: 141,
    fields: {
      familyId: 'stand-mixer',
      make: 'Kornblom',
      model: 'Deigmester 5',
      serial: 'KB-2281',
      customer: 'Island bakery',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['low', 'high'],
      complaint: 'Only runs at full speed, sparks at the control slot.',
      tried: 'Every setting sounds the same.',
      use: 'against as found',
    },
    lines: [
      { hoursAgo: 170, stage: 'take-in', body: rpm('low', 268) },
      { hoursAgo: 169.9, stage: 'take-in', body: rpm('high', 271) },
      { hoursAgo: 168, stage: 'make-safe', body: power('unplugged-discharged') },
      { hoursAgo: 167.9, stage: 'make-safe', body: charge(0.4) },
      { hoursAgo: 167, stage: 'find', body: reading('8.6mm @left brush', [8.6], 'mm', 'left brush') },
      { hoursAgo: 166.9, stage: 'find', body: reading('6.2mm @right brush', [6.2], 'mm', 'right brush') },
      {
        hoursAgo: 150,
        stage: 'mend',
        body: { kind: 'work', action: 'replace', what: 'both brushes, bevel as it came out' },
      },
      { hoursAgo: 149, stage: 'mend', body: { kind: 'work', action: 'adjust', what: 'pickup coil gap to 0.4 mm' } },
      { hoursAgo: 148, stage: 'prove', body: rpm('low', 64) },
      { hoursAgo: 147.9, stage: 'prove', body: rpm('high', 262) },
      { hoursAgo: 147, stage: 'hand-back', body: power('unplugged-discharged') },
      { hoursAgo: 146.9, stage: 'hand-back', body: charge(0.3) },
      {
        hoursAgo: 146,
        stage: 'hand-back',
        body: { kind: 'hand-back', leftUndone: 'Two of four feet are hard; none in stock, come with the next boat.' },
      },
    ],
  },
  {
    number: 142,
    fields: {
      familyId: 'cassette-belt',
      make: 'Lyngvik',
      model: 'Bånd 12',
      serial: '40117',
      customer: 'Cinema club',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['4.76'],
      complaint: 'Everything plays too high.',
      tried: 'Plays and winds; both channels; warm or cold the same.',
      use: 'home listening',
    },
    lines: [
      {
        hoursAgo: 52,
        stage: 'take-in',
        tone: {
          speedId: '4.76',
          sourceIndex: 1,
          errorPercent: 2.41,
          lines: [
            { hz: 8.1, peakPercent: 0.09 },
            { hz: 1.9, peakPercent: 0.05 },
          ],
          snrDb: 42,
          seconds: 40,
        },
      },
      { hoursAgo: 51, stage: 'make-safe', body: power('unplugged-discharged') },
      {
        hoursAgo: 50.5,
        stage: 'find',
        body: reading('13.2V @motor warm', [13.2], 'V', 'motor', { condition: 'warm' }),
      },
      {
        hoursAgo: 49,
        stage: 'mend',
        body: { kind: 'work', action: 'clean', what: 'capstan, pinch roller and belt path' },
      },
      {
        hoursAgo: 48.5,
        stage: 'set-speed',
        body: { kind: 'work', action: 'adjust', what: 'motor trim a little back' },
      },
      {
        hoursAgo: 48,
        stage: 'prove',
        tone: {
          speedId: '4.76',
          sourceIndex: 1,
          errorPercent: 0.12,
          lines: [
            { hz: 8.0, peakPercent: 0.05 },
            { hz: 1.9, peakPercent: 0.03 },
          ],
          snrDb: 42,
          seconds: 40,
        },
      },
      { hoursAgo: 47.9, stage: 'prove', body: power('unplugged-discharged') },
    ],
  },
  {
    number: 143,
    fields: {
      familyId: 'open-reel',
      make: 'Terneskjær',
      model: 'Spole A',
      serial: 'TS 0093',
      customer: 'School',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['9.5', '19'],
      complaint: 'Dead at 19, hums at 9.5.',
      tried: 'Lamp lights. Counter does not move.',
      use: 'home listening',
    },
    lines: [
      { hoursAgo: 30, stage: 'take-in', body: still('19') },
      { hoursAgo: 29.9, stage: 'take-in', body: still('9.5') },
      { hoursAgo: 29, stage: 'make-safe', body: power('unplugged-discharged') },
      { hoursAgo: 28.9, stage: 'make-safe', body: charge(1.1) },
      { hoursAgo: 28, stage: 'find', body: reading('212R @main winding', [212], 'Ω', 'main winding') },
      { hoursAgo: 27.9, stage: 'find', body: reading('340R @phase winding', [340], 'Ω', 'phase winding') },
      { hoursAgo: 27.5, stage: 'find', body: reading('0u31', [0.31e-6], 'F', null) },
      { hoursAgo: 27, stage: 'find', body: note('Run capacitor marked 1.2 µF ± 10 %, a little swollen at one end.') },
    ],
  },
  {
    number: 144,
    fields: {
      familyId: 'washer-front',
      make: 'Havstein',
      model: 'Trommel 60',
      serial: 'HS-60-771',
      customer: 'Guest house laundry',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['wash'],
      complaint: 'Fills, then nothing turns. The pump works.',
      tried: 'Three programmes, the same each time.',
      use: 'against as found',
    },
    lines: [
      { hoursAgo: 26, stage: 'take-in', body: still('wash') },
      { hoursAgo: 25, stage: 'make-safe', body: power('unplugged-unknown') },
      { hoursAgo: 24.9, stage: 'make-safe', body: note('Hoses labelled hot and cold, towel under the filter.') },
    ],
  },
  {
    number: 145,
    fields: {
      familyId: 'direct-drive-quartz',
      make: 'Fyrhavn',
      model: 'Kvarts 2',
      serial: 'F2-1180',
      customer: 'Lighthouse museum',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['33', '45'],
      complaint: 'Steady at the detent, wild off it after a while.',
      tried: 'Cold it behaves. Worse at the slow end.',
      use: 'broadcast, dancing to pitch',
    },
    lines: [
      {
        hoursAgo: 5,
        stage: 'take-in',
        tone: {
          speedId: '33',
          sourceIndex: 0,
          errorPercent: 0.03,
          lines: [platterWow(100 / 3, 0.04)],
          snrDb: 50,
          seconds: 40,
        },
      },
      { hoursAgo: 4.8, stage: 'take-in', body: note('Off the detent at −3 after 20 min warm: the strobe runs away.') },
    ],
  },
  {
    number: 146,
    fields: {
      familyId: 'rim-drive',
      make: 'Skarvholm',
      model: 'Reise',
      serial: '',
      customer: 'Church hall',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['33', '45', '78'],
      complaint: 'Thumps, and too slow for the hymns.',
      tried: '',
      use: 'portable',
    },
    lines: [],
  },
  {
    number: 147,
    fields: {
      familyId: 'belt-turntable-dc',
      make: 'Brenning',
      model: 'Dans 33',
      serial: 'BD-0452',
      customer: 'Dance hall',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['33', '45'],
      complaint: 'The waltz drags. Both speeds slow.',
      tried: 'Both speeds slow, cold and warm. No noise. Belt looks new.',
      use: 'broadcast, dancing to pitch',
    },
    lines: [
      {
        hoursAgo: 4,
        stage: 'take-in',
        tone: {
          speedId: '33',
          sourceIndex: 0,
          errorPercent: -1.8,
          lines: [platterWow(100 / 3, 0.09), { hz: 4.9, peakPercent: 0.04 }],
          snrDb: 48,
          seconds: 60,
        },
      },
      {
        hoursAgo: 3.9,
        stage: 'take-in',
        tone: {
          speedId: '45',
          sourceIndex: 0,
          errorPercent: -1.71,
          lines: [platterWow(45, 0.08), { hz: 6.6, peakPercent: 0.05 }],
          snrDb: 48,
          seconds: 40,
        },
      },
      { hoursAgo: 3.5, stage: 'make-safe', body: power('unplugged-discharged') },
      { hoursAgo: 3.2, stage: 'find', body: power('live-isolated') },
      {
        hoursAgo: 3.1,
        stage: 'find',
        body: reading(`${reservoirVolts(11.4)}V @reservoir warm`, [reservoirVolts(11.4)], 'V', 'reservoir', {
          condition: 'warm',
        }),
      },
      {
        hoursAgo: 3,
        stage: 'find',
        body: reading('0.31Vpp @reservoir', [0.31], 'V', 'reservoir', { qualifier: 'pp' }),
      },
      { hoursAgo: 2.4, stage: 'find', body: power('unplugged-discharged') },
      { hoursAgo: 2.2, stage: 'mend', body: { kind: 'work', action: 'clean', what: 'both trims and the pitch pot' } },
      {
        hoursAgo: 2,
        stage: 'set-speed',
        body: { kind: 'work', action: 'adjust', what: 'trim 33 to 1:15, facing the screw' },
      },
      { hoursAgo: 1.9, stage: 'set-speed', body: power('live-isolated') },
      {
        hoursAgo: 1.6,
        stage: 'set-speed',
        tone: {
          speedId: '33',
          sourceIndex: 0,
          errorPercent: -0.62,
          rampPercent: 0.05,
          lines: [platterWow(100 / 3, 0.09), { hz: 4.9, peakPercent: 0.03 }],
          snrDb: 48,
          seconds: 60,
        },
      },
    ],
  },
  {
    number: 148,
    fields: {
      familyId: 'video-recorder',
      make: 'Tangvik',
      model: 'Bilde 4',
      serial: 'TB4-3071',
      customer: 'Ferry office',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['sp'],
      complaint: 'Takes a tape in, thinks, and gives it back.',
      tried: 'Sometimes it plays after the third try. Picture good then.',
      use: 'home viewing',
    },
    lines: [
      { hoursAgo: 54, stage: 'take-in', body: still('sp') },
      { hoursAgo: 53.5, stage: 'make-safe', body: power('unplugged-unknown') },
      { hoursAgo: 53.4, stage: 'make-safe', body: charge(1.8) },
      { hoursAgo: 53.3, stage: 'make-safe', body: safe('tape-out', 'Tape out') },
      { hoursAgo: 53, stage: 'open-up', id: 'cover', body: step('top cover 5 x 10 mm, tray A') },
      {
        hoursAgo: 52.8,
        stage: 'open-up',
        id: 'housing',
        body: step('cassette housing 4 x 8 mm + 1 star washer, tray B', ['cover'], {
          marks: 'line across housing and frame, left rear',
        }),
      },
      {
        hoursAgo: 52.5,
        stage: 'open-up',
        id: 'board',
        body: step('deck board 3 x 6 mm, tray C', ['housing'], {
          wires: [
            { pin: '1', colour: 'white' },
            { pin: '2', colour: 'grey' },
            { pin: '3', colour: 'violet' },
            { pin: '4', colour: 'blue' },
          ],
          wiresSide: 'wire-side',
          distances: [{ what: 'board to chassis', value: 17, unit: 'mm', tolerance: 0.3 }],
          owes: ['cable tie'],
          traces: 'fresh solder at the mode switch: somebody was here before',
        }),
      },
      { hoursAgo: 52.4, stage: 'open-up', body: photo('modeswitch', 'board', 'mode switch under the board') },
      {
        hoursAgo: 52.2,
        stage: 'mend',
        body: {
          kind: 'open-end',
          what: 'mode switch',
          how: 'unsoldered',
          usualId: 'mode-switch',
          stepKey: 'ref:board',
          moveKey: null,
        },
      },
      {
        hoursAgo: 52.1,
        stage: 'open-up',
        body: {
          kind: 'open-end',
          what: 'cassette housing plug',
          how: 'unplugged',
          usualId: 'cassette-housing',
          stepKey: 'ref:housing',
          moveKey: null,
        },
      },
      {
        hoursAgo: 51.5,
        stage: 'mend',
        body: { kind: 'work', action: 'clean', what: 'the mode switch, wipers bent a little' },
      },
    ],
  },
  {
    number: 149,
    fields: {
      familyId: 'belt-turntable-ac',
      make: 'Holmgard',
      model: 'Synkron',
      serial: 'HG-77120',
      customer: 'Boatyard',
      powerKind: 'mains',
      ratedVolts: 230,
      speedIds: ['33'],
      complaint: 'Knocks, and hums before it starts.',
      tried: 'Starts by hand. Right speed once it runs.',
      use: 'home listening',
    },
    lines: [
      {
        hoursAgo: 30,
        stage: 'take-in',
        tone: {
          speedId: '33',
          sourceIndex: 0,
          errorPercent: -0.24,
          lines: [platterWow(100 / 3, 0.11), { hz: 10.2, peakPercent: 0.06 }],
          snrDb: 40,
          seconds: 40,
        },
      },
      { hoursAgo: 29.5, stage: 'make-safe', body: power('unplugged-unknown') },
      { hoursAgo: 29.4, stage: 'make-safe', body: charge(0.9) },
      { hoursAgo: 29.2, stage: 'make-safe', body: { kind: 'start-volts', volts: 152, start: 'first' } },
      { hoursAgo: 29.1, stage: 'make-safe', body: { kind: 'start-volts', volts: 138, start: 'later' } },
      { hoursAgo: 28, stage: 'open-up', id: 'plate', body: step('base plate 6 x 12 mm, tray A') },
      { hoursAgo: 27.9, stage: 'open-up', body: photo('underside', 'plate', 'underside before anything was moved') },
      { hoursAgo: 27, stage: 'mend', body: { kind: 'work', action: 'oil', what: 'motor bearings, well full' } },
      {
        hoursAgo: 5,
        stage: 'open-up',
        body: {
          kind: 'refit',
          target: 'ref:plate',
          returned: [6],
          distances: [],
          flush: true,
          renewed: [],
        },
      },
      { hoursAgo: 4.8, stage: 'make-safe', body: { kind: 'start-volts', volts: 74, start: 'first' } },
      {
        hoursAgo: 3.4,
        stage: 'prove',
        body: {
          kind: 'gate',
          to: 'live-isolated',
          accepted: [],
          inPlace: ['belt', 'earth', 'motor-plug', 'lifted-leg', 'voltage'],
          shortOhm: null,
          limit: { kind: 'fuse', value: 0.08, unitWatts: 10 },
          confirmed: ['held', 'isolation'],
        },
      },
      { hoursAgo: 3.3, stage: 'prove', body: power('live-isolated') },
      {
        hoursAgo: 3.2,
        stage: 'prove',
        body: { kind: 'timer', timer: 'soak', label: 'Soak, run in after oil', minutes: 720 },
      },
    ],
  },
  {
    number: 150,
    fields: {
      familyId: 'belt-turntable-dc',
      make: 'Brenning',
      model: 'Dans 45',
      serial: 'BD-1180',
      customer: 'Church hall',
      powerKind: 'adapter',
      ratedVolts: 12,
      speedIds: ['33', '45'],
      complaint: 'Surges, clicks once per turn of the motor.',
      tried: 'Both speeds. Click goes with the belt off and on.',
      use: 'home listening',
    },
    lines: [
      {
        hoursAgo: 28,
        stage: 'take-in',
        tone: {
          speedId: '33',
          sourceIndex: 0,
          errorPercent: 0.9,
          rampPercent: 0.3,
          lines: [platterWow(100 / 3, 0.1), { hz: 5.1, peakPercent: 0.31 }],
          snrDb: 44,
          seconds: 40,
        },
      },
      { hoursAgo: 27.5, stage: 'make-safe', body: power('unplugged-unknown') },
      { hoursAgo: 27, stage: 'open-up', id: 'base', body: step('bottom cover 8 x 30 mm, tray A') },
      {
        hoursAgo: 26.8,
        stage: 'open-up',
        id: 'motor',
        body: step('motor 3 x 20 mm, tray B', ['base'], {
          orientation: 'connector towards the hinge',
          distances: [{ what: 'pulley height', value: 9.4, unit: 'mm', tolerance: 0.2 }],
        }),
      },
      { hoursAgo: 26.5, stage: 'open-up', body: photo('magnet', 'motor', 'ring magnet cracked at one place') },
      {
        hoursAgo: 20,
        stage: 'mend',
        body: { kind: 'work', action: 'repair', what: 'the ring magnet, thin flexible cement, height unchanged' },
      },
      {
        hoursAgo: 19.9,
        stage: 'mend',
        body: { kind: 'timer', timer: 'cure', label: 'Cure, ring magnet', minutes: 2160 },
      },
    ],
  },
];
