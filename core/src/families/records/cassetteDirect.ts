/** Family 7: cassette deck with a direct-drive capstan. */
import type { FamilyData } from '../schema.js';
import { blocks, END, LOW_RESERVOIR, MOVE, SAFE } from '../shared/lines.js';
import { CASSETTE_SPEEDS, TAPE_CLOSE, TAPE_HOME } from '../shared/speeds.js';

export const cassetteDirect: FamilyData = {
  id: 'cassette-direct',
  order: 7,
  name: 'Cassette deck, direct-drive capstan',
  turns: 'capstan',
  turnsKind: 'capstan',
  supply: 'mains',
  speeds: CASSETTE_SPEEDS,
  usualSpeeds: ['4.76'],
  tolerances: [TAPE_CLOSE, TAPE_HOME],
  testTone: 'tape',
  lanes: [
    { id: 'supply', blocks: blocks('plug|plug and cord', 'supply|supply') },
    {
      id: 'control',
      blocks: blocks('servo|servo board on the motor', 'electrolytics|small electrolytics', 'driver|coil driver'),
    },
    { id: 'mechanical', blocks: blocks('coils|coils', 'capstan|capstan', 'pinch|pinch roller') },
    { id: 'feedback', blocks: blocks('fg|frequency generator') },
  ],
  stores: [],
  noStoreWhy: LOW_RESERVOIR,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.tapeOut, SAFE.bulb],
  cautions: ['magnet', 'solvent', 'cold-spray'],
  licensed: null,
  openEnds: [END.boardPlugs, END.motorPlug, END.earth, END.lifted],
  moves: [
    MOVE.outOfCircuit,
    {
      id: 'wash-board',
      name: 'Renew the electrolytics, wash the board warm, rinse, dry for hours at 50 to 60 °C, coat',
      kind: 'mend',
      needs: 'dead',
      opens: ['board-plugs', 'motor-plug'],
      work: { action: 'repair', what: 'the servo board: renewed, washed, dried and coated' },
      mends: ['recap-wash', 'recap', 'wash'],
    },
    MOVE.oil,
  ],
  keepClear: 'A scrap tape first, board dry, fingers off the capstan',
  firstSeconds: {
    expect: 'The capstan comes to speed within a second and stays.',
    otherwise: 'Races: unplug, the frequency generator or a conductive board.',
  },
  startTorque: null,
  usualWatts: 20,
};
