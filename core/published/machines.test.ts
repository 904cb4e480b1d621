import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { settledReservoir, type RectifierLoad } from '../src/practice/electric/rectifier.js';
import { firedPart, seriesCurrent, seriesTorque, universalSpeed } from '../src/practice/motors/universal.js';
import { inductionSpeed, inductionTorque, startPart } from '../src/practice/motors/induction.js';
import { balancing, fieldOf, inStep } from '../src/practice/motors/splitPhase.js';
import { goingOf, hallsAt, sectorTorques, type ThreePhase } from '../src/practice/motors/threePhase.js';
import { reelDeck, videoRecorder } from '../src/practice/index.js';
import { current, governed, settledSpeed, voltsFor, type DcMotor } from '../src/practice/motors/dcMotor.js';

const bridge: RectifierLoad = {
  sourceV: 12,
  mainsHz: 50,
  sourceOhm: 0.05,
  dropV: 1.6,
  halves: [true, true],
  farad: 4700e-6,
  esrOhm: 0.001,
  loadOhm: 150,
};

describe('a rectifier with its reservoir', () => {
  it('goes to √2 V less two diodes without a load (any power supply text; from memory)', () => {
    expect(settledReservoir({ ...bridge, loadOhm: 1e6 }).meanV).toBeCloseTo(Math.SQRT2 * 12 - 1.6, 1);
  });

  it('ripples by I/(2 f C) in a full wave, by I/(f C) in a half wave, as long as it is small (handbook formula)', () => {
    const load = (halves: [boolean, boolean]) => {
      const found = settledReservoir({ ...bridge, halves });
      return { ...found, amps: found.meanV / 150 };
    };
    const full = load([true, true]);
    const half = load([true, false]);
    // The formula takes the whole half cycle for discharge, so it reads somewhat high.
    expect(full.rippleV / (full.amps / (100 * 4700e-6))).toBeGreaterThan(0.7);
    expect(full.rippleV / (full.amps / (100 * 4700e-6))).toBeLessThan(1.02);
    expect(half.rippleV / (half.amps / (50 * 4700e-6))).toBeGreaterThan(0.8);
    expect(half.rippleV / (half.amps / (50 * 4700e-6))).toBeLessThan(1.02);
  });

  it('reads as a healthy small deck: 11.5 + 11.5 V into a bridge, 31 V unloaded, 27.5 V at 0.6 V ripple (common practice)', () => {
    const deck = { ...bridge, sourceV: 23, sourceOhm: 4, farad: 2200e-6 };
    expect(settledReservoir({ ...deck, loadOhm: 1e6 }).meanV).toBeCloseTo(31, 0);
    const loaded = settledReservoir({ ...deck, loadOhm: 27.5 / 0.13 });
    expect(Math.abs(loaded.meanV - 27.5)).toBeLessThan(1.2);
    expect(Math.abs(loaded.rippleV - 0.5)).toBeLessThan(0.2);
  });

  it('never gives more than the peak, nor more power than the source: a property', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 40, noNaN: true }),
        fc.double({ min: 0.2, max: 30, noNaN: true }),
        fc.double({ min: 10e-6, max: 20e-3, noNaN: true }),
        fc.double({ min: 5, max: 5000, noNaN: true }),
        fc.double({ min: 0.001, max: 20, noNaN: true }),
        (sourceV, sourceOhm, farad, loadOhm, esrOhm) => {
          const { meanV, leastV, rippleV } = settledReservoir({
            ...bridge,
            sourceV,
            sourceOhm,
            farad,
            loadOhm,
            esrOhm,
          });
          const peak = Math.max(0, Math.SQRT2 * sourceV - 1.6);
          expect(leastV).toBeGreaterThanOrEqual(-1e-9);
          expect(leastV + rippleV).toBeLessThanOrEqual(peak + 1e-6);
          // Matched at best: no load takes more than peak² / (4 R) of any source.
          expect(meanV ** 2 / loadOhm).toBeLessThanOrEqual(peak ** 2 / (4 * sourceOhm) + 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });
});

const motor: DcMotor = { k: 0.018, ohm: 12, friction: 4e-4, viscous: 1e-6 };

describe('a d.c. motor', () => {
  it('turns at (V − I R)/k and its torque is k I (two equations of every text on motors; from memory)', () => {
    const speed = settledSpeed(motor, 5, 2e-4);
    const amps = current(motor, 5, speed);
    expect(motor.k * speed + amps * motor.ohm).toBeCloseTo(5, 9);
    expect(motor.k * amps).toBeCloseTo(motor.friction + motor.viscous * speed + 2e-4, 9);
    expect(settledSpeed(motor, 5, 1)).toBe(0);
  });

  it('worked by hand: k 0.018, 12 Ω, 0.65 mN·m at 5 V: 36 mA, 253 rad/s', () => {
    // I = T/k = 0.65e-3/0.018 = 36.1 mA; w = (5 − 0.0361·12)/0.018 = 253.7 rad/s, friction alone.
    expect(settledSpeed({ ...motor, friction: 0.65e-3, viscous: 0 }, 5, 0)).toBeCloseTo(253.7, 1);
  });

  it('under a governor holds its speed as long as there are volts, and what goes in comes out or warms it: a property', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 50, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 4e-3, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        (wanted, load, most) => {
          const { volts, speed } = governed(motor, wanted, load, most);
          expect(volts).toBeLessThanOrEqual(most);
          if (voltsFor(motor, wanted, load) <= most) expect(speed).toBeCloseTo(wanted, 9);
          else expect(speed).toBeLessThan(wanted);
          if (speed === 0) return;
          const amps = current(motor, volts, speed);
          const out = (motor.friction + motor.viscous * speed + load) * speed;
          expect(volts * amps).toBeCloseTo(out + amps * amps * motor.ohm, 6);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('a series motor', () => {
  const m = { k: 0.16, ohm: 28, reactance: 22 };
  it('worked by hand: at standstill 230 V over |28 + 22j| Ω is 6.46 A and 6.68 N·m', () => {
    expect(seriesCurrent(m, 230, 0)).toBeCloseTo(6.459, 3);
    expect(seriesTorque(m, 230, 0)).toBeCloseTo(0.16 * 6.459 ** 2, 2);
  });

  it('settles where its torque is the load’s, runs up without load, and gives no more power than it takes: a property', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 240, noNaN: true }),
        fc.double({ min: 1e-3, max: 0.5, noNaN: true }),
        fc.double({ min: 1e-9, max: 1e-6, noNaN: true }),
        (volts, friction, fan) => {
          const load = { friction, viscous: 1e-5, fan };
          const speed = universalSpeed(m, volts, load);
          const wanted = friction + 1e-5 * speed + fan * speed * speed;
          if (speed > 0) expect(seriesTorque(m, volts, speed) / wanted).toBeCloseTo(1, 6);
          else expect(seriesTorque(m, volts, 0)).toBeLessThanOrEqual(friction);
          expect(universalSpeed(m, volts, { ...load, friction: friction * 2 })).toBeLessThanOrEqual(speed);
          const amps = seriesCurrent(m, volts, speed);
          expect(wanted * speed).toBeLessThanOrEqual(volts * amps + 1e-9);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('behind a phase control: 30, 60, 90, 120, 150 degrees leave 0.985, 0.897, 0.707, 0.442, 0.170 (handbook formula)', () => {
    const found = [30, 60, 90, 120, 150].map((degrees) => firedPart((degrees * Math.PI) / 180));
    [0.985, 0.897, 0.707, 0.442, 0.17].forEach((part, i) => expect(found[i]).toBeCloseTo(part, 2));
  });
});

describe('a motor with a run capacitor', () => {
  const coils = { ohm: [3500, 3500] as const, reactance: 4500 };
  const m = { ...coils, farad: balancing(coils, 50), poles: 16, torquePerA: 0.3 };

  it('turns at 120 f / poles: 16 poles 375 and 450, 24 poles 250 and 300 (definition)', () => {
    expect([inStep(50, 16), inStep(60, 16), inStep(50, 24), inStep(60, 24)]).toEqual([375, 450, 250, 300]);
  });

  it('with its capacitor has one field, without it two alike: a pulsating one (two-phase components)', () => {
    const right = fieldOf(m, 230, 50);
    expect(right.backward / right.forward).toBeLessThan(0.2);
    const open = fieldOf({ ...m, farad: 0 }, 230, 50);
    expect(open.backward / open.forward).toBeCloseTo(1, 9);
    expect(open.amps[1]).toBe(0);
    // Worked by hand: 230 V over |3500 + 4500j| Ω.
    expect(open.amps[0]).toBeCloseTo(230 / Math.hypot(3500, 4500), 9);
  });

  it('a capacitor of half or twice the value weakens the forward field beside the backward one', () => {
    const ratio = (times: number) => {
      const field = fieldOf({ ...m, farad: m.farad * times }, 230, 50);
      return field.backward / field.forward;
    };
    expect(ratio(0.5)).toBeGreaterThan(2 * ratio(1));
    expect(ratio(2)).toBeGreaterThan(2 * ratio(1));
  });
});

describe('an induction motor', () => {
  const m = { ratedV: 230, poles: 4, peakNm: 0.02, peakSlip: 0.35 };

  it('has its greatest torque at its peak slip, and at half of that 0.8 of it (Kloss’s formula; from memory)', () => {
    expect(inductionTorque(m, 230, 0.35)).toBeCloseTo(0.02, 9);
    // 2 / (0.5 + 2) = 0.8
    expect(inductionTorque(m, 230, 0.175)).toBeCloseTo(0.016, 9);
    expect(inductionTorque(m, 230, 0)).toBe(0);
  });

  it('starts by the square of the volts: 80 V to start needs four times the torque of 40 V (common practice)', () => {
    const torqueAt = (volts: number) => inductionTorque(m, volts, 1);
    expect(torqueAt(80) / torqueAt(40)).toBeCloseTo(4, 9);
    expect(startPart(m, 4e-4) / startPart(m, 1e-4)).toBeCloseTo(2, 9);
  });

  it('runs some 3 to 20 % under its synchronous speed by its load, and stands when it cannot start (common practice)', () => {
    const rpm = (friction: number) => inductionSpeed(m, 230, 50, { friction, perRpm: 1e-6 });
    expect(1 - rpm(0.002) / 1500).toBeGreaterThan(0.02);
    expect(1 - rpm(0.008) / 1500).toBeLessThan(0.2);
    expect(rpm(0.008)).toBeLessThan(rpm(0.002));
    expect(rpm(0.02)).toBe(0);
  });

  it('settles where its torque is the load’s: a property', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 0.01, noNaN: true }),
        fc.double({ min: 0, max: 5e-6, noNaN: true }),
        fc.double({ min: 150, max: 250, noNaN: true }),
        (friction, perRpm, volts) => {
          const rpm = inductionSpeed(m, volts, 50, { friction, perRpm });
          if (rpm === 0) expect(inductionTorque(m, volts, 1)).toBeLessThanOrEqual(friction);
          else expect(inductionTorque(m, volts, 1 - rpm / 1500) / (friction + perRpm * rpm)).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('three phases on a bridge, told by three Halls', () => {
  const sound: ThreePhase = {
    high: ['good', 'good', 'good'],
    low: ['good', 'good', 'good'],
    ohm: [1, 1, 1],
    strength: [1, 1, 1],
    stuck: [null, null, null],
  };

  it('six codes, all different, one Hall changing at a time, never all on or all off (any text on six-step drive; from memory)', () => {
    const codes = Array.from({ length: 6 }, (_, sector) => hallsAt(sector));
    expect(new Set(codes.map(String)).size).toBe(6);
    expect(codes.map(String)).not.toContain('0,0,0');
    expect(codes.map(String)).not.toContain('1,1,1');
    codes.forEach((code, i) => {
      const next = codes[(i + 1) % 6] as number[];
      expect(code.filter((one, hall) => one !== next[hall])).toHaveLength(1);
    });
  });

  it('sound, pulls alike in every sector and runs', () => {
    const { torque, shorted } = sectorTorques(sound);
    torque.forEach((one) => expect(one).toBeCloseTo(1, 9));
    expect(shorted).toBe(false);
    expect(goingOf({ torque, shorted }, 0.2)).toEqual({ kind: 'runs', part: expect.closeTo(1, 9) as number });
  });

  it('without one phase pulls in two sectors of six: each phase works in four (two at a time of three)', () => {
    const { torque } = sectorTorques({ ...sound, ohm: [Infinity, 1, 1] });
    expect(torque.filter((one) => one > 0)).toHaveLength(2);
    expect(goingOf({ torque, shorted: false }, 0.2).kind).toBe('kicks');
  });

  it('with one switch open is dead in two sectors of six: each switch conducts for a third of the turn', () => {
    const { torque } = sectorTorques({ ...sound, high: ['good', 'open', 'good'] });
    expect(torque.filter((one) => one === 0)).toHaveLength(2);
  });

  it('with a Hall that stands still is right in three sectors, blind in one and wrong in two', () => {
    for (const level of [0, 1] as const) {
      const { torque } = sectorTorques({ ...sound, stuck: [null, level, null] });
      expect(torque.filter((one) => Math.abs(one - 1) < 1e-9)).toHaveLength(3);
      expect(torque.filter((one) => one === 0)).toHaveLength(1);
      expect(torque.filter((one) => one < 1 - 1e-9 && one !== 0)).toHaveLength(2);
      expect(goingOf({ torque, shorted: false }, 0.2).kind).toBe('kicks');
    }
  });

  it('with a switch shorted shorts the feed as soon as its leg is asked the other way', () => {
    expect(sectorTorques({ ...sound, high: ['short', 'good', 'good'] }).shorted).toBe(true);
    expect(sectorTorques({ ...sound, low: ['good', 'good', 'short'] }).shorted).toBe(true);
    expect(goingOf(sectorTorques({ ...sound, low: ['good', 'good', 'short'] }), 0).kind).toBe('kicks');
  });

  it('pulls by its current: twice the ohms, half the torque (Ohm)', () => {
    const { torque } = sectorTorques({ ...sound, ohm: [1, 1, 3] });
    // Sectors with the third phase have four ohms where two are usual.
    expect(torque.map((one) => Number(one.toFixed(6)))).toEqual([1, 0.5, 0.5, 1, 0.5, 0.5]);
  });
});

describe('an open-reel deck', () => {
  const holdback = (faults: readonly string[], mode: string) =>
    reelDeck.unit(faults, 8).see('holdback.gram', { mode }).mean;

  it('pulls at the tape by torque over radius: 90 mm against 57 mm (lever)', () => {
    expect(holdback([], 'end') / holdback([], '')).toBeCloseTo(90 / 57, 6);
    expect(holdback([], 'start') / holdback([], '')).toBeCloseTo(90 / 130, 6);
    // Stopped, nothing pulls and nothing moves.
    expect(holdback([], 'stop')).toBe(0);
    expect(reelDeck.unit([], 8).see('tape.error.percent', { mode: 'stop' }).mean).toBe(-100);
  });
});

describe('a video recorder', () => {
  it('has noise fall off with the level of its heads: a tenth of it is 20 dB (definition)', () => {
    const level = videoRecorder.unit(['heads-dirty'], 8);
    const loss = videoRecorder.unit([], 8).see('picture.dB').mean - level.see('picture.dB').mean;
    expect(loss).toBeCloseTo(-20 * Math.log10(level.see('heads.dirt').mean), 6);
  });
});
