/** Family 9: stand mixer with a universal motor. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { AS_FOUND, free } from '../shared/speeds.js';

export const standMixer: FamilyData = {
  id: 'stand-mixer',
  order: 9,
  name: 'Stand mixer',
  turns: 'planetary',
  turnsKind: 'other',
  supply: 'mains',
  speeds: [free('low', 'lowest setting'), free('high', 'highest setting')],
  usualSpeeds: ['low', 'high'],
  tolerances: [AS_FOUND],
  testTone: 'none',
  lanes: [
    {
      id: 'supply',
      blocks: blocks('plug|plug and cord', 'switch|lever micro-switch', 'filter|interference capacitors'),
    },
    { id: 'control', blocks: blocks('control|triac or control plate') },
    {
      id: 'mechanical',
      blocks: blocks(
        'brushes|brushes',
        'armature|commutator and armature',
        'field|field',
        'gearbox|gearbox',
        'planetary|planetary',
      ),
    },
    { id: 'feedback', blocks: blocks('governor|governor or pickup coil') },
  ],
  stores: [STORE.filter],
  noStoreWhy: null,
  wet: false,
  safeLines: [SAFE.unplug, SAFE.charge, SAFE.attachments],
  cautions: ['spring', 'earthed-scope', 'solvent', 'loose-motor'],
  licensed: 'It prepares food: grease and glue in the head must be fit for food machines.',
  openEnds: [END.earth, END.pickupGap, END.boardPlugs, END.lifted, END.bridge],
  moves: [
    MOVE.brushes,
    MOVE.outOfCircuit,
    {
      id: 'x2',
      name: 'Renew the X2 capacitor: same value, same or higher a.c. rating',
      kind: 'mend',
      needs: 'dead',
      opens: ['lifted-leg'],
      work: { action: 'replace', what: 'the X2 capacitor' },
    },
    {
      id: 'regrease',
      name: 'Clean out and renew the gearbox grease',
      kind: 'mend',
      needs: 'dead',
      opens: ['pickup-gap'],
      work: { action: 'oil', what: 'the gearbox' },
    },
  ],
  keepClear: 'Bowl and whisk off, fingers out of the planetary, head locked down',
  firstSeconds: {
    expect: 'It starts slowly at the lowest setting and follows the lever, sparks small and blue.',
    otherwise:
      'Full speed at once: unplug, the triac or the pickup gap. Sparks round the commutator: unplug, brushes or a shorted bar.',
  },
  startTorque: null,
  usualWatts: 300,
};
