/** Small d.c. motor with its governor and tacho, driving a belt. Common practice, with no published source. */
import { block, looks, measure, mode, reads, repair, row, signal, taken } from '../path/build.js';
import type { PathSignal } from '../path/schema.js';
import { liveAt, type PathPart, type Reach } from './part.js';
import { GLUE_SCHOOL, OIL_SCHOOL } from '../shared/schools.js';

const SPEED = ['still', 'slow', 'right', 'fast', 'uneven'] as const;
/** Every way of turning. */
export const TURNS = SPEED.slice(1);
export const SPEED_ANSWERS = ['still|does not turn: still', 'slow: slow', 'right: right', 'fast: fast, hunting'];

/** A speed on its way to the tape or the record: what surges is right at one reading and slow or fast at the next. */
export const speedSignal = (id: string, name: string): PathSignal =>
  signal(id, name, SPEED, 'still', null, { uneven: ['slow', 'right', 'fast'] });

/** What a governor may be told, or give: a few percent off (lowish, highish) are no other volts to a meter. */
export const WISHES = ['none', 'low', 'lowish', 'right', 'highish', 'high', 'shaky', 'erratic'] as const;

/** Dirt and a dry joint: the speed wanders by so much that a reading shows it, or by so little that every reading is right and only the ear tells. */
export const WANDERS = { erratic: 0.5, shaky: 0.5 };

/** Right at three readings of four. */
const mostlyRight = (otherwise: string): string[] => ['right', 'right', 'right', otherwise];

/** Everything that makes it turn. */
const turning = (high: readonly string[]) => ['low', 'lowish', 'right', 'highish', ...high, 'full', 'shaky', 'erratic'];

/** Answers of volts at the motor; more than right and less than all is told apart where something may ask for it. */
export const driveAnswers = (high: boolean): string[] => [
  'none: none',
  'low: low',
  'right: right',
  ...(high ? ['high: high'] : []),
  'full: full',
  'wanders: erratic, hunting',
];

interface Motor extends Reach {
  readonly origin: string;
  /** Bands of the volts at its terminals, as measure() takes them. */
  readonly bands: readonly string[];
  /** Level from which the belt can be taken off. */
  readonly beltLevel: string;
  /** Context of the fastest setting, as a row has it: a low supply has too few volts for it. */
  readonly fastest: Readonly<Record<string, string>>;
  /** A belt may wind itself round the pulley. */
  readonly winds: boolean;
  /** Dips of the supply are heard as a waver; else the flywheel takes them. */
  readonly dipsHeard: boolean;
  /** States of signal wish. */
  readonly wishes: readonly string[];
}

/** Fed from signal gated, told its speed by signal wish; gives drive, motor, steadiness, noise and tacho. */
export function governedMotor(at: Motor): PathPart {
  const live = liveAt(at);
  const { level, beltLevel, origin, bands, fastest, winds, dipsHeard, wishes } = at;
  const stuck = winds ? ['stuck'] : [];
  // Open at one end a pot asks for more than any trim; where none does, more volts than right are all there are.
  const high = wishes.includes('high') ? (['high'] as const) : [];
  const allOfLow = high[0] ?? 'full';
  const asked = wishes.filter((one) => one !== 'none' && one !== 'erratic' && one !== 'shaky');
  // A governor that gives more to a stiff shaft holds its speed, at the fastest setting not always; one that does not is
  // slow at every setting.
  const outOfVolts = (part: number, cold: Readonly<Record<string, string>> = {}) =>
    row({ ...fastest, ...cold, drive: allOfLow }, { motor: { slow: part, right: 1 - part } });
  const spent = ['low', 'lowish', 'right', 'shaky', 'erratic'];
  const strained = [...spent, allOfLow];
  return {
    signals: [
      signal(
        'drive',
        'motor terminals',
        ['none', 'low', 'lowish', 'right', 'highish', ...high, 'full', 'shaky', 'erratic'],
        'none',
        measure('motor terminals', 'V', origin, ...bands),
        // Volts follow the speed by less than the family's band is wide, seldom by more than a model's own; what wanders by
        // a few percent a meter averages.
        {
          lowish: mostlyRight('low'),
          highish: mostlyRight(allOfLow),
          shaky: ['right'],
          erratic: ['right', 'erratic'],
        },
      ),
      speedSignal('motor', 'motor speed'),
      signal('steadiness', 'steadiness', ['steady', 'surging'], 'steady'),
      signal('noise', 'noise of the motor', ['quiet', 'tick', 'grind'], 'quiet'),
      signal('tacho', 'tacho', ['none', 'bumpy', 'right'], 'none'),
      taken('load', 'what the belt has to pull', ['light', 'heavy']),
      taken('drag', 'what the pulley has to pull', ['light', 'heavy', ...stuck]),
      taken('pull', 'what the motor takes', ['even', 'hard', 'jumpy']),
    ],
    blocks: [
      block(
        'governor',
        'governor',
        'control',
        ['gated', 'wish', 'tacho', 'pull'],
        ['drive'],
        [
          row({ gated: 'none' }, { drive: 'none' }),
          row({ wish: 'none' }, { drive: 'low' }),
          row({ tacho: 'none', gated: ['low', 'short'] }, { drive: allOfLow }),
          row({ tacho: 'none' }, { drive: 'full' }),
          row({ gated: 'low' }, { drive: 'low' }),
          // It holds the speed as long as it has volts: for the fastest setting a supply may be short of them.
          row({ ...fastest, gated: 'short' }, { drive: 'lowish' }),
          row({ tacho: 'bumpy' }, { drive: 'erratic' }),
          // What holds the speed gives more whenever a worn brush takes less.
          row({ pull: 'jumpy', wish: 'right' }, { drive: 'erratic' }),
          // A stiff shaft takes more volts for the same speed.
          row({ pull: 'hard', gated: ['right', 'high'], wish: 'right', tacho: 'right' }, { drive: allOfLow }),
          row({ wish: ['erratic', 'shaky'] }, { drive: '=wish' }),
          // The dips of a dried out reservoir: too few volts for the fastest setting, enough for the others.
          row({ ...fastest, gated: 'unsteady' }, { drive: 'lowish' }),
          row({ gated: 'unsteady', wish: 'right' }, { drive: dipsHeard ? 'shaky' : 'right' }),
          row({ gated: 'high', wish: 'right' }, { drive: 'right' }),
          row({ wish: asked }, { drive: '=wish' }),
        ],
        [
          mode('dead', 'governor dead', 0.03, [row({}, { drive: 'none' })], { marks: { 'no-current': 0.6 } }),
          mode(
            'full',
            'governor shorted through',
            0.025,
            [
              row({ gated: ['right', 'high', 'unsteady'] }, { drive: 'full' }),
              row({ gated: ['low', 'short'] }, { drive: allOfLow }),
            ],
            { sizes: [15, 150] },
          ),
          mode(
            'drift',
            'governor drifted: a little fast or slow',
            0.03,
            [
              row(
                { gated: ['short', 'right', 'high', 'unsteady'], wish: 'right' },
                { drive: { lowish: 0.5, highish: 0.5 } },
              ),
            ],
            { sizes: [0.7, 6] },
          ),
          mode(
            'weak',
            'governor weak',
            0.02,
            [
              // With nothing to drive, what little it gives may do.
              row(
                { '@belt': 'off', gated: ['short', 'right', 'high', 'unsteady'] },
                { drive: { low: 0.3, lowish: 0.2, right: 0.5 } },
              ),
              // It is enough for a slow setting now and then, never for the fastest.
              row({ ...fastest, gated: ['short', 'right', 'high', 'unsteady'] }, { drive: 'lowish' }),
              row(
                { gated: ['short', 'right', 'high', 'unsteady'], tacho: ['right', 'bumpy', 'none'] },
                { drive: { low: 0.4, lowish: 0.2, right: 0.4 } },
              ),
            ],
            { sizes: [3, 40] },
          ),
          mode(
            'hunts',
            'governor hunts: its electronics, or a dry joint in it',
            0.025,
            [row({ gated: ['short', 'right', 'high'], tacho: 'right', wish: asked }, { drive: WANDERS })],
            { provoked: ['tap', 'cold'] },
          ),
          mode(
            'warm',
            'governor drifts when warm',
            0.03,
            [
              row(
                { '@heat': 'warm', gated: ['short', 'right', 'high'], tacho: ['right'] },
                { drive: { lowish: 0.6, highish: 0.4 } },
              ),
            ],
            { sizes: [1, 15], provoked: ['cold', 'heat'] },
          ),
        ],
      ),
      block(
        'tacho',
        'magnet and Hall',
        'feedback',
        ['motor', 'gated'],
        ['tacho'],
        [
          row({ gated: 'none' }, { tacho: 'none' }),
          row({ '@hand': 'yes' }, { tacho: 'right' }),
          row({ motor: 'still' }, { tacho: 'none' }),
          row({}, { tacho: 'right' }),
        ],
        [
          mode('loose', 'ring magnet loose or cracked', 0.04, [
            row({ gated: 'none' }, { tacho: 'none' }),
            row({ '@hand': 'yes' }, { tacho: 'bumpy' }),
            row({ motor: TURNS }, { tacho: 'bumpy' }),
          ]),
          mode('dead', 'Hall chip dead', 0.02, [row({}, { tacho: 'none' })], { sizes: [15, 150] }),
          mode('unplugged', 'tacho left unplugged', 0.0005, [row({}, { tacho: 'none' })], {
            byWork: true,
            sizes: [15, 150],
          }),
        ],
      ),
      block(
        'motor',
        'motor',
        'mechanical',
        ['drive', 'drag'],
        ['motor', 'steadiness', 'noise', 'pull'],
        [
          row({ drag: ['heavy', ...stuck] }, { pull: 'hard' }),
          ...stuck.map((one) => row({ drag: one }, { motor: 'still', steadiness: 'steady', noise: 'quiet' })),
          row({ drag: 'heavy', drive: allOfLow }, { motor: 'right', steadiness: 'steady' }),
          row({ drive: 'none' }, { motor: 'still', steadiness: 'steady' }),
          row({ drive: ['low', 'lowish'] }, { motor: 'slow' }),
          row({ drive: ['highish', ...high, 'full'] }, { motor: 'fast' }),
          row({ drive: 'erratic' }, { motor: 'uneven', steadiness: 'surging' }),
          row({ drive: 'shaky' }, { motor: 'right', steadiness: 'surging' }),
          row({}, { motor: 'right', steadiness: 'steady', noise: 'quiet', pull: 'even' }),
        ],
        [
          mode(
            'brushes',
            'brushes worn or commutator dirty: slow and uneven',
            0.04,
            [
              // What drives nothing needs no torque; the fastest setting needs all of it.
              row({ '@belt': 'off', drive: turning(high) }, { motor: { right: 0.75, slow: 0.25 } }),
              row({ ...fastest, drive: turning(high) }, { motor: { slow: 0.75, uneven: 0.25 } }),
              row({ drive: turning(high) }, { motor: { uneven: 0.3, slow: 0.3, right: 0.4 } }),
              row({ drive: turning(high) }, { steadiness: { surging: 0.75, steady: 0.25 }, pull: 'jumpy' }),
            ],
            { sizes: [2, 50], provoked: ['tap'] },
          ),
          mode(
            'brushes-dead',
            'brushes lifted: starts after a tap',
            0.02,
            [
              row({ '@tap': 'yes', drive: turning(high) }, { motor: 'slow', steadiness: 'surging' }),
              row({}, { motor: 'still' }),
            ],
            { marks: { 'no-current': 0.8 }, provoked: ['tap'] },
          ),
          mode(
            'dry',
            'motor bearings dry: slow until warm',
            0.045,
            [
              row({ '@belt': 'off', drive: strained }, { motor: 'right' }),
              row({ '@belt': 'on', '@heat': 'cold', drive: spent }, { motor: 'slow' }),
              outOfVolts(0.6, { '@belt': 'on', '@heat': 'cold' }),
              row({ drive: allOfLow }, { motor: 'right', steadiness: 'steady' }),
              row({ '@heat': 'cold', drive: turning(high) }, { pull: { hard: 0.7, even: 0.3 } }),
              row({ drive: turning(high) }, { noise: 'grind' }),
            ],
            { sizes: [0.7, 15] },
          ),
          mode(
            'stiff',
            'motor bearings stiff: slow',
            0.02,
            [
              row({ '@belt': 'off', drive: strained }, { motor: { right: 0.7, slow: 0.3 } }),
              row({ drive: spent }, { motor: 'slow' }),
              outOfVolts(0.8),
              row({ drive: allOfLow }, { motor: 'right', steadiness: 'steady' }),
              row({ drive: turning(high) }, { pull: { hard: 0.7, even: 0.3 }, noise: 'grind' }),
            ],
            { sizes: [2, 50] },
          ),
          mode('noisy', 'motor bearings worn: noisy, right speed', 0.02, [
            row({ drive: turning(high) }, { noise: 'grind' }),
          ]),
          mode('retainer', 'magnet retainer of the motor broken', 0.03, [
            row({ drive: turning(high) }, { noise: 'tick' }),
          ]),
          mode('open', 'winding or its brush tabs open', 0.02, [row({}, { motor: 'still' })], {
            marks: { 'no-current': 0.95 },
          }),
          mode('jammed', 'motor jammed', 0.01, [row({}, { motor: 'still' })], {
            bans: 'stalled',
            marks: { burnt: 0.3, 'much-current': 0.9 },
          }),
          mode('reversed', 'motor leads crossed', 0.0005, [row({}, { motor: 'still' })], {
            byWork: true,
            bans: 'stalled',
          }),
        ],
      ),
    ],
    tests: [
      looks(
        'spin-pulley',
        'Spin the pulley by hand',
        'Belt off. Between two fingers: free, no click, no wobble.',
        'motor',
        [
          'free: healthy, brushes, brushes-dead, open, reversed',
          'stiff: dry, stiff',
          'rough: noisy',
          'clicks: retainer',
          'will not turn: jammed',
        ],
        { level: beltLevel, handsMin: 1.5, opens: ['belt'], reliability: 0.92 },
      ),
      reads(
        'motor-alone',
        'Motor alone, belt off',
        'Belt off. Power on: does the pulley turn at its speed?',
        'motor',
        SPEED_ANSWERS,
        {
          level: beltLevel,
          power: 'powered',
          probe: true,
          riskMin: 0.5,
          handsMin: 2,
          context: { belt: 'off' },
          opens: ['belt'],
          reliability: 0.93,
        },
      ),
      reads(
        'tap-motor',
        'Does it start after a tap',
        'Switched on and still: tap the motor with a plastic rod, fingers clear of the pulley.',
        'motor',
        ['stays still: still', 'starts: slow, right, fast, uneven, hunting'],
        { ...live, handsMin: 1, context: { tap: 'yes' }, reliability: 0.93 },
      ),
      reads(
        'motor-noise',
        'Sound of the motor alone',
        'Belt off. Listen at the motor.',
        'noise',
        ['quiet: quiet', 'ticks once a turn: tick', 'grinds: grind'],
        {
          level: beltLevel,
          power: 'powered',
          probe: true,
          riskMin: 0.5,
          handsMin: 1,
          context: { belt: 'off' },
          opens: ['belt'],
          reliability: 0.93,
        },
      ),
      reads(
        'drive-warm',
        'Volts at the motor, warm',
        'The same after twenty minutes.',
        'drive',
        driveAnswers(high.length > 0),
        { ...live, handsMin: 2, waitMin: 20, context: { heat: 'warm' } },
      ),
      reads(
        'tacho-out',
        'Hall output, turned by hand',
        'Hall output while the pulley is turned slowly: near nought and near supply.',
        'tacho',
        ['toggles evenly: right', 'uneven or misses: bumpy', 'nothing: none'],
        { ...live, handsMin: 3, context: { hand: 'yes' } },
      ),
      looks(
        'magnet-look',
        'Look at the ring magnet',
        'Twist it gently against the shaft; look for a crack.',
        'tacho',
        ['firm: healthy, dead', 'loose or cracked: loose', 'plug off: unplugged'],
        { level, handsMin: 3, reliability: 0.94 },
      ),
      looks(
        'leads-look',
        'Leads of the motor',
        'Unplugged. Plus to plus by the marks, the photograph or a sister unit: a motor with an electronic governor is destroyed when they are crossed.',
        'motor',
        ['as marked: healthy, brushes, brushes-dead, dry, stiff, noisy, retainer, open, jammed', 'crossed: reversed'],
        { level, handsMin: 1, reliability: 0.97 },
      ),
      looks(
        'motor-ohms',
        'Ohms of the motor, turned slowly',
        'Unplugged, leads off. Ohms at the terminals while the shaft is turned.',
        'motor',
        [
          'even: healthy, dry, stiff, noisy, retainer, jammed, reversed',
          'wanders: brushes, brushes-dead',
          'open: open',
        ],
        { level, handsMin: 4, opens: ['motor-plug'], reliability: 0.95 },
      ),
    ],
    repairs: [
      repair('oil-motor', 'Oil the motor bearings, one drop, wipe the rest', ['motor.dry', 'motor.stiff'], 12, level, {
        ...OIL_SCHOOL.thin,
        residual: 0.2,
      }),
      repair(
        'motor-clean',
        'Open the motor, clean commutator and brushes',
        ['motor.brushes', 'motor.brushes-dead'],
        40,
        level,
        {
          residual: 0.3,
          leaves: 'worn brushes come back: tell the owner',
        },
      ),
      repair('leads', 'Put the motor leads back as marked', ['motor.reversed'], 5, level, { residual: 0.01 }),
      repair('glue-magnet', 'Glue the ring magnet, thin, at its height, clamp it', ['tacho.loose'], 25, level, {
        waitMin: 1440,
        residual: 0.1,
        leaves: 'no power before the cement has cured for a day',
      }),
      repair('tacho-plug', 'Put the plug of the Hall chip on', ['tacho.unplugged'], 2, level, { residual: 0.01 }),
      repair('retainer', 'Bond the magnets of the motor with retaining compound', ['motor.retainer'], 45, level, {
        ...GLUE_SCHOOL.glue,
        waitMin: 1440,
        residual: 0.3,
        leaves: 'no power before the compound has cured for a day',
      }),
      repair('hall', 'Renew the Hall chip', ['tacho.dead'], 30, level, { money: 4 }),
      repair(
        'motor-swap',
        'Replace the motor',
        [
          'motor.brushes',
          'motor.brushes-dead',
          'motor.retainer',
          'motor.open',
          'motor.jammed',
          'motor.dry',
          'motor.stiff',
          'motor.noisy',
        ],
        35,
        level,
        { money: 40, residual: 0.05, retrim: true },
      ),
      repair('governor', 'Renew the governor chip or board', ['governor.*'], 40, level, { money: 15, retrim: true }),
    ],
  };
}
