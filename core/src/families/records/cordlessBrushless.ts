/** Family 13: cordless tool with a brushless motor. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { AS_FOUND, free } from '../shared/speeds.js';

export const cordlessBrushless: FamilyData = {
  id: 'cordless-brushless',
  order: 13,
  name: 'Cordless tool, brushless motor',
  turns: 'rotor',
  turnsKind: 'motor',
  supply: 'pack',
  speeds: [free('full', 'full trigger')],
  usualSpeeds: ['full'],
  tolerances: [AS_FOUND],
  testTone: 'none',
  lanes: [
    {
      id: 'supply',
      blocks: blocks(
        'pack|pack',
        'seat|pack-seated interlock',
        'contact|main contact in the trigger',
        'fuse|fuse',
        'bulk|bulk capacitor',
      ),
    },
    {
      id: 'control',
      blocks: blocks('trigger|trigger pot or speed dial', 'logic|logic', 'gates|gate drive', 'switches|six switches'),
    },
    { id: 'mechanical', blocks: blocks('windings|windings', 'rotor|rotor', 'load|fan, blade or gearbox') },
  ],
  stores: [STORE.bulk],
  noStoreWhy: null,
  wet: false,
  safeLines: [SAFE.packOut, SAFE.packLook, SAFE.charge, SAFE.blade],
  cautions: ['cell', 'blade', 'potting', 'hot-air', 'spring'],
  licensed: 'Packs are opened only by those equipped for it; damaged ones go to the local hazardous-waste point.',
  openEnds: [END.motorPlug, END.boardPlugs, END.potting, END.lifted, END.bridge],
  moves: [
    MOVE.outOfCircuit,
    {
      id: 'switches',
      name: 'Renew both switches of the leg and its gate parts',
      kind: 'mend',
      needs: 'dead',
      opens: ['motor-plug', 'potting'],
      work: { action: 'replace', what: 'both switches of the leg and its gate parts' },
    },
    {
      id: 'bulk',
      name: 'Renew the bulk capacitor with volts to spare',
      kind: 'mend',
      needs: 'dead',
      opens: ['lifted-leg'],
      work: { action: 'replace', what: 'the bulk capacitor' },
    },
  ],
  keepClear: 'Blade or impeller off or guarded, tool clamped, nobody in its line',
  firstSeconds: {
    expect:
      'At 0.2 to 0.5 A without the motor nothing gets warm; with it the rotor turns smoothly from the first degree.',
    otherwise: 'Kicks once and stops: pack out; do not try again, the next pull may kill the good part.',
  },
  startTorque: null,
  usualWatts: 500,
};
