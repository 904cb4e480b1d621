/** Ways round the usual mends of kitchen, cleaning and washing machines and of tools. */
import { BOARD_SCHOOL } from '../shared/schools.js';
import { donorMotor, way, type Ways } from './shared.js';

export const MIXER_WAYS: Ways = {
  guards: ['plug.frame', 'armature.frame', 'filter.burst'],
  ways: [
    donorMotor(['armature.*'], 60, 'inside', 30),
    way(
      'retrofit',
      'phase-control',
      'Fit a phase control in place of plate and board',
      ['triac.*', 'plate.*', 'pickup.*'],
      75,
      'inside',
      {
        money: 25,
        residual: 0.1,
        loses: 'steady speed under dough, the numbers of the lever',
        risks: 'insulation and fuse have to suit the motor; filter and choke stay',
      },
    ),
  ],
};

export const VACUUM_WAYS: Ways = {
  guards: ['plug.frame', 'armature.frame', 'switch.protector', 'switch.link'],
  ways: [
    donorMotor(['armature.*', 'brushes.*'], 40, 'motor', 18),
    way('bypass', 'full-power', 'Take the speed board out, leave plain on and off', ['board.*', 'boost.*'], 25, 'lid', {
      ...BOARD_SCHOOL.bypass,
      money: 3,
      residual: 0.02,
      loses: 'the lower settings',
      risks: 'protector and double-pole switch stay in the line, or it is not done',
    }),
    way('retrofit', 'plain-cord', 'Fit a plain cord in place of the reel', ['reel.*'], 30, 'lid', {
      money: 10,
      residual: 0.02,
      loses: 'the cord that winds itself up',
    }),
  ],
};

export const WASHER_TOP_WAYS: Ways = {
  guards: ['plug.frame', 'lid.open', 'drive-feed.fuse', 'winding.case'],
  ways: [
    donorMotor(['motor.*', 'winding.*', 'sensor.*', 'harness.*'], 50, 'under', 40),
    way('donor', 'donor-board', 'Fit the board out of a donor', ['board.*', 'display.*'], 30, 'console', {
      money: 50,
      residual: 0.2,
      risks: 'its program has to be of the same model and size',
    }),
    way(
      'away',
      'drive-away',
      'Send the motor drive to a board repairer',
      ['inverter.*', 'drive-feed.dry', 'drive-feed.sensor-rail'],
      30,
      'under',
      {
        money: 70,
        days: 10,
        residual: 0.15,
      },
    ),
  ],
};

export const WASHER_FRONT_WAYS: Ways = {
  guards: ['plug.frame', 'door.open', 'pressure.*', 'bus.fuse', 'winding.case'],
  ways: [
    donorMotor(['motor.*', 'winding.*', 'tacho.*', 'harness.*'], 50, 'back', 40),
    way('donor', 'donor-board', 'Fit the board out of a donor', ['control.*', 'inverter.*', 'bus.dry'], 40, 'panel', {
      money: 50,
      residual: 0.2,
      risks: 'its program has to be of the same model and size',
    }),
    way(
      'away',
      'board-away',
      'Send the board to a board repairer',
      ['control.*', 'inverter.*', 'bus.dry'],
      30,
      'panel',
      {
        money: 70,
        days: 10,
        residual: 0.15,
      },
    ),
  ],
};

export const BRUSHLESS_WAYS: Ways = {
  guards: ['contact.fuse', 'interlock.open', 'pack.*', 'winding.case'],
  ways: [
    way(
      'donor',
      'donor-tool',
      'Fit controller and motor out of a donor tool',
      ['logic.*', 'inverter.*', 'bulk.*', 'dial.*', 'motor.*', 'winding.*'],
      50,
      'board',
      {
        money: 35,
        residual: 0.15,
        risks: 'the identity line of the pack has to match',
      },
    ),
  ],
};

export const BRUSHED_WAYS: Ways = {
  guards: ['cord.frame', 'armature.frame', 'pack.*', 'trigger.*', 'contact.*'],
  ways: [
    donorMotor(['armature.*', 'brushes.*'], 40, 'shell', 15),
    way(
      'donor',
      'donor-trigger',
      'Fit trigger and reversing switch out of a donor',
      ['trigger.*', 'contact.*', 'reverse.*'],
      25,
      'shell',
      {
        money: 10,
        residual: 0.15,
        risks: 'it must let go by itself: try it before it is closed',
      },
    ),
  ],
};
