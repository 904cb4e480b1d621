/** An input that is open: its samples arrive at a port. */
export interface OpenInput {
  readonly sampleRate: number;
  readonly deviceId: string | null;
  /** Samples arrive here, mixed down, in blocks. */
  readonly samples: MessagePort;
  close(): void;
}
