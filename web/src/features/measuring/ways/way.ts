/** The ways of measuring, as words in a row, and what each is given and gives. */
import type { Source } from '@amber-gauge/contract';
import type { Family, FamilySpeed } from '@amber-gauge/core/families';
import type { Tolerance } from '@amber-gauge/core/quantity';
import type { SpeedRun } from '@amber-gauge/core/speed';

const WAYS = ['recording', 'live tone', 'pulses', 'gyroscope', 'strobe disc', 'stopwatch', 'sound'] as const;
/** A way of measuring. */
export type Way = (typeof WAYS)[number];

/** Ways that fit: a tone where there is a test tape or record, disc and gyroscope where a platter turns, the others anywhere. */
export function waysFor(family: Family, speed: FamilySpeed | undefined): Way[] {
  const tone = family.testTone !== 'none';
  const platter = speed?.nominalRpm != null;
  const fits: Readonly<Record<Way, boolean>> = {
    recording: tone,
    'live tone': tone,
    pulses: true,
    gyroscope: platter,
    'strobe disc': platter,
    stopwatch: true,
    sound: true,
  };
  return WAYS.filter((way) => fits[way]);
}

/** What a way measured, with where it came from. */
export interface Measured {
  readonly run: SpeedRun;
  readonly fileName: string;
  readonly fileBytes: number;
  readonly sha256: string | null;
  readonly source: Source | null;
  /** The recording to be kept with the run, when asked for. */
  readonly recording: File | null;
  /** The speed that ran, where it was found to be another than the one chosen. */
  readonly speedId?: string | null;
  /** Asked whether another speed ran, and answered no. */
  readonly answered?: boolean;
}

/** What was measured by hand or live, without a file. */
export const withoutFile = (run: SpeedRun, what: string, source: Source | null = null): Measured => ({
  run,
  fileName: what,
  fileBytes: 0,
  sha256: null,
  source,
  recording: null,
});

/** Files between ways: one that came from another, with a word, and where one goes that cannot be read here. */
export interface Passing {
  readonly file: File | null;
  readonly words: string;
  /** True when the file went to another way. */
  readonly elsewhere: (file: File) => Promise<boolean>;
}

/** What every way is given. */
export interface WayProps {
  readonly passing?: Passing | undefined;
  readonly family: Family;
  readonly speed: FamilySpeed;
  readonly limits: Tolerance;
  readonly source: Source | null;
  readonly sources: readonly Source[];
  readonly onSource: (id: string) => void;
  /** May refuse (server away): the way then keeps the result and offers to hand it on again. */
  readonly onMeasured: (measured: Measured) => Promise<void>;
  /** A way that shows its own live reading says so, and the stored one makes room. */
  readonly onLive: (live: boolean) => void;
}

/** The way that a stored run was measured in. */
export function wayOf(detail: { readonly way: SpeedRun['detail']['way']; readonly live?: boolean | undefined }): Way {
  switch (detail.way) {
    case 'tone':
      return detail.live ? ('live tone' as const) : 'recording';
    case 'gyro':
      return 'gyroscope';
    case 'strobe':
      return 'strobe disc' as const;
    default:
      return detail.way;
  }
}
