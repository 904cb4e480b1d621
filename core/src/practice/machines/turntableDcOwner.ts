/** What the owner of a belt turntable says of it. */
import type { Condition, Seen } from '../machine.js';

/** What its owner notices first; null for nothing. */
export function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const error = (condition: Partial<Condition>) => at('platter.error.percent', condition);
  const [cold, warm, fast] = [error({ setting: '33' }), error({ setting: '33', warm: 1 }), error({ setting: '45' })];
  if (at('tingles').mean > 0) return 'It tingles when I touch it.';
  const lit = at('lamp').mean > 0;
  if (cold.mean < -90) return lit ? 'The light comes on, the platter stands still.' : 'It is dead.';
  if (fast.mean < -90) return 'It does not play singles.';
  if (warm.mean < -90) return 'It stops after a while.';
  if (cold.spread > 0.8) return 'It surges.';
  if (Math.abs(warm.mean - cold.mean) > 1.2) return 'It changes its speed as it gets warm.';
  if (Math.abs(cold.mean) > 1) return cold.mean < 0 ? 'It plays too slow.' : 'It plays too fast.';
  if (Math.abs(fast.mean) > 1) return fast.mean < 0 ? 'Singles play too slow.' : 'Singles play too fast.';
  if (['platter', 'belt', 'pulley'].some((part) => at(`wow.${part}.percent`).mean > 0.25)) return 'Long notes waver.';
  if (at('rumble').mean > 0.5) return 'It rumbles.';
  if (at('motor.roughness').mean > 0.4 || at('motor.click').mean > 0) return 'It makes a noise.';
  return lit ? null : 'The light does not come on.';
}
