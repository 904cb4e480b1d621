/**
 * Strobe discs and edge strips at true size: a ring of bars for every speed under a lamp, the residue of rounding
 * beside each, the hole, a ruler to check the printer's scale, which way is fast, and a mark for counting.
 */
import { PAPERS, type Paper } from '../../formats/index.js';
import { ringBars } from './ring.js';
import { say } from '../../words/index.js';
import { FINEST_MM, RING_MM, WHITE_MM, WORDS_MM } from './defaults.js';
export { WHITE_MM } from './defaults.js';

/** What a disc or strip is made for; speeds in rpm, sizes in mm. */
export interface DiscWish {
  readonly speedsRpm: readonly number[];
  /** Frequency of the mains, or a lamp's own flash rate with one flash a cycle, hertz. */
  readonly lampHz: number;
  readonly flashesPerCycle: 1 | 2;
  readonly paper: Paper;
  /** Outer diameter of a disc; null for a strip. */
  readonly discMm: number | null;
  /** Hole in the middle of a disc; 0 for a mark only. */
  readonly holeMm: number;
  /** Diameter of the rim or flywheel that a strip goes round; null for a disc. */
  readonly stripMm: number | null;
}

/** A ring as it is printed. */
export interface DiscRing {
  readonly nominalRpm: number;
  readonly bars: number;
  /** Where it stands still, percent from nominal: what rounding to whole bars leaves. */
  readonly residuePercent: number;
}

/** Why nothing can be drawn, at its field. */
export interface DiscProblem {
  readonly field: keyof DiscWish;
  readonly message: string;
}

/** Centre holes, mm: records 7.24 (IEC 60098, from memory), the large hole of singles 38.2 (from memory). */
export const HOLES_MM = [7.24, 38.2, 0] as const;
/** Diameters that are usual, mm: what fits A4, the label of a record, a single (records: IEC 60098, from memory). */
export const DISC_SIZES_MM = [190, 174, 100] as const;
/** Fewer bars than this cannot be counted, more than this cannot be told apart. */
const BARS = { least: 8, most: 2000 } as const;

/** Rings for the wish, outermost first: 50 Hz twice a cycle: 33 1/3 has 180 bars and no residue, 45 has 133 and +0.25 %. */
export function discRings({
  speedsRpm,
  lampHz,
  flashesPerCycle,
}: Pick<DiscWish, 'speedsRpm' | 'lampHz' | 'flashesPerCycle'>): DiscRing[] {
  const flashHz = lampHz * flashesPerCycle;
  return [...speedsRpm]
    .sort((a, b) => a - b)
    .map((nominalRpm) => {
      const bars = ringBars(flashHz, nominalRpm);
      return { nominalRpm, bars, residuePercent: 100 * ((60 * flashHz) / bars / nominalRpm - 1) };
    });
}

/** What keeps a disc or strip from being drawn; empty when it can be. */
export function discProblems(wish: DiscWish): DiscProblem[] {
  const out: DiscProblem[] = [];
  const tell = (field: keyof DiscWish, message: string) => out.push({ field, message });
  if (!(wish.lampHz >= 15 && wish.lampHz <= 1000))
    tell('lampHz', say`A lamp flashes 15 to 1000 times a second: 50 or 60 Hz mains, or its own rate.`);
  if (wish.speedsRpm.length === 0) tell('speedsRpm', say`At least one speed, in turns a minute.`);
  if (wish.speedsRpm.length > 8) tell('speedsRpm', say`At most eight speeds on one sheet.`);
  if (wish.speedsRpm.some((rpm) => !(rpm > 0))) tell('speedsRpm', say`Speeds above zero.`);
  if (out.length > 0) return out;
  const rings = discRings(wish);
  const strange = rings.find(({ bars }) => bars < BARS.least || bars > BARS.most);
  if (strange)
    tell(
      'speedsRpm',
      say`${Number(strange.nominalRpm.toFixed(2))} rpm would have ${strange.bars} bars: ${BARS.least} to ${BARS.most}
        can be seen.`,
    );
  else sizeProblems(wish, rings, tell);
  return out;
}

function sizeProblems(
  wish: DiscWish,
  rings: readonly DiscRing[],
  tell: (field: keyof DiscWish, message: string) => void,
): void {
  const [width] = PAPERS[wish.paper];
  if (wish.stripMm !== null) {
    if (!(wish.stripMm >= 10 && wish.stripMm <= 600)) tell('stripMm', say`A rim of 10 to 600 mm.`);
    else if (rings.some(({ bars }) => (Math.PI * (wish.stripMm as number)) / bars / 2 < FINEST_MM))
      tell('stripMm', say`Bars under ${FINEST_MM} mm run together: a larger rim, or fewer speeds.`);
    return;
  }
  const most = width - 2 * WHITE_MM;
  if (wish.discMm === null || !(wish.discMm >= 40 && wish.discMm <= most))
    return tell('discMm', say`A disc of 40 to ${Math.floor(most)} mm fits ${wish.paper}.`);
  if (!(wish.holeMm >= 0 && wish.holeMm < wish.discMm / 2)) return tell('holeMm', say`A hole smaller than the disc.`);
  const inner = innerRadius(wish.discMm, rings.length);
  if (inner < wish.holeMm / 2 + 6)
    return tell('discMm', say`The rings do not fit round the hole: a larger disc, or fewer speeds.`);
  if (rings.some(({ bars }, i) => (Math.PI * ringRadii(wish.discMm as number, i)[0]) / bars < FINEST_MM))
    tell('discMm', say`Bars under ${FINEST_MM} mm run together: a larger disc.`);
}

/** Inner and outer radius of a ring, mm; 0 is the outermost. */
export const ringRadii = (discMm: number, i: number): readonly [number, number] => {
  const outer = discMm / 2 - 2 - i * (RING_MM + WORDS_MM);
  return [outer - RING_MM, outer];
};
/** Inside of the words under the innermost ring, mm. */
export const innerRadius = (discMm: number, rings: number): number => ringRadii(discMm, rings - 1)[0] - WORDS_MM;
