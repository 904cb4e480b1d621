/** Has a question just taken the place of another? A finger may be on its way to a key of the one before. */
import { useEffect, useState } from 'react';

/** So long a question that came by itself takes no tap, ms: less than it takes to read it (chosen). */
export const READ_FIRST_MS = 500;

/** True for {@link READ_FIRST_MS} after `id` has changed from one question to another while `hand`, what was chosen by hand, has not. */
export function useJustChanged(id: string | undefined, hand: string): boolean {
  const [now, setNow] = useState({ id, hand, changed: false });
  if (now.id !== id || now.hand !== hand)
    setNow({ id, hand, changed: now.id === id ? now.changed : now.id !== undefined && now.hand === hand });
  const { changed } = now;
  useEffect(() => {
    if (!changed) return;
    const read = setTimeout(() => setNow((one) => ({ ...one, changed: false })), READ_FIRST_MS);
    return () => clearTimeout(read);
  }, [id, changed]);
  return changed;
}
