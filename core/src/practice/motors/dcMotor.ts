/** A permanent-magnet d.c. motor in its settled state, alone or under a governor that watches its speed. */

/** Constants of a small motor. */
export interface DcMotor {
  /** V per rad/s, and N·m per A (one constant in SI). */
  k: number;
  /** Armature and brushes, Ω. */
  ohm: number;
  /** Friction at standstill and its rise with speed: N·m, N·m per rad/s. */
  friction: number;
  viscous: number;
}

/** Turns a minute in one rad/s. */
export const RPM = 30 / Math.PI;

/** Settled speed at these volts against a load torque (N·m), rad/s; nought where it cannot start. */
export function settledSpeed(m: DcMotor, volts: number, loadNm: number): number {
  if (!Number.isFinite(m.ohm)) return 0;
  const stall = (m.k * volts) / m.ohm;
  if (stall <= m.friction + loadNm) return 0;
  // k V / R - k² w / R = friction + viscous w + load
  return (stall - m.friction - loadNm) / ((m.k * m.k) / m.ohm + m.viscous);
}

/** Volts that hold this speed against a load, V. */
export const voltsFor = (m: DcMotor, speed: number, loadNm: number): number =>
  m.k * speed + (m.ohm * (m.friction + m.viscous * speed + loadNm)) / m.k;

/** Current at these volts and this speed, A. */
export const current = (m: DcMotor, volts: number, speed: number): number =>
  Number.isFinite(m.ohm) ? (volts - m.k * speed) / m.ohm : 0;

/** What a governor gives that holds `wanted` (rad/s): the volts it needs, as long as the supply has them. */
export function governed(
  m: DcMotor,
  wanted: number,
  loadNm: number,
  mostV: number,
): { readonly volts: number; readonly speed: number } {
  const needed = Number.isFinite(m.ohm) ? voltsFor(m, wanted, loadNm) : Infinity;
  if (needed <= mostV) return { volts: needed, speed: wanted };
  return { volts: mostV, speed: settledSpeed(m, mostV, loadNm) };
}
