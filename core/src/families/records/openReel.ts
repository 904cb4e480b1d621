/** Family 15: open-reel tape deck. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { REEL_SPEEDS, TAPE_CLOSE, TAPE_HOME } from '../shared/speeds.js';

export const openReel: FamilyData = {
  id: 'open-reel',
  order: 15,
  name: 'Open-reel tape deck',
  turns: 'capstan',
  turnsKind: 'capstan',
  supply: 'mains',
  speeds: REEL_SPEEDS,
  usualSpeeds: ['9.5', '19'],
  tolerances: [TAPE_CLOSE, TAPE_HOME],
  testTone: 'tape',
  lanes: [
    { id: 'supply', blocks: blocks('plug|plug and cord', 'supply|supply', 'run|run capacitors') },
    { id: 'control', blocks: blocks('poles|pole or servo switching', 'logic|function control') },
    {
      id: 'mechanical',
      blocks: blocks(
        'motor|capstan motor',
        'belt|belt or idler',
        'flywheel|flywheel and capstan',
        'pinch|pinch roller',
        'reels|reel motors and brakes',
      ),
    },
    { id: 'feedback', blocks: blocks('fg|speed sensor of a servo capstan') },
  ],
  stores: [STORE.run],
  noStoreWhy: null,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.charge, { ...SAFE.tapeOut, text: 'Tape and reels off' }, SAFE.tilt],
  cautions: ['solvent', 'spring', 'isolation', 'tip', 'cradle'],
  licensed: null,
  openEnds: [END.belt, END.earth, END.motorPlug, END.boardPlugs, END.brakeSprings, END.lifted],
  moves: [
    MOVE.newBelt,
    MOVE.oil,
    MOVE.outOfCircuit,
    {
      id: 'run-capacitors',
      name: 'Renew the run capacitors: motor-run film type, volts at or above the plate',
      kind: 'mend',
      needs: 'dead',
      opens: ['lifted-leg'],
      work: { action: 'replace', what: 'the run capacitors' },
    },
  ],
  keepClear: 'Reels locked, fingers off the flywheel, a scrap tape first',
  firstSeconds: {
    expect: 'The capstan starts by itself and the reels hold gentle tension both ways.',
    otherwise: 'Hums and stays: unplug, run capacitor or dry bearing. A reel races: stop, brake or tension resistor.',
  },
  startTorque: 'linear',
  usualWatts: 60,
};
