/** Photos: the bytes go beside the log, a line names them. */
import { z } from 'zod';

export const photoKeptSchema = z.object({ id: z.uuid(), sha256: z.string().length(64) });
