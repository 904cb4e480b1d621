/** The capture key, wherever it is listened for. */

/** True when this key press is the capture key: inside fields too, except Space; auto-repeat never counts. */
export function isCapture(event: Pick<KeyboardEvent, 'key' | 'repeat'>, captureKey: string, inField: boolean): boolean {
  if (event.repeat) return false;
  if (event.key === captureKey) return captureKey !== ' ' || !inField;
  return event.key === ' ' && !inField && document.activeElement === document.body;
}
