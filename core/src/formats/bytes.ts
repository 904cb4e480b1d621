/** Where bytes come from: memory, a file on disk, a file dropped on the page. Read in pieces. */

/**
 * Random access to bytes. `read` may return fewer bytes than asked only at the end; what it returned may
 * be written over by the next read.
 */
export interface ByteSource {
  readonly size: number;
  read(offset: number, length: number): Promise<Uint8Array>;
}

/** Bytes already in memory, handed out as views (never copied). */
export function memorySource(bytes: Uint8Array): ByteSource {
  return {
    size: bytes.length,
    read: (offset, length) => Promise.resolve(bytes.subarray(offset, offset + length)),
  };
}
