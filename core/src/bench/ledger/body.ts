/** Log lines of the strip-down ledger. */
export const END_HOWS = [
  'unsoldered',
  'unplugged',
  'cut',
  'bridged',
  'switched',
  'lifted',
  'removed',
  'swapped',
  'taped',
  'shorted',
  'left over',
] as const;
/** How an end came open. */
export type EndHow = (typeof END_HOWS)[number];

/** Screws and the like that came off with a step. */
export interface Fasteners {
  readonly count: number;
  /** "30 mm", "star washer". */
  readonly what: string;
  readonly tray: string | null;
  /** A star washer, a spring, a longer one: it has its own place to go back to. */
  readonly odd: boolean;
}

/** A distance or position measured before it is disturbed; it is set back within `tolerance`. */
export interface Distance {
  readonly what: string;
  readonly value: number;
  readonly unit: string;
  readonly tolerance: number;
}

/** A wire of a connector: pin and colour. */
export interface Wire {
  readonly pin: string;
  readonly colour: string;
}

/** One thing that came off. */
export interface StepBody {
  readonly kind: 'step';
  /** As it was typed. */
  readonly text: string;
  readonly what: string;
  readonly fasteners: readonly Fasteners[];
  readonly marks: string;
  /** Brush bevel, rotor way round, connector side. */
  readonly orientation: string;
  readonly distances: readonly Distance[];
  readonly wires: readonly Wire[];
  /** From which side the pins were read. */
  readonly wiresSide: 'wire-side' | 'mating-face' | null;
  /** Consumables now owed: cable tie, seal, crimp, glue. */
  readonly owes: readonly string[];
  /** What an earlier visit left: pierced foam, fresh solder, a missing screw. */
  readonly traces: string;
  /** A protective earth goes back with it. */
  readonly earth: boolean;
  /** A cover: it must sit flush all round before its screws. */
  readonly cover: boolean;
  /** Keys of the steps that had to be off before this one. */
  readonly after: readonly string[];
}

/** Something cut, unplugged, unsoldered, bridged or switched over: open until it is closed. */
export interface OpenEndBody {
  readonly kind: 'open-end';
  readonly what: string;
  readonly how: EndHow;
  /** The family's usual end it stands for, if any. */
  readonly usualId: string | null;
  /** The step it belongs to; null when it stands by itself. */
  readonly stepKey: string | null;
  /** The move whose first line opened it, if any. */
  readonly moveKey: string | null;
}

/** An open end was closed. */
export interface CloseBody {
  readonly kind: 'close';
  readonly target: string;
  /** How it was closed: "soldered and tugged". */
  readonly how: string;
}

/** A step put back, with what was counted and measured. */
export interface RefitBody {
  readonly kind: 'refit';
  readonly target: string;
  /** How many of each of the step's fasteners went back. */
  readonly returned: readonly number[];
  /** Each distance as re-measured; null when it was not. */
  readonly distances: readonly (number | null)[];
  /** Does the cover sit flush all round? Null when it is no cover. */
  readonly flush: boolean | null;
  /** Which of the consumables owed were renewed. */
  readonly renewed: readonly string[];
}

/** Why a finding of the reassembly may stand. */
export interface ExplainBody {
  readonly kind: 'explain';
  readonly finding: string;
  readonly why: string;
}

/** A usual test or mend of the family: its first line opens its ends, its last line ends it. */
export interface MoveBody {
  readonly kind: 'move';
  readonly moveId: string;
  readonly name: string;
  /** The line that began it; null when this line begins it. */
  readonly began: string | null;
  /** It was given up: nothing was done, and the ends it opened stay open until they are closed. */
  readonly dropped?: boolean | undefined;
}

/** Lines of the strip-down, by kind. */
export type LedgerBody = StepBody | OpenEndBody | CloseBody | RefitBody | ExplainBody | MoveBody;
