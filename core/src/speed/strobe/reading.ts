/**
 * A strobe reading with where one looks and which way the platter turns, signed, with its uncertainty
 * and what may be wrong with it.
 *
 * Seen from above, a clockwise platter's near edge runs left and its far edge right. Counter-clockwise
 * platters and mirrored (selfie) cameras each turn that round.
 */
import { fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { driftRpm, printedRing, ringBars } from './ring.js';
import { say } from '../../words/index.js';
import {
  COUNTABLE_PER_S,
  COUNT_LIMIT_BARS,
  CRYSTAL_LIMIT_PERCENT,
  MAINS_LIMIT_PERCENT,
  MEASURED_MAINS_LIMIT_HZ,
  STILL_WATCHED_S,
} from './defaults.js';
export { MAINS_LIMIT_PERCENT } from './defaults.js';

/** What lights the disc. */
export type StrobeLamp = 'mains' | 'half-wave' | 'own-crystal' | 'crystal' | 'steady';

/** What was seen on a ring, from where and in what light. */
export interface StrobeLook {
  readonly nominalRpm: number;
  readonly mainsHz: number;
  /** Mains frequency measured at the time, Hz; null when it was not. */
  readonly measuredMainsHz: number | null;
  readonly lamp: StrobeLamp;
  /** Bars of the ring looked at. */
  readonly ringBars: number;
  readonly direction: 'left' | 'right' | 'still';
  readonly edge: 'near' | 'far';
  readonly bars: number;
  readonly overS: number;
  /** Sense of rotation seen from above. */
  readonly clockwise: boolean;
  readonly camera: 'none' | 'plain' | 'mirrored';
}

/** What a reading must be taken with. */
export type StrobeWarning =
  'WRONG_RING' | 'MAINS_NOT_MEASURED' | 'OWN_CRYSTAL' | 'THROUGH_CAMERA' | 'TOO_FAST_TO_COUNT' | 'RING_ROUNDED';

/** What each warning means and asks for. */
export const STROBE_WARNINGS: Readonly<Record<StrobeWarning, string>> = {
  WRONG_RING: say`This ring is not the one for this speed and mains: it stands still at another speed. The figure is
    right only if that is what was seen.`,
  MAINS_NOT_MEASURED: say`The mains frequency was not measured: ±1 % is allowed for (EN 50160, from memory). Measure
    it with the meter for a closer verdict.`,
  OWN_CRYSTAL: say`The lamp is driven from the deck’s own crystal: it cannot show that this crystal is wrong.`,
  THROUGH_CAMERA: say`A camera’s own frame rate makes a strobe of its own: look with the eye to be sure.`,
  TOO_FAST_TO_COUNT: say`More than three bars a second are hard to count: use another way, or a shorter count several
    times.`,
  RING_ROUNDED: say`The bars are a whole number: a ring standing still is not quite the nominal speed.`,
};

/** A speed by a ring of bars. */
export interface StrobeReading {
  readonly kind: 'measured';
  readonly nominalRpm: number;
  readonly rpm: number;
  readonly errorPercent: number;
  readonly ringBars: number;
  readonly flashHz: number;
  readonly driftBarsPerMin: number;
  readonly uncertainty: readonly UncertaintyPart[];
  readonly warnings: readonly StrobeWarning[];
}

/** No reading, by its reason. */
export type StrobeRefusal = { readonly kind: 'unusable'; readonly reason: 'STEADY_LAMP' | 'NOTHING_COUNTED' };

/** What to do about each refusal. */
export const STROBE_REFUSALS: Readonly<Record<StrobeRefusal['reason'], string>> = {
  STEADY_LAMP: say`This lamp does not flash at twice the mains: a filament lamp, a neon lamp or a strobe lamp does.
    LEDs on direct current and high-frequency drivers do not.`,
  NOTHING_COUNTED: say`Type how many bars went past a mark and in how many seconds.`,
};

/** Flashes a second of a lamp: mains twice a cycle, behind one diode once. */
export function flashRate(lamp: StrobeLamp, hz: number): number {
  return lamp === 'half-wave' ? hz : 2 * hz;
}

/** +1 when the bars run with the rotation as looked at, -1 against it, 0 still. */
export function driftSense(look: Pick<StrobeLook, 'direction' | 'edge' | 'clockwise' | 'camera'>): -1 | 0 | 1 {
  if (look.direction === 'still') return 0;
  const leftIsWith = (look.edge === 'near') === look.clockwise;
  const seenLeft = (look.direction === 'left') !== (look.camera === 'mirrored');
  return seenLeft === leftIsWith ? 1 : -1;
}

/** Evaluates a look: 33 1/3, 60 Hz, 216 bars, 24 a minute with the rotation: +0.333 %. */
export function readStrobe(look: StrobeLook): StrobeReading | StrobeRefusal {
  if (look.lamp === 'steady') return { kind: 'unusable', reason: 'STEADY_LAMP' };
  const sense = driftSense(look);
  if (sense !== 0 && !(look.overS > 0 && look.bars >= 0)) return { kind: 'unusable', reason: 'NOTHING_COUNTED' };
  const flashHz = flashRate(look.lamp, look.measuredMainsHz ?? look.mainsHz);
  const driftBarsPerMin = sense === 0 ? 0 : (60 * sense * look.bars) / look.overS;
  const rpm = driftRpm(look.ringBars, flashHz, driftBarsPerMin);
  return {
    kind: 'measured',
    nominalRpm: look.nominalRpm,
    rpm,
    errorPercent: 100 * (rpm / look.nominalRpm - 1),
    ringBars: look.ringBars,
    flashHz,
    driftBarsPerMin,
    uncertainty: budget(look, flashHz, sense),
    warnings: warningsOf(look, flashHz, driftBarsPerMin),
  };
}

function budget(look: StrobeLook, flashHz: number, sense: number): UncertaintyPart[] {
  const overS = sense === 0 ? STILL_WATCHED_S : look.overS;
  const counted = (100 * 60 * COUNT_LIMIT_BARS) / overS / (60 * flashHz);
  return [
    lampPart(look),
    { name: 'counting', standardPercent: fromLimits(counted), why: say`half a bar in ${overS} s` },
  ];
}

function lampPart(look: StrobeLook): UncertaintyPart {
  if (look.lamp === 'crystal' || look.lamp === 'own-crystal') {
    return {
      name: 'reference',
      standardPercent: fromLimits(CRYSTAL_LIMIT_PERCENT),
      why: say`crystal lamp within ±100 ppm`,
    };
  }
  if (look.measuredMainsHz !== null) {
    const limit = (100 * MEASURED_MAINS_LIMIT_HZ) / look.measuredMainsHz;
    return { name: 'reference', standardPercent: fromLimits(limit), why: say`mains frequency measured to ±0.01 Hz` };
  }
  return { name: 'reference', standardPercent: fromLimits(MAINS_LIMIT_PERCENT), why: say`mains frequency within ±1 %` };
}

function warningsOf(look: StrobeLook, flashHz: number, driftBarsPerMin: number): StrobeWarning[] {
  const wanted = ringBars(flashRate(look.lamp, look.mainsHz), look.nominalRpm);
  const out: StrobeWarning[] = [];
  if (look.ringBars !== wanted) out.push('WRONG_RING');
  else if (Math.abs((60 * flashRate(look.lamp, look.mainsHz)) / wanted / look.nominalRpm - 1) > 5e-4)
    out.push('RING_ROUNDED');
  const onMains = look.lamp === 'mains' || look.lamp === 'half-wave';
  if (onMains && look.measuredMainsHz === null) out.push('MAINS_NOT_MEASURED');
  if (look.lamp === 'own-crystal') out.push('OWN_CRYSTAL');
  if (look.camera !== 'none') out.push('THROUGH_CAMERA');
  if (Math.abs(driftBarsPerMin) > 60 * COUNTABLE_PER_S || Math.abs(driftBarsPerMin) > 30 * flashHz) {
    out.push('TOO_FAST_TO_COUNT');
  }
  return out;
}

/** What a ring that is not the one for this speed and lamp stands still at, in words; null when it is. */
export function wrongRingWords(look: Pick<StrobeLook, 'ringBars' | 'lamp' | 'mainsHz' | 'nominalRpm'>): string | null {
  const flashHz = flashRate(look.lamp, look.mainsHz);
  if (look.ringBars === ringBars(flashHz, look.nominalRpm)) return null;
  const known = printedRing(look.ringBars);
  const still = ((60 * flashHz) / look.ringBars).toFixed(2);
  const whose = known
    ? say` It is printed for ${Number(known.nominalRpm.toFixed(2))} rpm under ${known.mainsHz} Hz.`
    : '';
  return say`${look.ringBars} bars stand still at ${still} rpm in this light.${whose}`;
}
