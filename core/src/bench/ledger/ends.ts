/** How an end stands open, and the state in which it is safe again: each kind of opening has its own. */
import type { EndHow } from './body.js';

/** The safe state of each kind, as the gate asks for it: "motor red, unsoldered: soldered back?" */
export const END_SAFE: Readonly<Record<EndHow, string>> = {
  unsoldered: 'soldered back and tugged',
  unplugged: 'plugged in, latched',
  cut: 'joined and insulated',
  bridged: 'bridge removed',
  switched: 'set back as it was',
  lifted: 'leg soldered back',
  removed: 'back in its place',
  swapped: 'crossed back as it was',
  taped: 'tape off',
  shorted: 'short removed',
  'left over': 'its place found',
};

/** The end in the words of the gate: what is open, and what makes it safe. */
export const endWords = (end: { readonly what: string; readonly how: EndHow }): string =>
  end.how === 'left over' ? `${end.what} left over` : `${end.what}, ${end.how}`;
