/** `find CASE.json` and `families [ID]`. */
import { readCase, solveCase, type CaseAnswer } from '@amber-gauge/core/diagnosis';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';
import { fixed } from '@amber-gauge/core/quantity';
import { readFileSync } from 'node:fs';
import type { CommandAnswer } from './answer.js';
import { CliRefusal } from './refusal.js';

export async function findCommand(args: readonly string[]): Promise<CommandAnswer> {
  const [file] = args;
  if (!file) throw new CliRefusal('USAGE', 'Name the case file: find CASE.json');
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new CliRefusal('NO_FILE', `There is no file ${file}.`);
  }
  const read = readCase(text);
  if (read.kind === 'unusable') throw new CliRefusal(read.reason, read.message);
  const answer = solveCase(PATHS, read.file);
  if (answer.kind === 'unusable') throw new CliRefusal(answer.reason, answer.message);
  const { kind: _kind, ...json } = answer;
  return { json, words: wordsOf(answer) };
}

function wordsOf(answer: CaseAnswer): string {
  const suspects = answer.suspects.map((one) => {
    const [first] = one.modes;
    return `${fixed(100 * one.share, 1).padStart(6)} %  ${one.name}: ${first?.name ?? ''} (${first?.mode ?? one.block})`;
  });
  const tests = answer.tests.map(
    (one) =>
      `  ${one.test}: ${fixed(one.bits, 2)} bits, ${fixed(one.minutes, 0)} min, ${one.power}${one.forbidden ? `; not now: ${one.forbidden}` : ''}`,
  );
  const mends = answer.mends.map(
    (one) =>
      `  mend ${one.repair}: ${fixed(100 * one.chance, 0)} %, ${fixed(one.minutes, 0)} min${one.forbidden ? `; not now: ${one.forbidden}` : ''}`,
  );
  const step = answer.next_step;
  return [
    ...suspects,
    `${fixed(100 * answer.outside, 1).padStart(6)} %  outside the model`,
    ...(answer.does_not_fit.length > 0 ? [`does not fit: observation ${answer.does_not_fit.join(', ')}`] : []),
    ...answer.banned.map((reason) => `no power: ${reason}`),
    `next: ${answer.next}${step ? ` ${step.id}` : ''}`,
    ...(step
      ? [
          `  do: ${step.what}`,
          `  why: ${step.why}`,
          ...step.needs.map((need) => `  needs: ${need}`),
          ...step.must_not.map((not) => `  must not: ${not}`),
        ]
      : []),
    'then:',
    ...tests,
    ...mends,
  ].join('\n');
}

/** The families, or one with its tests, answers, contexts and faults by id. */
export async function familiesCommand(args: readonly string[]): Promise<CommandAnswer> {
  const [id] = args;
  if (!id) {
    const list = FAMILIES.map((family) => ({ id: family.id, name: family.name }));
    return {
      json: { families: list },
      words: list.map((one) => `${one.id}  ${one.name}`).join('\n'),
    };
  }
  const family = FAMILIES.find((one) => one.id === id);
  if (!family) throw new CliRefusal('UNKNOWN_FAMILY', `There is no family “${id}”.`);
  const path = PATHS.get(id);
  const tests = (path?.tests ?? []).map((test) => ({
    id: test.id,
    name: test.name,
    outcomes: test.outcomes.map((outcome) => outcome.id),
    unit:
      test.limit?.unit ??
      path?.signals.find((one) => one.id === test.signal)?.measure?.unit ??
      (test.signal === path?.speed?.signal ? '%' : null),
  }));
  const faults = (path?.blocks ?? []).flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));
  const mends = (path?.repairs ?? []).map((one) => ({ id: one.id, name: one.name }));
  const parts = (path?.blocks ?? []).map((one) => ({ id: one.id, name: one.name }));
  const variants = (path?.options ?? []).map((one) => ({ id: one.id, choices: one.choices.map((each) => each.name) }));
  const contexts = (path?.contexts ?? []).map(({ id: key, values }) => ({ id: key, values }));
  const words = [
    family.name,
    ...variants.map((one) => `  variant ${one.id}: ${one.choices.map((name) => `“${name}”`).join(' | ')}`),
    ...tests.map((one) => `  ${one.id}: ${one.outcomes.join(' | ')}${one.unit ? ` or a value in ${one.unit}` : ''}`),
    `  mends: ${mends.map((one) => one.id).join(', ')}`,
    `  parts: ${parts.map((one) => one.id).join(', ')}`,
  ];
  return { json: { id, name: family.name, variants, contexts, tests, faults, parts, mends }, words: words.join('\n') };
}
