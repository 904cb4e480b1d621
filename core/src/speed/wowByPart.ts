/**
 * Who makes the wow: the lines of the flutter spectrum given to the turning parts of the drive train,
 * what no part explains, and the rest as noise. Shares add in quadrature.
 */
import { nameLines, type NamedLine, type TurningKind, type TurningPart } from './parts.js';
import type { FlutterFigures, FlutterLine } from './tone/result.js';
import { say } from '../words/index.js';

/** One line of a part: how many times a turn, and how large. */
export interface PartLine {
  readonly multiple: number;
  readonly hz: number;
  readonly peakPercent: number;
}

/** A part's share of the wow, percent peak. */
export interface WowShare {
  /** A part's name; '' for lines that fit none. */
  readonly part: string;
  readonly kind: TurningKind;
  /** Peak of the sine that would carry the share's power, percent. */
  readonly peakPercent: number;
  /** Part of the whole power, 0 to 1. */
  readonly powerShare: number;
  /** Largest first. */
  readonly lines: readonly PartLine[];
}

/** The wow by the parts that make it. */
export interface WowByPart {
  /** Parts and unknown lines, largest first. */
  readonly shares: readonly WowShare[];
  /** What is left of the unweighted figure when all lines are taken out; null where the way has no such figure. */
  readonly noisePercent: number | null;
  /** Root of the sum of squares of all shares and the noise. */
  readonly sumPercent: number;
}

/** Lowest frequency that the unweighted rms figure counts, Hz (NAB). */
const RMS_FROM_HZ = 0.5;

/**
 * Shares of the wow. `errorPercent` scales the parts' nominal rates to the speed measured. A line that
 * fits several parts is given to the likeliest alone, so that the sum stands.
 */
export function wowByPart(
  lines: readonly FlutterLine[],
  flutter: FlutterFigures | null,
  parts: readonly TurningPart[],
  errorPercent: number,
  durationS: number,
): WowByPart {
  const named = nameLines(lines, parts, errorPercent, durationS);
  const by = new Map<string, NamedLine[]>();
  for (const line of named) {
    const name = line.parts[0]?.name ?? '';
    by.set(name, [...(by.get(name) ?? []), line]);
  }
  const square = (list: readonly FlutterLine[]) => list.reduce((sum, line) => sum + line.peakPercent ** 2, 0);
  const rest =
    flutter && 2 * flutter.unweightedRmsPercent ** 2 - square(lines.filter((line) => line.frequencyHz >= RMS_FROM_HZ));
  const noiseSquare = rest === null ? null : Math.max(0, rest);
  const whole = square(lines) + (noiseSquare ?? 0);
  const shares = [...by].map(([part, list]) => ({
    part,
    kind: list[0]?.parts[0]?.kind ?? 'other',
    peakPercent: Math.sqrt(square(list)),
    powerShare: whole > 0 ? square(list) / whole : 0,
    lines: [...list]
      .sort((a, b) => b.peakPercent - a.peakPercent)
      .map((line) => ({ multiple: line.parts[0]?.multiple ?? 1, hz: line.frequencyHz, peakPercent: line.peakPercent })),
  }));
  const rank = (one: WowShare) => (one.part === '' ? 0 : 1);
  return {
    shares: shares.sort((a, b) => rank(b) - rank(a) || b.peakPercent - a.peakPercent),
    noisePercent: noiseSquare === null ? null : Math.sqrt(noiseSquare),
    sumPercent: Math.sqrt(whole),
  };
}

/** What usually makes a part's wow, by what it is and how often a turn (common practice). */
const CAUSES: Readonly<Record<TurningKind, readonly [once: string, twice: string, more: string]>> = {
  platter: [
    say`off centre, warp, or bearing`,
    say`oval or warped record, bent spindle`,
    say`uneven rim or idler track`,
  ],
  belt: [say`a joint, a kink or a thick place`, say`two uneven places`, say`uneven belt`],
  flywheel: [say`eccentric flywheel or its bearing`, say`oval seat of the belt`, say`uneven flywheel rim`],
  idler: [say`a flat place or an eccentric tyre`, say`an oval tyre`, say`a hard or lumpy tyre`],
  'pinch roller': [say`a flat place or a hard roller`, say`an oval roller`, say`a lumpy roller`],
  capstan: [say`bent or dirty capstan`, say`an oval or nicked capstan`, say`dirt on the capstan`],
  pulley: [say`pulley off centre or a bent shaft`, say`an oval pulley`, say`dirt on the pulley`],
  motor: [say`bent shaft or pulley off centre`, say`worn bearing or an oval pulley`, say`cogging or commutation`],
  hub: [say`a rubbing reel or a dragging brake`, say`a bent reel`, say`uneven hub brake`],
  gear: [say`an eccentric gear`, say`an oval gear`, say`a damaged tooth`],
  drum: [say`uneven load or bearing`, say`an oval drum`, say`uneven drum`],
  poles: [say`cogging or commutation`, say`uneven poles`, say`uneven poles`],
  teeth: [say`worn teeth, or meshed too tight or too loose`, say`worn teeth`, say`worn teeth`],
  other: [say`off centre or its bearing`, say`oval or bent`, say`uneven`],
};

const TIMES = [say`once`, say`twice`, say`three times`];

/** "once a turn: off centre, warp, or bearing". */
export function shareWords({ part, kind, lines }: WowShare): string {
  const [top] = lines;
  if (!top) return '';
  const hz = `${Number(top.hz.toPrecision(3))} Hz`;
  if (part === '')
    return lines.length === 1
      ? say`${hz}, no part known at this rate`
      : say`${lines.length} lines, the largest at ${hz}: no part known at these rates`;
  const often = TIMES[top.multiple - 1] ?? say`${top.multiple} times`;
  return say`${often} a turn: ${CAUSES[kind][Math.min(2, top.multiple - 1)] as string}`;
}
