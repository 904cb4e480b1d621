/** Make-safe lines and stores of charge that families share. Common practice unless said otherwise. */
import type { ChargeStore, FamilyMove, PowerKind, SafeLine, UsualEnd } from '../schema.js';

const line = (
  id: string,
  text: string,
  why: string,
  powerKinds: readonly PowerKind[] = ['mains', 'adapter', 'pack'],
  byReading = false,
  waitMin: number | null = null,
): SafeLine => ({ id, text, why, powerKinds: [...powerKinds], byReading, waitMin });

export const SAFE = {
  unplug: line(
    'unplug',
    'Pull the plug and lay it in sight',
    'A switch on the unit does not part it from the mains; a plug in sight cannot be pushed back by somebody else.',
    ['mains', 'adapter'],
  ),
  packOut: line(
    'pack-out',
    'Take the pack out and lay it away from the bench',
    'A pack delivers hundreds of amperes into a slipped probe.',
    ['pack'],
  ),
  packLook: line(
    'pack-look',
    'Look at the pack: not swollen, hot, wet or crushed',
    'A damaged lithium pack burns without flame to warn; it is quarantined outdoors on stone, not repaired.',
    ['pack'],
  ),
  charge: line(
    'charge',
    'Measure what is left on the capacitors',
    'Only a reading says the charge is gone: bleeders open, and a computed time is no proof.',
    ['mains', 'adapter', 'pack'],
    true,
  ),
  platter: line(
    'platter',
    'Stylus guarded, arm tied, mat and platter off',
    'A platter that slides when the unit is turned over takes the arm and the fingers with it.',
  ),
  record: line('record', 'Nothing left on the platter', 'What lies on it falls when it is tilted.'),
  tapeOut: line('tape-out', 'Tape out', 'A tape left threaded is torn by the first cam that moves.'),
  bulb: line(
    'bulb',
    'Turn it on its back or side only on blocks that touch the frame',
    'Pitch sliders, knobs and dust covers carry the weight otherwise and break.',
  ),
  water: line(
    'water',
    'Close the taps, drain, label the hoses hot and cold',
    'What stays in the sump runs out over the boards when it is tilted.',
    ['mains'],
  ),
  tilt: line(
    'tilt',
    'Tilt it with a second person, towel under it',
    'A drum with its weights tips further than one expects.',
    ['mains'],
  ),
  attachments: line(
    'attachments',
    'Whisk, bowl and blades off',
    'A motor that starts by itself while tested takes what is fitted with it.',
    ['mains', 'pack'],
  ),
  blade: line(
    'blade',
    'Blade, chain or impeller off, or guarded',
    'Turning the motor by hand or by accident moves it.',
  ),
  dust: line(
    'dust',
    'Bag or bin out, filters out',
    'Dust in the motor bay burns at the brushes and hides what is loose.',
    ['mains'],
  ),
  inverter: line(
    'wait',
    'Wait five minutes after unplugging, then measure the bus',
    'Inverter capacitors hold charge for minutes, and without limit when their bleeder is open.',
    ['mains'],
    false,
    5,
  ),
  sheet: line(
    'sheet',
    'Look for the service sheet inside and photograph it',
    'It is often folded behind a panel, and goes back there.',
    ['mains'],
  ),
  windows: line(
    'head-cover',
    'Loading finished or by hand, carriage in its home position',
    'A mechanism taken apart half-way cannot be timed again by eye.',
    ['mains'],
  ),
} as const;

const store = (
  id: string,
  name: string,
  powerKinds: readonly PowerKind[],
  microfarad: number,
  volts: ChargeStore['volts'],
  why: string,
): ChargeStore => ({ id, name, powerKinds: [...powerKinds], microfarad, volts, why });

/** Peak of a sine over its rms value. */
const PEAK = { ofRated: Math.SQRT2 };

export const STORE = {
  primary: store(
    'primary',
    'primary reservoir',
    ['mains'],
    100,
    PEAK,
    'A switched supply keeps the rectified mains, 160 to 325 V, on its first capacitor.',
  ),
  run: store('run-capacitor', 'run capacitor', ['mains'], 1, PEAK, 'Whatever phase it was cut off at stays on it.'),
  filter: store(
    'filter',
    'interference capacitors',
    ['mains'],
    0.33,
    PEAK,
    'They sit across the mains and may stay at its peak: a nip at the pins of the plug.',
  ),
  bus: store('bus', 'inverter bus', ['mains'], 1000, PEAK, 'The bus feeds the six switches at the peak of the mains.'),
  bulk: store(
    'bulk',
    'bulk capacitor of the controller',
    ['pack'],
    2200,
    { ofRated: 1.17 },
    'It stands before the fuse in many tools and stays at the full pack: 4.2 V a cell on a 3.6 V rating.',
  ),
} as const;

export const LOW_RESERVOIR =
  'Its supply stays under 35 V behind a transformer or adapter: the reservoir can spark but not harm.';

const end = (
  id: string,
  what: string,
  how: UsualEnd['how'],
  safe: string,
  ...outOfPath: readonly string[]
): UsualEnd => ({ id, what, how, safe, blocks: [...outOfPath] });

/** What is usually left open, each with the state in which power may come. Common practice. */
export const END = {
  earth: end('earth', 'earth wire', 'unplugged', 'on its screw, star washer under it, tugged', '*'),
  motorPlug: end(
    'motor-plug',
    'motor connector',
    'unplugged',
    'plugged in, or insulated and clear',
    'motor',
    'winding',
    'coils',
    'armature',
  ),
  belt: end('belt', 'belt', 'removed', 'on and untwisted, or laid clear of what turns', 'belt'),
  boardPlugs: end('board-plugs', 'connectors of the board', 'unplugged', 'all plugged in, none a pin aside', '*'),
  lid: end('lid-switch', 'lid or door switch plug', 'unplugged', 'plugged in; never bridged', '*'),
  bridge: end('bridge', 'wire bridging a switch for a test', 'bridged', 'removed'),
  lifted: end('lifted-leg', 'a leg lifted to measure out of circuit', 'lifted', 'soldered back'),
  voltage: end('voltage', 'voltage selector', 'switched', 'set to the volts of this socket', '*'),
  trimSeal: end('trim-hole', 'trim hole seal', 'cut', 'no blade left in the hole; sealed before hand-back'),
  sensor: end('sensor', 'speed sensor plug', 'unplugged', 'plugged in', 'sensor', 'tacho'),
  hoses: end('hoses', 'hoses', 'removed', 'on, hot and cold as labelled; or taps shut and the floor dry'),
  idler: end(
    'idler',
    'idler wheel with its washers and spring',
    'removed',
    'on with washers and spring, or laid clear of what turns',
    'idler',
  ),
  pickupGap: end('pickup-gap', 'pickup coil', 'removed', 'screwed down, gap as measured before', 'pickup'),
  brushCaps: end(
    'brush-caps',
    'brushes and their caps',
    'removed',
    'both in, bevel as it came out, caps home',
    'brushes',
  ),
  triggerWires: end(
    'trigger-wires',
    'wires of the trigger module',
    'unsoldered',
    'soldered to their tags, none touching',
    'trigger',
  ),
  reel: end('reel', 'cord reel and its rings', 'removed', 'closed over its rings, nothing bare', 'reel'),
  motorSeal: end('motor-seal', 'motor seal', 'removed', 'seated, key of the motor in its gap'),
  modeSwitch: end('mode-switch', 'mode switch', 'unsoldered', 'soldered back, marks in the home position', 'mode'),
  cassetteHousing: end('cassette-housing', 'cassette housing plug', 'unplugged', 'plugged in', '*'),
  brakeSprings: end(
    'brake-springs',
    'brake bands and their springs',
    'removed',
    'hooked on, free of the reels',
    'brakes',
  ),
  pressureWire: end(
    'pressure-wire',
    'wire lifted at the pressure switch',
    'lifted',
    'on its tab, or both ends insulated for the test',
  ),
  potting: end(
    'potting',
    'potting cut away over the switches',
    'removed',
    'nothing conductive near the bare part; coated before hand-back',
  ),
} as const;

const move = (
  id: string,
  name: string,
  kind: FamilyMove['kind'],
  needs: FamilyMove['needs'],
  opens: readonly string[],
  work: FamilyMove['work'] = null,
  mends: readonly string[] = [],
): FamilyMove => ({ id, name, kind, needs, opens: [...opens], work, mends: [...mends] });

export const MOVE = {
  bypass: move('bypass-switch', 'Bridge the switch for a minute, unplugged, insulated, fused', 'test', 'dead', [
    'bridge',
  ]),
  outOfCircuit: move('out-of-circuit', 'Measure a part out of circuit', 'test', 'dead', ['lifted-leg']),
  motorAlone: move('motor-alone', 'Belt off, motor alone: sound and steadiness', 'test', 'live', ['belt']),
  cleanTrims: move(
    'clean-trims',
    'Clean the trims and the pitch control',
    'mend',
    'dead',
    [],
    {
      action: 'clean',
      what: 'the trims and the pitch control',
    },
    ['clean', 'clean-trim', 'slider'],
  ),
  newBelt: move('new-belt', 'Fit a new belt', 'mend', 'dead', ['belt'], { action: 'replace', what: 'the belt' }, [
    'belt',
  ]),
  oil: move('oil-bearings', 'Oil the bearings, one drop, wipe the excess', 'mend', 'dead', [], {
    action: 'oil',
    what: 'the bearings',
  }),
  motorSwap: move(
    'motor-swap',
    'Replace the motor',
    'mend',
    'dead',
    ['motor-plug'],
    {
      action: 'replace',
      what: 'the motor',
    },
    ['motor'],
  ),
  brushes: move('brushes', 'Renew both brushes, bevel as it came out', 'mend', 'dead', [], {
    action: 'replace',
    what: 'both brushes',
  }),
} as const;

/** Block lists are written short: "id|name". */
export const blocks = (...list: readonly string[]) =>
  list.map((one) => {
    const [blockId, name] = one.split('|') as [string, string];
    return { id: blockId, name };
  });
