/** An opened row of the path: how it may be at fault, what speaks for and against, its checks and its mends. */
import type { StageId } from '@amber-gauge/core/bench';
import { costOf, type Evidence, type MendAdvice, type TestAdvice } from '@amber-gauge/core/diagnosis';
import type { DrivePath } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useMoney } from '../../../shared/ui/money.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { SuspectView } from '@amber-gauge/core/bench';
import type { JobView } from '../useJobView.js';
import { TriedHere } from './TriedHere.js';
import { TrimsHere } from './TrimsHere.js';
import { percent } from './useFind.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly path: DrivePath;
  readonly one: SuspectView;
  readonly words: ReadonlyMap<string, string>;
  readonly checks: readonly TestAdvice[];
  readonly mends: readonly MendAdvice[];
  readonly onChoose: (testId: string) => void;
  readonly onMend: () => void;
}

/** Ways of failing under this share are left out. */
const LEAST_MODE = 0.005;

export function BlockInside({ view, stage, path, one, words, checks, mends, onChoose, onMend }: Props) {
  const money = useMoney();
  const tell = (verdict: 'ruled-out' | 'pinned') =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'suspect', block: one.block, name: one.name, verdict }));
  return (
    <div className={classes.opened}>
      <ul>
        {one.modes
          .filter((mode) => mode.share >= LEAST_MODE)
          .map((mode) => (
            <li key={mode.mode}>
              {mode.name} <span className="mono quiet">{percent(mode.share)} %</span>
            </li>
          ))}
      </ul>
      <TrimsHere view={view} path={path} block={one.block} />
      {one.evidence.length === 0 ? (
        <p className="quiet">{say`Nothing seen has borne on it yet.`}</p>
      ) : (
        <ul aria-label={say`Evidence on ${one.name}`}>
          {one.evidence.map((evidence) => (
            <li key={evidence.ids.join()}>
              <strong>{weightWords(evidence)}</strong>: {evidence.ids.map((id) => words.get(id) ?? '').join(', ')}
            </li>
          ))}
        </ul>
      )}
      {checks.length > 0 && (
        <ul aria-label={say`Checks of ${one.name}`}>
          {checks.map((check) => (
            <li key={check.test.id} className={classes.check}>
              <Button variant="outlined" onClick={() => onChoose(check.test.id)}>
                {check.test.name}
              </Button>
              <span className="quiet small">{check.forbidden ?? costOf(check)}</span>
            </li>
          ))}
        </ul>
      )}
      {mends.length > 0 && (
        <ul aria-label={say`Mends of ${one.name}`}>
          {mends.map(({ repair, chance, forbidden }) => (
            <li key={repair.id} className={classes.check}>
              <Button variant="outlined" onClick={onMend}>
                {repair.name}
              </Button>
              <span className="quiet small">
                {forbidden ??
                  say`cures it with ${percent(chance)} %, ${repair.handsMin}
                    min${repair.money > 0 ? say`, about ${money(repair.money)}` : ''}`}
              </span>
            </li>
          ))}
        </ul>
      )}
      <TriedHere view={view} stage={stage} path={path} block={one.block} name={one.name} />
      <div className="row">
        <Button variant="outlined" onClick={() => tell('ruled-out')}>{say`I know it is not this`}</Button>
        <Button variant="outlined" onClick={() => tell('pinned')}>{say`I know it is this`}</Button>
      </div>
    </div>
  );
}

/** Factors of 8 and of 2 in the odds, in words. */
function weightWords({ bits }: Evidence): string {
  const side = bits > 0 ? 'for' : 'against';
  const size = Math.abs(bits);
  return size >= 3 ? say`strongly ${side}` : size >= 1 ? side : say`a little ${side}`;
}
