/** Address of a picture: from the server, or from this browser while it waits to be sent. */
import { useEffect, useMemo } from 'react';
import { useOutbox } from '../../../shared/outbox/outbox.js';

export function usePicture(photoId: string, small: boolean): string {
  const waiting = useOutbox((state) => state.entries.find((entry) => entry.picture?.photoId === photoId)?.picture);
  const local = useMemo(
    () =>
      waiting ? URL.createObjectURL(new Blob([small ? waiting.thumb : waiting.bytes], { type: 'image/jpeg' })) : null,
    [waiting, small],
  );
  useEffect(() => (local ? () => URL.revokeObjectURL(local) : undefined), [local]);
  return local ?? `/api/v1/photos/${photoId}${small ? '/thumb' : ''}`;
}
