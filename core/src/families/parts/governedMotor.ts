/** Small d.c. motor with its governor and tacho, driving a belt. Common practice, with no published source. */
import { block, looks, measure, mode, reads, repair, row, signal } from '../path/build.js';
import { liveAt, type PathPart, type Reach } from './part.js';

export const STALLED = 'A stalled motor cooks the transistor that feeds it: no power until it turns freely by hand.';
export const SPEED = ['still', 'slow', 'right', 'fast'] as const;
export const SPEED_ANSWERS = ['still|does not turn: still', 'slow: slow', 'right: right', 'fast: fast, hunting'];

interface Motor extends Reach {
  readonly origin: string;
  /** Bands of the volts at its terminals, as measure() takes them. */
  readonly bands: readonly string[];
  /** Level from which the belt can be taken off. */
  readonly beltLevel: string;
}

/** Fed from signal gated, told its speed by signal wish; gives drive, motor, steadiness, noise and tacho. */
export function governedMotor(at: Motor): PathPart {
  const live = liveAt(at);
  const { level, beltLevel, origin, bands } = at;
  return {
    signals: [
      signal(
        'drive',
        'motor terminals',
        ['none', 'low', 'right', 'high', 'full', 'erratic'],
        'none',
        measure('motor terminals', 'V', origin, ...bands),
      ),
      signal('motor', 'motor speed', SPEED, 'still'),
      signal('steadiness', 'steadiness', ['steady', 'surging'], 'steady'),
      signal('noise', 'noise of the motor', ['quiet', 'tick', 'grind'], 'quiet'),
      signal('tacho', 'tacho', ['none', 'bumpy', 'right'], 'none'),
    ],
    blocks: [
      block(
        'governor',
        'governor',
        'control',
        ['gated', 'wish', 'tacho'],
        ['drive'],
        [
          row({ gated: 'none' }, { drive: 'none' }),
          row({ wish: 'none' }, { drive: 'low' }),
          row({ tacho: 'none', gated: 'low' }, { drive: 'low' }),
          row({ tacho: 'none' }, { drive: 'full' }),
          row({ gated: 'low' }, { drive: 'low' }),
          row({ tacho: 'bumpy' }, { drive: 'erratic' }),
          row({ wish: 'erratic' }, { drive: 'erratic' }),
          row({ gated: 'unsteady' }, { drive: 'erratic' }),
          row({ gated: 'high', wish: 'right' }, { drive: 'right' }),
          row({ wish: 'low' }, { drive: 'low' }),
          row({ wish: 'high' }, { drive: 'high' }),
          row({}, { drive: 'right' }),
        ],
        [
          mode('dead', 'governor dead', 0.03, [row({}, { drive: 'none' })]),
          mode('full', 'governor shorted through', 0.03, [
            row({ gated: ['right', 'high', 'unsteady'] }, { drive: 'full' }),
          ]),
          mode('weak', 'governor weak', 0.03, [
            row({ gated: ['right', 'high', 'unsteady'], tacho: ['right', 'bumpy', 'none'] }, { drive: 'low' }),
          ]),
          mode('warm', 'governor drifts when warm', 0.03, [
            row({ '@heat': 'warm', gated: ['right', 'high'], tacho: ['right'] }, { drive: { low: 0.6, high: 0.4 } }),
          ]),
        ],
      ),
      block(
        'tacho',
        'magnet and Hall',
        'feedback',
        ['motor'],
        ['tacho'],
        [row({ motor: 'still' }, { tacho: 'none' }), row({}, { tacho: 'right' })],
        [
          mode('loose', 'ring magnet loose or cracked', 0.04, [
            row({ motor: ['slow', 'right', 'fast'] }, { tacho: 'bumpy' }),
          ]),
          mode('dead', 'Hall chip dead', 0.02, [row({}, { tacho: 'none' })]),
          mode('unplugged', 'tacho left unplugged', 0.0005, [row({}, { tacho: 'none' })], { byWork: true }),
        ],
      ),
      block(
        'motor',
        'motor',
        'mechanical',
        ['drive'],
        ['motor', 'steadiness', 'noise'],
        [
          row({ drive: 'none' }, { motor: 'still', steadiness: 'steady' }),
          row({ drive: 'low' }, { motor: 'slow' }),
          row({ drive: ['high', 'full'] }, { motor: 'fast' }),
          row({ drive: 'erratic' }, { steadiness: 'surging' }),
          row({}, { motor: 'right', steadiness: 'steady', noise: 'quiet' }),
        ],
        [
          mode('brushes', 'brushes worn or commutator dirty', 0.06, [
            row(
              { drive: ['low', 'right', 'high', 'full', 'erratic'] },
              { motor: { still: 0.4, slow: 0.6 }, steadiness: 'surging' },
            ),
          ]),
          mode('dry', 'motor bearings dry', 0.06, [
            row({ '@belt': 'on', drive: ['low', 'right', 'erratic'] }, { motor: 'slow' }),
            row({ drive: ['low', 'right', 'high', 'full', 'erratic'] }, { noise: 'grind' }),
          ]),
          mode('retainer', 'magnet retainer of the motor broken', 0.03, [
            row({ drive: ['low', 'right', 'high', 'full', 'erratic'] }, { noise: 'tick' }),
          ]),
          mode('open', 'winding open', 0.02, [row({}, { motor: 'still' })]),
          mode('jammed', 'motor jammed', 0.01, [row({}, { motor: 'still' })], { kills: STALLED }),
          mode('reversed', 'motor leads crossed', 0.0005, [row({}, { motor: 'still' })], {
            byWork: true,
            kills: STALLED,
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
        ['free: healthy, brushes, open, reversed', 'stiff: dry', 'clicks: retainer', 'will not turn: jammed'],
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
        ['none: none', 'low: low', 'right: right', 'high: high', 'full: full', 'wanders: erratic, hunting'],
        { ...live, handsMin: 2, waitMin: 20, context: { heat: 'warm' } },
      ),
      reads(
        'tacho-out',
        'Hall output, turned by hand',
        'Hall output while the pulley is turned slowly: near nought and near supply.',
        'tacho',
        ['toggles evenly: right', 'uneven or misses: bumpy', 'nothing: none'],
        { ...live, handsMin: 3 },
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
        'motor-ohms',
        'Ohms of the motor, turned slowly',
        'Unplugged, leads off. Ohms at the terminals while the shaft is turned.',
        'motor',
        ['even: healthy, dry, retainer, jammed, reversed', 'wanders: brushes', 'open: open'],
        { level, handsMin: 4, opens: ['motor-plug'], reliability: 0.95 },
      ),
    ],
    repairs: [
      repair('oil-motor', 'Oil the motor bearings', ['motor.dry'], 12, level, { residual: 0.2 }),
      repair('glue-magnet', 'Glue the ring magnet', ['tacho.loose'], 25, level, { waitMin: 1440, residual: 0.1 }),
      repair('hall', 'Renew the Hall chip', ['tacho.dead', 'tacho.unplugged'], 30, level, { money: 4 }),
      repair(
        'motor-swap',
        'Replace the motor',
        ['motor.brushes', 'motor.retainer', 'motor.open', 'motor.jammed', 'motor.dry', 'motor.reversed'],
        35,
        level,
        { money: 40, residual: 0.05 },
      ),
      repair('governor', 'Renew the governor chip or board', ['governor.*'], 40, level, { money: 15 }),
    ],
  };
}
