/** Family 3: direct drive turntable with a pitch-controlled servo. */
import type { FamilyData } from '../schema.js';
import { blocks, END, LOW_RESERVOIR, MOVE, SAFE } from '../shared/lines.js';
import { DISC_HOME, DISC_STRICT, RECORD_SPEEDS } from '../shared/speeds.js';

export const directDriveServo: FamilyData = {
  id: 'direct-drive-servo',
  order: 3,
  name: 'Direct drive turntable, pitch servo',
  turns: 'platter',
  turnsKind: 'platter',
  supply: 'mains',
  speeds: RECORD_SPEEDS,
  usualSpeeds: ['33', '45'],
  tolerances: [DISC_STRICT, DISC_HOME],
  testTone: 'record',
  lanes: [
    {
      id: 'supply',
      blocks: blocks('plug|plug and cord', 'transformer|transformer', 'rectifier|rectifier', 'regulator|regulator'),
    },
    {
      id: 'control',
      blocks: blocks(
        'selector|speed selector',
        'timing|timing resistors and trims',
        'pitch|pitch pot',
        'comparator|speed comparator',
        'driver|three-phase drive chip',
      ),
    },
    { id: 'mechanical', blocks: blocks('coils|stator coils', 'platter|platter as rotor') },
    { id: 'feedback', blocks: blocks('hall|Hall position sensors', 'fg|frequency generator') },
  ],
  stores: [],
  noStoreWhy: LOW_RESERVOIR,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.record, SAFE.platter, SAFE.bulb],
  cautions: ['magnet', 'solvent', 'cold-spray', 'flashing'],
  licensed: null,
  openEnds: [END.boardPlugs, END.earth, END.lifted, END.bridge, END.voltage],
  moves: [MOVE.cleanTrims, MOVE.outOfCircuit, MOVE.bypass, MOVE.oil],
  keepClear: 'Platter seated and square, nothing lying on its rim, stylus guarded',
  firstSeconds: {
    expect: 'The platter starts in the right sense and the rim pattern stands within a turn or two.',
    otherwise:
      'Runs away: unplug, the frequency generator does not arrive. Quivers: unplug, a Hall sensor or one phase.',
  },
  startTorque: null,
  usualWatts: 12,
};
