/** A vacuum cleaner: cord on a reel, switch with a thermal protector, boost switch and speed board, fan on the motor's shaft. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type Quantities,
  type Seen,
  between,
  evenly,
  practiceMachine,
  together,
} from '../machine.js';
import {
  universalDrive,
  universalFaults,
  universalHarm,
  universalQuantities,
  type UniversalDrive,
} from './universalDrive.js';
import { say } from '../../words/index.js';

interface Vacuum {
  drive: UniversalDrive;
  /** Ω of the rings of the reel: the most they wander to. */
  reelOhm: number;
  lampBurnt: boolean;
  poleOpen: boolean;
  /** Cuts out at this part of full warmth; above 1 it never does. */
  protectorAt: number;
  linkOpen: boolean;
  switchOhm: number;
  boostLowOpen: boolean;
  boostOpen: boolean;
  /** Air that comes through, as a part of the usual. */
  air: number;
  fanLoose: boolean;
  sealLeaks: boolean;
}

/** Turns a minute of a sound one of the kind on high, inlet open. */
const USUAL_RPM = 20_700;

const FAN = { friction: 0.01, viscous: 1e-5, fan: 4.2e-8 };

const build = (random: Random): Vacuum => ({
  drive: universalDrive(random, { load: FAN, k: 0.045, ohm: 4.5 }),
  reelOhm: 0.2,
  lampBurnt: false,
  poleOpen: false,
  protectorAt: 2,
  linkOpen: false,
  switchOhm: 0.1,
  boostLowOpen: false,
  boostOpen: false,
  air: 1,
  fanLoose: false,
  sealLeaks: false,
});

const OWN: readonly MachineFault<Vacuum>[] = [
  { id: 'reel-open', name: 'ring of the cord reel burnt through', share: 4, make: (p) => void (p.reelOhm = Infinity) },
  {
    id: 'reel-pitted',
    name: 'rings of the cord reel pitted',
    share: 4,
    make: (p, random) => void (p.reelOhm = between(random, 60, 400)),
  },
  { id: 'lamp', name: 'panel lamp dead', share: 2, make: (p) => void (p.lampBurnt = true) },
  { id: 'pole', name: 'one pole of the switch dead', share: 4, make: (p) => void (p.poleOpen = true) },
  { id: 'protector', name: 'thermal protector tired', share: 3, make: (p) => void (p.protectorAt = 0.5) },
  { id: 'link', name: 'one-shot thermal link open', share: 3, make: (p) => void (p.linkOpen = true) },
  {
    id: 'contact-burnt',
    name: 'contact of the switch burnt',
    share: 3,
    make: (p, random) => void (p.switchOhm = between(random, 12, 40)),
  },
  { id: 'boost-low', name: 'boost switch dead on low', share: 3, make: (p) => void (p.boostLowOpen = true) },
  { id: 'boost-open', name: 'boost switch open', share: 2, make: (p) => void (p.boostOpen = true) },
  {
    id: 'blocked',
    name: 'hose, bag or filter blocked',
    share: 10,
    make: (p, random) => void (p.air = evenly(random, 0.05, 0.35)),
  },
  { id: 'fan-loose', name: 'fan slips on its shaft', share: 2, make: (p) => void (p.fanLoose = true) },
  { id: 'seal', name: 'seal of the motor left off', share: 3, make: (p) => void (p.sealLeaks = true) },
];

/** What of the flow comes through where this part of the way is left open: pressure falls with its square (0.3 of it in hose and bag, chosen). */
const throughOf = (open: number): number => 1 / (1 + 0.3 * (1 / open ** 2 - 1));

function solve(p: Vacuum, c: Condition, random: Random): Quantities {
  const sealed = c.mode === 'sealed';
  // Less air, less for the fan to move: its torque falls and the motor runs up.
  const air = sealed && !p.sealLeaks ? 0.03 : p.air;
  const moved = p.fanLoose ? 0.1 : 0.25 + 0.75 * air;
  const load = { ...FAN, fan: FAN.fan * moved };
  const cut = p.linkOpen || p.poleOpen || (c.warm > p.protectorAt && !c.tapped);
  const boost = p.boostOpen || (p.boostLowOpen && c.setting === 'low');
  const series = { ...p.drive, contactOhm: p.drive.contactOhm + Math.min(p.reelOhm, 1e9) + p.switchOhm };
  const q = universalQuantities(
    series,
    { switched: !cut && !boost && Number.isFinite(p.reelOhm), low: c.setting === 'low', load },
    c,
    random,
  );
  const rpm = q['shaft.rpm'];
  const fed = !p.drive.cordOpen && Number.isFinite(p.reelOhm);
  return together(q, {
    // Pitch goes with the shaft; suction with its square and what comes through.
    suction: (rpm / USUAL_RPM) ** 2 * (p.fanLoose || p.sealLeaks ? 0.2 : throughOf(p.air)),
    lamp: fed && !p.lampBurnt ? 1 : 0,
    'switch.V': !fed || p.poleOpen || p.linkOpen ? 0 : q['mains.V']!,
    'series.ohm': (Number.isFinite(p.reelOhm) ? p.reelOhm : 1e6) + p.switchOhm,
    'reel.ohm': Number.isFinite(p.reelOhm) ? (p.reelOhm > 5 ? between(random, 1, p.reelOhm) : p.reelOhm) : Infinity,
    'lamp.ohm': p.lampBurnt ? Infinity : 900,
    'pole.ohm': p.poleOpen ? Infinity : 0.1,
    'link.ohm': p.linkOpen ? Infinity : 0.1,
    'switch.ohm': p.switchOhm,
    'boost.low.ohm': p.boostLowOpen || p.boostOpen ? Infinity : 0.1,
    'boost.high.ohm': p.boostOpen ? Infinity : 0.1,
    air: p.air,
    'fan.slips': p.fanLoose ? 1 : 0,
    'seal.off': p.sealLeaks ? 1 : 0,
  });
}

/** What its owner notices first. */
function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const rpm = (condition: Partial<Condition>) => at('shaft.rpm', condition).mean;
  const [high, low, hot] = [rpm({ setting: 'high' }), rpm({ setting: 'low' }), rpm({ setting: 'high', warm: 1 })];
  if (at('tingles').mean > 0) return say`It tingles.`;
  if (high < 500) return at('lamp').mean > 0 ? say`The lamp is on, it does nothing.` : say`It is dead.`;
  if (low < 500) return say`It runs on high only.`;
  if (hot < 500) return say`It stops after ten minutes.`;
  if (low > 0.8 * high) return say`It runs on high whatever is set.`;
  if (at('suction', { setting: 'high' }).mean < 0.6) return say`It does not pick up.`;
  if (high < 0.92 * USUAL_RPM) return say`It has got weak.`;
  if (at('sparks', { setting: 'high' }).mean > 0.5) return say`It smells and sparks.`;
  if (at('motor.roughness', { setting: 'high' }).mean > 0.6) return say`It screams.`;
  return at('lamp').mean > 0 ? null : say`Its lamp is dark.`;
}

/** The vacuum cleaner of the practice bench. */
export const vacuum = practiceMachine<Vacuum>({
  id: 'vacuum',
  name: 'vacuum cleaner with a speed board',
  settings: ['high', 'low'],
  answersTo: ['warm', 'tapped'],
  build,
  faults: [...universalFaults<Vacuum>(), ...OWN],
  solve,
  sounds: [
    { quantity: 'shaft.rpm', part: 'fan', lines: 'blades', count: 7, loud: 0.2 },
    { quantity: 'shaft.rpm', part: 'armature', lines: 'bars', count: 22, loud: 0.05 },
  ],
  hands: [
    {
      id: 'boost',
      name: 'boost switch bridged',
      make: (p) => void Object.assign(p, { boostOpen: false, boostLowOpen: false }),
    },
    {
      id: 'pole',
      name: 'pole of the switch bridged',
      make: (p) => void Object.assign(p, { poleOpen: false, switchOhm: 0.05 }),
    },
  ],
  complain,
  spoils: { 'the winding burns': 'field-open' },
  harm: (p) => universalHarm(p.drive, Number.isFinite(p.reelOhm) && !p.poleOpen && !p.linkOpen && !p.boostOpen),
});
