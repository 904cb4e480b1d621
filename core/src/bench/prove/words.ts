/** Lines of proving in words. */
import { fixed, THIN } from '../../quantity/index.js';
import type { CoastBody, ProveBody } from './body.js';
import { clipWords } from './noise.js';
import { PROVOCATION_WORDS } from './provocations.js';
import { safetyWords } from './safety.js';
import { say } from '../../words/index.js';

/** "coasts 33 to 17 rpm in 12.4 s, mat on". */
export const coastWords = (body: CoastBody): string =>
  say`coasts ${fixed(body.fromRpm, 0)} to ${fixed(body.toRpm, 0)}${THIN}rpm in
    ${fixed(body.seconds, 1)}${THIN}s${body.conditions ? `, ${body.conditions}` : ''}`;

/** One of these lines in words. */
export function proveWords(body: ProveBody): string {
  switch (body.kind) {
    case 'proved':
      return `${body.name}: ${body.words || (body.good ? say`as it should` : say`not as it should`)}`;
    case 'unproved':
      return say`not proved: ${body.name}, ${body.why}`;
    case 'trial-phase':
      if (body.phase === 'end') return say`trial ended: ${body.name} ${PROVOCATION_WORDS[body.provocation]}`;
      return say`trial: ${body.name} ${body.phase === 'rest' ? say`at rest` : PROVOCATION_WORDS[body.provocation]}`;
    case 'coast':
      return coastWords(body);
    case 'protection-class':
      return say`class ${body.protection}, cord ${fixed(body.cordM, 1)}${THIN}m`;
    case 'safety-reading':
      return safetyWords(body);
    case 'clip':
      return clipWords(body);
  }
}
