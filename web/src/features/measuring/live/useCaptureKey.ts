/** The capture key while an input is listened to: it captures here and does nothing else. */
import { useEffect } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { fieldHasFocus } from '../../../shared/ui/focus.js';
import { isCapture } from '../../../shared/ui/isCapture.js';

export function useCaptureKey(active: boolean, onKey: (timeStampMs: number) => void): string {
  const captureKey = useSettings().data?.captureKey ?? 'F9';
  useEffect(() => {
    if (!active) return;
    const listen = (event: KeyboardEvent) => {
      if (!isCapture(event, captureKey, fieldHasFocus())) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      onKey(event.timeStamp);
    };
    window.addEventListener('keydown', listen, true);
    return () => window.removeEventListener('keydown', listen, true);
  }, [active, captureKey, onKey]);
  return captureKey;
}
