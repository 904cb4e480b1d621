/** Family 6: cassette transport, belt driven. */
import type { FamilyData } from '../schema.js';
import { blocks, END, LOW_RESERVOIR, MOVE, SAFE } from '../shared/lines.js';
import { CASSETTE_SPEEDS, PORTABLE, TAPE_CLOSE, TAPE_HOME } from '../shared/speeds.js';

export const cassetteBelt: FamilyData = {
  id: 'cassette-belt',
  order: 6,
  name: 'Cassette deck, belt driven',
  turns: 'capstan',
  turnsKind: 'capstan',
  supply: 'mains-or-pack',
  speeds: CASSETTE_SPEEDS,
  usualSpeeds: ['4.76'],
  tolerances: [TAPE_HOME, TAPE_CLOSE, PORTABLE],
  testTone: 'tape',
  lanes: [
    { id: 'supply', blocks: blocks('plug|plug or batteries', 'supply|supply', 'feed|motor supply transistor') },
    { id: 'control', blocks: blocks('mode|mode switch or cams', 'governor|governor and trim') },
    {
      id: 'mechanical',
      blocks: blocks(
        'motor|governed motor',
        'pulley|pulley',
        'belt|capstan belt',
        'flywheel|flywheel and capstan',
        'pinch|pinch roller',
        'idler|idler and reels',
      ),
    },
  ],
  stores: [],
  noStoreWhy: LOW_RESERVOIR,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.packOut, SAFE.tapeOut, SAFE.bulb],
  cautions: ['tar', 'solvent', 'magnet', 'spring'],
  licensed: null,
  openEnds: [END.belt, END.motorPlug, END.boardPlugs, END.earth, END.lifted],
  moves: [
    MOVE.newBelt,
    MOVE.motorSwap,
    MOVE.motorAlone,
    MOVE.oil,
    {
      id: 'pinch',
      name: 'Clean capstan and pinch roller',
      kind: 'mend',
      needs: 'dead',
      opens: [],
      work: { action: 'clean', what: 'capstan and pinch roller' },
      mends: ['capstan-clean', 'pinch-arm'],
    },
    MOVE.outOfCircuit,
  ],
  keepClear: 'A scrap tape first, fingers off the flywheel, belt seated in its groove',
  firstSeconds: {
    expect: 'The capstan turns in play without warble and the take-up hub pulls gently.',
    otherwise:
      'Motor still with its supply present: unplug within ten seconds, the feeding transistor melts its plug. Tape loops: stop, take-up idler.',
  },
  startTorque: null,
  usualWatts: 12,
};
