/**
 * Three windings in a star on a bridge of six switches, told by three Halls which pair to feed: six sectors of sixty
 * electrical degrees, two phases at a time.
 */
import type { Random } from '../../numeric/index.js';
import { evenly } from '../machine.js';

/** A switch of the bridge. */
export type SwitchState = 'good' | 'open' | 'short';

/** A phase. */
export type Phase = 0 | 1 | 2;

/** One of the three, by chance. */
export const anyPhase = (random: Random): Phase => Math.min(2, Math.floor(evenly(random, 0, 3))) as Phase;

/** Bridge, windings and Halls, phase 0, 1, 2. */
export interface ThreePhase {
  readonly high: readonly SwitchState[];
  readonly low: readonly SwitchState[];
  /** Ω of each winding with its lead and pin. */
  readonly ohm: readonly [number, number, number];
  /** Torque of each winding against a sound one, 0 to 1. */
  readonly strength: readonly [number, number, number];
  /** A Hall that stands still at this level whatever passes; null where it follows. */
  readonly stuck: readonly [0 | 1 | null, 0 | 1 | null, 0 | 1 | null];
}

/** Which phase is fed high and which low in each sector, in the order the rotor passes them. */
const SECTORS: readonly (readonly [number, number])[] = [
  [0, 1],
  [0, 2],
  [1, 2],
  [1, 0],
  [2, 0],
  [2, 1],
];

/** What the three Halls say in a sector (0 to 5): each is on for three of six, a third of a turn apart. */
export const hallsAt = (sector: number): [number, number, number] => [
  Number(sector < 3),
  Number(sector >= 2 && sector < 5),
  Number(sector >= 4 || sector < 1),
];

/** The sector that a code stands for; -1 for one that cannot be: all on, all off. */
function sectorOf(code: readonly number[]): number {
  return SECTORS.findIndex((_, sector) => hallsAt(sector).every((one, i) => one === code[i]));
}

/**
 * Torque in each sector against that of a sound motor at the same volts, standing still: below nought pulls back. Two
 * switches of one leg that are both closed short the feed, which `shorted` says.
 */
export function sectorTorques(m: ThreePhase): { readonly torque: readonly number[]; readonly shorted: boolean } {
  const sound = 2 * Math.min(...m.ohm.filter(Number.isFinite), Infinity);
  let shorted = false;
  const torque = SECTORS.map((_, rotor) => {
    const told = sectorOf(hallsAt(rotor).map((one, i) => m.stuck[i] ?? one));
    const fed = SECTORS[told];
    // A shorted switch against a closed one of its own leg.
    const [up, down] = fed ?? [-1, -1];
    if (m.high.some((one, leg) => one === 'short' && (leg === down || m.low[leg] === 'short'))) shorted = true;
    if (m.low.some((one, leg) => one === 'short' && leg === up)) shorted = true;
    if (!fed || m.high[up] === 'open' || m.low[down] === 'open') return 0;
    const ohm = (m.ohm[up] ?? Infinity) + (m.ohm[down] ?? Infinity);
    if (!Number.isFinite(ohm) || !Number.isFinite(sound)) return 0;
    const pull = ((m.strength[up] ?? 0) + (m.strength[down] ?? 0)) / 2;
    // The field stands ninety degrees ahead in its own sector and falls off as a cosine with sixty each.
    return (sound / ohm) * pull * Math.cos(((told - rotor) * Math.PI) / 3);
  });
  return { torque, shorted };
}

/** How it goes round: stands, moves a sector or two and stops, or runs with this part of its torque. */
export type Going =
  { readonly kind: 'stands' } | { readonly kind: 'kicks' } | { readonly kind: 'runs'; readonly part: number };

/** The longest stretch without forward torque that its own swing carries it over, sectors: at standstill there is none. */
export function goingOf({ torque, shorted }: ReturnType<typeof sectorTorques>, loadPart: number): Going {
  if (shorted) return { kind: 'kicks' };
  const pulls = torque.map((one) => one > loadPart);
  if (pulls.every((one) => !one)) return { kind: 'stands' };
  const mean = torque.reduce((sum, one) => sum + one, 0) / torque.length;
  return pulls.every(Boolean) && mean > loadPart ? { kind: 'runs', part: mean } : { kind: 'kicks' };
}
