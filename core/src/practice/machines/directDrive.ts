/** The platter as rotor: stator with three coils, Halls, drive chip, frequency generator, bearing. */
import type { Random } from '../../numeric/index.js';
import { supplyHarm, supplyQuantities, type SmallSupply } from '../electric/supply.js';
import {
  AT_REST,
  type Condition,
  type MachineFault,
  type MachineHand,
  type Quantities,
  between,
  chance,
  evenly,
  faultsOf,
  swing,
  together,
  within,
} from '../machine.js';
import { governed, RPM, settledSpeed, type DcMotor } from '../motors/dcMotor.js';
import { anyPhase, goingOf, sectorTorques, type Phase, type SwitchState } from '../motors/threePhase.js';

/** Parameters of the rotor and what drives it. */
export interface DirectDrive {
  k: number;
  /** Friction of a bearing with oil in it at standstill and its rise with speed: N·m, N·m per rad/s. */
  friction: number;
  viscous: number;
  coilOhm: [number, number, number];
  coilStrength: [number, number, number];
  plugOff: boolean;
  stuck: [0 | 1 | null, 0 | 1 | null, 0 | 1 | null];
  /** A Hall whose output falls off with warmth. */
  hallWeak: boolean;
  chipDead: boolean;
  chipLeg: Phase | null;
  /** What the chip gives warm, against cold: a sink pressed on it holds it. */
  chipWarm: number;
  fgLost: boolean;
  /** Gap of its head, mm; a spot on the ring that misses. */
  fgGapMm: number;
  fgScar: boolean;
  unseated: boolean;
  /** Friction against a bearing with oil in it, cold. */
  dragTimes: number;
  burnt: boolean;
}

/** V s per rad, and the friction of a bearing with oil and a stylus on the record (common practice: it coasts half a minute). */
const PLATTER = { k: 0.3, friction: 4e-3, viscous: 2e-4 };
/** Volts that the chip keeps for itself, and what stands at the control before anything turns. */
const CHIP_DROP_V = 2;
const CONTROL_BASE_V = 1;

/** A sound rotor: a platter unless it is told to be something smaller. */
export const directDrive = (random: Random, of = PLATTER): DirectDrive => ({
  k: within(random, of.k, 0.03),
  friction: of.friction,
  viscous: of.viscous,
  coilOhm: [within(random, 10, 0.02), within(random, 10, 0.02), within(random, 10, 0.02)],
  coilStrength: [1, 1, 1],
  plugOff: false,
  stuck: [null, null, null],
  hallWeak: false,
  chipDead: false,
  chipLeg: null,
  chipWarm: 1,
  fgLost: false,
  fgGapMm: within(random, 0.4, 0.1),
  fgScar: false,
  unseated: false,
  dragTimes: 1,
  burnt: false,
});

type Holding = { rotor: DirectDrive };
const fault = faultsOf<'rotor', DirectDrive>('rotor');

/** What can go wrong with it. */
export const directFaults = <P extends Holding>(): readonly MachineFault<P>[] => [
  fault('coil-open', 'a coil of the stator open', 2, (r, random) => void (r.coilOhm[anyPhase(random)] = Infinity)),
  fault('coil-shorted', 'turns of a coil shorted', 1, (r, random) => {
    const one = anyPhase(random);
    r.coilOhm[one] *= 0.35;
    r.coilStrength[one] = 0;
    r.burnt = chance(random, 0.4);
  }),
  fault('hall-dead', 'a Hall of the stator dead', 4, (r, random) => {
    r.stuck[anyPhase(random)] = chance(random, 0.5) ? 0 : 1;
  }),
  fault('hall-weak', 'a Hall that fails when warm', 2, (r) => void (r.hallWeak = true)),
  fault('chip-dead', 'drive chip dead', 3, (r, random) => {
    r.chipDead = true;
    r.burnt = chance(random, 0.3);
  }),
  fault('chip-leg', 'an output of the drive chip dead', 3, (r, random) => void (r.chipLeg = anyPhase(random))),
  fault(
    'chip-warm',
    'drive chip gives way when warm',
    4,
    (r, random) => void (r.chipWarm = evenly(random, 0.08, 0.22)),
  ),
  fault('fg-lost', 'connection of the FG head lost', 3, (r) => void (r.fgLost = true)),
  fault('fg-gap', 'gap of the FG head too wide', 3, (r, random) => void (r.fgGapMm = between(random, 1.1, 1.8))),
  fault('fg-scar', 'ring of the FG erased at a spot', 0.3, (r) => void (r.fgScar = true)),
  fault('coil-plug', 'plug of the coils left off', 0.3, (r) => void (r.plugOff = true)),
  fault('unseated', 'rotor not down on its seat', 1, (r) => void (r.unseated = true)),
  fault('bearing-dry', 'bearing of the rotor dry', 4, (r, random) => void (r.dragTimes = between(random, 14, 22))),
];

/** What a hand does to it for a while: the plugs of head and coils pulled. */
export const directHands = <P extends Holding>(): readonly MachineHand<P>[] => [
  { id: 'fg', name: 'plug of the FG head pulled', make: ({ rotor }) => void (rotor.fgLost = true) },
  { id: 'coils', name: 'plug of the coils pulled', make: ({ rotor }) => void (rotor.plugOff = true) },
];

/** What a head gives against a sound one: it falls off with its gap. */
const fgOf = (r: DirectDrive): number => (r.fgLost ? 0 : (0.4 / r.fgGapMm) ** 2 * (r.fgScar ? 0.5 : 1));

/**
 * The loop: a speed wished for is held as long as there are volts and the head says how fast it goes. `wishRpm` 0 gives
 * no control; `full` has the comparator at its rail.
 */
export function directQuantities(
  r: DirectDrive,
  of: { readonly supplyV: number; readonly wishRpm: number; readonly full: boolean; readonly wander: number },
  c: Condition,
  random: Random,
): Quantities & { readonly 'rotor.rpm': number } {
  const warm = c.warm > 0.5;
  const sunk = c.off.includes('sink');
  const stuck = [...r.stuck] as DirectDrive['stuck'];
  if (r.hallWeak && warm) stuck[1] = 1;
  const chipGood = (one: number): SwitchState => (r.chipLeg === one ? 'open' : 'good');
  const switches = [chipGood(0), chipGood(1), chipGood(2)];
  const sound = Math.min(...r.coilOhm.filter(Number.isFinite), 10);
  const torques = sectorTorques({
    high: switches,
    low: switches,
    ohm: r.plugOff ? [Infinity, Infinity, Infinity] : r.coilOhm,
    strength: r.coilStrength,
    stuck,
  });
  const most = Math.max(0, of.supplyV - CHIP_DROP_V) * (warm && !sunk ? r.chipWarm : 1);
  const going = goingOf(torques, 0.05);
  const drag = r.dragTimes * (1 - 0.3 * c.warm);
  const motor: DcMotor = {
    k: r.k,
    ohm: 2 * sound,
    friction: r.friction * drag,
    viscous: r.viscous * (drag > 2 ? 5 * drag : 1),
  };
  const told = fgOf(r);
  const wanted = (of.wishRpm / RPM) * (1 + swing(random, of.wander + (told < 0.5 ? 0.03 : 0)));
  const supplied = of.supplyV > 4 && !r.chipDead && of.wishRpm > 0;
  // Without the head's pulses it takes the rotor for standing still, and asks for all there is.
  const runaway = told < 0.05 || of.full;
  const held = governed(motor, wanted, 0, most);
  const stalls = going.kind !== 'runs' || r.unseated;
  const speed = !supplied || stalls ? 0 : runaway ? settledSpeed(motor, most, 0) : held.speed;
  const control =
    of.supplyV < 4 || of.wishRpm <= 0
      ? 0
      : runaway || stalls || r.chipDead
        ? of.supplyV - 1
        : CONTROL_BASE_V + held.volts;
  return together(
    {
      'rotor.rpm': speed * RPM,
      // Without any torque it does not even quiver.
      'rotor.quivers': supplied && stalls && going.kind !== 'stands' ? 1 : 0,
      'control.V': Math.min(control, Math.max(0, of.supplyV - 1)),
      'phases.V': supplied ? (runaway || stalls ? most : held.volts) : 0,
      'phases.wanted.V':
        of.supplyV > 4 && of.wishRpm > 0
          ? runaway || stalls || r.chipDead
            ? Math.max(0, of.supplyV - CHIP_DROP_V)
            : held.volts
          : 0,
      'phases.full': supplied && (runaway || stalls) ? 1 : 0,
      'phases.missing': r.chipLeg !== null || r.stuck.some((one) => one !== null) || (r.hallWeak && warm) ? 1 : 0,
    },
    lyingDead(r),
  );
}

/** What is measured and seen of it lying dead. */
function lyingDead(r: DirectDrive): Quantities {
  const pair = (a: Phase, b: Phase) => r.coilOhm[a] + r.coilOhm[b];
  return {
    'coil.1.ohm': pair(0, 1),
    'coil.2.ohm': pair(1, 2),
    'coil.3.ohm': pair(2, 0),
    'coil.plug.off': r.plugOff ? 1 : 0,
    'hall.stuck': r.stuck.some((one) => one !== null) ? 1 : 0,
    'hall.weak': r.hallWeak ? 1 : 0,
    'chip.dead': r.chipDead ? 1 : 0,
    'chip.leg': r.chipLeg !== null ? 1 : 0,
    'fg.part': fgOf(r),
    'fg.lost': r.fgLost ? 1 : 0,
    'fg.gap.mm': r.fgGapMm,
    'fg.scar': r.fgScar ? 1 : 0,
    unseated: r.unseated ? 1 : 0,
    'bearing.coast.s': 30 / r.dragTimes ** 0.6,
    'rotor.burnt': r.burnt ? 1 : 0,
  };
}

/** What is broken after what power did to a deck with such a rotor. */
export const DIRECT_SPOILS = { 'the transformer cooks': 'turns-shorted', 'the drive chip burns': 'chip-dead' } as const;

/** What power does to it: a shorted coil takes the chip along, where it has its supply. */
export const directHarm = ({
  supply,
  rotor,
}: {
  readonly supply: SmallSupply;
  readonly rotor: DirectDrive;
}): string[] => [
  ...supplyHarm(supply),
  ...(Math.min(...rotor.coilOhm) < 5 && !rotor.chipDead && supplyQuantities(supply, AT_REST)['board.V'] > 4
    ? ['the drive chip burns']
    : []),
];
