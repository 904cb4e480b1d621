/** The one figure of wow and flutter that stands with the number: which standard's, as the shop chose. */
import type { FlutterFigures } from './tone/result.js';
import { say } from '../words/index.js';

/** Standards to choose from; the first is used until another is chosen. */
export const FLUTTER_STANDARDS = [
  'unweighted-peak',
  'unweighted-rms',
  'weighted-2-sigma',
  'weighted-quasi-peak',
  'weighted-rms',
] as const;
/** Names of the standards. */
export type FlutterStandard = (typeof FLUTTER_STANDARDS)[number];

const WORDS: Readonly<Record<FlutterStandard, readonly [words: string, of: keyof FlutterFigures]>> = {
  'unweighted-peak': [say`unweighted 2-sigma peak`, 'unweightedPeakPercent'],
  'unweighted-rms': [say`unweighted rms (NAB)`, 'unweightedRmsPercent'],
  'weighted-2-sigma': [say`weighted 2-sigma peak (AES6)`, 'weighted2SigmaPercent'],
  'weighted-quasi-peak': [say`weighted quasi-peak (DIN, IEC 60386)`, 'weightedQuasiPeakPercent'],
  'weighted-rms': [say`weighted rms (JIS)`, 'weightedRmsPercent'],
};

/** As a choice reads. */
export const standardWords = (standard: FlutterStandard): string => WORDS[standard][0];

/** Wow and flutter by the standard in use, percent; null when it was too short. */
export interface FigureInUse {
  /** Null: too short to tell. */
  readonly percent: number | null;
  readonly words: string;
}

interface ShaftWow {
  readonly wowPeakPercent: number | null;
  readonly wowUpToHz: number;
}

/** What of a run is looked at. */
interface Looked {
  readonly flutter: FlutterFigures | null;
  readonly warnings: readonly string[];
  readonly detail: { readonly way: string; readonly shaft?: ShaftWow | undefined };
}

/**
 * The figure in use of a run. A shaft (pulses, gyroscope) has its unweighted peak alone; ways that see
 * no wow give null.
 */
export function figureInUse(run: Looked, standard: FlutterStandard): FigureInUse | null {
  const tooShort = run.warnings.includes('WOW_TOO_SHORT');
  if (run.flutter) {
    const [words, key] = WORDS[standard];
    return { percent: tooShort ? null : run.flutter[key], words };
  }
  const shaft = run.detail.shaft;
  if (!shaft) return null;
  // Few pulses a turn see only slow wow: how far is part of the figure.
  const upTo = Number(shaft.wowUpToHz.toPrecision(2));
  return {
    percent: tooShort ? null : shaft.wowPeakPercent,
    words: say`${WORDS['unweighted-peak'][0]}, up to ${upTo} Hz`,
  };
}
