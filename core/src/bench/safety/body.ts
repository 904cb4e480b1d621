/** Log lines of making safe. */
export interface SafeBody {
  readonly kind: 'safe';
  /** A make-safe line of the family. */
  readonly lineId: string;
  readonly text: string;
}

/** What a discharge was computed from; it runs as a timer beside this line. */
export interface ChargeBody {
  readonly kind: 'charge';
  readonly storeId: string;
  readonly name: string;
  readonly microfarad: number;
  readonly volts: number;
  readonly ohm: number;
  readonly watts: number | null;
}

/** Volts at which a motor brought up slowly began to turn. */
export interface StartVoltsBody {
  readonly kind: 'start-volts';
  readonly volts: number;
  readonly start: 'first' | 'later';
}

/** Lines of making safe, by kind. */
export type SafetyBody = SafeBody | ChargeBody | StartVoltsBody;
