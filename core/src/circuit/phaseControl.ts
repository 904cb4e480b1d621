/** Phase control: what a triac that fires late lets through (handbook formulae, resistive load). */

const RAD = Math.PI / 180;

/** Share of the full volts, true r.m.s., at a firing angle in degrees: 90 gives 0.707. */
export const rmsShare = (degrees: number): number => {
  const a = degrees * RAD;
  return Math.sqrt(Math.max(0, 1 - a / Math.PI + Math.sin(2 * a) / (2 * Math.PI)));
};

/** What an average-reading meter shows of the full volts: 90 gives 0.5. */
export const averageShare = (degrees: number): number => (1 + Math.cos(degrees * RAD)) / 2;

/** Firing angle, degrees, from the share that was read by either kind of meter; null outside 0 to 1. */
export function firingAngle(share: number, meter: 'true r.m.s.' | 'average'): number | null {
  if (!(share >= 0 && share <= 1)) return null;
  if (meter === 'average') return Math.acos(2 * share - 1) / RAD;
  let [low, high] = [0, 180];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (rmsShare(middle) > share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
