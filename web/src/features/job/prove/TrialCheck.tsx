/** Rest, provoke, rest: which phase it is now, what was read in each, and what came of it, beside the trial before the mend. */
import {
  leakTimes,
  PROVOCATION_WORDS,
  TRIAL_CAUTIONS,
  trialWords,
  type JobTrial,
  type StageId,
  type TrialProvocation,
} from '@amber-gauge/core/bench';
import { fixed, signed, THIN } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import tables from '../../../shared/ui/Table.module.css';
import stages from '../stages/Stages.module.css';
import classes from './Prove.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly provocation: TrialProvocation;
  readonly block: string;
  readonly name: string;
}

const CAUTION_OF: Readonly<Record<TrialProvocation, keyof typeof TRIAL_CAUTIONS>> = {
  cold: 'cooled',
  heat: 'warmed',
  tap: 'tapped',
  breath: 'breathed-on',
  sink: 'sink',
  load: 'loaded',
};

/** Cycles that give a mean with an interval worth having. */
const CYCLES = 3;

/** What one provocation brought, before the mend and after it. */
export function TrialTable({ view, block, provocation }: Pick<Props, 'view' | 'block' | 'provocation'>) {
  const mine = view.state.proving.trials.filter((one) => one.block === block && one.provocation === provocation);
  return mine.length > 0 ? <Trials trials={mine} worked={view.state.work.at(-1)?.at ?? null} /> : null;
}

/** A trial at a part: at rest, provoked, and its end. */
export function TrialCheck({ view, stage, provocation, block, name }: Props) {
  const mine = view.state.proving.trials.filter((one) => one.block === block && one.provocation === provocation);
  const open = mine.find((one) => one.open) ?? null;
  const phase = open?.phases.at(-1) ?? null;
  const tell = (next: 'rest' | 'provoked' | 'end') =>
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'trial-phase', began: open?.key ?? null, provocation, block, name, phase: next }),
    );
  const done = PROVOCATION_WORDS[provocation];
  const provoked = open?.phases.filter((one) => one.phase === 'provoked').length ?? 0;
  return (
    <section className="stack" aria-label={say`Trial`}>
      <p className={stages.caution}>{TRIAL_CAUTIONS[CAUTION_OF[provocation]]}</p>
      {open && phase ? (
        <p className={classes.phase} role="status">{say`Now ${phase.phase === 'rest' ? say`at rest` : done},
          ${phase.values.length === 0 ? say`read it` : say`${phase.values.length} read`}. ${provoked} of ${CYCLES}
          times.`}</p>
      ) : (
        <p className={classes.phase}>{say`Begin at rest, read it, then say that it is ${done}.`}</p>
      )}
      <div className={classes.answers}>
        {!open && (
          <Button
            variant="contained"
            className={stages.big ?? ''}
            onClick={() => tell('rest')}
          >{say`Begin, at rest`}</Button>
        )}
        {open && phase?.phase === 'rest' && (
          <Button
            variant="contained"
            className={stages.big ?? ''}
            disabled={phase.values.length === 0}
            onClick={() => tell('provoked')}
          >{say`Now ${done}`}</Button>
        )}
        {open && phase?.phase === 'provoked' && (
          <Button
            variant="contained"
            className={stages.big ?? ''}
            disabled={phase.values.length === 0}
            onClick={() => tell('rest')}
          >{say`At rest again`}</Button>
        )}
        {open && (
          <Button
            variant="outlined"
            className={stages.big ?? ''}
            onClick={() => tell('end')}
          >{say`End the trial`}</Button>
        )}
      </div>
    </section>
  );
}

/** All trials of one provocation, before the mend and after it. */
function Trials({ trials, worked }: { readonly trials: readonly JobTrial[]; readonly worked: string | null }) {
  return (
    <table className={tables.table}>
      <thead>
        <tr>
          <th>{say`mend`}</th>
          <th>{say`at rest and provoked, in turn`}</th>
          <th>{say`change`}</th>
          <th>{say`such a leak`}</th>
        </tr>
      </thead>
      <tbody>
        {trials.map((trial) => (
          <tr key={trial.key}>
            <td>{worked !== null && trial.at > worked ? say`after` : say`before`}</td>
            <td className="mono">
              {trial.phases.map((one) => one.values.map((value) => signed(value, 2)).join(' ')).join(' | ')}
            </td>
            <td className="mono">{trialWords(trial)}</td>
            <td>{leakOf(trial)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** "32 R across the lower leg of a divider, or across the timing capacitor"; only where something moved. */
function leakOf({ result, unit }: JobTrial): string {
  if (result.kind !== 'moved' || unit !== '%') return '';
  const times = leakTimes(result.by);
  if (times === null) return '';
  const size = `${fixed(times, times < 10 ? 1 : 0)}${THIN}R`;
  return result.by < 0
    ? say`${size} across the lower leg of a divider, or across the timing capacitor`
    : say`${size} across the resistor R that sets the speed`;
}
