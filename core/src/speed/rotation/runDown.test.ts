import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { runDownOf, timeBetween } from './runDown.js';

/**
 * A platter with viscous drag alone runs down as exp(-t/τ): from 0.98 to 0.5 of its speed it takes τ ln(0.98/0.5).
 * A dry one by friction alone falls in a straight line. Both are mechanics, not the program's.
 */
const TAU_S = 20;
const NOMINAL = 100 / 3;
const viscous = (t: number) => NOMINAL * Math.exp(-Math.max(0, t) / TAU_S);

const wish = { nominalRpm: NOMINAL, perTurn: 1 };
const found = async (text: string, perTurn = 1) => {
  const run = await runDownOf(text, { ...wish, perTurn });
  if (run.kind !== 'run-down') throw new Error(JSON.stringify(run));
  return { how: run.how, seconds: timeBetween(run.speeds, 0.98 * NOMINAL, NOMINAL / 2) };
};

describe('a run down out of a log', () => {
  it('of a gyroscope that lies a little askew, with a bias and noise', async () => {
    const noise = gaussian(seeded(4));
    const rows = Array.from({ length: 110 * 50 }, (_, i) => {
      const t = i / 50;
      const rate = t < 5 ? 6 * NOMINAL : 6 * viscous(t - 5);
      // A brake after a minute: the log ends with a standstill, which gives the bias.
      const dps = t > 65 ? 0 : rate;
      return [t, 0.04 * dps + 1.5 + 0.2 * noise(), 0.3 * noise() - 0.8, -0.999 * dps + 0.4 + 0.2 * noise()]
        .map((value) => value.toFixed(4))
        .join(',');
    });
    const { how, seconds } = await found(`time (s),gyro x (deg/s),gyro y (deg/s),gyro z (deg/s)\n${rows.join('\n')}`);
    expect(how).toBe('gyro');
    expect(Math.abs(seconds - TAU_S * Math.log(0.98 / 0.5))).toBeLessThan(0.4);
  });

  it('of pulses of a wheel with uneven spacing, by whole turns', async () => {
    // Angle by time: steady for 6 s, then τ(1 - exp(-t/τ)) turns of full speed.
    const turnsAt = (t: number) => (NOMINAL / 60) * (t < 6 ? t : 6 + TAU_S * (1 - Math.exp(-(t - 6) / TAU_S)));
    const uneven = [0, 0.26, 0.49, 0.77];
    const times: number[] = [];
    let next = 0;
    for (let t = 0; t < 60; t += 0.001) {
      while (turnsAt(t) >= Math.floor(next / 4) + (uneven[next % 4] as number)) {
        times.push(t);
        next++;
      }
    }
    const run = await runDownOf(`time (s)\n${times.map((t) => t.toFixed(3)).join('\n')}`, { ...wish, perTurn: 4 });
    if (run.kind !== 'run-down') throw new Error(run.kind);
    // One for each whole turn that the list holds, at its middle.
    expect(run.speeds).toHaveLength(times.length - 4);
    expect(run.speeds.every(({ at, rpm }) => Number.isFinite(at) && rpm > 0)).toBe(true);
    expect(run.speeds[0]?.at).toBeCloseTo(((times[0] as number) + (times[4] as number)) / 2 - (times[0] as number), 6);
    const { how, seconds } = await found(`time (s)\n${times.map((t) => t.toFixed(3)).join('\n')}`, 4);
    expect(how).toBe('pulses');
    expect(Math.abs(seconds - TAU_S * Math.log(0.98 / 0.5))).toBeLessThan(0.5);
  });

  it('stands at the middle of what it was taken over: of one that falls evenly each speed is the one it had then', async () => {
    const rows = Array.from({ length: 1000 }, (_, i) => `${(i / 50).toFixed(2)},0,0,${(6 * (60 - i / 50)).toFixed(5)}`);
    const run = await runDownOf(`time,gyro x (deg/s),gyro y (deg/s),gyro z (deg/s)\n${rows.join('\n')}`, {
      nominalRpm: 60,
      perTurn: 1,
    });
    if (run.kind !== 'run-down') throw new Error(JSON.stringify(run));
    // A quarter of a second is twelve or thirteen rows of fifty a second.
    expect(run.speeds[0]?.at).toBeCloseTo(0.12, 1);
    expect(run.speeds.at(-1)?.at).toBeCloseTo(19.98 - 0.12, 1);
    for (const { at, rpm } of run.speeds) expect(rpm).toBeCloseTo(60 - at, 3);
  });

  it('that never was as fast, or is no log, says so', async () => {
    const slow = Array.from({ length: 800 }, (_, i) => `${i / 20},0,0,${(-6 * 20 * Math.exp(-i / 400)).toFixed(3)}`);
    const run = await runDownOf(`time,gyro x (deg/s),gyro y (deg/s),gyro z (deg/s)\n${slow.join('\n')}`, wish);
    if (run.kind !== 'run-down') throw new Error(run.kind);
    expect(() => timeBetween(run.speeds, 0.98 * NOMINAL, NOMINAL / 2)).toThrow('Its run past 32.7 rpm was not seen');
    expect(await runDownOf('no numbers here', wish)).toMatchObject({ kind: 'unusable' });
    await expect(runDownOf('1\n2\n3', { ...wish, perTurn: 0 })).rejects.toThrow('perTurn');
  });
});
