/** Lines of the flutter spectrum put against turning parts whose rates are known. */
import type { FlutterLine } from './tone/result.js';
import { say } from '../words/index.js';

/** What comes round: it decides what usually makes its wow. Of several on one shaft the first is the likeliest. */
export const TURNING_KINDS = [
  'platter',
  'belt',
  'flywheel',
  'idler',
  'pinch roller',
  'capstan',
  'pulley',
  'motor',
  'hub',
  'gear',
  'drum',
  'poles',
  'teeth',
  'other',
] as const;
/** See {@link TURNING_KINDS}. */
export type TurningKind = (typeof TURNING_KINDS)[number];

/** A part and its turns a second at the speed measured. */
export interface TurningPart {
  readonly name: string;
  readonly kind: TurningKind;
  readonly hz: number;
}

/** A line of the spectrum with the part whose turn it is. */
export interface NamedLine extends FlutterLine {
  /** Likeliest first; more than one when rates lie too close to tell. Empty when nothing fits. */
  readonly parts: readonly { readonly name: string; readonly kind: TurningKind; readonly multiple: number }[];
}

/** Multiples of a part's turns looked for: twice a turn is an oval or a warp (common practice). */
const MULTIPLES = [1, 2, 3];

/**
 * Names lines by parts: a line belongs to a multiple of a part's turns when it lies within 1 % or one
 * over the duration, whichever is more. The part's rates are scaled by the speed error first.
 */
export function nameLines(
  lines: readonly FlutterLine[],
  parts: readonly TurningPart[],
  errorPercent: number,
  durationS: number,
): NamedLine[] {
  return lines.map((line) => {
    const reach = Math.max(0.01 * line.frequencyHz, 1 / durationS);
    const found = parts.map((part) => closest(part, line.frequencyHz, 1 + errorPercent / 100));
    return {
      ...line,
      parts: found
        .filter((one) => one.off <= reach)
        .sort((a, b) => a.multiple - b.multiple || a.off - b.off)
        .map(({ name, kind, multiple }) => ({ name, kind, multiple })),
    };
  });
}

/** The multiple of a part's turns that lies nearest. */
function closest(part: TurningPart, hz: number, scale: number) {
  return MULTIPLES.map((multiple) => ({
    name: part.name,
    kind: part.kind,
    multiple,
    off: Math.abs(multiple * part.hz * scale - hz),
  })).reduce((a, b) => (b.off < a.off ? b : a));
}

/** "platter, twice a turn" or "" when no part fits. */
export function partWords(line: NamedLine): string {
  return line.parts
    .map(({ name, multiple }) =>
      multiple === 1 ? name : `${name}, ${multiple === 2 ? say`twice` : say`${multiple} times`} a turn`,
    )
    .join(' or ');
}
