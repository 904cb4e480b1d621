/** A transformer, a rectifier and a reservoir: what they ought to give, and what readings say of them (handbook formulae). */
import { requirePositive } from '../errors.js';
import { LARGE_RIPPLE } from './defaults.js';

/** How the winding is rectified. */
export const RECTIFIERS = ['bridge', 'centre-tap', 'half-wave'] as const;
/** Names of the rectifiers. */
export type Rectifier = (typeof RECTIFIERS)[number];

/** Diodes that the current passes in turn. */
const DIODES: Readonly<Record<Rectifier, number>> = { bridge: 2, 'centre-tap': 1, 'half-wave': 1 };
/** Drop of a silicon diode from light to full load, volts (handbook). */
const DROP_V = { least: 0.6, usual: 0.7, most: 1 } as const;

/** What the supply is made of. */
export interface SupplyWish {
  readonly rectifier: Rectifier;
  /** Volts r.m.s. across what feeds the rectifier: the whole winding, or one half of a centre-tapped one. */
  readonly secondaryV: number;
  readonly mainsHz: number;
  /** Load, amperes; nought for none. */
  readonly loadA: number;
  readonly microfarad: number;
  /** How far the winding sags at this load, a fraction: small transformers 0.1 to 0.25 at full load (handbook). */
  readonly sag: number;
}

/** What it ought to give, volts and seconds. */
export interface Supply {
  /** Without load: least, usual and most volts, by the drop of the diodes. */
  readonly idleV: readonly [number, number, number];
  /** Mean under the load: least, usual, most. */
  readonly loadedV: readonly [number, number, number];
  readonly rippleHz: number;
  /** Peak to peak. */
  readonly rippleV: number;
  /** Time of each recharge, seconds. */
  readonly conductionS: number;
  /** The ripple is so large that the sum is a guide only. */
  readonly rough: boolean;
}

/** Frequency of the ripple, hertz: twice the mains behind both halves, the mains behind one. */
export const rippleHz = (rectifier: Rectifier, mainsHz: number): number =>
  rectifier === 'half-wave' ? mainsHz : 2 * mainsHz;

/**
 * No load: sqrt(2) V less the diodes; loaded: less the sag and half the ripple I / (f C). 23 V into a bridge
 * without load: 31.1 V. @throws CoreError OUT_OF_RANGE unless volts, hertz and microfarads are above zero.
 */
export function supplyOf({ rectifier, secondaryV, mainsHz, loadA, microfarad, sag }: SupplyWish): Supply {
  requirePositive(secondaryV, 'secondaryV');
  requirePositive(mainsHz, 'mainsHz');
  requirePositive(microfarad, 'microfarad');
  const peak = (drop: number, part = 1) => Math.max(0, Math.SQRT2 * secondaryV * part - DIODES[rectifier] * drop);
  const hz = rippleHz(rectifier, mainsHz);
  const rippleV = loadA / (hz * microfarad * 1e-6);
  const mean = (drop: number) => Math.max(0, peak(drop, 1 - sag) - rippleV / 2);
  const top = peak(DROP_V.usual, 1 - sag);
  const dip = top > 0 ? Math.min(1, rippleV / top) : 0;
  return {
    idleV: [peak(DROP_V.most), peak(DROP_V.usual), peak(DROP_V.least)],
    loadedV: [mean(DROP_V.most), mean(DROP_V.usual), mean(DROP_V.least)],
    rippleHz: hz,
    rippleV,
    conductionS: Math.acos(1 - dip) / (2 * Math.PI * mainsHz),
    rough: dip > LARGE_RIPPLE,
  };
}

/** Load from the ripple, amperes: I = Vpp f C. */
export const loadFromRipple = (rippleV: number, hz: number, microfarad: number): number =>
  rippleV * hz * microfarad * 1e-6;

/** Reservoir from ripple and load, microfarads: C = I / (f Vpp). */
export const reservoirFromRipple = (rippleV: number, hz: number, loadA: number): number =>
  (1e6 * loadA) / (hz * rippleV);

/** A unit for one mains on another: percent over or under what it wants. 100 V on 120 V is +20. */
export const mainsExcess = (wantedV: number, givenV: number): number => 100 * (givenV / wantedV - 1);

/**
 * Ohms to expect of a primary: half of the regulation is lost in it, R = (regulation / 2) V^2 / VA (handbook);
 * regulation 0.1 to 0.25 in small transformers. Least and most.
 */
export function primaryOhms(mainsV: number, voltAmperes: number): readonly [number, number] {
  requirePositive(mainsV, 'mainsV');
  requirePositive(voltAmperes, 'voltAmperes');
  const load = mainsV ** 2 / voltAmperes;
  return [0.05 * load, 0.125 * load];
}
