/** Checks of the fault itself: what used to bring it on is tried again after the mend. */
import { curedBy } from '../../diagnosis/index.js';
import type { PathMode } from '../../families/index.js';
import { capital } from '../describe.js';
import type { TrialProvocation } from './body.js';
import { PROVOCATION_WORDS, provocationOf } from './provocations.js';
import type { Standing, Wanted } from './standing.js';

/** Modes that the mends of the log cure, with their blocks. */
function mendedModes({
  path,
  lines,
}: Standing): { readonly block: string; readonly name: string; readonly mode: PathMode }[] {
  if (!path) return [];
  const refs = new Set(
    lines.flatMap(({ body }) => (body.kind === 'mended' ? curedBy(path, body.repairId).map(({ mode }) => mode) : [])),
  );
  return path.blocks.flatMap((block) =>
    block.modes
      .filter((mode) => refs.has(`${block.id}.${mode.id}`))
      .map((mode) => ({ block: block.id, name: block.name, mode })),
  );
}

/** What used to bring the fault on is tried again after the mend: what followed a trial, then what such a fault is known to follow. */
export function faultChecks(standing: Standing): Wanted[] {
  const { path, history, trials, worked } = standing;
  if (!worked) return [];
  const wanted = new Map<string, Wanted>();
  const want = (provocation: TrialProvocation, block: string, name: string) => {
    const id = `trial.${block}.${provocation}`;
    if (wanted.has(id)) return;
    wanted.set(id, {
      id,
      group: 'fault',
      name: capital(`${name} ${PROVOCATION_WORDS[provocation]}`),
      how: `As before the mend: at rest, ${PROVOCATION_WORDS[provocation]}, at rest again; three times. It must not follow.`,
      bound: { kind: 'trial', provocation, block, name },
      blocks: path?.blocks.some((one) => one.id === block) ? new Set([block]) : 'all',
      always: true,
    });
  };
  const nameOf = (block: string) => path?.blocks.find((one) => one.id === block)?.name ?? block;
  for (const { body } of history.looked) {
    const provocation = provocationOf(body.trial);
    if (provocation && (body.result === 'changed' || body.result === 'helped'))
      want(provocation, body.block, nameOf(body.block));
  }
  for (const trial of trials) if (trial.result.kind === 'moved') want(trial.provocation, trial.block, trial.name);
  const seen = new Set([...wanted.values()].map(({ bound }) => (bound.kind === 'trial' ? bound.block : '')));
  for (const { block, name, mode } of confirmedModes(standing)) {
    const provocation = mode.provoked[0];
    if (provocation && !seen.has(block)) want(provocation, block, name);
  }
  return [...wanted.values()];
}

/** Modes a mend cured of a block that was seen to be at fault, or was pinned by hand: only those are known to have been there. */
export function confirmedModes(standing: Standing): ReturnType<typeof mendedModes> {
  const { path, lines } = standing;
  const faulty = new Map<string, readonly string[]>();
  for (const { body } of lines) {
    if (body.kind === 'suspect' && body.verdict === 'pinned') faulty.set(body.block, []);
    if (body.kind !== 'answer') continue;
    const test = path?.tests.find((one) => one.id === body.testId);
    const outcome = test?.outcomes.find((one) => one.id === body.outcome);
    if (test?.block && outcome && !outcome.modes.includes('healthy')) faulty.set(test.block, outcome.modes);
  }
  return mendedModes(standing).filter(({ block, mode }) => {
    const modes = faulty.get(block);
    return modes !== undefined && (modes.length === 0 || modes.includes(mode.id));
  });
}
