/** What the owner of a belt turntable says of it. */
import type { Condition, Seen } from '../machine.js';
import { say } from '../../words/index.js';

/** What its owner notices first; null for nothing. */
export function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const error = (condition: Partial<Condition>) => at('platter.error.percent', condition);
  const [cold, warm, fast] = [error({ setting: '33' }), error({ setting: '33', warm: 1 }), error({ setting: '45' })];
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  const lit = at('lamp').mean > 0;
  if (cold.mean < -90) return lit ? say`The light comes on, the platter stands still.` : say`It is dead.`;
  if (fast.mean < -90) return say`It does not play singles.`;
  if (warm.mean < -90) return say`It stops after a while.`;
  if (cold.spread > 0.8) return say`It surges.`;
  if (Math.abs(warm.mean - cold.mean) > 1.2) return say`It changes its speed as it gets warm.`;
  if (Math.abs(cold.mean) > 1) return cold.mean < 0 ? say`It plays too slow.` : say`It plays too fast.`;
  if (Math.abs(fast.mean) > 1) return fast.mean < 0 ? say`Singles play too slow.` : say`Singles play too fast.`;
  if (['platter', 'belt', 'pulley'].some((part) => at(`wow.${part}.percent`).mean > 0.25))
    return say`Long notes waver.`;
  if (at('rumble').mean > 0.5) return say`It rumbles.`;
  if (at('motor.roughness').mean > 0.4 || at('motor.click').mean > 0) return say`It makes a noise.`;
  return lit ? null : say`The light does not come on.`;
}
