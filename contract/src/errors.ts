/** One table maps code, status and message; every error on the wire has this one shape. */
import { z } from 'zod';
import { say } from '@amber-gauge/core/words';

/** Every error on the wire: its status of HTTP and what to do, in words. */
export const ERROR_TABLE = {
  BAD_REQUEST: { status: 400, message: say`The request was not understood. Check the fields named and send it again.` },
  BAD_HOST: {
    status: 421,
    message: say`This address is not served here. Open the address that the start command printed.`,
  },
  BAD_ORIGIN: { status: 403, message: say`Another site may not write here. Use the page itself.` },
  NOT_FOUND: { status: 404, message: say`This is not here. It may have been removed, or the address is mistyped.` },
  CONFLICT: { status: 409, message: say`Somebody changed this meanwhile. Compare both versions and choose.` },
  TOO_LARGE: { status: 413, message: say`This is larger than allowed here. Send a smaller piece.` },
  UNSUPPORTED_TYPE: {
    status: 415,
    message: say`This kind of content is not taken here. Send JSON, or a WAV recording.`,
  },
  INSTRUMENT: { status: 422, message: say`The instrument gave no reading. Nothing was taken; the last one stands.` },
  UNKNOWN_REFERENCE: { status: 422, message: say`Something named here does not exist: reload the page and try again.` },
  TOO_MANY: { status: 429, message: say`Too many requests at once. Wait a moment and try again.` },
  INTERNAL: { status: 500, message: say`Something went wrong here. Nothing was kept; try again.` },
  NOT_READY: {
    status: 503,
    message: say`The database is not answering. What you typed waits in this browser and is sent later.`,
  },
} as const;

/** Names of the errors. */
export type ErrorCode = keyof typeof ERROR_TABLE;

/** An error as it is sent. */
export const errorSchema = z.object({
  error: z.object({
    code: z.enum(Object.keys(ERROR_TABLE) as [ErrorCode, ...ErrorCode[]]),
    message: z.string(),
    /** Which field, and what to do about it. */
    fields: z.record(z.string(), z.string()).optional(),
    /** The present version, on a conflict. */
    present: z.unknown().optional(),
  }),
});
/** See {@link errorSchema}. */
export type WireError = z.infer<typeof errorSchema>['error'];
