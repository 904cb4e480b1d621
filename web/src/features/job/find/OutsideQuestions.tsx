/** At take-in: only what can be seen from outside, in the order that splits best, and what the answers clear. */
import type { StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import { useJobFind } from './findContext.js';
import type { Find } from './useFind.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

/** A reading that speaks so many bits against a block makes it far less likely. */
const CLEARING_BITS = -1.5;

export function OutsideQuestions({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const find = useJobFind();
  if (!find?.answer || view.state.work.length > 0) return null;
  // What happened to it comes first: it decides whether anything is switched on at all. Its owner can tell the rest.
  const outside = find.answer.advice.tests.filter((one) => one.test.outside);
  const next = outside.find((one) => one.test.marks && one.test.id === 'first') ?? outside[0];
  const cleared = clearedBy(find);
  if (!next && cleared.length === 0) return null;
  return (
    <section className="stack" aria-label={say`Seen from outside`}>
      {next && (
        <>
          <h2>{next.test.name}</h2>
          <p className={classes.how}>{next.test.how}</p>
          <div className={classes.answers}>
            {next.test.outcomes.map((outcome) => (
              <Button
                key={outcome.id}
                variant="outlined"
                className={stages.big ?? ''}
                onClick={() =>
                  void submitLines(
                    view.job.id,
                    makeLine(stage, {
                      kind: 'answer',
                      testId: next.test.id,
                      name: next.test.name,
                      outcome: outcome.id,
                      words: outcome.words,
                      value: null,
                      unit: null,
                    }),
                  )
                }
              >
                {outcome.words}
              </Button>
            ))}
          </div>
        </>
      )}
      {cleared.length > 0 && (
        <ul className={classes.following} aria-label={say`Cleared by what was seen`}>
          {cleared.map((one) => (
            <li key={one.id}>
              {one.seen} <span className="quiet">{say`far less likely now: ${one.names.join(', ')}`}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

interface Cleared {
  readonly id: string;
  readonly seen: string;
  readonly names: readonly string[];
}

/** What each answer makes far less likely: "Rim lamp: lit" and the plug, the cord, the fuse. */
function clearedBy({ answer, evidence }: Find): Cleared[] {
  const byLine = new Map<string, string[]>();
  for (const suspect of answer?.suspects ?? []) {
    for (const one of suspect.evidence) {
      if (one.bits > CLEARING_BITS) continue;
      const id = one.ids[0] ?? '';
      byLine.set(id, [...(byLine.get(id) ?? []), suspect.name]);
    }
  }
  return [...byLine.entries()].map(([id, names]) => ({ id, seen: evidence.words.get(id) ?? '', names }));
}
