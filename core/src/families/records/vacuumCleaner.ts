/** Family 10: vacuum cleaner with a universal motor. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { AS_FOUND, free } from '../shared/speeds.js';

export const vacuumCleaner: FamilyData = {
  id: 'vacuum-cleaner',
  order: 10,
  name: 'Vacuum cleaner',
  turns: 'fan',
  turnsKind: 'other',
  supply: 'mains',
  speeds: [free('low', 'low'), free('high', 'high')],
  usualSpeeds: ['high'],
  tolerances: [AS_FOUND],
  testTone: 'none',
  lanes: [
    {
      id: 'supply',
      blocks: blocks(
        'plug|plug',
        'cord|cord',
        'reel|reel slip rings',
        'switch|two-pole power switch',
        'lamp|lamp',
        'protector|thermal protector',
      ),
    },
    { id: 'control', blocks: blocks('boost|boost switch', 'board|speed board') },
    { id: 'mechanical', blocks: blocks('brushes|brushes', 'motor|motor', 'fan|fan', 'air|air path and filters') },
  ],
  stores: [STORE.filter],
  noStoreWhy: null,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.charge, SAFE.dust],
  cautions: ['loose-motor', 'earthed-scope', 'spring', 'backfeed', 'blade'],
  licensed: null,
  openEnds: [END.lifted, END.bridge, END.boardPlugs, END.reel, END.motorSeal, END.motorPlug],
  moves: [
    MOVE.bypass,
    MOVE.brushes,
    MOVE.outOfCircuit,
    {
      id: 'plain-switch',
      name: 'Simplify to plain on and off, double-pole switching and insulation kept',
      kind: 'mend',
      needs: 'dead',
      opens: ['board-plugs'],
      work: { action: 'repair', what: 'the switching: plain on and off, soft start and half power given up' },
      mends: ['full-power'],
    },
  ],
  keepClear: 'Motor seated with its key in the gap, lid flush all round, hose free',
  firstSeconds: {
    expect: 'It starts softly or with one kick and settles; the pitch rises when the inlet is sealed.',
    otherwise: 'Screams and sparks: unplug at once, fan loose or gone. Lamp on and silent: reel, boost switch, board.',
  },
  startTorque: null,
  usualWatts: 900,
};
