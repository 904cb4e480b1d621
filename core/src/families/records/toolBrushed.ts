/** Family 14: cordless or corded tool with a brushed motor and a speed trigger. */
import type { FamilyData } from '../schema.js';
import { blocks, END, MOVE, SAFE, STORE } from '../shared/lines.js';
import { AS_FOUND, free } from '../shared/speeds.js';

export const toolBrushed: FamilyData = {
  id: 'tool-brushed',
  order: 14,
  name: 'Tool with brushed motor and speed trigger',
  turns: 'spindle',
  turnsKind: 'other',
  supply: 'mains-or-pack',
  speeds: [free('half', 'half trigger'), free('full', 'full trigger')],
  usualSpeeds: ['full'],
  tolerances: [AS_FOUND],
  testTone: 'none',
  lanes: [
    { id: 'supply', blocks: blocks('source|pack or plug') },
    { id: 'control', blocks: blocks('trigger|trigger module', 'reverse|reversing switch') },
    { id: 'mechanical', blocks: blocks('brushes|brushes', 'armature|armature', 'gearbox|gearbox', 'spindle|spindle') },
  ],
  stores: [STORE.filter],
  noStoreWhy: 'A brushed tool on a pack has no capacitor of more than a few microfarads.',
  wet: false,
  safeLines: [SAFE.unplug, SAFE.packOut, SAFE.packLook, SAFE.charge, SAFE.blade],
  cautions: ['spring', 'blade', 'cell', 'loose-motor'],
  licensed: null,
  openEnds: [END.brushCaps, END.triggerWires, END.lifted, END.bridge],
  moves: [
    MOVE.brushes,
    MOVE.outOfCircuit,
    {
      id: 'trigger',
      name: 'Replace the trigger module',
      kind: 'mend',
      needs: 'dead',
      opens: ['trigger-wires'],
      work: { action: 'replace', what: 'the trigger module' },
    },
  ],
  keepClear: 'Chuck key out, blade off or guarded, tool clamped',
  firstSeconds: {
    expect: 'It creeps at the first of the trigger and rises with it.',
    otherwise: 'Full speed at once: pack out or unplug, the switching part is shorted.',
  },
  startTorque: null,
  usualWatts: 500,
};
