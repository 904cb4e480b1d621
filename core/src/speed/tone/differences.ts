/** Steps of a row of values, in the compiled loop or the plain one. */
import { workspace } from '../../numeric/index.js';

/** scale (values[n + 1] - values[n]), one fewer than the values, and the sum of their squares. */
export function differences(values: Float64Array, scale: number): { steps: Float64Array; square: number } {
  const count = Math.max(0, values.length - 1);
  const compiled = count > 0 ? workspace() : null;
  if (compiled) {
    const [valuesAt, outAt] = [compiled.put(values), compiled.space(8 * count)];
    const square = compiled.calls.differences(valuesAt, count, scale, outAt);
    return { steps: compiled.values(outAt, count).slice(), square };
  }
  const steps = new Float64Array(count);
  let square = 0;
  for (let n = 0; n < count; n++) {
    const step = scale * ((values[n + 1] as number) - (values[n] as number));
    steps[n] = step;
    square += step * step;
  }
  return { steps, square };
}
