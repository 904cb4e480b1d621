/** The mend that was chosen: its steps, each done with one key; then that it is done, or left with its ends open. */
import { isDead, openEnds, workOfRepair, type StageId } from '@amber-gauge/core/bench';
import { recipeOf, type PathRepair, type RecipeStep } from '@amber-gauge/core/families';
import type { Find } from '../find/useFind.js';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useMoney } from '../../../shared/ui/money.js';
import { useJobFind } from '../find/findContext.js';
import { percent } from '../find/useFind.js';
import type { JobView } from '../useJobView.js';
import { LEAVE } from './leave.js';
import { TimerAsk } from './TimerAsk.js';
import classes from './Mend.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

export function Chosen({ view, stage }: Props) {
  const find = useJobFind();
  const money = useMoney();
  const { decision } = view.state;
  if (!decision) return null;
  if (decision.optionId === LEAVE)
    return (
      <section className={classes.chosen} aria-label="Chosen mend">
        <p>
          It goes back as it is{decision.reason ? `: ${decision.reason}` : ''}. Close it up, and say at Hand back what
          was left undone and why.
        </p>
        <Drop view={view} stage={stage} label="Think again" />
      </section>
    );
  const repair = find?.path.repairs.find((one) => one.id === decision.optionId);
  const recipe = recipeOf(decision.optionId);
  const dead = isDead(view.state);
  const running = repair?.power === 'running';
  const ends = openEnds(view.state.ledger).filter((end) => end.end.moveKey === decision.key);
  const { optionId, name } = decision;
  const stepDone = (step: RecipeStep) =>
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'mend-step', repairId: optionId, stepId: step.id, what: step.what }),
      ...(step.opens
        ? [makeLine(stage, { kind: 'open-end', ...step.opens, usualId: null, stepKey: null, moveKey: decision.key })]
        : []),
    );
  const done = () =>
    void submitLines(
      view.job.id,
      ...ends.map((end) => makeLine(stage, { kind: 'close', target: end.key, how: `with ${name}` })),
      makeLine(stage, { kind: 'work', ...workOfRepair({ id: optionId, name }) }),
      makeLine(stage, { kind: 'mended', repairId: optionId, name, ...rankOf(find, repair) }),
    );
  return (
    <section className={classes.chosen} aria-label="Chosen mend">
      <p className="quiet">
        Chosen: cures it with {percent(decision.chance)} %, {Math.round(decision.minutes)} min, {money(decision.money)}
        {decision.reason ? `: ${decision.reason}` : ''}
        {decision.beside ? `. Beside it stood: ${decision.beside}` : ''}
      </p>
      {recipe && <Steps steps={recipe.steps} done={decision.steps} free={dead || running} onDone={stepDone} />}
      {recipe && recipe.usesUp.length > 0 && <p className="quiet">To hand: {recipe.usesUp.join(', ')}.</p>}
      <div className="row">
        <Button
          variant="contained"
          className={classes.done ?? ''}
          disabled={!dead && !running}
          onClick={done}
          aria-label={`Done: ${name}`}
        >
          {!dead && !running
            ? 'Make it dead first'
            : ends.length > 0
              ? `It is done, and closed: ${ends.map((end) => end.end.what).join(', ')}`
              : 'It is done'}
        </Button>
        {repair && repair.waitMin > 0 && <TimerAsk view={view} stage={stage} name={name} minutes={repair.waitMin} />}
        <Drop view={view} stage={stage} label={ends.length > 0 ? 'Leave it, ends stay open' : 'Leave it'} />
      </div>
      {repair?.leaves && <p>Then: {repair.leaves}.</p>}
    </section>
  );
}

function Drop({ view, stage, label }: Props & { readonly label: string }) {
  const { decision } = view.state;
  if (!decision) return null;
  const { optionId, name } = decision;
  return (
    <Button
      variant="outlined"
      onClick={() => void submitLines(view.job.id, makeLine(stage, { kind: 'decision-dropped', optionId, name }))}
      aria-label={`${label}: ${name}`}
    >
      {label}
    </Button>
  );
}

interface StepsProps {
  readonly steps: readonly RecipeStep[];
  readonly done: readonly string[];
  /** Whether work on it may go on. */
  readonly free: boolean;
  readonly onDone: (step: RecipeStep) => void;
}

/** What, with what, what to mind; the next one to do has its key in full. */
function Steps({ steps, done, free, onDone }: StepsProps) {
  const next = steps.find((step) => !done.includes(step.id));
  return (
    <ol className={classes.steps} aria-label="Steps">
      {steps.map((step) => {
        const over = done.includes(step.id);
        return (
          <li key={step.id} className={over ? 'quiet' : undefined}>
            <div>
              <p className={classes.step}>
                {over ? '✓ ' : ''}
                {step.what}
                {step.using ? <span className="quiet"> · {step.using}</span> : null}
              </p>
              {step.mind && <p className="small">{step.mind}</p>}
            </div>
            {!over && (
              <Button
                variant={step === next ? 'contained' : 'outlined'}
                disabled={!free}
                onClick={() => onDone(step)}
                aria-label={`Step done: ${step.what}`}
              >
                Done
              </Button>
            )}
          </li>
        );
      })}
    </ol>
  );
}

/** Where the part that this mends stands among the suspects now, from 1; nothing where nobody sought. */
function rankOf(find: Find | null, repair: PathRepair | undefined): { rank?: number } {
  const blocks = new Set(repair?.cures.map((one) => one.split('.')[0]));
  const at = find?.answer?.suspects.findIndex((one) => blocks.has(one.block)) ?? -1;
  return at < 0 || find?.evidence.events.length === 0 ? {} : { rank: at + 1 };
}
