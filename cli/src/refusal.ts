/** Unusable input, or a figure that must be asked about: a code for scripts and a message that says what to do. Ends with exit code 2. */
export class CliRefusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    /** What would make sense instead, as it stands in the JSON beside the code. */
    readonly guess: Readonly<Record<string, unknown>> | null = null,
  ) {
    super(message);
    this.name = 'CliRefusal';
  }
}
