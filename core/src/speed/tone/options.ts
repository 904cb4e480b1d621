/** What is asked of the tone meter. */

/** What the person says about the recording, and how to report on the way. */
export interface ToneOptions {
  readonly nominalHz: number;
  readonly channel?: number | 'auto';
  /** Expanded (k = 2) uncertainty of the test tape or record, percent; null when not known. */
  readonly referenceUncertaintyPercent?: number | null;
  /** Limit of the recorder's clock error, percent. */
  readonly clockLimitPercent?: number;
  /** What a calibration found: frequencies are multiplied with 1 + this / 10^6. */
  readonly clockCorrectionPpm?: number;
  /** The sound was decoded from a lossy coder (MP3, AAC, Opus). */
  readonly lossy?: boolean;
  /** Only this part of the recording, seconds. */
  readonly fromS?: number;
  readonly toS?: number;
  /** The figure was asked about and is right as it is. */
  readonly asIs?: boolean;
  /** Called with 0..1; returning false stops the measuring. */
  readonly onProgress?: (done: number) => boolean | void;
}
