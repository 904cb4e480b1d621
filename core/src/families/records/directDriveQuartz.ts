/** Family 4: direct drive turntable with quartz lock and pitch slider. */
import type { FamilyData } from '../schema.js';
import { blocks, END, LOW_RESERVOIR, MOVE, SAFE } from '../shared/lines.js';
import { DISC_HOME, DISC_STRICT, RECORD_SPEEDS } from '../shared/speeds.js';

export const directDriveQuartz: FamilyData = {
  id: 'direct-drive-quartz',
  order: 4,
  name: 'Direct drive turntable, quartz lock',
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
      blocks: blocks(
        'plug|plug and cord',
        'transformer|transformer',
        'rectifier|rectifier',
        'regulator|regulator',
        'zener|zener-fed bias',
      ),
    },
    {
      id: 'control',
      blocks: blocks(
        'crystal|crystal reference',
        'divider|divider',
        'pitch|pitch slider and detent',
        'oscillator|pitch oscillator',
        'lock|phase lock and lamp',
        'trims|speed trims',
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
  cautions: ['magnet', 'solvent', 'cold-spray', 'flashing', 'isolation'],
  licensed: null,
  openEnds: [END.boardPlugs, END.earth, END.lifted, END.voltage, END.bridge],
  moves: [
    MOVE.cleanTrims,
    MOVE.outOfCircuit,
    {
      id: 'zener',
      name: 'Renew the zener and its feed resistor',
      kind: 'mend',
      needs: 'dead',
      opens: ['lifted-leg'],
      work: { action: 'replace', what: 'the zener and its feed resistor' },
    },
    {
      id: 'heat-sink',
      name: 'Press an insulated heat sink on the drive chip for half an hour',
      kind: 'test',
      needs: 'live',
      opens: [],
      work: null,
    },
  ],
  keepClear: 'Platter seated and square, pitch at its detent, stylus guarded',
  firstSeconds: {
    expect: 'The platter locks within a turn or two; the lock lamp settles as this model has it.',
    otherwise:
      'Never locks: the trim of that speed, or the supply of a unit made for 100 V. Runs away: unplug, the frequency generator.',
  },
  startTorque: null,
  usualWatts: 15,
};
