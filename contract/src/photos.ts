/** Photos: the bytes go beside the log, a line names them. */
import { z } from 'zod';

export const photoKeptSchema = z.object({ id: z.uuid(), sha256: z.string().length(64) });

/** A message of the stream: which job changed. */
export const jobChangedSchema = z.object({ id: z.uuid() });
