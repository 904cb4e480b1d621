/** Family 11: top-load washer with a motor speed sensor. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { AS_FOUND, free } from '../shared/speeds.js';

export const washerTop: FamilyData = {
  id: 'washer-top',
  order: 11,
  name: 'Top-load washer, speed sensor',
  turns: 'basket',
  turnsKind: 'other',
  supply: 'mains',
  speeds: [free('spin', 'spin')],
  usualSpeeds: ['spin'],
  tolerances: [AS_FOUND],
  testTone: 'none',
  lanes: [
    { id: 'supply', blocks: blocks('plug|plug and cord', 'lid|lid lock') },
    { id: 'control', blocks: blocks('board|control board', 'drive|motor drive', 'harness|harness') },
    { id: 'mechanical', blocks: blocks('motor|motor', 'belt|belt or clutch', 'basket|basket') },
    { id: 'feedback', blocks: blocks('sensor|Hall speed sensor') },
  ],
  stores: [STORE.bus],
  noStoreWhy: null,
  wet: true,
  safeLines: [SAFE.unplug, SAFE.inverter, SAFE.charge, SAFE.water, SAFE.tilt, SAFE.sheet],
  cautions: ['tip', 'earthed-scope', 'backfeed', 'spring'],
  licensed:
    'Fixed wiring, and in many places any mains work on a washer for others, is for licensed people; the live sensor test only for those used to it.',
  openEnds: [END.lifted, END.earth, END.sensor, END.boardPlugs, END.motorPlug, END.hoses, END.lid],
  moves: [
    {
      id: 'sensor-swap',
      name: 'Renew the speed sensor',
      kind: 'mend',
      needs: 'dead',
      opens: ['sensor'],
      work: { action: 'replace', what: 'the speed sensor' },
      mends: ['sensor'],
    },
    {
      id: 'sensor-live',
      name: 'Sensor supply and output at the board: clip dead, step back, power, read, unplug',
      kind: 'test',
      needs: 'live',
      opens: ['sensor'],
      work: null,
    },
    MOVE.outOfCircuit,
  ],
  keepClear: 'On its feet, basket empty, lid lock working, hoses on and dry',
  firstSeconds: {
    expect: 'The lid locks, the basket starts gently and the spin climbs in steps.',
    otherwise: 'Climbs without limit or bangs: unplug, the sensor lies or the load is off balance.',
  },
  startTorque: null,
  usualWatts: 500,
};
