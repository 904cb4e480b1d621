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
  /** Where nothing but the story is known, no block may have more than this share. */
  readonly mostLead?: number;
}

const list = (text = ''): string[] => (text === '' ? [] : text.split('; '));
const table = (text = ''): Record<string, string> =>
  Object.fromEntries(list(text).map((one) => one.split(/: (.*)/s).slice(0, 2) as [string, string]));

/**
 * Cases as they are written down: "id (family)", its story, then a line each of what is named above ("said: ...", lists
 * parted by semicolons; "then FAULT: ..."; "most: SHARE"); # begins a remark. @throws Error for a line that is none of these.
 */
export function wholeCases(text: string): readonly WholeCase[] {
  return text
    .trim()
    .split(/\n\n+/)
    .map((block) => {
      const [head = '', story = '', ...lines] = block.split('\n').filter((line) => !/^\s*#/.test(line));
      const [, id, family] = /^(\S+) \((\S+)\)$/.exec(head) ?? [];
      const told = new Map(
        lines.map(
          (line) =>
            line
              .trim()
              .split(/: (.*)/s)
              .slice(0, 2) as [string, string],
        ),
      );
      const strange = [...told.keys()].find(
        (key) => !/^(variant|said|truth|shows|then \S+|still|careful|never|most)$/.test(key),
      );
      if (!id || !family || strange !== undefined) throw new Error(`${head}: ${strange ?? 'no id and family'}`);
      const then = [...told].flatMap(([key, answers]) =>
        key.startsWith('then ') ? [[key.slice(5), table(answers)]] : [],
      );
      return {
        id,
        family,
        story: story.trim(),
        ...(told.has('variant') ? { variant: table(told.get('variant')) } : {}),
        said: list(told.get('said')),
        truth: list(told.get('truth')),
        shows: table(told.get('shows')),
        ...(then.length > 0 ? { then: Object.fromEntries(then) as NonNullable<WholeCase['then']> } : {}),
        ...(told.has('still') ? { still: true } : {}),
        careful: list(told.get('careful')),
        never: list(told.get('never')),
        ...(told.has('most') ? { mostLead: Number(told.get('most')) } : {}),
      };
    });
}
