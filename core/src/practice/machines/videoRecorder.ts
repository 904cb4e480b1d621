/**
 * A video recorder: switched supply, system control told by a mode switch, loading motor, drum, capstan with its own
 * rotor under a servo, control track, pinch roller, idler. The picture is a ratio of signal to noise.
 */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type Quantities,
  type Seen,
  between,
  chance,
  contactAt,
  faultOf,
  practiceMachine,
  swing,
  together,
  within,
} from '../machine.js';
import { pictureDb } from './videoPicture.js';
import { directDrive, directFaults, directQuantities, type DirectDrive } from './directDrive.js';
import { say } from '../../words/index.js';

interface Recorder {
  rotor: DirectDrive;
  cordOpen: boolean;
  leakMohm: number;
  fuseOpen: boolean;
  supplyDead: boolean;
  supplyShorted: boolean;
  /** Volts of the 12 V rail. */
  railV: number;
  capacitorOhm: number;
  displayDead: boolean;
  dewOhm: number;
  /** Ω of the mode switch's contacts, least and most. */
  contactOhm: readonly [number, number];
  unsoldered: boolean;
  outOfPhase: boolean;
  systemDead: boolean;
  loadingDead: boolean;
  loadingSlips: boolean;
  jammed: boolean;
  drumDead: boolean;
  drumPulsesLost: boolean;
  /** What stands beside it, against the heads' own signal. */
  field: number;
  /** Level from the heads against new ones; what dirt on them leaves of it. */
  headLevel: number;
  headDirt: number;
  servoDead: boolean;
  servoWarm: number;
  /** Where the FG is lost: its track, its head, its plug. */
  fgLostAt: 'track' | 'head' | 'plug' | null;
  controlDirty: boolean;
  wound: boolean;
  pinchHard: number;
  guideWander: number;
  tyre: number;
}

/** 23.39 mm/s round a capstan of 6 mm (from memory). */
const CAPSTAN_RPM = (60 * 23.39) / (Math.PI * 6);

const build = (random: Random): Recorder => ({
  rotor: directDrive(random, { k: 0.09, friction: 7e-4, viscous: 4e-5 }),
  cordOpen: false,
  leakMohm: within(random, 60, 0.5),
  fuseOpen: false,
  supplyDead: false,
  supplyShorted: false,
  railV: within(random, 12.2, 0.03),
  capacitorOhm: 0.08,
  displayDead: false,
  dewOhm: within(random, 8e3, 0.4),
  contactOhm: [0.2, 0.2],
  unsoldered: false,
  outOfPhase: false,
  systemDead: false,
  loadingDead: false,
  loadingSlips: false,
  jammed: false,
  drumDead: false,
  drumPulsesLost: false,
  field: 0,
  headLevel: within(random, 1, 0.1),
  headDirt: 1,
  servoDead: false,
  servoWarm: 0,
  fgLostAt: null,
  controlDirty: false,
  wound: false,
  pinchHard: 0.03,
  guideWander: 0,
  tyre: 1,
});

const fault = faultOf<Recorder>();
const losesFg = (at: 'track' | 'head' | 'plug') => (p: Recorder) => {
  p.rotor.fgLost = true;
  p.fgLostAt = at;
};
const OWN = [
  fault('cord-open', 'cord broken at the plug', 3, (p) => void (p.cordOpen = true)),
  fault(
    'lead-on-case',
    'a lead of the cord touches the metal',
    0.5,
    (p, random) => void (p.leakMohm = 0.0001 + 0.15 * random() ** 2),
  ),
  fault('fuse-aged', 'fuse open of age', 1, (p) => void (p.fuseOpen = true)),
  fault('supply-dead', 'supply does not start', 5, (p) => void (p.supplyDead = true)),
  {
    ...fault('supply-shorted', 'switch of the supply shorted', 2, (p: Recorder) => void (p.supplyShorted = true)),
    victims: () => ['fuse-aged'],
  },
  fault('supply-low', 'capacitors of the supply dried out', 8, (p, random) => {
    p.railV = between(random, 7.5, 10.3);
    p.capacitorOhm = between(random, 1, 8);
  }),
  fault('display-dead', 'display dead', 2, (p) => void (p.displayDead = true)),
  fault('dew-wet', 'dew sensor reads wet', 3, (p, random) => void (p.dewOhm = between(random, 4e5, 5e6))),
  fault('mode-dirty', 'mode switch oxidised', 18, (p, random) => {
    p.contactOhm = chance(random, 0.25) ? [1e7, 1e7] : [5, between(random, 3e4, 1e6)];
  }),
  fault('mode-unsoldered', 'mode switch not soldered back', 0.3, (p) => void (p.unsoldered = true)),
  fault('mode-phase', 'mode switch a tooth out', 0.3, (p) => void (p.outOfPhase = true)),
  fault('system-dead', 'system control dead', 3, (p) => void (p.systemDead = true)),
  fault('loading-dead', 'loading motor dead', 4, (p) => void (p.loadingDead = true)),
  fault('loading-belt', 'loading belt slips', 7, (p) => void (p.loadingSlips = true)),
  fault('loading-jam', 'a cam cracked', 3, (p) => void (p.jammed = true)),
  fault('drum-dead', 'drum motor dead', 3, (p) => void (p.drumDead = true)),
  fault('drum-pulses', 'drum pulses lost', 2, (p) => void (p.drumPulsesLost = true)),
  fault(
    'disturbed',
    'a screen beside it disturbs the heads',
    3,
    (p, random) => void (p.field = between(random, 0.5, 2)),
  ),
  fault('heads-dirty', 'heads dirty', 9, (p, random) => void (p.headDirt = between(random, 0.03, 0.15))),
  fault(
    'heads-worn',
    'heads worn',
    3,
    (p, random) => void (p.headLevel = chance(random, 0.5) ? 0 : between(random, 0.04, 0.15)),
  ),
  fault('servo-dead', 'servo chip gives nothing', 3, (p) => void (p.servoDead = true)),
  fault('servo-warm', 'servo drifts when warm', 2, (p, random) => void (p.servoWarm = between(random, 0.05, 0.15))),
  fault('fg-track', 'track of the FG lifted at the board edge', 9, losesFg('track')),
  fault('fg-head', 'FG head dead', 3, losesFg('head')),
  fault('fg-plug', 'FG plug left off', 0.3, losesFg('plug')),
  fault('control-dirty', 'control head dirty', 6, (p) => void (p.controlDirty = true)),
  fault('capstan-dry', 'capstan bearing dry', 3, (p, random) => void (p.rotor.dragTimes = between(random, 22, 34))),
  fault('capstan-wound', 'tape wound round the capstan', 2, (p) => void (p.wound = true)),
  fault('pinch-hard', 'pinch roller hard', 8, (p, random) => void (p.pinchHard = between(random, 0.45, 1))),
  fault('guides-off', 'a guide out of height', 2, (p, random) => void (p.guideWander = between(random, 0.02, 0.06))),
  fault('tyre-glazed', 'tyre of the idler glazed', 8, (p, random) => void (p.tyre = between(random, 0.1, 0.3))),
];

/** Faults of the rotor that this one can have. */
const ROTOR = ['coil-open', 'hall-dead', 'hall-weak', 'chip-dead', 'chip-leg', 'fg-scar'];

/** Volts of the 12 V rail. */
const railOf = (p: Recorder): number => (p.cordOpen || p.fuseOpen || p.supplyDead || p.supplyShorted ? 0 : p.railV);

interface Control {
  readonly orders: 'none' | 'confused' | 'right';
  readonly threads: 'no' | 'half' | 'yes';
  readonly loadingTurns: boolean;
}

/** What system control makes of what it is told, and how far the tape is threaded. */
function controlOf(p: Recorder, contactOhm: number): Control {
  const rail = railOf(p);
  // 10 kΩ pull each contact up: a contact of some kilohms reads as open.
  const told = p.unsoldered || contactOhm > 1e6 ? 'none' : contactOhm > 1e3 || p.outOfPhase ? 'wrong' : 'right';
  const silent = rail < 4 || p.systemDead || p.dewOhm > 2e5 || told === 'none';
  const orders = silent ? 'none' : told === 'wrong' || rail < 10.8 ? 'confused' : 'right';
  const loadingTurns = orders !== 'none' && !p.loadingDead && !p.jammed;
  const threads =
    orders === 'none' || p.loadingDead ? 'no' : orders === 'confused' || p.loadingSlips || p.jammed ? 'half' : 'yes';
  return { orders, threads, loadingTurns };
}

function solve(p: Recorder, c: Condition, random: Random): Quantities {
  const rail = railOf(p);
  const contact = contactAt(p.contactOhm, random);
  // A switch that wanders is read wrong sooner or later.
  const control = controlOf(p, p.contactOhm[1] > 1e3 ? Math.max(contact, Math.min(p.contactOhm[1], 1e4)) : contact);
  const mode = c.mode === '' ? 'play' : c.mode;
  const threaded = control.threads === 'yes';
  const moving = mode === 'wind' ? control.orders !== 'none' : threaded && mode !== 'still' && mode !== 'load';
  const served = moving && !p.servoDead;
  const pulses = !p.controlDirty;
  const hunts =
    (mode === 'play' && !pulses ? 0.06 : 0) +
    p.servoWarm * (mode === 'wind' ? 0 : c.warm) +
    (p.rotor.fgScar && mode !== 'wind' ? 0.05 : 0);
  const told = mode === 'wind' ? { ...p.rotor, fgLost: false, fgScar: false } : p.rotor;
  const rotor = directQuantities(
    told,
    { supplyV: rail, wishRpm: served ? CAPSTAN_RPM : 0, full: false, wander: hunts },
    c,
    random,
  );
  const turning = p.wound ? 0 : rotor['rotor.rpm'];
  const grip = p.pinchHard > 0.2 ? 0.04 * swing(random, p.pinchHard) - 0.005 : 0;
  const tape = turning * (1 + grip + swing(random, p.guideWander));
  const error = 100 * (tape / CAPSTAN_RPM - 1);
  const unsteady = 100 * Math.max(hunts, p.pinchHard > 0.2 ? 0.04 * p.pinchHard : 0, p.guideWander);
  const drum = rail > 4 && threaded && !p.drumDead ? (p.drumPulsesLost ? 0.8 : 1) : 0;
  const winds = turning > 5 && p.tyre > 0.4 ? 1 : 0;
  return together(
    rotor,
    {
      'rail.V': rail,
      'feed.V': p.cordOpen || p.fuseOpen ? 0 : 230,
      display: rail > 4 && !p.displayDead ? 1 : 0,
      'dew.warns': rail > 4 && p.dewOhm > 2e5 ? 1 : 0,
      threaded: control.threads === 'yes' ? 1 : control.threads === 'half' ? 0.5 : 0,
      'loading.turns': control.loadingTurns ? 1 : 0,
      'orders.right': control.orders === 'none' ? 0 : 1,
      'drum.part': drum,
      'capstan.error.percent': 100 * (turning / CAPSTAN_RPM - 1),
      'capstan.hunts': turning > 5 && hunts > 0.01 ? 1 : 0,
      'capstan.quivers': p.wound ? 0 : (rotor['rotor.quivers'] ?? 0),
      'capstan.ordered': served && rail > 4 ? (p.rotor.fgLost || turning < 5 ? 2 : 1) : 0,
      'order.wanders': served && hunts > 0.01 ? 1 : 0,
      'tape.error.percent': error,
      'tape.unsteady.percent': turning > 5 ? unsteady : 0,
      'winding.turns': mode === 'wind' ? winds : 0,
      'control.pulses': pulses && turning > 5 ? 1 : 0,
      'picture.dB': pictureDb(p, mode, { error, unsteady, moves: turning > 5 }, drum),
      'contact.ohm': p.unsoldered ? Infinity : contact,
      burnt: p.supplyShorted ? 1 : 0,
      blew: p.supplyShorted ? 1 : 0,
      tingles: p.leakMohm < 0.2 ? 1 : 0,
      'insulation.Mohm': p.leakMohm,
      'cord.itself.ohm': p.cordOpen ? Infinity : 0.1,
      'fuse.ohm': p.fuseOpen ? Infinity : 0.2,
    },
    lookedAt(p),
  );
}

/** What is seen of it by looks and ohms. */
const lookedAt = (p: Recorder): Quantities => ({
  'supply.shorted': p.supplyShorted ? 1 : 0,
  'supply.dead': p.supplyDead ? 1 : 0,
  'supply.capacitor.ohm': p.capacitorOhm,
  'display.dead': p.displayDead ? 1 : 0,
  'dew.ohm': p.dewOhm,
  'mode.oxidised': p.contactOhm[1] > 1e3 ? 1 : 0,
  'mode.unsoldered': p.unsoldered ? 1 : 0,
  'mode.phase': p.outOfPhase ? 1 : 0,
  'system.dead': p.systemDead ? 1 : 0,
  'loading.dead': p.loadingDead ? 1 : 0,
  'loading.slips': p.loadingSlips ? 1 : 0,
  'loading.jam': p.jammed ? 1 : 0,
  field: p.field,
  'heads.dirt': p.headDirt,
  'heads.level': p.headLevel,
  'fg.track.open': p.fgLostAt === 'track' ? 1 : 0,
  'fg.head.dead': p.fgLostAt === 'head' ? 1 : 0,
  'fg.plug.off': p.fgLostAt === 'plug' ? 1 : 0,
  'control.head.dirty': p.controlDirty ? 1 : 0,
  'capstan.wound': p.wound ? 1 : 0,
  'pinch.hard': p.pinchHard,
  'guide.wander': p.guideWander,
  'idler.tyre': p.tyre,
});

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const picture = (mode: string) => at('picture.dB', { mode }).mean;
  if (at('tingles').mean > 0) return say`It tingles when I touch its metal.`;
  if (at('rail.V').mean < 2) return say`It is dead.`;
  if (at('display').mean === 0) return say`Its display is dark.`;
  if (at('dew.warns').mean > 0) return say`It warns of damp and takes no tape.`;
  if (at('threaded').mean < 0.4) return say`It takes no tape.`;
  if (at('threaded').mean < 0.9) return say`It takes the tape and gives it back.`;
  if (at('tape.error.percent').mean > 20) return say`The tape races and there is no picture.`;
  if (at('tape.error.percent').mean < -95) return say`It threads and no tape moves.`;
  if (at('tape.error.percent').mean < -8) return say`Voices are deep and slow.`;
  if (at('winding.turns', { mode: 'wind' }).mean < 0.5) return say`It does not wind.`;
  if (picture('play') < 35)
    return picture('still') > 35 ? say`Bars run through the picture, a still is good.` : say`The picture is noise.`;
  if (at('tape.unsteady.percent', { warm: 1 }).mean > 1) return say`The sound wavers after half an hour.`;
  if (at('capstan.quivers', { warm: 1 }).mean > 0) return say`After half an hour the tape stands.`;
  return at('tape.error.percent').mean < -2 ? say`The sound is too low.` : null;
}

/** The video recorder of the practice bench. */
export const videoRecorder = practiceMachine<Recorder>({
  id: 'video-recorder',
  name: 'video recorder',
  settings: ['play'],
  answersTo: ['warm'],
  build,
  faults: [...directFaults<Recorder>().filter(({ id }) => ROTOR.includes(id)), ...OWN],
  solve,
  complain,
  hands: [{ id: 'fg', name: 'plug of the FG head pulled', make: losesFg('plug') }],
  spoils: { 'the drive chip burns': 'chip-dead' },
  harm: (p) => [
    ...(p.leakMohm < 0.2 && !p.cordOpen ? ['the case is live'] : []),
    ...(p.wound && railOf(p) > 4 && !p.rotor.chipDead && !p.systemDead ? ['the drive chip burns'] : []),
  ],
});
