/** Photos: the bytes go beside the log, a line names them. */
import { z } from 'zod';

/** A picture that was kept, by its own hash. */
export const photoKeptSchema = z.object({ id: z.uuid(), sha256: z.string().length(64) });
