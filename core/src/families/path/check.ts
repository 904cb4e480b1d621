/** Every id that a path names must exist, and no two things bear one id; a path that does not hold together throws at load. */
import { ownEntry } from '../../quantity/index.js';
import { CoreError } from '../../errors.js';
import type { Family } from '../schema.js';
import type { Caution } from '../shared/cautions.js';
import { BANS } from '../shared/bans.js';
import type { DrivePath } from './schema.js';

/** @throws CoreError UNKNOWN_ID naming the family, the place and the id. */
export function checkPath(family: Family, path: DrivePath, cautions: readonly Caution[]): void {
  const fail = (where: string, id: string): never => {
    throw new CoreError('UNKNOWN_ID', `${family.id}, ${where}: ${id}`, { id });
  };
  const differ = (where: string, ids: readonly string[]) => {
    const twice = ids.find((id, i) => ids.indexOf(id) !== i);
    if (twice !== undefined) fail(`${where} twice`, twice);
  };
  const must = (where: string, ids: readonly string[], known: readonly string[]) => {
    for (const id of ids) if (!known.includes(id)) fail(`${where} not known`, id);
  };
  const signals = new Map(path.signals.map((signal) => [signal.id, signal]));
  const blocks = new Map(path.blocks.map((block) => [block.id, block]));
  const levels = path.levels.map((level) => level.id);
  const modes = path.blocks.flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));
  differ(
    'signal',
    path.signals.map((signal) => signal.id),
  );
  differ(
    'block',
    path.blocks.map((block) => block.id),
  );
  differ('mode', modes);
  differ(
    'test',
    path.tests.map((test) => test.id),
  );
  differ(
    'repair',
    path.repairs.map((repair) => repair.id),
  );
  for (const block of path.blocks)
    must(`inputs of ${block.id}`, [...block.inputs, ...block.outputs], [...signals.keys()]);
  for (const { id, healthy } of path.blocks)
    if (healthy.some((one) => Object.values(one.out).some((out) => typeof out !== 'string')))
      fail('a healthy part does one thing, not one of several', id);
  for (const option of path.options)
    must(
      `option ${option.id}`,
      option.choices.flatMap((choice) => choice.absent),
      [...blocks.keys(), ...path.tests.map((test) => test.id)],
    );
  for (const { id, values } of path.contexts)
    for (const value of values.slice(1)) {
      const rows = path.blocks.flatMap((block) => [...block.healthy, ...block.modes.flatMap((mode) => mode.rows)]);
      const used = rows.some((row) => [row.when[`@${id}`] ?? []].flat().includes(value));
      if (used && !path.tests.some((test) => ownEntry(test.context, id) === value))
        fail('no test asks for the condition', `${id} ${value}`);
    }
  const bans = BANS.map((one) => one.id);
  for (const { id, modes: own } of path.blocks)
    must(
      `ban of ${id}`,
      own.flatMap((mode) => (mode.bans ? [mode.bans] : [])),
      bans,
    );
  const lifted = new Set(path.tests.flatMap((test) => test.lifts));
  for (const test of path.tests) {
    must(
      `ban of ${test.id}`,
      [...test.lifts, ...test.outcomes.flatMap((one) => (one.raises ? [one.raises] : []))],
      bans,
    );
    for (const { raises } of test.outcomes)
      if (raises && raises !== 'cell' && !lifted.has(raises)) fail('nothing lifts the ban', raises);
    if ([test.signal !== null, test.block !== null, test.marks].filter(Boolean).length !== 1)
      fail('test reads not exactly one thing', test.id);
    differ(
      `answer of ${test.id}`,
      test.outcomes.map((outcome) => outcome.id),
    );
    must(
      `test before ${test.id}`,
      test.after,
      path.tests.map((one) => one.id),
    );
    must(`level of ${test.id}`, [test.level], levels);
    must(
      `open end of ${test.id}`,
      test.opens,
      family.openEnds.map((end) => end.id),
    );
    must(
      `caution of ${test.id}`,
      test.cautions,
      cautions.map((caution) => caution.id),
    );
    for (const [key, value] of Object.entries(test.context))
      must(`context of ${test.id}`, [value], path.contexts.find((context) => context.id === key)?.values ?? []);
    if (test.marks) {
      if (!test.outcomes.some((one) => one.mark === null)) fail('no answer for no mark at all', test.id);
      continue;
    }
    const known = test.signal
      ? [...(signals.get(test.signal)?.states ?? fail('signal not known', test.signal)), 'hunting']
      : [
          'healthy',
          ...(blocks.get(test.block ?? '')?.modes.map((mode) => mode.id) ?? fail('block not known', test.block ?? '')),
        ];
    must(
      `answers of ${test.id}`,
      test.outcomes.flatMap((outcome) => [...outcome.states, ...outcome.modes]),
      known,
    );
    const answered = test.outcomes.flatMap((outcome) => [...outcome.states, ...outcome.modes]);
    differ(`answer of ${test.id}`, answered);
    const { row } = test;
    if (row)
      must(
        `row of ${test.id}`,
        [row.right, ...[row.low, row.open, row.apart].flatMap((one) => (one ? [one.answer] : []))],
        test.outcomes.map((outcome) => outcome.id),
      );
    if (test.block) must(`no answer of ${test.id} for`, known, answered);
  }
  must(
    'cause or victim',
    path.causes.flatMap(({ cause, victim }) => [cause, victim]),
    modes,
  );
  for (const repair of path.repairs) {
    must(`level of ${repair.id}`, [repair.level], levels);
    must(
      `cures of ${repair.id}`,
      repair.cures.filter((ref) => !ref.endsWith('.*')),
      modes,
    );
    must(
      `cures of ${repair.id}`,
      repair.cures.filter((ref) => ref.endsWith('.*')).map((ref) => ref.slice(0, -2)),
      [...blocks.keys()],
    );
  }
}
