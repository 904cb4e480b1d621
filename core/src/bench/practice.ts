/** Lines that only a practice unit's log holds: what was done on its bench of instruments, and how it ended. */
import { say } from '../words/index.js';

/** Something was looked at or measured on a practice unit. */
export interface PracticeActBody {
  readonly kind: 'practice-act';
  /** Which test of the path; null where instruments were put somewhere else. */
  readonly testId: string | null;
  readonly name: string;
  /** What it showed. */
  readonly words: string;
  /** Minutes of the practice clock: reaching it and doing it. */
  readonly minutes: number;
  /** What the step itself broke: the meter's fuse; null for nothing. */
  readonly harm: string | null;
}

/** A knob of a practice unit was turned. */
export interface PracticeTurnBody {
  readonly kind: 'practice-turn';
  readonly trim: string;
  readonly name: string;
  /** Turns, clockwise positive, seen from the side of the screw. */
  readonly turns: number;
}

/** Something of a practice unit was bridged, crossed or unplugged, or put back. */
export interface PracticeHandBody {
  readonly kind: 'practice-hand';
  readonly hand: string;
  readonly name: string;
  readonly on: boolean;
}

/** The learner said that the work is done; the figures as they were then. */
export interface PracticeEndBody {
  readonly kind: 'practice-end';
  readonly minutes: number;
  readonly live: number;
  readonly parts: number;
  readonly wrongParts: number;
  readonly harm: readonly string[];
  /** Faults mended and faults left, in words. */
  readonly found: readonly string[];
  readonly left: readonly string[];
  readonly adviceMinutes: number;
  readonly bestMinutes: number;
}

/** Lines of practice, by kind. */
export type PracticeBody = PracticeActBody | PracticeTurnBody | PracticeHandBody | PracticeEndBody;

/** A line of practice in words. */
export function practiceWords(body: PracticeBody): string {
  switch (body.kind) {
    case 'practice-act':
      return say`on the practice bench: ${body.name}: ${body.words}`;
    case 'practice-turn':
      return say`turned: ${body.name}, ${Math.abs(body.turns)} of a turn
        ${body.turns > 0 ? say`clockwise` : say`counter-clockwise`}`;
    case 'practice-hand':
      return body.on ? say`on the practice bench: ${body.name}` : say`put back on the practice bench: ${body.name}`;
    case 'practice-end':
      return body.left.length === 0
        ? say`practice ended: nothing left`
        : say`practice ended, left: ${body.left.join(', ')}`;
  }
}
