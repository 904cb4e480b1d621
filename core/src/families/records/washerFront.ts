/** Family 12: front-load washer with three-phase motor and inverter. */
import type { FamilyData } from '../schema.js';
import { blocks, END, SAFE, STORE } from '../shared/lines.js';
import { AS_FOUND, free } from '../shared/speeds.js';

export const washerFront: FamilyData = {
  id: 'washer-front',
  order: 12,
  name: 'Front-load washer, three-phase motor',
  turns: 'drum',
  turnsKind: 'drum',
  supply: 'mains',
  speeds: [free('wash', 'wash tumble'), free('spin', 'spin')],
  usualSpeeds: ['wash'],
  tolerances: [AS_FOUND],
  testTone: 'none',
  lanes: [
    {
      id: 'supply',
      blocks: blocks('plug|plug and cord', 'timer|timer', 'door|door switch', 'pressure|pressure switch'),
    },
    { id: 'control', blocks: blocks('inverter|motor control board', 'harness|motor harness') },
    { id: 'mechanical', blocks: blocks('windings|windings', 'motor|motor', 'belt|belt', 'drum|drum') },
    { id: 'feedback', blocks: blocks('tacho|speed sensor') },
  ],
  stores: [STORE.bus],
  noStoreWhy: null,
  wet: true,
  safeLines: [SAFE.unplug, SAFE.inverter, SAFE.charge, SAFE.water, SAFE.tilt, SAFE.sheet],
  cautions: ['tip', 'earthed-scope', 'backfeed', 'spring'],
  licensed: 'Fixed wiring, and in many places any mains work on a washer for others, is for licensed people.',
  openEnds: [END.earth, END.motorPlug, END.boardPlugs, END.pressureWire, END.hoses],
  moves: [
    {
      id: 'pressure-lift',
      name: 'Lift the pressure switch wire to tell a source from a backfeed',
      kind: 'test',
      needs: 'dead',
      opens: ['pressure-wire'],
      work: null,
    },
    {
      id: 'windings',
      name: 'Harness off, winding pairs in ohms',
      kind: 'test',
      needs: 'dead',
      opens: ['motor-plug'],
      work: null,
    },
    {
      id: 'board-swap',
      name: 'Replace the motor control board',
      kind: 'mend',
      needs: 'dead',
      opens: ['motor-plug', 'board-plugs', 'earth'],
      work: { action: 'replace', what: 'the motor control board' },
      mends: ['board'],
    },
  ],
  keepClear: 'On its feet, transport bolts out, drum empty, door shut and locked',
  firstSeconds: {
    expect: 'The door locks, water runs, the drum tumbles one way, rests, and tumbles the other.',
    otherwise: 'Hums without tumbling: unplug within ten seconds, one phase is missing.',
  },
  startTorque: null,
  usualWatts: 500,
};
