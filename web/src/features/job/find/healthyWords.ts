/** "Healthy: 4.6 to 5.4 V (this bench, 7 units)": what a sound unit shows in the test asked, and from where. */
import type { TestAdvice } from '@amber-gauge/core/diagnosis';
import type { DrivePath } from '@amber-gauge/core/families';
import { fixed } from '@amber-gauge/core/quantity';
import { say } from '@amber-gauge/core/words';

export function healthyWords(path: DrivePath, { test, healthy }: TestAdvice): string | null {
  if (healthy === null) return null;
  const measure = path.signals.find((one) => one.id === test.signal)?.measure;
  const state = test.outcomes.find((one) => one.words === healthy)?.states;
  const band = measure?.bands.find((one) => state?.includes(one.state));
  if (!measure || !band) return say`Healthy: ${healthy}`;
  const { from, to } = band;
  const range =
    from !== null && to !== null
      ? say`${short(from)} to ${short(to)}`
      : from !== null
        ? say`${short(from)} or more`
        : say`${short(to ?? 0)} or less`;
  return say`Healthy: ${range} ${measure.unit} (${measure.origin.text})`;
}

/** Three digits that count, no trailing noughts. */
const short = (value: number): string => String(Number(fixed(value, Math.abs(value) < 10 ? 2 : 1)));
