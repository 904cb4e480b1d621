/** The decision: mends side by side with their chance, hands, money and what they cost until the unit works; one is chosen and kept. */
import { decide, HOUR_MONEY, minutesWords, type MendOption, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { useSettings } from '../../../shared/api/queries.js';
import { useMoney } from '../../../shared/ui/money.js';
import { useJobFind } from '../find/findContext.js';
import { percent } from '../find/useFind.js';
import type { JobView } from '../useJobView.js';
import { LEAVE } from './leave.js';
import classes from './Mend.module.css';

/** So many stand in sight; the rest is unlikely or dear. */
const SHOWN = 5;

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
}

export function Decision({ view, stage }: Props) {
  const find = useJobFind();
  const money = useMoney();
  const hourMoney = useSettings().data?.hourMoney ?? HOUR_MONEY;
  const [reason, setReason] = useState('');
  const [all, setAll] = useState(false);
  const answer = find?.answer;
  if (!find || !answer || answer.advice.mends.length === 0) return null;
  const { suspects, advice } = answer;
  const { options, turning, stop, uncured } = decide(
    { path: find.path, suspects, mends: advice.mends },
    view.state.terms,
    hourMoney,
  );
  const open = options.filter((one) => one.forbidden === null);
  const keep = (one: Kept) => {
    const beside = open.find((other) => other.id !== one.id)?.name ?? '';
    void submitLines(view.job.id, makeLine(stage, decisionOf(one, reason.trim(), beside)));
    setReason('');
  };
  return (
    <section aria-label="What may cure it" className="stack">
      <h2>What may cure it</h2>
      {stop && (
        <p className={classes.stop} role="alert">
          {stop}
        </p>
      )}
      <div className={classes.scroll}>
        <table className={classes.options}>
          <thead>
            <tr>
              <th scope="col">mend</th>
              <th scope="col">cures it</th>
              <th scope="col">hands</th>
              <th scope="col">parts</th>
              <th scope="col">until it works</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {(all ? options : options.slice(0, SHOWN)).map((one, i) => (
              <Row
                key={one.id}
                one={one}
                best={i === 0 && one.forbidden === null}
                chosen={view.state.decision?.optionId === one.id}
                money={money}
                onChoose={() => keep(one)}
              />
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet">
        Chances come from what was seen here. Until it works: begun with that one, the others after it, an hour of hands
        at {money(hourMoney)}.{uncured >= 0.01 ? ` With ${percent(uncured)} % none of them cures it.` : ''}
        {turning
          ? ` “${turning.best}” comes before “${turning.other}” while its parts cost less than ${money(turning.partsMoney)}.`
          : ''}
      </p>
      <div className="row">
        <Field
          label="Why this one (kept with the choice)"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          sx={{ flex: '1 1 320px' }}
        />
        <Button onClick={() => keep(NOTHING)} disabled={view.state.decision?.optionId === LEAVE}>
          Mend nothing, it goes back as it is
        </Button>
        {options.length > SHOWN && (
          <Button onClick={() => setAll(!all)}>{all ? 'Fewer' : `All ${options.length}`}</Button>
        )}
      </div>
    </section>
  );
}

type Kept = Pick<MendOption, 'id' | 'name' | 'chance' | 'minutes' | 'money' | 'expectedCost'>;

/** To mend nothing costs nothing and cures nothing. */
const NOTHING: Kept = { id: LEAVE, name: 'Mend nothing', chance: 0, minutes: 0, money: 0, expectedCost: 0 };

const cents = (amount: number): number => Math.round(100 * amount) / 100;

/** The choice with the figures known now. */
const decisionOf = ({ id, name, chance, minutes, money, expectedCost }: Kept, reason: string, beside: string) => ({
  kind: 'decision' as const,
  optionId: id,
  name,
  reason,
  chance,
  minutes,
  money: cents(money),
  expectedCost: cents(expectedCost),
  beside,
});

interface RowProps {
  readonly one: MendOption;
  readonly best: boolean;
  readonly chosen: boolean;
  readonly money: (amount: number) => string;
  readonly onChoose: () => void;
}

function Row({ one, best, chosen, money, onChoose }: RowProps) {
  return (
    <tr className={best ? classes.best : undefined}>
      <th scope="row">
        {one.name}
        {one.school && <span className={classes.after}>{one.school.case}</span>}
        {one.leaves && <span className={classes.after}>then: {one.leaves}</span>}
        {one.forbidden && <span className={`${classes.after} danger`}>Not yet. {one.forbidden}</span>}
        {one.overCeiling && <span className={`${classes.after} danger`}>over the ceiling</span>}
      </th>
      <td className="mono" data-head="cures it">
        {percent(one.chance)} %
      </td>
      <td className="mono" data-head="hands">
        {Math.round(one.minutes)} min
        {one.waitMin > 0 && <span className={classes.after}>+ {minutesWords(one.waitMin)} of waiting</span>}
      </td>
      <td className="mono" data-head="parts">
        {one.partsMoney > 0 ? money(one.partsMoney) : 'none'}
      </td>
      <td className="mono" data-head="until it works">
        {money(one.expectedCost)}
      </td>
      <td>
        <Button
          variant={best ? 'contained' : 'outlined'}
          disabled={one.forbidden !== null || chosen}
          onClick={onChoose}
          aria-label={`Choose: ${one.name}`}
        >
          {chosen ? 'Chosen' : 'Choose'}
        </Button>
      </td>
    </tr>
  );
}
