/** Cord, phase control and universal motor of a household machine or tool. Common practice, with no published source. */
import { block, looks, mode, reads, repair, row, signal } from '../path/build.js';
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
        [mode('open', 'plug or cord open', 0.06, [row({}, { feed: 'none' })])],
      ),
    ],
    tests: [
      looks(
        'cord',
        'Plug and cord',
        'Unplugged. Ohms of each conductor from end to end, the cord bent at both its ends.',
        'plug',
        ['through: healthy', 'open: open'],
        { level, handsMin: 2 },
      ),
    ],
    repairs: [repair('cord', 'Renew plug or cord', ['plug.open'], 15, level, { money: 8 })],
  };
}

interface Control extends Reach {
  readonly id: string;
  readonly name: string;
  /** How it is measured dead. */
  readonly deadHow: string;
  readonly money: number;
}

/** Fed from signal switched, told by signal wish (none, low, high, lost); gives motor-feed. Context setting. */
export function phaseControl(at: Control): PathPart {
  const { id, name, level } = at;
  return {
    signals: [signal('motor-feed', 'feed of the motor', ['none', 'half', 'low', 'full'], 'none')],
    blocks: [
      block(
        id,
        name,
        'control',
        ['switched', 'wish'],
        ['motor-feed'],
        [
          row({ switched: 'none' }, { 'motor-feed': 'none' }),
          row({ wish: 'none' }, { 'motor-feed': 'none' }),
          row({ wish: 'low' }, { 'motor-feed': 'low' }),
          row({}, { 'motor-feed': 'full' }),
        ],
        [
          mode('shorted', `${name} shorted: full speed only`, 0.06, [
            row({ switched: 'right' }, { 'motor-feed': 'full' }),
          ]),
          mode('open', `${name} passes nothing`, 0.05, [row({}, { 'motor-feed': 'none' })]),
          mode('half', `${name} passes one half wave`, 0.02, [row({ switched: 'right' }, { 'motor-feed': 'half' })]),
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
        { level, handsMin: 4, reliability: 0.93 },
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
          mode('worn', 'brushes under their limit', 0.12, [
            row({ '@tap': 'yes', [from]: fed }, { brushed: 'half', contact: 'poor' }),
            row({ [from]: fed }, { brushed: { none: 0.4, half: 0.6 }, contact: 'poor' }),
          ]),
          mode('stuck', 'a brush stuck in its holder', 0.04, [
            row({ '@tap': 'yes' }, { brushed: `=${from}`, contact: 'poor' }),
            row({}, { brushed: 'none' }),
          ]),
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
          mode('bar', 'armature winding open or shorted', 0.03, [
            row({ brushed: fed }, { turns: 'weak', sparks: 'many' }),
          ]),
          mode('field', 'field winding open', 0.02, [row({}, { turns: 'still' })]),
          mode('bearing', 'motor bearings dry or worn', 0.05, [
            row({ brushed: fed }, { turns: { weak: 0.5, slow: 0.2, fast: 0.3 }, 'motor-sound': 'rough' }),
          ]),
          mode('frame', 'winding leaks to the frame', 0.01, [row({}, { insulation: 'poor' })]),
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
        ['long and free: healthy', 'under the limit: worn', 'stuck: stuck', 'one is missing: left-out'],
        { level: brushLevel, handsMin: 4, cautions: ['spring'], reliability: 0.96 },
      ),
      looks(
        'armature-ohms',
        'Windings',
        'Power out. Bar to bar round the commutator, the field, and each to the frame.',
        'armature',
        [
          'even, none to the frame: healthy, bearing',
          'one bar differs: bar',
          'field open: field',
          'path to the frame: frame',
        ],
        { level, handsMin: 8, opens: [...at.opens], reliability: 0.95 },
      ),
      looks(
        'armature-spin',
        'Motor by hand',
        'Power out. Spin it: smooth and silent, no play across the shaft.',
        'armature',
        ['smooth: healthy, bar, field, frame', 'rough or stiff: bearing'],
        { level, handsMin: 2, opens: [...at.opens], reliability: 0.94 },
      ),
    ],
    repairs: [
      repair('brushes', 'Renew both brushes and run them in', ['brushes.worn', 'brushes.left-out'], 20, brushLevel, {
        money: at.brushMoney,
      }),
      repair('brush-free', 'Clean the brush holders', ['brushes.stuck'], 12, brushLevel, { residual: 0.1 }),
      repair('motor-bearings', 'Clean and oil the motor bearings, or renew them', ['armature.bearing'], 35, level, {
        money: 10,
        residual: 0.1,
      }),
      repair('motor', 'Replace the motor', ['armature.*', 'brushes.worn', 'brushes.stuck'], 45, level, {
        money: at.motorMoney,
      }),
    ],
  };
}
