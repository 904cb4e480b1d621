/** What can go wrong with an instrument on the line: expected, and said in plain words. */

/** Names of what can go wrong. */
export type InstrumentCode =
  | 'BAD_ADDRESS'
  | 'NOT_ALLOWED'
  | 'NO_INSTRUMENT'
  | 'BAD_REPLY'
  | 'NO_ANSWER'
  | 'TOO_MUCH'
  | 'CUT_OFF'
  | 'BUSY'
  | 'BAD_COMMAND'
  | 'WRONG_FUNCTION'
  | 'REFUSED';

/** Nothing was taken; the message says why and what to do. */
export class InstrumentProblem extends Error {
  constructor(
    readonly code: InstrumentCode,
    message: string,
  ) {
    super(message);
    this.name = 'InstrumentProblem';
  }
}
