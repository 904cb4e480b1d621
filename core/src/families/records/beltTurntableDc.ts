/** Family 1: belt turntable with a governed d.c. motor. */
import type { FamilyData } from '../schema.js';
import { blocks, END, LOW_RESERVOIR, MOVE, SAFE } from '../shared/lines.js';
import { DISC_HOME, DISC_STRICT, PORTABLE, RECORD_SPEEDS } from '../shared/speeds.js';

export const beltTurntableDc: FamilyData = {
  id: 'belt-turntable-dc',
  order: 1,
  name: 'Belt turntable, governed d.c. motor',
  turns: 'platter',
  turnsKind: 'platter',
  supply: 'mains-or-adapter',
  speeds: RECORD_SPEEDS,
  usualSpeeds: ['33', '45'],
  tolerances: [DISC_HOME, DISC_STRICT, PORTABLE],
  testTone: 'record',
  lanes: [
    {
      id: 'supply',
      blocks: blocks(
        'plug|plug or adapter',
        'transformer|transformer',
        'rectifier|rectifier and reservoir',
        'regulator|regulator',
      ),
    },
    {
      id: 'control',
      blocks: blocks('selector|speed selector', 'trims|speed trims', 'pitch|pitch pot', 'governor|governor'),
    },
    {
      id: 'mechanical',
      blocks: blocks('motor|motor', 'pulley|pulley', 'belt|belt', 'bearing|platter bearing', 'platter|platter'),
    },
    { id: 'feedback', blocks: blocks('tacho|ring magnet and Hall chip') },
  ],
  stores: [],
  noStoreWhy: LOW_RESERVOIR,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.record, SAFE.platter, SAFE.bulb],
  cautions: ['magnet', 'solvent', 'spring', 'flashing', 'tar'],
  licensed: null,
  openEnds: [END.belt, END.motorPlug, END.boardPlugs, END.trimSeal, END.lifted],
  moves: [
    MOVE.cleanTrims,
    MOVE.newBelt,
    MOVE.oil,
    MOVE.motorAlone,
    MOVE.motorSwap,
    MOVE.outOfCircuit,
    {
      id: 'glue-magnet',
      name: 'Glue the ring magnet, thin flexible cement, height unchanged',
      kind: 'mend',
      needs: 'dead',
      opens: ['belt'],
      work: { action: 'repair', what: 'the ring magnet' },
    },
  ],
  keepClear: 'Platter on its spindle or off the motor, stylus guarded, no blade left in the trim hole',
  firstSeconds: {
    expect: 'The platter reaches its speed within two turns and stays there without surging.',
    otherwise:
      'Races at once: unplug, a blade on the motor case or an open governor. Does not start: unplug within ten seconds, a stalled motor cooks what feeds it.',
  },
  startTorque: null,
  usualWatts: 5,
};
