/** A direct-drive turntable locked to a crystal: divider, pitch oscillator on a zener, detent switch, phase lock, stator, FG ring. */
import type { Random } from '../../numeric/index.js';
import { smallSupply, supplyFaults, supplyQuantities, supplyTrace, type SmallSupply } from '../electric/supply.js';
import {
  type Condition,
  type Quantities,
  type Seen,
  between,
  either,
  evenly,
  faultOf,
  practiceMachine,
  swing,
  together,
  within,
} from '../machine.js';
import {
  DIRECT_SPOILS,
  directDrive,
  directFaults,
  directHands,
  directHarm,
  directQuantities,
  type DirectDrive,
} from './directDrive.js';
import { say } from '../../words/index.js';

interface QuartzDeck {
  supply: SmallSupply;
  rotor: DirectDrive;
  lampBurnt: boolean;
  zenerV: number;
  /** Volts that it wanders by warm, and where little current is left for it. */
  zenerWanderV: number;
  /** Frequency of the crystal and of its divider at 45, against what they should give; 0 does not swing. */
  crystalPart: number;
  dividerDead: boolean;
  divider45: number;
  sliderWiper: number;
  sliderEnd: boolean;
  oscillatorDead: boolean;
  oscillatorWarm: number;
  detent: 'works' | 'never closes' | 'never opens';
  /** Where the motor would run by itself, off the speed it is to lock to. */
  trim: Record<'33' | '45', number>;
  lockDead: boolean;
  openLoop: boolean;
}

const NOMINAL = { 33: 100 / 3, 45: 45 } as const;
/** The lock takes hold within this of its own speed, and hunts about as far again (common practice: a few percent). */
const CAPTURE = 0.03;
const ZENER_V = 5.6;
/** Percent of frequency a volt of bias. */
const PART_PER_V = 0.04;

const build = (random: Random): QuartzDeck => ({
  supply: smallSupply(random, { secondaryV: 15, regulatorV: 12, loadA: 0.15 }),
  rotor: directDrive(random),
  lampBurnt: false,
  zenerV: within(random, ZENER_V, 0.015),
  zenerWanderV: 0.005,
  crystalPart: 1,
  dividerDead: false,
  divider45: 1,
  sliderWiper: 0.0005,
  sliderEnd: false,
  oscillatorDead: false,
  oscillatorWarm: 0,
  detent: 'works',
  trim: { 33: swing(random, 0.01), 45: swing(random, 0.01) },
  lockDead: false,
  openLoop: false,
});

const fault = faultOf<QuartzDeck>();
const OWN = [
  fault('lamp', 'rim lamp dead', 3, (p) => void (p.lampBurnt = true)),
  fault('zener-drifts', 'zener drifts', 9, (p, random) => void (p.zenerWanderV = between(random, 0.4, 1))),
  fault('zener-low', 'zener low', 4, (p, random) => void (p.zenerV = evenly(random, 3.6, 4.8))),
  fault('crystal-dead', 'crystal does not start', 2, (p) => void (p.crystalPart = 0)),
  // One made for its third overtone that swings on its fundamental.
  fault('crystal-mode', 'crystal on its fundamental', 0.5, (p) => void (p.crystalPart = 1 / 3)),
  fault('divider-dead', 'divider dead', 2, (p) => void (p.dividerDead = true)),
  fault('divider-45', 'divider stays at 33', 1, (p) => void (p.divider45 = NOMINAL[33] / NOMINAL[45])),
  fault('slider-dirty', 'slider dirty', 6, (p, random) => void (p.sliderWiper = between(random, 0.02, 0.06))),
  fault('slider-end', 'slider open at its slow end', 1, (p) => void (p.sliderEnd = true)),
  fault('oscillator-dead', 'pitch oscillator dead', 2, (p) => void (p.oscillatorDead = true)),
  fault(
    'oscillator-warm',
    'its capacitor drifts warm',
    4,
    (p, random) => void (p.oscillatorWarm = between(random, 0.02, 0.05)),
  ),
  fault('detent-open', 'detent switch never closes', 3, (p) => void (p.detent = 'never closes')),
  fault('detent-shut', 'detent switch never opens', 2, (p) => void (p.detent = 'never opens')),
  fault('trim-33', 'trim of 33 outside its capture', 4, (p, random) => void (p.trim[33] = either(random, 0.036, 0.09))),
  fault('trim-45', 'trim of 45 outside its capture', 4, (p, random) => void (p.trim[45] = either(random, 0.036, 0.09))),
  fault('lock-dead', 'lock chip gives nothing', 3, (p) => void (p.lockDead = true)),
  fault('open-loop', 'lock chip lets the motor run free', 2, (p) => void (p.openLoop = true)),
];

/** A locked rotor is nearer to what it is asked for than this; the rest is what a moment wanders. */
const LOCKED_PART = 0.005;

/** The oscillator's frequency against the pitch that was set, at this moment. */
function oscillatorAt(p: QuartzDeck, c: Condition, bias: number, random: Random): number {
  if (p.oscillatorDead || bias < 1) return 0;
  const slow = c.mode === 'slow end';
  const jumps = p.sliderWiper + (slow && p.sliderEnd ? 0.05 : 0) + p.oscillatorWarm * c.warm;
  return 1 + PART_PER_V * (bias - ZENER_V) + swing(random, jumps);
}

/** Volts of the zener: a tired one wanders where little current is left for it, warm or at the slow end. */
const zenerOf = (p: QuartzDeck, starved: number, slow: boolean, random: Random): number =>
  p.zenerV + p.zenerWanderV * swing(random, starved) - (p.zenerV < 5 && slow ? evenly(random, 0, 0.4) : 0);

function solve(p: QuartzDeck, c: Condition, random: Random): Quantities {
  const chosen = c.setting === '45' ? '45' : '33';
  const slow = c.mode === 'slow end';
  const supply = supplyQuantities(p.supply, c);
  const board = supply['board.V'];
  const starved = Math.max(c.warm, slow ? 1 : 0);
  const bias = board > 3 ? Math.min(board, zenerOf(p, starved, slow, random)) : 0;
  const crystal = board > 3 ? p.crystalPart : 0;
  const reference = p.dividerDead ? 0 : crystal * (chosen === '45' ? p.divider45 : 1);
  const oscillator = oscillatorAt(p, c, bias, random);
  const atDetent = c.mode === 'detent' || c.mode === '';
  const byCrystal = p.detent === 'never opens' || (atDetent && p.detent === 'works');
  const target = byCrystal ? reference : oscillator;
  const trim = p.trim[chosen];
  const misses = Math.abs(trim) > CAPTURE;
  const far = Math.abs(trim) > 2 * CAPTURE;
  const asked = far ? 1 + trim : target;
  const rotor = directQuantities(
    p.rotor,
    {
      supplyV: board,
      wishRpm:
        p.lockDead || target === 0 ? 0 : NOMINAL[chosen] * asked * (misses && !far ? 1 + swing(random, 0.03) : 1),
      full: p.openLoop,
      wander: supply['board.ripple.Vpp']! / 60,
    },
    c,
    random,
  );
  const [rpm, wished] = [rotor['rotor.rpm'], NOMINAL[chosen]];
  // Off its pitch the platter is judged by the pitch that was set: a switch that never opens holds the crystal's.
  const pitch = byCrystal && !atDetent ? 1 / (slow ? 0.94 : 0.98) : 1;
  const error = 100 * ((rpm / wished) * pitch - 1);
  // A phase lock has no error of speed: a rotor that lags what it is asked for slips past it, and the lamp says so.
  // What stands still for want of anything to lock to, or is far off, lags as well.
  const lags = target === 0 || Math.abs(rpm / (wished * asked) - 1) > LOCKED_PART;
  const loose =
    misses ||
    lags ||
    p.openLoop ||
    (rotor['fg.part'] ?? 0) < 0.5 ||
    (!byCrystal && Math.abs(oscillator - 1) > 0.008 && c.warm + starved > 0);
  return together(
    supply,
    rotor,
    {
      burnt: Math.max(supply.burnt ?? 0, rotor['rotor.burnt'] ?? 0),
      lamp: supply['secondary.Vac']! > 4 && !p.lampBurnt ? 1 : 0,
      'platter.error.percent': error,
      'platter.steady.error.percent': 100 * (rpm / wished - 1),
      'lock.lamp': board < 3 || p.lockDead ? 0 : loose ? 0.5 : 1,
      'zener.V': bias,
      'crystal.part': crystal,
      'reference.part': reference,
      'oscillator.part': oscillator,
    },
    lookedAt(p, random),
  );
}

/** What is seen of it by looks and ohms. */
const lookedAt = (p: QuartzDeck, random: Random): Quantities => ({
  'slider.wander': swing(random, p.sliderWiper),
  'slider.end': p.sliderEnd ? 1 : 0,
  'pitch.follows': p.detent === 'never opens' ? 0 : 1,
  'detent.never.closes': p.detent === 'never closes' ? 1 : 0,
  'detent.never.opens': p.detent === 'never opens' ? 1 : 0,
  'trim.33.part': p.trim[33],
  'trim.45.part': p.trim[45],
  'lock.dead': p.lockDead ? 1 : 0,
});

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const error = (condition: Partial<Condition>) => at('platter.error.percent', { mode: 'detent', ...condition });
  const [cold, fast, off, warm, slow] = [
    error({ setting: '33' }),
    error({ setting: '45' }),
    error({ setting: '33', mode: 'off' }),
    error({ setting: '33', mode: 'off', warm: 1 }),
    error({ setting: '33', mode: 'slow end' }),
  ];
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  const lit = at('lamp').mean > 0;
  if (at('rotor.quivers').mean > 0) return say`The platter quivers and does not start.`;
  if (cold.mean < -90) return lit ? say`The light comes on, the platter stands still.` : say`It is dead.`;
  if (cold.mean > 12) return say`It runs away.`;
  if (error({ setting: '33', warm: 1 }).mean < -20) return say`It stops after a while.`;
  if (Math.abs(cold.mean) > 0.8 || cold.spread > 0.4) return say`It does not lock.`;
  if (Math.abs(fast.mean) > 0.8 || fast.spread > 0.4) return say`It does not lock at 45.`;
  if (off.mean < -50) return say`It stops when the pitch is moved.`;
  if (Math.abs(off.mean) > 1.5 && Math.abs(off.spread) < 0.3 && off.mean > 0) return say`The pitch does nothing.`;
  if ([off, warm, slow].some(({ mean, spread }) => Math.abs(mean) > 1.2 || spread > 0.5))
    return say`Its speed wanders when the pitch is used.`;
  return lit ? null : say`The light at the rim does not come on.`;
}

/** The quartz-locked turntable of the practice bench. */
export const quartzDeck = practiceMachine<QuartzDeck>({
  id: 'quartz-deck',
  name: 'direct-drive turntable locked to a crystal',
  settings: ['33', '45'],
  answersTo: ['warm'],
  build,
  faults: [...supplyFaults<QuartzDeck>(), ...directFaults<QuartzDeck>(), ...OWN],
  solve,
  trace: (p, condition, quantity) => supplyTrace(p.supply, condition, quantity),
  complain,
  hands: directHands<QuartzDeck>(),
  spoils: DIRECT_SPOILS,
  harm: directHarm,
});
