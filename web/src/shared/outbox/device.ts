/** This browser's name in the log and its own count of lines. */
const DEVICE = 'amber-gauge-device';
const SEQUENCE = 'amber-gauge-sequence';

/** The name of this device, made once. */
export function deviceId(): string {
  const known = localStorage.getItem(DEVICE);
  if (known) return known;
  const made = crypto.randomUUID().slice(0, 8);
  localStorage.setItem(DEVICE, made);
  return made;
}

/** The next number of this device’s own count. */
export function nextSequence(): number {
  const next = Number(localStorage.getItem(SEQUENCE) ?? '0') + 1;
  localStorage.setItem(SEQUENCE, String(next));
  return next;
}
