/** All whole cases, as they are written down beside this. */
import held from './held.json' with { type: 'json' };
import household from './household.json' with { type: 'json' };
import tape from './tape.json' with { type: 'json' };
import tools from './tools.json' with { type: 'json' };
import turntables from './turntables.json' with { type: 'json' };
import type { WholeCase } from './wholeCase.js';

export const WHOLE_CASES = [turntables, tape, household, tools, held].flatMap(
  ({ cases }) => cases as unknown as readonly WholeCase[],
);
