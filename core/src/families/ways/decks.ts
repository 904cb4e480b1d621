/** Ways round the usual mends of turntables, tape decks and video recorders. */
import { OIL_SCHOOL } from '../shared/schools.js';
import {
  donorMotor,
  MAINS,
  oilSpecified,
  oneSpeed,
  outsideGovernor,
  pitchFixed,
  recrimp,
  way,
  type Ways,
} from './shared.js';

export const BELT_DC_WAYS: Ways = {
  guards: MAINS,
  ways: [
    donorMotor(['motor.*', 'governor.*', 'tacho.*'], 25, 'bottom', 20, { retrim: true }),
    outsideGovernor('bottom'),
    oilSpecified(['motor.dry', 'motor.stiff'], 15, 'bottom'),
    recrimp('bottom'),
    oneSpeed(['selector.noisy', 'selector.open-45', 'selector.open-33'], 'bottom'),
    pitchFixed(['pitch.*'], 'bottom'),
    way('bypass', 'return-off', 'Take the auto-return out of action', ['return.tripped'], 15, 'bottom', {
      residual: 0.02,
      loses: 'return and stop at the end of a side',
      gone: ['return'],
      risks: 'the stylus stays in the last groove until somebody lifts it',
    }),
  ],
};

export const BELT_AC_WAYS: Ways = {
  guards: ['plug.frame', 'winding.frame'],
  ways: [
    donorMotor(['motor.*', 'winding.*'], 40, 'bottom', 25),
    way(
      'retrofit',
      'other-motor',
      'Fit another synchronous motor on a plate of its own',
      ['motor.*', 'winding.*'],
      120,
      'bottom',
      {
        money: 45,
        residual: 0.1,
        loses: 'the motor it was built with',
        risks: 'the sense of rotation, its mains frequency, its pulley',
      },
    ),
    way('oil', 'oil-thin', 'Let one drop of thin oil creep in from outside', ['motor.dry'], 8, 'platter', {
      ...OIL_SCHOOL.thin,
      residual: 0.35,
    }),
  ],
};

/** Board and stator together: bought apart they may not fit each other. */
const donorDrive = (cures: readonly string[], money: number) =>
  way('donor', 'donor-drive', 'Fit board and stator out of one donor deck', cures, 60, 'bottom', {
    money,
    residual: 0.1,
    risks: 'bought apart they may not fit each other',
    retrim: true,
  });

export const SERVO_WAYS: Ways = {
  guards: MAINS,
  ways: [
    donorDrive(['driver.*', 'coils.*', 'hall.*', 'comparator.*', 'timing.*'], 60),
    oneSpeed(['selector.*'], 'bottom'),
    way('bypass', 'third-off', 'Take the added third speed out', ['added.*'], 15, 'bottom', {
      residual: 0.01,
      loses: 'the third speed',
      gone: ['added'],
    }),
    pitchFixed(['pitch.*'], 'bottom'),
  ],
};

export const QUARTZ_WAYS: Ways = {
  guards: MAINS,
  ways: [
    donorDrive(['driver.*', 'coils.*', 'hall.*', 'lock.*', 'divider.*', 'crystal.*'], 70),
    way(
      'bypass',
      'quartz-only',
      'Hold it in the detent for good, on the crystal alone',
      ['zener.*', 'pitch.*', 'oscillator.*', 'detent.stuck-off'],
      20,
      'bottom',
      {
        residual: 0.02,
        loses: 'the pitch slider',
        gone: ['pitch'],
      },
    ),
  ],
};

export const RIM_WAYS: Ways = {
  guards: ['plug.frame', 'field.frame'],
  ways: [
    donorMotor(['motor.*', 'field.*'], 45, 'below', 20),
    way('retrofit', 'small-amp', 'Fit a small amplifier board on an isolated supply', ['amplifier.*'], 90, 'below', {
      money: 25,
      residual: 0.05,
      loses: 'its own amplifier and the sound it had',
      risks: 'an old chassis may be tied to the mains',
    }),
    way('away', 'idler-away', 'Send the idler away for new rubber', ['idler.flat', 'idler.glazed'], 8, 'platter', {
      money: 18,
      days: 21,
      residual: 0.03,
    }),
    oilSpecified(['motor.gummed'], 40, 'platter'),
  ],
};

const donorTransport = (cures: readonly string[], level: string, money: number) =>
  way('donor', 'donor-transport', 'Fit the transport out of a donor', cures, 60, level, {
    money,
    residual: 0.15,
    risks: 'its heads are worn by other hands: azimuth and level anew',
    retrim: true,
  });

export const CASSETTE_BELT_WAYS: Ways = {
  guards: MAINS,
  ways: [
    donorMotor(['motor.*', 'governor.*', 'tacho.*'], 30, 'transport', 12, { retrim: true }),
    outsideGovernor('transport'),
    recrimp('transport'),
    donorTransport(['belt.*', 'flywheel.*', 'pinch.*', 'idler.*', 'motor.*', 'governor.*', 'tacho.*'], 'transport', 30),
    oneSpeed(['doubling.*'], 'cover'),
  ],
};

export const CASSETTE_DIRECT_WAYS: Ways = {
  guards: MAINS,
  ways: [
    donorTransport(
      ['capstan.*', 'coils.*', 'hall.*', 'driver.*', 'servo.*', 'fg.*', 'reels.*', 'pinch.*'],
      'motor',
      40,
    ),
  ],
};

export const OPEN_REEL_WAYS: Ways = {
  guards: MAINS,
  ways: [
    donorMotor(['motor.*'], 90, 'covers', 40),
    oilSpecified(['motor.gummed', 'motor.dry'], 45, 'covers'),
    oneSpeed(['switching.*'], 'covers'),
  ],
};

export const VIDEO_WAYS: Ways = {
  guards: MAINS,
  ways: [
    way(
      'donor',
      'donor-mechanism',
      'Fit the mechanism out of a donor',
      ['mode.*', 'loading.*', 'capstan.*', 'hall.*', 'winder.*', 'pinch.*', 'fg.*', 'control-head.*'],
      90,
      'deck',
      {
        money: 40,
        residual: 0.15,
        risks: 'the tape path has to be set anew, with a tape that may be lost',
      },
    ),
    way('donor', 'donor-supply', 'Fit the supply out of a donor', ['supply.*'], 30, 'cover', {
      money: 20,
      residual: 0.15,
      risks: 'its capacitors are as old as these',
    }),
  ],
};
