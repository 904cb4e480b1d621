/** Turning what was measured or typed into a speed line of the log. */
import { expandedUncertainty, fromLimits, type UncertaintyPart } from '../quantity/index.js';
import { readStrobe, ringBars, runOfStrobe, type SpeedRun, type StrobeReading } from '../speed/index.js';
import type { FamilySpeed } from '../families/index.js';
import type { EntryReading, EntryStrobe } from './entry/index.js';
import type { SpeedBody, SpeedMethod } from './event.js';
import { say } from '../words/index.js';
import { COUNTER_STEP_HZ } from './defaults.js';

/** A test tape or record with its nominal and tolerance. */
export interface ToneSource {
  readonly id: string;
  readonly name: string;
  readonly nominalHz: number;
  /** Limit either way, percent; null when nobody knows. */
  readonly tolerancePercent: number | null;
}

/** Standard practice for a tape or record known within +-a: rectangular, U = 2 a / sqrt(3), percent. */
export function referenceUncertainty(source: ToneSource): number | null {
  return source.tolerancePercent === null ? null : 2 * fromLimits(source.tolerancePercent);
}

/** What a speed line takes from a run, fresh or stored. */
export type RunFacts = Pick<
  SpeedRun,
  'unit' | 'mean' | 'errorPercent' | 'expandedPercent' | 'uncertainty' | 'flutter' | 'warnings'
> & { readonly detail: Pick<SpeedRun['detail'], 'way'> & { readonly live?: boolean } };

/**
 * The speed line of a run, whatever it was measured with. A run with a nominal of its own (a motor
 * shaft) gives its error to the speed; one without gives turns a minute. Two octaves that fit leave
 * the uncertainty unknown, so that nothing is judged right by them.
 */
export function speedFromRun(
  run: RunFacts,
  speed: FamilySpeed,
  sourceName: string | null,
  runId: string | null,
): SpeedBody {
  const needsReference = run.detail.way === 'tone';
  return {
    ...blank('', speed, null),
    method: methodOf(run),
    errorPercent: run.errorPercent,
    expandedPercent: run.warnings.includes('OCTAVE_UNSURE') ? null : run.expandedPercent,
    referenceIncluded: !needsReference || run.uncertainty.some((part) => part.name === 'reference'),
    wowPeakPercent: run.flutter?.unweightedPeakPercent ?? null,
    rpm: run.errorPercent === null && run.unit === 'rpm' ? run.mean : rpmAt(speed, run.errorPercent ?? 0),
    sourceName,
    runId,
  };
}

function methodOf({ detail }: RunFacts): SpeedMethod {
  if (detail.way !== 'tone') return detail.way;
  return detail.live ? 'tone-live' : 'tone-recording';
}

/**
 * A typed frequency, speed or percent as a speed line; null when the reading is not one (volts) or
 * has a place of its own (a frequency at a test point is no platter speed).
 */
export function speedFromReading(
  reading: EntryReading,
  text: string,
  speed: FamilySpeed,
  source: ToneSource | null,
): SpeedBody | null {
  const value = reading.values[0];
  if (value === undefined || reading.values.length !== 1 || reading.place !== null || reading.bound !== 'exact')
    return null;
  const base = blank(text, speed, reading.condition);
  if (reading.unit === 'Hz') {
    const tone = toneOf(reading.nominalHz, source);
    return tone && fromCounter(base, value, speed, tone);
  }
  if (reading.unit === '%') return { ...base, method: 'typed', errorPercent: value, rpm: rpmAt(speed, value) };
  if (reading.unit === 'cm/s' && speed.nominalCmPerS !== null)
    return { ...base, method: 'typed', errorPercent: 100 * (value / speed.nominalCmPerS - 1) };
  if (reading.unit !== 'rpm') return null;
  const errorPercent = speed.nominalRpm === null ? null : 100 * (value / speed.nominalRpm - 1);
  return { ...base, method: 'typed', errorPercent, rpm: value };
}

/** The tone counted against: the one typed ("3150 gives 3012") goes before the chosen source, whose tolerance it keeps when it is its own. */
function toneOf(nominalHz: number | null, source: ToneSource | null): ToneSource | null {
  if (nominalHz === null || nominalHz === source?.nominalHz) return source;
  return { id: '', name: say`a tone of ${nominalHz} Hz`, nominalHz, tolerancePercent: null };
}

/** A unit that stands still has "did not turn" as its reading. */
export function didNotTurn(speed: FamilySpeed): SpeedBody {
  return { ...blank('', speed, null), method: 'looked', turned: false };
}

function fromCounter(base: SpeedBody, hz: number, speed: FamilySpeed, source: ToneSource): SpeedBody | null {
  const errorPercent = 100 * (hz / source.nominalHz - 1);
  if (Math.abs(errorPercent) > 60) return null;
  const parts: UncertaintyPart[] = [
    {
      name: 'counting',
      standardPercent: (100 * fromLimits(COUNTER_STEP_HZ)) / source.nominalHz,
      why: say`counter gate of 1 s`,
    },
  ];
  const reference = referenceUncertainty(source);
  if (reference !== null) parts.push({ name: 'reference', standardPercent: reference / 2, why: source.name });
  return {
    ...base,
    method: 'counter',
    errorPercent,
    expandedPercent: expandedUncertainty(parts),
    referenceIncluded: reference !== null,
    rpm: rpmAt(speed, errorPercent),
    sourceName: source.name,
  };
}

function blank(text: string, speed: FamilySpeed, condition: 'cold' | 'warm' | null): SpeedBody {
  return {
    kind: 'speed',
    text,
    speedId: speed.id,
    method: 'typed',
    turned: true,
    errorPercent: null,
    expandedPercent: null,
    referenceIncluded: true,
    wowPeakPercent: null,
    rpm: null,
    sourceName: null,
    runId: null,
    condition,
  };
}

function rpmAt(speed: FamilySpeed, errorPercent: number): number | null {
  return speed.nominalRpm === null ? null : speed.nominalRpm * (1 + errorPercent / 100);
}

/**
 * A typed strobe count as a speed line: the ring meant for this mains, a clockwise platter, no camera.
 * Null when the side looked at was not said.
 */
export function speedFromStrobe(
  entry: EntryStrobe,
  text: string,
  speed: FamilySpeed,
  mainsHz: number,
): SpeedBody | null {
  if (speed.nominalRpm === null) return null;
  const reading = typedStrobe(entry, { mainsHz, nominalRpm: speed.nominalRpm, clockwise: true });
  if (reading === null) return null;
  return { ...speedFromRun(runOfStrobe(reading), speed, say`${mainsHz} Hz mains light`, null), text };
}

/** What bars past a mark mean, once the lamp, the ring and the side looked at are known. */
export interface StrobeSetting {
  readonly mainsHz: number;
  readonly nominalRpm: number;
  /** Sense of rotation seen from above. */
  readonly clockwise: boolean;
}

/** Evaluates a typed count on the ring meant for this mains; null when the side was not said. */
export function typedStrobe(entry: EntryStrobe, setting: StrobeSetting): StrobeReading | null {
  if (entry.direction !== 'still' && entry.edge === null) return null;
  const reading = readStrobe({
    nominalRpm: setting.nominalRpm,
    mainsHz: setting.mainsHz,
    measuredMainsHz: null,
    lamp: 'mains',
    ringBars: ringBars(2 * setting.mainsHz, setting.nominalRpm),
    direction: entry.direction,
    edge: entry.edge ?? 'near',
    bars: entry.bars,
    overS: entry.overS,
    clockwise: setting.clockwise,
    camera: 'none',
  });
  return reading.kind === 'measured' ? reading : null;
}
