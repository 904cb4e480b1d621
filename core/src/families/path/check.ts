/** Every id that a path names must exist, and no two things bear one id; a path that does not hold together throws at load. */
import { ownEntry } from '../../quantity/index.js';
import { CoreError } from '../../errors.js';
import type { Family } from '../schema.js';
import type { Caution } from '../shared/cautions.js';
import { BANS } from '../shared/bans.js';
import type { DrivePath, PathTest } from './schema.js';
import { MOST_OF_CAUSE } from '../defaults.js';

/** How a path is found at fault, and what it may name. */
interface Checking {
  readonly family: Family;
  readonly path: DrivePath;
  fail(where: string, id: string): never;
  /** No id twice. */
  differ(where: string, ids: readonly string[]): void;
  /** No id that is not known. */
  must(where: string, ids: readonly string[], known: readonly string[]): void;
}

const BAN_IDS = BANS.map((one) => one.id);
const idsOf = (things: readonly { readonly id: string }[]): string[] => things.map(({ id }) => id);
const modesOf = (path: DrivePath): string[] =>
  path.blocks.flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));

/** @throws CoreError UNKNOWN_ID naming the family, the place and the id. */
export function checkPath(family: Family, path: DrivePath, cautions: readonly Caution[]): void {
  const fail = (where: string, id: string): never => {
    throw new CoreError('UNKNOWN_ID', `${family.id}, ${where}: ${id}`, { id });
  };
  const check: Checking = {
    family,
    path,
    fail,
    differ(where, ids) {
      const twice = ids.find((id, i) => ids.indexOf(id) !== i);
      if (twice !== undefined) fail(`${where} twice`, twice);
    },
    must(where, ids, known) {
      for (const id of ids) if (!known.includes(id)) fail(`${where} not known`, id);
    },
  };
  check.differ('signal', idsOf(path.signals));
  check.differ('block', idsOf(path.blocks));
  check.differ('mode', modesOf(path));
  check.differ('test', idsOf(path.tests));
  check.differ('repair', idsOf([...path.repairs, ...path.ways]));
  checkSignals(check);
  checkBlocks(check);
  checkContexts(check);
  const lifted = new Set(path.tests.flatMap((test) => test.lifts));
  for (const test of path.tests) {
    checkTest(check, test, lifted, idsOf(cautions));
    if (test.marks) checkMarks(check, test);
    else checkAnswers(check, test);
  }
  checkRepairs(check);
}

function checkSignals({ path, must, differ, fail }: Checking): void {
  // A reading at a place is of one signal.
  differ(
    'place',
    path.signals.flatMap(({ measure }) => (measure ? [`${measure.place}, ${measure.unit}`] : [])),
  );
  for (const { id, states, readsAs } of path.signals) {
    must(`what ${id} reads as`, [...Object.keys(readsAs), ...Object.values(readsAs).flat()], states);
    // What a state reads as is read as itself, or as one of several: no chains.
    for (const [state, list] of Object.entries(readsAs))
      if (list.some((one) => one !== state && ownEntry(readsAs, one)))
        fail('reads as what reads otherwise', `${id} ${state}`);
  }
}

function checkBlocks({ path, must, fail }: Checking): void {
  for (const { id, inputs, outputs, healthy, modes } of path.blocks) {
    must(`inputs of ${id}`, [...inputs, ...outputs], idsOf(path.signals));
    if (healthy.some((one) => Object.values(one.out).some((out) => typeof out !== 'string')))
      fail('a healthy part does one thing, not one of several', id);
    const bans = modes.flatMap((mode) => (mode.bans ? [mode.bans] : []));
    must(`ban of ${id}`, bans, BAN_IDS);
  }
  for (const { id, choices } of path.options) {
    const absent = choices.flatMap((choice) => choice.absent);
    must(`option ${id}`, absent, [...idsOf(path.blocks), ...idsOf(path.tests)]);
  }
}

/** A condition that a part answers to is one that some test asks for. */
function checkContexts({ path, fail }: Checking): void {
  const rows = path.blocks.flatMap((block) => [...block.healthy, ...block.modes.flatMap((mode) => mode.rows)]);
  for (const { id, values } of path.contexts)
    for (const value of values.slice(1)) {
      const used = rows.some((row) => [row.when[`@${id}`] ?? []].flat().includes(value));
      if (used && !path.tests.some((test) => ownEntry(test.context, id) === value))
        fail('no test asks for the condition', `${id} ${value}`);
    }
}

function checkTest(
  { family, path, must, differ, fail }: Checking,
  test: PathTest,
  lifted: ReadonlySet<string>,
  cautions: readonly string[],
): void {
  const raised = test.outcomes.flatMap((one) => (one.raises ? [one.raises] : []));
  must(`ban of ${test.id}`, [...test.lifts, ...raised], BAN_IDS);
  for (const ban of raised) if (ban !== 'cell' && !lifted.has(ban)) fail('nothing lifts the ban', ban);
  if ([test.signal !== null, test.block !== null, test.marks].filter(Boolean).length !== 1)
    fail('test reads not exactly one thing', test.id);
  differ(`answer of ${test.id}`, idsOf(test.outcomes));
  must(`test before ${test.id}`, test.after, idsOf(path.tests));
  must(`level of ${test.id}`, [test.level], idsOf(path.levels));
  must(`open end of ${test.id}`, test.opens, idsOf(family.openEnds));
  must(`caution of ${test.id}`, test.cautions, cautions);
  for (const [key, value] of Object.entries(test.context))
    must(`context of ${test.id}`, [value], path.contexts.find((context) => context.id === key)?.values ?? []);
}

function checkMarks({ fail }: Checking, test: PathTest): void {
  if (!test.outcomes.some((one) => one.mark === null)) fail('no answer for no mark at all', test.id);
}

/** Each state or fault is the answer of one outcome alone. */
function checkAnswers({ path, must, differ, fail }: Checking, test: PathTest): void {
  const known = knownAnswers(path, test) ?? fail('not known', test.signal ?? test.block ?? '');
  const answered = test.outcomes.flatMap((outcome) => [...outcome.states, ...outcome.modes]);
  must(`answers of ${test.id}`, answered, known);
  differ(`answer of ${test.id}`, answered);
  const { row } = test;
  if (row) {
    const answers = [row.low, row.open, row.apart].flatMap((one) => (one ? [one.answer] : []));
    must(`row of ${test.id}`, [row.right, ...answers], idsOf(test.outcomes));
  }
  if (test.block) must(`no answer of ${test.id} for`, known, answered);
}

/** States of the signal that a test reads, or faults of the part it looks at; null when there is no such thing. */
function knownAnswers(path: DrivePath, test: PathTest): string[] | null {
  if (test.signal) {
    const signal = path.signals.find((one) => one.id === test.signal);
    return signal ? [...signal.states, 'hunting'] : null;
  }
  const block = path.blocks.find((one) => one.id === test.block);
  return block ? ['healthy', ...idsOf(block.modes)] : null;
}

function checkRepairs(check: Checking): void {
  const { path, must } = check;
  const modes = modesOf(path);
  const linked = path.causes.flatMap(({ cause, victim }) => [cause, victim]);
  must('cause or victim', linked, modes);
  checkCauses(check);
  const refs = (list: readonly string[]) =>
    list.flatMap((ref) => (ref.endsWith('.*') ? modes.filter((mode) => mode.startsWith(ref.slice(0, -1))) : [ref]));
  const guards = refs(path.guards);
  must('guard', guards, modes);
  for (const { id, level, cures, way, gone } of [...path.repairs, ...path.ways]) {
    const round = way === 'bypass' || way === 'jumper';
    if (round && refs(cures).some((mode) => guards.includes(mode))) check.fail('leads round what protects', id);
    const whole = cures.filter((ref) => ref.endsWith('.*')).map((ref) => ref.slice(0, -2));
    const single = cures.filter((ref) => !ref.endsWith('.*'));
    must(`level of ${id}`, [level], idsOf(path.levels));
    must(`cures of ${id}`, single, modes);
    must(`cures of ${id}`, whole, idsOf(path.blocks));
    must(`gone with ${id}`, gone, idsOf(path.blocks));
  }
}

/** Of the victims a share has the cause: no more of them than there are of the cause. */
function checkCauses({ path, fail }: Checking): void {
  const priors = new Map<string, number>(
    path.blocks.flatMap((block) => block.modes.map((mode) => [`${block.id}.${mode.id}`, mode.prior] as const)),
  );
  for (const { cause, victim, share } of path.causes) {
    const oftener = (share * (priors.get(victim) ?? 0)) / (priors.get(cause) ?? 1);
    if (oftener > MOST_OF_CAUSE) fail('victim oftener than its cause', `${cause} to ${victim}`);
  }
}
