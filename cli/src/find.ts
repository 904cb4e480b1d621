/** `find CASE.json` and `families [ID]`. */
import { readCase, solveCase, type CaseAnswer } from '@amber-gauge/core/diagnosis';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';
import { fixed } from '@amber-gauge/core/quantity';
import { readFileSync } from 'node:fs';
import type { CommandAnswer } from './main.js';
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
  const suspects = answer.suspects.map(
    (one) => `${fixed(100 * one.share, 1).padStart(6)} %  ${one.block}: ${one.modes[0]?.mode ?? ''}`,
  );
  const tests = answer.tests.map(
    (one) => `  ${one.test}: ${fixed(one.bits, 2)} bits, ${fixed(one.minutes, 0)} min, ${one.power}`,
  );
  const odd = answer.does_not_fit.length > 0 ? [`does not fit: observation ${answer.does_not_fit.join(', ')}`] : [];
  return [
    ...suspects,
    `${fixed(100 * answer.outside, 1).padStart(6)} %  outside the model`,
    ...odd,
    `next: ${answer.next}`,
    ...tests,
    ...answer.mends.map((one) => `  mend ${one.repair}: ${fixed(100 * one.chance, 0)} %, ${fixed(one.minutes, 0)} min`),
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
    unit: path?.signals.find((one) => one.id === test.signal)?.measure?.unit ?? null,
  }));
  const faults = (path?.blocks ?? []).flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));
  const contexts = (path?.contexts ?? []).map(({ id: key, values }) => ({ id: key, values }));
  const words = [
    family.name,
    ...tests.map((one) => `  ${one.id}: ${one.outcomes.join(' | ')}${one.unit ? ` or a value in ${one.unit}` : ''}`),
  ];
  return { json: { id, name: family.name, contexts, tests, faults }, words: words.join('\n') };
}
