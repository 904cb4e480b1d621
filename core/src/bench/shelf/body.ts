/** Lines of the shelf: what was ordered, came, was tested, set aside and used. They are added, never changed. */

/** A lot: so many of one part from one supplier, bought together. Money in the shop's currency; days as YYYY-MM-DD. */
export interface LotBody {
  readonly kind: 'lot';
  readonly part: string;
  readonly supplier: string;
  readonly quantity: number;
  /** Of one piece; null when it is not known. */
  readonly price: number | null;
  readonly orderedOn: string;
  /** Null for what lies here already. */
  readonly expectedOn: string | null;
  /** Days after arrival within which bad ones can be claimed. */
  readonly claimDays: number;
  readonly place: string;
  /** Of a motor: what its plate and one's own look say, by the candidate's fields of the motor match. */
  readonly motor?: Readonly<Record<string, string>> | undefined;
  /** What it serves, by {@link servesMend} and {@link servesUse}; left out for nothing known. */
  readonly serves?: readonly string[] | undefined;
}

/** "belt-turntable-dc/new-belt": a part that this mend of this family builds in. */
export const servesMend = (familyId: string, mendId: string): string => `${familyId}/${mendId}`;
/** "use/contact-cleaner": something that mends use up. */
export const servesUse = (id: string): string => `use/${id}`;

/** A lot has come. */
export interface ArrivedBody {
  readonly kind: 'arrived';
  readonly lot: string;
  readonly on: string;
}

/** Tested on arrival: so many good, so many bad. Bad ones are never offered again. */
export interface TestedBody {
  readonly kind: 'tested';
  readonly lot: string;
  readonly good: number;
  readonly bad: number;
}

/** Set aside for a job, given back, built in, or failed soon after. */
export interface ShelfMoveBody {
  readonly kind: 'reserved' | 'released' | 'used' | 'failed';
  readonly lot: string;
  readonly quantity: number;
  /** Number of the job; null for none. */
  readonly job: number | null;
  /** The mend it was taken for: the shelf remembers what the part serves. */
  readonly serves?: string | undefined;
}

/** A line that does not count any more. */
export interface ShelfStrikeBody {
  readonly kind: 'strike';
  readonly target: string;
  readonly reason: string;
}

/** Lines of the shelf, by kind. */
export type ShelfBody = LotBody | ArrivedBody | TestedBody | ShelfMoveBody | ShelfStrikeBody;

/** One line of the shelf. */
export interface ShelfLine {
  readonly key: string;
  readonly at: string;
  readonly body: ShelfBody;
}
