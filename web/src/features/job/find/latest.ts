/** The newest reading of each signal in the present epoch, in few words. */
import type { FindEvidence } from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';

export function latestReadings(path: DrivePath, evidence: FindEvidence): Map<string, string> {
  const latest = new Map<string, string>();
  for (const event of evidence.events) {
    if (event.kind === 'epoch') latest.clear();
    if (event.kind !== 'saw' || event.observation.saw.kind !== 'signal') continue;
    const { signal, weights } = event.observation.saw;
    const known = path.signals.find((one) => one.id === signal);
    const states = Object.entries(weights)
      .sort((a, b) => b[1] - a[1])
      .map(([state]) => state)
      .filter((state) => known?.states.includes(state));
    if (states[0])
      latest.set(
        signal,
        states.length > 1 && weights[states[0]] === weights[states[1] ?? ''] ? states.slice(0, 2).join('/') : states[0],
      );
  }
  return latest;
}
