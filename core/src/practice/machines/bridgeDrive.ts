/** Bridge, harness and motor of a three-phase drive, with what each does when it fails. */
import type { Random } from '../../numeric/index.js';
import { type MachineFault, type Quantities, chance, evenly, faultsOf, within } from '../machine.js';
import { RPM, settledSpeed } from '../motors/dcMotor.js';
import { anyPhase, goingOf, sectorTorques, type Phase, type SwitchState } from '../motors/threePhase.js';

/** Parameters of the drive. */
export interface BridgeDrive {
  high: [SwitchState, SwitchState, SwitchState];
  low: [SwitchState, SwitchState, SwitchState];
  /** Ω of each winding; V s per rad of a pair. */
  windingOhm: [number, number, number];
  k: number;
  strength: [number, number, number];
  caseMohm: number;
  /** Ω of each wire with its pin. */
  wireOhm: [number, number, number];
  plugOff: boolean;
  stuck: [0 | 1 | null, 0 | 1 | null, 0 | 1 | null];
  friction: number;
  rough: number;
  magnetLoose: boolean;
  burnt: boolean;
  blew: boolean;
}

/** A sound drive. */
export function bridgeDrive(random: Random, of: { ohm: number; k: number; friction: number }): BridgeDrive {
  const winding = within(random, of.ohm, 0.03);
  return {
    high: ['good', 'good', 'good'],
    low: ['good', 'good', 'good'],
    windingOhm: [winding, winding * within(random, 1, 0.01), winding * within(random, 1, 0.01)],
    k: within(random, of.k, 0.03),
    strength: [1, 1, 1],
    caseMohm: within(random, 100, 0.5),
    wireOhm: [0.02, 0.02, 0.02],
    plugOff: false,
    stuck: [null, null, null],
    friction: of.friction,
    rough: evenly(random, 0.1, 0.2),
    magnetLoose: false,
    burnt: false,
    blew: false,
  };
}

type Holding = { drive: BridgeDrive };
const fault = faultsOf<'drive', BridgeDrive>('drive');

/** What can go wrong from the bridge to the windings. */
export const bridgeFaults = <P extends Holding>(): readonly MachineFault<P>[] => [
  fault('switch-shorted', 'a switch of the bridge shorted', 5, (d, random) => {
    (chance(random, 0.5) ? d.high : d.low)[anyPhase(random)] = 'short';
    d.blew = chance(random, 0.6);
    d.burnt = chance(random, 0.3);
  }),
  fault('switch-open', 'a switch of the bridge open', 4, (d, random) => {
    (chance(random, 0.5) ? d.high : d.low)[anyPhase(random)] = 'open';
  }),
  fault('winding-open', 'a winding open', 2, (d, random) => void (d.windingOhm[anyPhase(random)] = Infinity)),
  fault('winding-shorted', 'turns of a winding shorted', 2, (d, random) => {
    const one = anyPhase(random);
    d.windingOhm[one] *= 0.45;
    d.strength[one] = 0.1;
    d.burnt = chance(random, 0.5);
  }),
  fault('winding-case', 'a winding touches the iron', 2, (d, random) => {
    d.caseMohm = evenly(random, 1e-4, 0.0501);
    d.blew = chance(random, 0.2);
  }),
  fault('wire-broken', 'a wire of the harness broken', 6, (d, random) => void (d.wireOhm[anyPhase(random)] = Infinity)),
  // Left by whoever had it before.
  fault('plug-off', 'motor plug left off', 0.3, (d) => void (d.plugOff = true)),
  fault('bearing-worn', 'motor bearings worn', 6, (d) => void (d.rough = 1)),
];

/** Volts and amperes that a bridge takes before its own guard stops it are not modelled: a short is a kick. */
const GEAR_FREE = 0.02;

/** Speed of the motor and what is measured of it lying dead. `duty` is the part of the bus that is let through. */
export function bridgeQuantities(
  d: BridgeDrive,
  of: { readonly busV: number; readonly sagOhm: number; readonly duty: number; readonly loadNm: number },
): Quantities & { readonly 'motor.rpm': number; readonly 'motor.kicks': number } {
  const ohm = d.windingOhm.map((one, i) => (d.plugOff ? Infinity : one + (d.wireOhm[i] ?? 0))) as [
    number,
    number,
    number,
  ];
  const sound = Math.min(...d.windingOhm.filter(Number.isFinite), Infinity);
  const torques = sectorTorques({ high: d.high, low: d.low, ohm, strength: d.strength, stuck: d.stuck });
  const volts = of.busV * of.duty;
  const stall = Number.isFinite(sound) && volts > 0 ? (d.k * volts) / (2 * sound + of.sagOhm) : 0;
  const loadPart = stall > 0 ? (of.loadNm + d.friction) / stall : Infinity;
  // To the iron and back through the bridge: its guard stops it.
  const guarded = d.caseMohm < 0.5 && of.busV > 0;
  const going =
    stall <= 0
      ? ({ kind: 'stands' } as const)
      : guarded
        ? ({ kind: 'kicks' } as const)
        : goingOf(torques, Math.max(GEAR_FREE, loadPart));
  const speed =
    going.kind === 'runs'
      ? settledSpeed(
          {
            k: d.k * (d.magnetLoose ? 0.6 : 1),
            ohm: (2 * sound + of.sagOhm) / going.part,
            friction: d.friction,
            viscous: 1e-6,
          },
          volts,
          of.loadNm,
        ) * (d.magnetLoose ? 0.6 : 1)
      : 0;
  const pair = (a: Phase, b: Phase) => d.windingOhm[a] + d.windingOhm[b];
  const diode = (state: SwitchState) => (state === 'short' ? 0.02 : state === 'open' ? Infinity : 0.5);
  return {
    'motor.rpm': speed * RPM,
    'motor.kicks': going.kind === 'kicks' ? 1 : 0,
    'motor.roughness': speed > 1 || going.kind === 'kicks' ? Math.max(d.rough, d.magnetLoose ? 1 : 0) : 0,
    'shaft.rough': Math.max(d.rough, d.magnetLoose ? 0.8 : 0),
    'magnet.loose': d.magnetLoose ? 1 : 0,
    'hall.a.stuck': d.stuck.some((one) => one !== null) ? 1 : 0,
    'winding.1.ohm': pair(0, 1),
    'winding.2.ohm': pair(1, 2),
    'winding.3.ohm': pair(2, 0),
    'winding.case.Mohm': d.caseMohm,
    'harness.worst.ohm': d.plugOff ? Infinity : Math.max(...d.wireOhm),
    'harness.off': d.plugOff ? 1 : 0,
    'bridge.least.V': Math.min(...[...d.high, ...d.low].map(diode)),
    'bridge.most.V': Math.max(...[...d.high, ...d.low].map(diode)),
    burnt: d.burnt ? 1 : 0,
    blew: d.blew ? 1 : 0,
  };
}

/** A short is a short at each start: what was left of the bridge goes with it. */
export const bridgeShorted = (d: BridgeDrive): boolean =>
  [...d.high, ...d.low].includes('short') ||
  // Against a sister that is whole: an open one says nothing of the others.
  d.windingOhm.some((one) => d.windingOhm.some((sister) => Number.isFinite(sister) && one < 0.6 * sister));
