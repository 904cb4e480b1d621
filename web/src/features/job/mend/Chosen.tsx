/** The mend that was chosen: its steps, each done with one key; then that it is done, or left with its ends open. */
import {
  checksAfter,
  decisionIds,
  isDead,
  openEnds,
  standing,
  workOfRepair,
  type BenchEvent,
  type EventBody,
  type StageId,
} from '@amber-gauge/core/bench';
import { mendOf, recipeOf, type PathRepair, type RecipeStep } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useMoney } from '../../../shared/ui/money.js';
import { useJobFind } from '../find/findContext.js';
import { percent, type Find } from '../find/useFind.js';
import type { JobView } from '../useJobView.js';
import { ChosenParts } from './ChosenParts.js';
import { LEAVE } from './leave.js';
import { TimerAsk } from './TimerAsk.js';
import type { MendParts } from './useMendParts.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly parts: MendParts;
}

export function Chosen({ view, stage, parts }: Props) {
  const find = useJobFind();
  const money = useMoney();
  const { decision } = view.state;
  const path = find?.path;
  const repairs = useMemo(
    () => (decision ? decisionIds(decision).flatMap((id) => mendOf(path, id) ?? []) : []),
    [decision, path],
  );
  if (!decision) return null;
  if (decision.optionId === LEAVE)
    return (
      <section className={classes.chosen} aria-label={say`Chosen mend`}>
        <p>{say`It goes back as it is${decision.reason ? `: ${decision.reason}` : ''}. Close it up, and say at Hand
          back what was left undone and why.`}</p>
        <Drop view={view} stage={stage} label={say`Think again`} onDrop={() => undefined} />
      </section>
    );
  const open = repairs.filter((one) => !decision.mended.includes(one.id));
  const ends = openEnds(view.state.ledger).filter((end) => end.end.moveKey === decision.key);
  return (
    <section className={classes.chosen} aria-label={say`Chosen mend`}>
      <p className="quiet">{say`Chosen: cures it with ${percent(decision.chance)} %, ${Math.round(decision.minutes)}
        min,
        ${money(decision.money)}${decision.reason ? `: ${decision.reason}` : ''}${decision.beside ? say`. Beside it stood: ${decision.beside}` : ''}`}</p>
      <ChosenParts view={view} stage={stage} parts={parts} repairs={open} />
      {open.map((repair) => (
        <OneMend key={repair.id} view={view} stage={stage} parts={parts} repair={repair} last={open.length === 1} />
      ))}
      <Owed view={view} repairs={repairs} />
      <div className="row">
        <Drop
          view={view}
          stage={stage}
          label={ends.length > 0 ? say`Leave it, ends stay open` : say`Leave it`}
          onDrop={() => parts.giveBack(open)}
        />
      </div>
    </section>
  );
}

/** The lines that say a mend is done. */
const doneBodies = (repair: PathRepair, rank: { rank?: number }): EventBody[] => [
  workOfRepair(repair),
  {
    kind: 'mended',
    repairId: repair.id,
    name: repair.name,
    ...rank,
    ...(repair.loses === null ? {} : { loses: repair.loses }),
  },
];

/** One of the chosen mends: steps, its key, its wait. */
function OneMend({
  view,
  stage,
  parts,
  repair,
  last,
}: Props & { readonly repair: PathRepair; readonly last: boolean }) {
  const find = useJobFind();
  const { decision } = view.state;
  if (!decision) return null;
  const recipe = recipeOf(repair.id);
  const free = isDead(view.state) || repair.power === 'running';
  const ends = openEnds(view.state.ledger).filter((end) => end.end.moveKey === decision.key);
  const { id: repairId, name } = repair;
  const stepDone = (step: RecipeStep) =>
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'mend-step', repairId, stepId: step.id, what: step.what }),
      ...(step.opens
        ? [makeLine(stage, { kind: 'open-end', ...step.opens, usualId: null, stepKey: null, moveKey: decision.key })]
        : []),
    );
  // The last of several closes what all of them opened.
  const closing = last ? ends : [];
  const done = () => {
    void submitLines(
      view.job.id,
      ...closing.map((end) => makeLine(stage, { kind: 'close', target: end.key, how: `with ${name}` })),
      ...doneBodies(repair, rankOf(find, repair)).map((body) => makeLine(stage, body)),
    );
    parts.buildIn([repair]);
  };
  return (
    <div className="stack">
      {decision.also !== undefined && <h3>{name}</h3>}
      {recipe && (
        <Steps
          steps={recipe.steps}
          done={decision.steps.flatMap((step) => (step.repairId === repairId ? [step.stepId] : []))}
          free={free}
          onDone={stepDone}
        />
      )}
      <div className="row">
        <Button
          variant="contained"
          className={classes.done ?? ''}
          disabled={!free}
          onClick={done}
          aria-label={say`Done: ${name}`}
        >
          {!free
            ? say`Make it dead first`
            : closing.length > 0
              ? say`It is done, and closed: ${closing.map((end) => end.end.what).join(', ')}`
              : say`It is done`}
        </Button>
        {repair.waitMin > 0 && (
          <TimerAsk
            view={view}
            stage={stage}
            timer="cure"
            name={name}
            minutes={repair.waitMin}
            label={say`Start the wait`}
          />
        )}
      </div>
      {repair.leaves && <p>{say`Then: ${repair.leaves}.`}</p>}
    </div>
  );
}

/** What Prove will ask for once it is done. */
function Owed({ view, repairs }: { readonly view: JobView; readonly repairs: readonly PathRepair[] }) {
  const { job, lines } = view;
  const names = useMemo(() => {
    const events: BenchEvent[] = lines.filter((one) => one.status !== 'refused').map((one) => one.event);
    const bodies = repairs.flatMap((repair) => doneBodies(repair, {}));
    return checksAfter(job, standing(events), bodies).map((check) => check.name);
  }, [job, lines, repairs]);
  return names.length === 0 ? null : <p className="quiet">{say`Prove will ask for: ${names.join(', ')}.`}</p>;
}

function Drop({
  view,
  stage,
  label,
  onDrop,
}: Pick<Props, 'view' | 'stage'> & { readonly label: string; readonly onDrop: () => void }) {
  const { decision } = view.state;
  if (!decision) return null;
  const { optionId, name } = decision;
  const drop = () => {
    void submitLines(view.job.id, makeLine(stage, { kind: 'decision-dropped', optionId, name }));
    onDrop();
  };
  return (
    <Button variant="outlined" onClick={drop} aria-label={`${label}: ${name}`}>
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
    <ol className={classes.steps} aria-label={say`Steps`}>
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
                aria-label={say`Step done: ${step.what}`}
              >{say`Done`}</Button>
            )}
          </li>
        );
      })}
    </ol>
  );
}

/** Where the part that this mends stands among the suspects now, from 1; nothing where nobody sought. */
function rankOf(find: Find | null, repair: PathRepair): { rank?: number } {
  const blocks = new Set(repair.cures.map((one) => one.split('.')[0]));
  const at = find?.answer?.suspects.findIndex((one) => blocks.has(one.block)) ?? -1;
  return at < 0 || find?.evidence.events.length === 0 ? {} : { rank: at + 1 };
}
