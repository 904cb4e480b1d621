/** A direct-drive turntable with a servo: 12 V board, timing with a trim for each speed, pitch pot, comparator, stator, FG ring. */
import type { Random } from '../../numeric/index.js';
import { supplyFaults, supplyQuantities, supplyTrace, smallSupply, type SmallSupply } from '../electric/supply.js';
import {
  type Condition,
  type Quantities,
  type Seen,
  between,
  contactAt,
  either,
  faultOf,
  practiceMachine,
  swing,
  together,
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

interface ServoDeck {
  supply: SmallSupply;
  rotor: DirectDrive;
  lampBurnt: boolean;
  contactOhm: Record<'33' | '45', readonly [number, number]>;
  /** Speed that each trim and the capacitor set, as a part; warm, the drift. */
  trim: Record<'33' | '45', number>;
  aged: number;
  warmDrift: number;
  trimWiper: number;
  pitchWiper: number;
  pitchOpen: boolean;
  comparatorDead: boolean;
  comparatorFull: boolean;
}

const NOMINAL = { 33: 100 / 3, 45: 45 } as const;

const build = (random: Random): ServoDeck => ({
  supply: smallSupply(random, { secondaryV: 15, regulatorV: 12, loadA: 0.15 }),
  rotor: directDrive(random),
  lampBurnt: false,
  contactOhm: { 33: [0.1, 0.1], 45: [0.1, 0.1] },
  trim: { 33: swing(random, 0.002), 45: swing(random, 0.002) },
  aged: 0,
  warmDrift: swing(random, 0.001),
  trimWiper: 0,
  pitchWiper: 0,
  pitchOpen: false,
  comparatorDead: false,
  comparatorFull: false,
});

const fault = faultOf<ServoDeck>();
const OWN = [
  fault('lamp', 'rim lamp dead', 3, (p) => void (p.lampBurnt = true)),
  fault('contacts-dirty', 'selector contacts dirty', 6, (p) => void (p.contactOhm = { 33: [5, 2500], 45: [5, 2500] })),
  fault('contact-33', 'selector open at 33', 2, (p) => void (p.contactOhm[33] = [Infinity, Infinity])),
  fault('contact-45', 'selector open at 45', 2, (p) => void (p.contactOhm[45] = [Infinity, Infinity])),
  fault('trim-33', 'trim of 33 off', 5, (p, random) => void (p.trim[33] = either(random, 0.018, 0.08))),
  fault('trim-45', 'trim of 45 off', 5, (p, random) => void (p.trim[45] = either(random, 0.018, 0.08))),
  fault('trims-dirty', 'wipers of the trims dirty', 6, (p, random) => void (p.trimWiper = between(random, 0.03, 0.1))),
  fault('timing-aged', 'timing capacitor aged', 3, (p, random) => void (p.aged = either(random, 0.06, 0.15))),
  fault(
    'timing-warm',
    'timing parts drift when warm',
    5,
    (p, random) => void (p.warmDrift = either(random, 0.02, 0.08)),
  ),
  fault('pitch-dirty', 'pitch pot dirty', 8, (p, random) => void (p.pitchWiper = between(random, 0.03, 0.1))),
  fault('pitch-open', 'pitch pot open', 2, (p) => void (p.pitchOpen = true)),
  fault('comparator-dead', 'comparator gives nothing', 3, (p) => void (p.comparatorDead = true)),
  fault('comparator-full', 'comparator at its rail', 2, (p) => void (p.comparatorFull = true)),
];

function solve(p: ServoDeck, c: Condition, random: Random): Quantities {
  const chosen = c.setting === '45' ? '45' : '33';
  const supply = supplyQuantities(p.supply, c);
  const board = supply['board.V'];
  const contact = contactAt(p.contactOhm[chosen], random);
  // Ohms in series with some 40 kΩ of timing: 1 kΩ costs 1.2 % (two halves share it).
  const byContact = Number.isFinite(contact) ? -contact / 80_000 : 0;
  const timed = Number.isFinite(contact) && !p.pitchOpen && !p.comparatorDead;
  const part = 1 + p.trim[chosen] + p.aged + p.warmDrift * c.warm + byContact;
  const jumps = swing(random, p.trimWiper + p.pitchWiper);
  const rotor = directQuantities(
    p.rotor,
    {
      supplyV: board,
      wishRpm: timed ? NOMINAL[chosen] * (part + jumps) : 0,
      full: p.comparatorFull,
      wander: supply['board.ripple.Vpp']! / 60,
    },
    c,
    random,
  );
  return together(supply, rotor, {
    burnt: Math.max(supply.burnt ?? 0, rotor['rotor.burnt'] ?? 0),
    lamp: supply['secondary.Vac']! > 4 && !p.lampBurnt ? 1 : 0,
    'lamp.ohm': p.lampBurnt ? Infinity : 40,
    'platter.error.percent': 100 * (rotor['rotor.rpm'] / NOMINAL[chosen] - 1),
    'contact.33.ohm': contactAt(p.contactOhm[33], random),
    'contact.45.ohm': contactAt(p.contactOhm[45], random),
    'trim.33': p.trim[33],
    'trim.45': p.trim[45],
    'trim.wander': swing(random, p.trimWiper),
    'timing.aged': p.aged,
    'timing.warm': p.warmDrift,
    'pitch.wander': swing(random, p.pitchWiper),
    'pitch.ohm': p.pitchOpen ? Infinity : 10_000,
    'comparator.dead': p.comparatorDead ? 1 : 0,
    'comparator.full': p.comparatorFull ? 1 : 0,
    // Turned by hand the head gives its volts; the comparator's input shows them while it has its supply.
    'fg.volts.V': board > 4 ? 2 * (rotor['fg.part'] ?? 0) : 0,
  });
}

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const error = (condition: Partial<Condition>) => at('platter.error.percent', condition);
  const [cold, warm, fast] = [error({ setting: '33' }), error({ setting: '33', warm: 1 }), error({ setting: '45' })];
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  const lit = at('lamp').mean > 0;
  if (at('rotor.quivers').mean > 0) return say`The platter quivers and does not start.`;
  if (cold.mean < -90) return lit ? say`The light comes on, the platter stands still.` : say`It is dead.`;
  if (fast.mean < -90) return say`It does not play singles.`;
  if (warm.mean < -90) return say`It stops after a while.`;
  if (cold.mean > 12) return say`It runs away.`;
  if (cold.spread > 0.6) return say`The dots wander to and fro.`;
  if (Math.abs(warm.mean - cold.mean) > 1) return say`It changes its speed as it gets warm.`;
  if (Math.abs(cold.mean) > 1) return cold.mean < 0 ? say`It plays too slow.` : say`It plays too fast.`;
  if (Math.abs(fast.mean) > 1) return fast.mean < 0 ? say`Singles play too slow.` : say`Singles play too fast.`;
  return lit ? null : say`The light at the rim does not come on.`;
}

/** The servo turntable of the practice bench. */
export const servoDeck = practiceMachine<ServoDeck>({
  id: 'servo-deck',
  name: 'direct-drive turntable with a servo',
  settings: ['33', '45'],
  answersTo: ['warm'],
  build,
  faults: [...supplyFaults<ServoDeck>(), ...directFaults<ServoDeck>(), ...OWN],
  solve,
  trace: (p, condition, quantity) => supplyTrace(p.supply, condition, quantity),
  complain,
  trims: ['33', '45'],
  turn: (p, trim, turns) => {
    if (trim === '33' || trim === '45') p.trim = { ...p.trim, [trim]: p.trim[trim] + 0.19 * turns };
  },
  hands: [
    ...directHands<ServoDeck>(),
    {
      id: 'selector',
      name: 'speed contacts bridged',
      make: (p) => void (p.contactOhm = { 33: [0.1, 0.1], 45: [0.1, 0.1] }),
    },
  ],
  spoils: DIRECT_SPOILS,
  harm: directHarm,
});
