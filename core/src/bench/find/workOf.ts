/** A repair of the drive path as a line of work: "Renew the regulator" is "replaced the regulator". */
import { ownEntry } from '../../quantity/index.js';
import type { WorkAction } from '../event.js';

const VERBS: Readonly<Record<string, WorkAction>> = {
  clean: 'clean',
  oil: 'oil',
  set: 'adjust',
  time: 'adjust',
  renew: 'replace',
  replace: 'replace',
  fit: 'replace',
  donor: 'replace',
  raise: 'replace',
};

/** The first verb says what was done; a second one ("and oil", "or renew") is left out of the words. */
export function workOfRepair(name: string): { readonly action: WorkAction; readonly what: string } {
  const match = /^(\w+)(?:(?:,| and| or)\s+\w+(?=\s+(?:the|a|an|its|both)\b))?\s+(.*)$/.exec(name);
  const verb = (match?.[1] ?? '').toLowerCase();
  const what = (match?.[2] ?? name).replace(/^an? new /, 'the ');
  return { action: ownEntry(VERBS, verb) ?? 'repair', what };
}
