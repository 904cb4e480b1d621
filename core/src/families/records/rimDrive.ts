/** Family 5: rim and idler drive record players, from transcription decks to children’s. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { DISC_HOME, DISC_STRICT, PORTABLE, RECORD_SPEEDS } from '../shared/speeds.js';

export const rimDrive: FamilyData = {
  id: 'rim-drive',
  order: 5,
  name: 'Rim or idler drive record player',
  turns: 'platter',
  turnsKind: 'platter',
  supply: 'mains-or-pack',
  speeds: RECORD_SPEEDS,
  usualSpeeds: ['33', '45', '78'],
  tolerances: [DISC_HOME, PORTABLE, DISC_STRICT],
  testTone: 'record',
  lanes: [
    { id: 'supply', blocks: blocks('plug|plug and cord', 'switch|switch') },
    { id: 'control', blocks: blocks('lever|speed lever linkage') },
    {
      id: 'mechanical',
      blocks: blocks(
        'motor|motor',
        'shaft|stepped shaft',
        'idler|idler wheel',
        'rim|platter rim',
        'bearing|platter bearing',
      ),
    },
  ],
  stores: [
    {
      ...STORE.filter,
      name: 'spark and amplifier capacitors',
      why: 'The amplifier’s reservoir and the capacitor across the switch keep the mains’ peak.',
    },
  ],
  noStoreWhy: 'A battery player holds nothing above the volts of its cells.',
  wet: false,
  safeLines: [SAFE.unplug, SAFE.packOut, SAFE.charge, SAFE.record, SAFE.platter, SAFE.bulb],
  cautions: ['solvent', 'isolation', 'penetrating', 'earthed-scope', 'spring', 'cradle'],
  licensed:
    'Some old players tie their chassis to one side of the mains: touch no metal while it is live; local rules may keep such work to licensed people.',
  openEnds: [END.earth, END.idler, END.motorPlug, END.lifted, END.voltage],
  moves: [
    MOVE.oil,
    MOVE.outOfCircuit,
    {
      id: 'idler-clean',
      name: 'Clean idler, shaft steps and rim with alcohol',
      kind: 'mend',
      needs: 'dead',
      opens: ['idler'],
      work: { action: 'clean', what: 'idler, shaft and rim' },
    },
    MOVE.motorSwap,
  ],
  keepClear: 'Idler in neutral or free, chassis not touched while live, stylus guarded',
  firstSeconds: {
    expect: 'The motor starts by itself and the platter follows the lever through every speed.',
    otherwise:
      'Hums and stays: unplug, a stalled motor burns. Runs backward: the field stack or the motor was refitted turned round.',
  },
  startTorque: 'square',
  usualWatts: 15,
};
