/** Cosines of equal steps by rotation: a window or a wave without a call of cos a sample. */

/** Gives cos(step (n + offset)) for n = 0, 1, 2, ...; set right every 1024 steps, so errors stay under 1e-12. */
export function rotation(step: number, offset = 0): { cos(): number } {
  let n = 0;
  let c = 1;
  let s = 0;
  const dc = Math.cos(step);
  const ds = Math.sin(step);
  return {
    cos() {
      if (n % 1024 === 0) {
        c = Math.cos(step * (n + offset));
        s = Math.sin(step * (n + offset));
      }
      n++;
      const now = c;
      c = now * dc - s * ds;
      s = now * ds + s * dc;
      return now;
    },
  };
}
