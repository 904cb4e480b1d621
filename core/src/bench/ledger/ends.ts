/** How an end stands open, and the state in which it is safe again: each kind of opening has its own. */
import type { EndHow } from './body.js';
import { said, say } from '../../words/index.js';

/** The safe state of each kind, as the gate asks for it: "motor red, unsoldered: soldered back?" */
export const END_SAFE: Readonly<Record<EndHow, string>> = {
  unsoldered: say`soldered back and tugged`,
  unplugged: say`plugged in, latched`,
  cut: say`joined and insulated`,
  bridged: say`bridge removed`,
  switched: say`set back as it was`,
  lifted: say`leg soldered back`,
  removed: say`back in its place`,
  swapped: say`crossed back as it was`,
  taped: say`tape off`,
  shorted: say`short removed`,
  'left over': say`its place found`,
};

/** The end in the words of the gate: what is open, and what makes it safe. */
export const endWords = (end: { readonly what: string; readonly how: EndHow }): string =>
  end.how === 'left over' ? say`${end.what} left over` : `${end.what}, ${said(end.how)}`;
