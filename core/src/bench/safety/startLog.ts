/** The starts of a motor brought up on a variable transformer, before and after service. */
import { startShare, type StartShare } from '../../circuit/index.js';
import { familyOf } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import type { JobFacts } from '../job.js';
import type { StartVoltsBody } from './body.js';

/** A start brought up slowly, volts, beside the one before. */
export interface StartLine {
  readonly key: string;
  readonly at: string;
  readonly body: StartVoltsBody;
  readonly when: 'before' | 'after';
  readonly share: StartShare | null;
}

/** Every start in order; `after` from the first work on the unit. Shares are null without rated volts. */
export function startLog(job: JobFacts, lines: readonly BenchEvent[]): StartLine[] {
  const law = familyOf(job.familyId).startTorque;
  let when: StartLine['when'] = 'before';
  const out: StartLine[] = [];
  for (const { key, enteredAt: at, body } of lines) {
    if (body.kind === 'work') when = 'after';
    if (body.kind !== 'start-volts') continue;
    const share = law && job.ratedVolts ? startShare(body.volts, job.ratedVolts, law) : null;
    out.push({ key, at, body, when, share });
  }
  return out;
}
