/** Cord, phase control and universal motor of a household machine or tool. Common practice, with no published source. */
import { block, cause, looks, measure, mode, ratedAt, reads, repair, row, signal } from '../path/build.js';
import { LEAKS } from './firstLook.js';
import { liveAt, OUTSIDE, type PathPart, type Reach } from './part.js';

/** Mains cord without a transformer; gives signal feed. */
export function mainsCord(level: string): PathPart {
  return {
    signals: [signal('feed', 'mains in the machine', ['none', 'right'], 'none')],
    blocks: [
      block(
        'plug',
        'plug and cord',
        'supply',
        [],
        ['feed'],
        [row({}, { feed: 'right' })],
        [
          mode('open', 'plug or cord open', 0.06, [row({}, { feed: 'none' })]),
          mode('frame', 'a lead of the cord reaches the metal', 0.008, [], { bans: 'frame', marks: LEAKS }),
        ],
      ),
    ],
    tests: [
      looks(
        'cord',
        'Plug and cord',
        'Unplugged. Ohms of each conductor from end to end and to the metal, the cord bent at both its ends.',
        'plug',
        ['through: healthy', 'open: open', 'a lead reaches the frame: frame'],
        { level, handsMin: 2, lifts: ['fuse'] },
      ),
    ],
    repairs: [repair('cord', 'Renew plug or cord', ['plug.open', 'plug.frame'], 15, level, { money: 8 })],
  };
}

interface Control extends Reach {
  readonly id: string;
  readonly name: string;
  /** How it is measured dead. */
  readonly deadHow: string;
  readonly money: number;
  /** The feed may be thin: a burnt contact before it. */
  readonly thin?: boolean;
  /** Volts of its states at so many rated volts, as measure() takes them. */
  readonly bands?: { readonly rated: number; readonly volts: readonly string[] };
}

/** A control of 230 V mains. */
export const MAINS_CONTROL = {
  rated: 230,
  volts: ['none * 40', 'low 40 95', 'half 95 170', 'full 170 265'],
} as const;

/** Fed from signal switched, told by signal wish (none, low, high, lost); gives motor-feed. Context setting. */
export function phaseControl(at: Control): PathPart {
  const { id, name, level } = at;
  return {
    signals: [
      signal(
        'motor-feed',
        'feed of the motor',
        ['none', 'half', 'low', 'full'],
        'none',
        at.bands === undefined
          ? null
          : ratedAt(
              at.bands.rated,
              measure(
                'motor terminals',
                'V',
                'common practice: some 30 V of 230 is a control that does not pass; half a wave reads about half',
                ...at.bands.volts,
              ),
            ),
      ),
    ],
    blocks: [
      block(
        id,
        name,
        'control',
        ['switched', 'wish'],
        ['motor-feed'],
        [
          row({ switched: 'none' }, { 'motor-feed': 'none' }),
          ...(at.thin ? [row({ switched: 'thin' }, { 'motor-feed': 'half' })] : []),
          row({ wish: 'none' }, { 'motor-feed': 'none' }),
          row({ wish: 'low' }, { 'motor-feed': 'low' }),
          row({}, { 'motor-feed': 'full' }),
        ],
        [
          mode(
            'shorted',
            `${name} shorted: full speed only`,
            0.06,
            [row({ switched: 'right' }, { 'motor-feed': 'full' })],
            { marks: { scorched: 0.2, blew: 0.05 } },
          ),
          mode('open', `${name} passes nothing`, 0.05, [row({}, { 'motor-feed': 'none' })]),
          mode('half', `${name} passes one half wave`, 0.02, [
            row({ switched: 'right', wish: 'low' }, { 'motor-feed': 'low' }),
            row({ switched: 'right' }, { 'motor-feed': 'half' }),
          ]),
        ],
      ),
    ],
    tests: [
      reads(
        'feed-high',
        'Feed of the motor, highest setting',
        'At the motor terminals: clip dead, step back, power, read, unplug.',
        'motor-feed',
        ['none: none', 'about half: half', 'low: low', 'full: full'],
        { ...liveAt(at), handsMin: 4, context: { setting: 'high' } },
      ),
      reads(
        'feed-low',
        'Feed of the motor, lowest setting',
        'The same at the lowest setting.',
        'motor-feed',
        ['none: none', 'about half: half', 'low: low', 'full: full'],
        { ...liveAt(at), handsMin: 4, context: { setting: 'low' } },
      ),
      looks(
        `${id}-ohms`,
        name.charAt(0).toUpperCase() + name.slice(1),
        at.deadHow,
        id,
        ['blocks both ways: healthy, open, half', 'short: shorted'],
        { level, handsMin: 3, reliability: 0.93, lifts: ['fuse'] },
      ),
    ],
    repairs: [repair(id, `Replace the ${name}`, [`${id}.*`], 25, level, { money: at.money })],
  };
}

interface Motor extends Reach {
  /** Level from which the brushes can be looked at. */
  readonly brushLevel: string;
  /** The signal that feeds it: none, half, low or full. */
  readonly from: string;
  /** What has to be undone to turn the armature by hand. */
  readonly opens: readonly string[];
  readonly brushMoney: number;
  readonly motorMoney: number;
}

/** Gives turns, sparks, motor-sound and insulation. Contexts setting and tap. */
export function universalMotor(at: Motor): PathPart {
  const { level, brushLevel, from } = at;
  const fed = ['half', 'low', 'full'];
  return {
    signals: [
      signal('brushed', 'current through the brushes', ['none', 'half', 'low', 'full'], 'none'),
      signal('contact', 'contact of the brushes', ['good', 'poor'], 'good'),
      signal('turns', 'motor', ['still', 'weak', 'slow', 'fast'], 'still'),
      signal('sparks', 'sparks at the brushes', ['few', 'many'], 'few'),
      signal('motor-sound', 'sound of the motor', ['smooth', 'rough'], 'smooth'),
      signal('insulation', 'insulation to the frame', ['good', 'poor'], 'good'),
    ],
    blocks: [
      block(
        'brushes',
        'brushes',
        'mechanical',
        [from],
        ['brushed', 'contact'],
        [row({}, { brushed: `=${from}`, contact: 'good' })],
        [
          mode('early', 'brushes under their limit: sparks, full speed', 0.05, [row({}, { contact: 'poor' })]),
          mode('worn', 'brushes under their limit: weak', 0.05, [
            row({ [from]: fed }, { brushed: 'half', contact: 'poor' }),
          ]),
          mode(
            'tap',
            'brushes under their limit: starts after a tap',
            0.03,
            [
              row({ '@tap': 'yes', [from]: fed }, { brushed: 'half', contact: 'poor' }),
              row({}, { brushed: 'none', contact: 'poor' }),
            ],
            { provoked: ['tap'] },
          ),
          mode('gone', 'brushes gone: dead', 0.02, [row({}, { brushed: 'none' })]),
          mode(
            'stuck',
            'a brush stuck in its holder',
            0.04,
            [row({ '@tap': 'yes' }, { brushed: `=${from}`, contact: 'poor' }), row({}, { brushed: 'none' })],
            { provoked: ['tap'] },
          ),
          mode('left-out', 'a brush left out or its lead off', 0.001, [row({}, { brushed: 'none' })], {
            byWork: true,
          }),
        ],
      ),
      block(
        'armature',
        'armature and field',
        'mechanical',
        ['brushed', 'contact'],
        ['turns', 'sparks', 'motor-sound', 'insulation'],
        [
          row({ brushed: 'none' }, { turns: 'still', sparks: 'few' }),
          row({ contact: 'poor' }, { sparks: 'many' }),
          row({ brushed: 'half' }, { turns: 'weak' }),
          row({ brushed: 'low' }, { turns: 'slow' }),
          row({ brushed: 'full' }, { turns: 'fast' }),
          row({}, { sparks: 'few', 'motor-sound': 'smooth', insulation: 'good' }),
        ],
        [
          mode(
            'bar',
            'armature winding open or shorted',
            0.03,
            // One bar open: the fire at the brushes shows it, most of the torque is there.
            [
              row({ brushed: 'full' }, { turns: { fast: 0.6, weak: 0.4 } }),
              row({ brushed: 'low' }, { turns: { slow: 0.6, weak: 0.4 } }),
              row({ brushed: fed }, { turns: 'weak', sparks: 'many' }),
            ],
            { marks: { burnt: 0.4, scorched: 0.4 } },
          ),
          mode('pitted', 'commutator dirty or pitted, mica proud', 0.03, [row({ brushed: fed }, { sparks: 'many' })]),
          mode('field', 'field winding open', 0.02, [row({}, { turns: 'still' })]),
          mode('bearing', 'motor bearings dry: noisy, right speed', 0.05, [
            row({ brushed: fed }, { 'motor-sound': 'rough' }),
          ]),
          mode('stiff', 'motor bearings stiff: slow', 0.03, [
            row({ brushed: ['half', 'low'] }, { turns: { weak: 0.6, still: 0.4 } }),
            row({ brushed: 'full' }, { turns: { weak: 0.7, slow: 0.3 } }),
            row({ brushed: fed }, { 'motor-sound': 'rough' }),
          ]),
          mode('seized', 'motor seized', 0.01, [row({}, { turns: 'still' })], {
            bans: 'stalled',
            marks: { burnt: 0.4, blew: 0.1, 'much-current': 0.9 },
          }),
          mode('frame', 'winding leaks to the frame', 0.008, [row({}, { insulation: 'poor' })], {
            bans: 'frame',
            marks: LEAKS,
          }),
          mode('dust', 'carbon dust or water between winding and frame', 0.012, [row({}, { insulation: 'poor' })], {
            bans: 'frame',
            marks: { ...LEAKS, wet: 0.2 },
          }),
        ],
      ),
    ],
    tests: [
      reads(
        'sparks',
        'Sparks at the brushes',
        'Through the slots, in the dark, seconds only: a thin blue line, or a ring of fire?',
        'sparks',
        ['few or none: few', 'many: many'],
        { ...OUTSIDE, handsMin: 0.5, reliability: 0.93 },
      ),
      reads(
        'motor-sound',
        'Sound of the motor',
        'Listen while it runs and while it coasts.',
        'motor-sound',
        ['smooth: smooth', 'rough or shrill: rough'],
        { ...OUTSIDE, handsMin: 0.5, reliability: 0.9 },
      ),
      reads(
        'tap-start',
        'Does it start after a tap',
        'Switched on and still: tap the case at the brushes with a plastic rod, hands clear of what turns.',
        'turns',
        ['stays still: still', 'starts: weak, slow, fast'],
        { ...OUTSIDE, handsMin: 0.5, context: { tap: 'yes' }, reliability: 0.93 },
      ),
      looks(
        'brush-look',
        'Brushes',
        'Power out, glasses on, hold each cap: length against the limit, free in its holder, both sides; note which way the bevel faces.',
        'brushes',
        [
          'long and free: healthy',
          'under the limit: early, worn, tap, gone',
          'stuck: stuck',
          'one is missing: left-out',
        ],
        { level: brushLevel, handsMin: 3, cautions: ['spring'], reliability: 0.96 },
      ),
      looks(
        'armature-ohms',
        'Windings',
        'Power out. Bar to bar round the commutator, the field, and each to the frame.',
        'armature',
        [
          'even, none to the frame: healthy, bearing, stiff, seized, pitted',
          'one bar differs: bar',
          'field open: field',
          'path to the frame: frame, dust',
        ],
        { level, handsMin: 6, opens: [...at.opens], reliability: 0.95, lifts: ['fuse'] },
      ),
      looks(
        'commutator-look',
        'Commutator',
        'Power out, brushes lifted. Brown and even; or black, ridged, mica level with the bars? Blow the carbon dust out, outdoors.',
        'armature',
        ['brown and even: healthy, bearing, stiff, seized, field, frame, dust', 'black or pitted: pitted, bar'],
        { level, handsMin: 3, reliability: 0.93 },
      ),
      looks(
        'armature-spin',
        'Motor by hand',
        'Power out. Spin it: smooth and silent, no play across the shaft.',
        'armature',
        ['smooth: healthy, bar, field, frame, dust, pitted', 'rough: bearing', 'stiff: stiff', 'will not turn: seized'],
        { level, handsMin: 2, opens: [...at.opens], reliability: 0.94 },
      ),
    ],
    causes: [
      // A short brush sparks until the commutator is pitted: renew the brush, then true what it left.
      cause('brushes.worn', 'armature.pitted', 0.2),
      cause('brushes.tap', 'armature.pitted', 0.15),
      cause('brushes.early', 'armature.pitted', 0.1),
    ],
    repairs: [
      repair(
        'brushes',
        'Renew both brushes and run them in',
        ['brushes.early', 'brushes.worn', 'brushes.tap', 'brushes.gone', 'brushes.left-out'],
        20,
        brushLevel,
        { money: at.brushMoney, leaves: 'run them in at part speed, ten minutes, before any load' },
      ),
      repair('brush-free', 'Clean the brush holders', ['brushes.stuck'], 12, brushLevel, { residual: 0.1 }),
      repair('commutator', 'Clean the commutator, undercut the mica', ['armature.pitted'], 20, level, {
        residual: 0.1,
        leaves: 'new brushes have to be run in on it',
      }),
      repair('dust', 'Blow out and wash the carbon dust, dry for a day', ['armature.dust'], 20, level, {
        waitMin: 1440,
        residual: 0.15,
        leaves: 'measure the insulation again before power',
      }),
      repair(
        'motor-bearings',
        'Clean and oil the motor bearings, or renew them',
        ['armature.bearing', 'armature.stiff', 'armature.seized'],
        35,
        level,
        { money: 10, residual: 0.1 },
      ),
      repair('motor', 'Replace the motor', ['armature.*'], 45, level, { money: at.motorMoney }),
    ],
  };
}
