/** One way to mend it, in a row: what it is, what it cures, takes and costs, what goes with it. */
import { minutesWords, type MendOption, type StageId } from '@amber-gauge/core/bench';
import { WAY_WORDS } from './ways.js';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { percent } from '../find/useFind.js';
import type { JobView } from '../useJobView.js';
import { PartsAsk } from './PartsAsk.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly one: MendOption;
  readonly best: boolean;
  readonly chosen: boolean;
  readonly money: (amount: number) => string;
  readonly onChoose: () => void;
}

const FROM = {
  none: '',
  shelf: '',
  ordered: say`on the way`,
  asked: 'asked',
  lead: say`as before`,
  usual: say`usually`,
} as const;

/** "on the shelf", "about, 7 days usually"; nothing where no part is needed. */
function partsWords({ partsDays, partsFrom, partsMoney, priced }: MendOption): string {
  const days = `${partsDays === 1 ? say`1 day` : say`${partsDays} days`} ${FROM[partsFrom]}`;
  const wait = partsFrom === 'none' || (partsMoney === 0 && partsFrom === 'usual') ? '' : days;
  return [partsMoney > 0 && !priced ? say`about` : '', partsFrom === 'shelf' ? say`on the shelf` : wait]
    .filter(Boolean)
    .join(', ');
}

export function OptionRow({ view, stage, one, best, chosen, money, onChoose }: Props) {
  const [asking, setAsking] = useState(false);
  const price = one.partsMoney > 0 ? money(one.partsMoney) : 'none';
  const words = partsWords(one);
  return (
    <>
      <tr className={best ? classes.best : undefined}>
        <th scope="row">
          <span className={classes.way}>{WAY_WORDS[one.way]}</span>
          {one.members.map((name) => (
            <span key={name} className={classes.member}>
              {name}
            </span>
          ))}
          {one.loses && (
            <span className={classes.after}>
              <b>{say`Gone with it: ${one.loses}.`}</b>
              {say` Ask the owner.`}
            </span>
          )}
          {one.school && <span className={classes.after}>{one.school.case}</span>}
          {one.leaves && <span className={classes.after}>{say`then: ${one.leaves}`}</span>}
          {one.risks && <span className={`${classes.after} quiet`}>{say`mind: ${one.risks}`}</span>}
          {one.forbidden && <span className={`${classes.after} danger`}>{say`Not yet. ${one.forbidden}`}</span>}
          {one.overCeiling && <span className={`${classes.after} danger`}>{say`over the ceiling`}</span>}
          {one.late && <span className={`${classes.after} danger`}>{say`not ready by the day it is wanted`}</span>}
        </th>
        <td data-head="cures it">
          <span className="mono">{percent(one.chance)} %</span>
        </td>
        <td data-head="hands">
          <span className="mono">{Math.round(one.minutes)} min</span>
          {one.waitMin > 0 && (
            <span
              className={`${classes.after} ${classes.narrow}`}
            >{say`+ ${minutesWords(one.waitMin)} of waiting`}</span>
          )}
        </td>
        <td data-head="parts">
          {one.also.length === 0 ? (
            <button
              type="button"
              className={`${classes.price} mono`}
              onClick={() => setAsking(!asking)}
              aria-expanded={asking}
              aria-label={say`Parts of ${one.name}: say what they cost and when they come`}
            >
              {price}
            </button>
          ) : (
            <span className="mono">{price}</span>
          )}
          {words && <span className={`${classes.after} ${classes.narrow}`}>{words}</span>}
        </td>
        <td data-head="until it works">
          <span className="mono">{money(one.expectedCost)}</span>
        </td>
        <td>
          <Button
            variant={best ? 'contained' : 'outlined'}
            disabled={one.forbidden !== null || chosen}
            onClick={onChoose}
            aria-label={say`Choose: ${one.name}`}
          >
            {chosen ? say`Chosen` : say`Choose`}
          </Button>
        </td>
      </tr>
      {asking && (
        <tr>
          <td colSpan={6}>
            <PartsAsk view={view} stage={stage} one={one} onDone={() => setAsking(false)} />
          </td>
        </tr>
      )}
    </>
  );
}
