/** A working solved as on the page, for the checks: its answer, or one of its rows without thin spaces. */
import { solveWorking, workingOf, type WorkingTexts } from '../src/workings/index.js';

export function solved(id: string, texts: WorkingTexts) {
  const working = workingOf(id);
  if (!working) throw new Error(id);
  const result = solveWorking(working, texts);
  if (result.kind !== 'answer') throw new Error(JSON.stringify(result));
  return result;
}
export const rowOf = (id: string, texts: WorkingTexts, label: string | RegExp) =>
  solved(id, texts)
    .rows.find((row) => row.label.match(label))
    ?.value.replace(/[\u202f]/g, ' ');
