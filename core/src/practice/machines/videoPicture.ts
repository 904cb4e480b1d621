/** The picture of a video recorder as a ratio of signal to noise. */

/** What it comes from. */
interface Heads {
  readonly headLevel: number;
  readonly headDirt: number;
  /** What stands beside it, against the heads' own signal. */
  readonly field: number;
}

/** Signal over noise of the picture, dB: 43 with sound heads on track (from memory, half-inch tape). */
export function pictureDb(
  p: Heads,
  mode: string,
  tape: { error: number; unsteady: number; moves: boolean },
  drum: number,
): number {
  if (drum === 0) return 0;
  const level = p.headLevel * p.headDirt;
  if (level < 1e-3) return 0;
  const noise = Math.hypot(1, p.field * 30, drum < 1 ? 25 : 0) / level;
  const heads = 43 - 20 * Math.log10(noise);
  if (mode === 'still') return heads;
  if (!tape.moves) return Math.min(heads, 20);
  if (mode === 'search') return heads;
  // Off its speed the heads cross the tracks; far off there is nothing to lock to.
  if (tape.error > 30) return 0;
  return Math.abs(tape.error) > 2 || tape.unsteady > 0.5 ? Math.min(heads, 20) : heads;
}
