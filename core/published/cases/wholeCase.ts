/**
 * A unit as it comes to the bench, with what it shows to whoever looks. Written from the words of the trade
 * (common practice, no published source) before the tables that are judged by it were changed; what was
 * corrected afterwards is said beside the case.
 */
export interface WholeCase {
  readonly id: string;
  readonly family: string;
  /** The unit and what is said of it. */
  readonly story: string;
  readonly variant?: Readonly<Record<string, string>>;
  /** Take-in and what was tried before, in order: "test: answer", "test: value unit", "work: block", "mend: id = result", "trial: how part = result". */
  readonly said: readonly string[];
  /** What is wrong, "block.mode" or "block"; empty when nothing is. The cause stands before its victim. */
  readonly truth: readonly string[];
  /** Answers that differ from a sound unit's. */
  readonly shows: Readonly<Record<string, string>>;
  /** Answers that change once a fault is mended, by that fault. */
  readonly then?: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** Nothing turns and nothing is fed: what is not named reads as at rest. */
  readonly still?: boolean;
  /** The tests of a careful person, in order, to the one that settles it. */
  readonly careful: readonly string[];
  /** Advice that must not come: "power", "test ID" or "mend ID", each for ever or "until TEST|TEST". */
  readonly never?: readonly string[];
  /** What was put right after the tables were changed. */
  readonly remark?: string;
  /** Where nothing but the story is known, no block may have more than this share. */
  readonly mostLead?: number;
}
