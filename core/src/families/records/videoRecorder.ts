/** Family 8: video recorder. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { limits, tape } from '../shared/speeds.js';

export const videoRecorder: FamilyData = {
  id: 'video-recorder',
  order: 8,
  name: 'Video recorder',
  turns: 'capstan',
  turnsKind: 'capstan',
  supply: 'mains',
  speeds: [tape('sp', 'SP 2.339 cm/s', 2.339), tape('lp', 'LP 1.170 cm/s', 1.17)],
  usualSpeeds: ['sp'],
  tolerances: [limits('home viewing', -0.5, 0.5, 'practice', 'common practice')],
  testTone: 'none',
  lanes: [
    { id: 'supply', blocks: blocks('plug|plug and cord', 'supply|switched supply') },
    {
      id: 'control',
      blocks: blocks(
        'system|system control',
        'mode|mode switch',
        'loading|loading motor',
        'drum-servo|drum servo',
        'capstan-servo|capstan servo',
        'driver|capstan drive chip',
      ),
    },
    {
      id: 'mechanical',
      blocks: blocks('drum|drum motor and heads', 'capstan|capstan motor', 'pinch|pinch roller', 'tape|tape path'),
    },
    {
      id: 'feedback',
      blocks: blocks(
        'drum-pulses|drum pulses',
        'fg|FG head on the rotor',
        'hall|Hall sensors',
        'control-track|control-track head',
      ),
    },
  ],
  stores: [STORE.primary],
  noStoreWhy: null,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.charge, SAFE.tapeOut, SAFE.windows],
  cautions: ['magnet', 'earthed-scope', 'solvent', 'spring'],
  licensed: null,
  openEnds: [END.modeSwitch, END.boardPlugs, END.cassetteHousing, END.lifted, END.earth],
  moves: [
    {
      id: 'mode-switch-clean',
      name: 'Take the mode switch out, open and clean it',
      kind: 'mend',
      needs: 'dead',
      opens: ['mode-switch'],
      work: { action: 'clean', what: 'the mode switch' },
      mends: ['mode-switch'],
    },
    {
      id: 'fg-wire',
      name: 'Wire over a lifted track from the FG head',
      kind: 'mend',
      needs: 'dead',
      opens: ['board-plugs'],
      work: { action: 'repair', what: 'the track from the FG head' },
    },
    MOVE.outOfCircuit,
  ],
  keepClear: 'Mechanism in home position, marks aligned, nothing in the tape path, heads not touched',
  firstSeconds: {
    expect: 'The mechanism finds its home, stops, and takes a tape without a second try.',
    otherwise: 'Motor runs on against an end: unplug, the mode switch is not soldered or not in phase.',
  },
  startTorque: null,
  usualWatts: 25,
};
