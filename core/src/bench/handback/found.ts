/** What was found, and the readings that decided it: for the owner, in plain words. */
import { curedBy } from '../../diagnosis/index.js';
import { faultsShown, PATHS, type DrivePath } from '../../families/index.js';
import { capital, eventWords } from '../describe.js';
import { linesOf, type BenchEvent, type EventBody } from '../event.js';
import { signalAt } from '../find/places.js';
import { say } from '../../words/index.js';
import { MOST_BESIDE_FINDING } from '../defaults.js';

/** A finding with what spoke for it. */
export interface Found {
  readonly text: string;
  readonly by: readonly string[];
}

/** By mend, in order: what was wrong with the part and which answers and readings at it said so. */
export function foundIn(familyId: string, lines: readonly BenchEvent[]): Found[] {
  const path = PATHS.get(familyId) ?? null;
  const places = new Map(linesOf(lines, 'place').map(({ body }) => [body.target, body.place]));
  const out: Found[] = [];
  let since = 0;
  lines.forEach(({ body }, index) => {
    if (body.kind === 'suspect' && body.verdict !== 'ruled-out')
      out.push({
        text: capital(body.verdict === 'outside' ? body.name : say`${body.name}: at fault, by the repairer’s own eye`),
        by: [],
      });
    if (body.kind !== 'mended' || !path) return;
    const found = ofMend(path, body.repairId, lines.slice(since, index), places);
    if (found) out.push(found);
    since = index + 1;
  });
  return out;
}

function ofMend(
  path: DrivePath,
  repairId: string,
  before: readonly BenchEvent[],
  places: ReadonlyMap<string, string>,
): Found | null {
  const cured = new Set(curedBy(path, repairId).map(({ mode }) => mode));
  const blocks = path.blocks.filter((block) => block.modes.some((mode) => cured.has(`${block.id}.${mode.id}`)));
  if (blocks.length === 0) return null;
  const ids = new Set(blocks.map((block) => block.id));
  const signals = new Set(blocks.flatMap((block) => [...block.inputs, ...block.outputs]));
  const said = before.filter(({ key, body }) => bears(path, body, places.get(key) ?? null, ids, signals));
  const seen = new Set<string>();
  for (const { body } of said) for (const mode of modesSeen(path, body)) seen.add(mode);
  const modes = blocks.flatMap((block) =>
    block.modes.filter((mode) => cured.has(`${block.id}.${mode.id}`) && seen.has(`${block.id}.${mode.id}`)),
  );
  const text =
    modes.length > 0
      ? modes.map((mode) => mode.name).join(', ')
      : say`Most likely: ${blocks.map((block) => block.name).join(', ')}`;
  return { text: capital(text), by: said.slice(-MOST_BESIDE_FINDING).map(({ body }) => eventWords(body)) };
}

function bears(
  path: DrivePath,
  body: EventBody,
  place: string | null,
  blocks: ReadonlySet<string>,
  signals: ReadonlySet<string>,
): boolean {
  if (body.kind === 'tried') return blocks.has(body.block);
  if (body.kind === 'answer') {
    const test = path.tests.find((one) => one.id === body.testId);
    return test !== undefined && (blocks.has(test.block ?? '') || signals.has(test.signal ?? ''));
  }
  if (body.kind !== 'reading') return false;
  const signal = signalAt(path, body, body.place ?? place);
  return signal !== null && signal !== undefined && signals.has(signal.id);
}

/** Modes that a look at a part showed. */
function modesSeen(path: DrivePath, body: EventBody): string[] {
  if (body.kind !== 'answer') return [];
  const test = path.tests.find((one) => one.id === body.testId);
  return test ? faultsShown(test, body.outcome) : [];
}
