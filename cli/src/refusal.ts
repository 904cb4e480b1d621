/** Unusable input: a code for scripts and a message that says what to do. Ends with exit code 2. */
export class CliRefusal extends Error {
  constructor(
    readonly code: string,
    message: string,
  ) {
    super(message);
    this.name = 'CliRefusal';
  }
}
