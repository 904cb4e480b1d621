/** Photos and sounds of clips: the bytes go beside the log, a line names them. */
import { z } from 'zod';

/** What was kept, by its own hash. */
export const attachmentKeptSchema = z.object({ id: z.uuid(), sha256: z.string().length(64) });
