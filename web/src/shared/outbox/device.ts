/** This browser's name in the log and its own count of lines. */
const DEVICE = 'amber-gauge-device';
const SEQUENCE = 'amber-gauge-sequence';

export function deviceId(): string {
  const known = localStorage.getItem(DEVICE);
  if (known) return known;
  const made = crypto.randomUUID().slice(0, 8);
  localStorage.setItem(DEVICE, made);
  return made;
}

export function nextSequence(): number {
  const next = Number(localStorage.getItem(SEQUENCE) ?? '0') + 1;
  localStorage.setItem(SEQUENCE, String(next));
  return next;
}
