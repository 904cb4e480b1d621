/** Family 2: belt turntable with an a.c. synchronous motor. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { DISC_HOME, DISC_STRICT, RECORD_SPEEDS } from '../shared/speeds.js';

export const beltTurntableAc: FamilyData = {
  id: 'belt-turntable-ac',
  order: 2,
  name: 'Belt turntable, a.c. synchronous motor',
  turns: 'platter',
  turnsKind: 'platter',
  supply: 'mains',
  speeds: RECORD_SPEEDS,
  usualSpeeds: ['33', '45'],
  tolerances: [DISC_HOME, DISC_STRICT],
  testTone: 'record',
  lanes: [
    {
      id: 'supply',
      blocks: blocks('plug|plug and cord', 'switch|switch with its spark capacitor', 'phase|dropper or run capacitor'),
    },
    {
      id: 'mechanical',
      blocks: blocks(
        'windings|motor windings',
        'motor-bearing|motor bearing',
        'pulley|pulley on its shaft',
        'belt|belt',
        'sub-platter|sub-platter',
        'platter|platter',
      ),
    },
  ],
  stores: [STORE.run],
  noStoreWhy: null,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.charge, SAFE.record, SAFE.platter, SAFE.bulb],
  cautions: ['solvent', 'chlorinated', 'cradle', 'isolation', 'penetrating', 'backfeed'],
  licensed: null,
  openEnds: [END.belt, END.earth, END.motorPlug, END.lifted, END.voltage],
  moves: [
    MOVE.newBelt,
    MOVE.oil,
    MOVE.outOfCircuit,
    MOVE.motorAlone,
    {
      id: 'run-capacitor',
      name: 'Renew the run capacitor: motor-run film type, volts at or above the plate',
      kind: 'mend',
      needs: 'dead',
      opens: ['lifted-leg'],
      work: { action: 'replace', what: 'the run capacitor' },
    },
  ],
  keepClear: 'Motor terminals covered, belt clear of the arm lift, stylus guarded',
  firstSeconds: {
    expect: 'The motor starts by itself, in the right sense, with a faint hum.',
    otherwise:
      'Hums without turning or turns either way: unplug, run capacitor or winding. Vibrates with the switch off: the spark capacitor.',
  },
  startTorque: 'linear',
  usualWatts: 10,
};
