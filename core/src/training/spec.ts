/** Units of the practice bench: drawn, of a lesson, or out of a file. */
import type { PracticeSpec } from '../bench/index.js';
import { drawOf, MAPS, type FamilyMap } from '../marking/index.js';
import { z } from 'zod';
import { say } from '../words/index.js';
import { PRACTICE_FILE_LIMIT, SEEDS } from './defaults.js';
export { PRACTICE_FILE_LIMIT } from './defaults.js';

/** The map of a family's machine; null for a family that has none yet. */
export const mapOf = (familyId: string): FamilyMap | null => MAPS.find(({ family }) => family === familyId) ?? null;

/** Families with a machine, in the order of their maps. */
export const PRACTICE_FAMILIES: readonly string[] = MAPS.map(({ family }) => family);

/** A unit to practise on, with what its owner says. */
export interface PracticeUnitDrawn {
  readonly familyId: string;
  readonly spec: PracticeSpec;
  readonly complaint: string;
}

const NOTHING_SAID = say`Brought in to be looked over: the owner thinks that it is not right.`;

/** The unit of a spec, with its complaint. */
const unitOf = (map: FamilyMap, spec: PracticeSpec): PracticeUnitDrawn => ({
  familyId: map.family,
  spec,
  complaint: map.machine.unit(spec.faults, spec.seed).complaint ?? NOTHING_SAID,
});

/** Draws a unit of a family, or of any with `null`. @throws RangeError for a family without a machine. */
export function drawPractice(familyId: string | null, seed: number): PracticeUnitDrawn {
  const map = familyId === null ? MAPS[seed % MAPS.length] : mapOf(familyId);
  if (!map) throw new RangeError(`no machine for ${familyId}`);
  const drawn = drawOf(map, seed % SEEDS);
  return unitOf(map, { machine: map.machine.id, faults: [...drawn.faults], seed: drawn.seed, lesson: null });
}

/** Why a spec is none of this family's; null when it is. */
export function practiceProblem(familyId: string, { machine, faults }: PracticeSpec): string | null {
  const map = mapOf(familyId);
  if (!map) return say`this kind has no machine on the practice bench`;
  if (map.machine.id !== machine) return say`this kind's machine is ${map.machine.id}, not ${machine}`;
  const strange = faults.find((id) => !map.machine.faults.some((one) => one.id === id));
  return strange === undefined ? null : say`the machine ${machine} has no fault ${strange}`;
}

/** What a practice unit's file is called in itself. */
export const PRACTICE_FILE_FORMAT = 'amber-gauge-practice-unit';

const fileSchema = z.strictObject({
  format: z.literal(PRACTICE_FILE_FORMAT),
  version: z.literal(1),
  machine: z.string().max(64),
  faults: z.array(z.string().max(64)).max(6, say`at most six faults`),
  seed: z
    .number()
    .int(say`a whole number`)
    .min(0, 'from 0')
    .max(2147483647, say`at most 2147483647`),
  complaint: z.string().min(1).max(2000).optional(),
});

/** A unit out of a file, or why not: nothing is kept half. */
export type PracticeFileRead = { readonly unit: PracticeUnitDrawn } | { readonly problem: string };

/** Reads a practice unit's file; see docs/practice-unit.md. */
export function readPracticeFile(text: string): PracticeFileRead {
  if (text.length > PRACTICE_FILE_LIMIT) return { problem: say`The file is far too long for a practice unit.` };
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { problem: say`This is no practice unit: the file is not JSON.` };
  }
  const read = fileSchema.safeParse(value);
  if (!read.success) {
    const issue = read.error.issues[0];
    return {
      problem: say`This practice unit cannot be read: ${issue?.path.join('.') || say`file`}: ${issue?.message ?? ''}.`,
    };
  }
  const { machine, faults, seed, complaint } = read.data;
  const map = MAPS.find((one) => one.machine.id === machine);
  if (!map)
    return {
      problem: say`There is no machine “${machine}”. There are: ${MAPS.map((one) => one.machine.id).join(', ')}.`,
    };
  const spec = { machine, faults: [...new Set(faults)], seed, lesson: null };
  const problem = practiceProblem(map.family, spec);
  if (problem) return { problem: say`This practice unit cannot be built: ${problem}.` };
  const unit = unitOf(map, spec);
  return { unit: complaint === undefined ? unit : { ...unit, complaint } };
}

/** The file of a unit. */
export const practiceFile = ({ machine, faults, seed }: PracticeSpec, complaint: string): string =>
  `${JSON.stringify({ format: PRACTICE_FILE_FORMAT, version: 1, machine, faults, seed, complaint }, null, 2)}\n`;
