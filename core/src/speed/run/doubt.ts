/** The last gate of the ways by hand and by ear: a speed no machine of this nominal could reach. */
import { isReachable, rpmWords } from '../asked.js';
import type { SpeedRun } from './result.js';
import { say } from '../../words/index.js';

/** What a doubtful figure usually comes from, by way; tables and recordings are asked about where they are read. */
const USUALLY: Partial<Record<SpeedRun['detail']['way'], string>> = {
  stopwatch: say`Were the turns of each tap counted right?`,
  strobe: say`Was the right ring read, and the count by its sign?`,
  sound: say`Is the number of blades, bars or pole pairs right?`,
};

/** The question that must be answered before the run is filed; null when there is none. */
export function doubtOf({ unit, nominal, mean, detail }: SpeedRun): string | null {
  const usually = USUALLY[detail.way];
  if (usually === undefined || unit !== 'rpm' || nominal === null || isReachable(mean, nominal)) return null;
  return say`${rpmWords(mean)} is ${Number((mean / nominal).toPrecision(2))} times the nominal ${rpmWords(nominal)}.
    ${usually}`;
}
