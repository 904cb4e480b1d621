/**
 * The decision: every way to go on in one list. Mends with their chance, hands, parts, wait and what they cost until the
 * unit works; what is usually done here while it is open; something else; nothing. One is chosen and kept.
 */
import {
  decide,
  decisionIds,
  type DecisionBody,
  HOUR_MONEY,
  pathOf,
  USUAL_COSTS,
  type MendOption,
  type StageId,
} from '@amber-gauge/core/bench';
import { mendOf, type DrivePath } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { useSettings } from '../../../shared/api/queries.js';
import { useMoney } from '../../../shared/ui/money.js';
import { today } from '../../shelf/useShelf.js';
import { useJobFind } from '../find/findContext.js';
import { percent } from '../find/useFind.js';
import type { JobView } from '../useJobView.js';
import { LEAVE } from './leave.js';
import { Moves } from './Moves.js';
import { OptionRow } from './OptionRow.js';
import { SomethingElse } from './SomethingElse.js';
import type { MendParts } from './useMendParts.js';
import classes from './Mend.module.css';
import { say } from '@amber-gauge/core/words';

/** So many stand in sight; the rest is unlikely or dear. */
const SHOWN = 6;

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly parts: MendParts;
}

export function Decision({ view, stage, parts }: Props) {
  const { decision, options } = useDecision(view, parts);
  const [all, setAll] = useState(false);
  const shown = all ? options : options.slice(0, SHOWN);
  // Until it is reckoned nothing is listed: what is touched must not move away under the finger.
  const waits = useJobFind()?.answer == null && pathOf(view.job) !== null;
  return (
    <section aria-label={say`What may cure it`} className="stack">
      <h2>{options.length > 0 ? say`What may cure it` : say`What to do`}</h2>
      {waits && <p className="quiet">{say`Reckoning what may cure it.`}</p>}
      {decision && options.length > 0 && (
        <Options view={view} stage={stage} parts={parts} decision={decision} shown={shown} />
      )}
      {options.length > SHOWN && (
        <div className="row">
          <Button onClick={() => setAll(!all)}>{all ? say`Fewer` : say`All ${options.length}`}</Button>
        </div>
      )}
      {!waits && (
        <Moves view={view} stage={stage} kind="mend" without={shown.flatMap((one) => [one.id, ...one.also])} />
      )}
      <SomethingElse view={view} stage={stage} />
    </section>
  );
}

/** Mends side by side, reckoned anew when the answer, the shelf, the prices or what was agreed change. */
function useDecision(view: JobView, { offer }: MendParts) {
  const find = useJobFind();
  const settings = useSettings().data;
  const answer = find?.answer ?? null;
  const path = find?.path ?? null;
  const { terms } = view.state;
  const costs = {
    hourMoney: settings?.hourMoney ?? HOUR_MONEY,
    dayMoney: settings?.dayMoney ?? USUAL_COSTS.dayMoney,
    tryMin: USUAL_COSTS.tryMin,
  };
  const offers = path ? [...path.repairs, ...path.ways].map((one) => [one.id, offer(one)] as const) : [];
  // Offers are made anew at every look; what they say is what counts.
  const told = JSON.stringify([
    costs,
    offers.map(([id, { money, days, from, priced }]) => [id, money, days, from, priced]),
  ]);
  const decision = useMemo(() => {
    if (!answer || !path) return null;
    const { faults, advice } = answer;
    const byId = new Map(offers);
    const { mends, ways, bans } = advice;
    return decide(
      { path, faults, mends, ways, bans },
      { terms, costs, offer: (repair) => byId.get(repair.id) ?? offer(repair), today: today() },
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `told` stands for costs and offers
  }, [answer, path, terms, told]);
  return { decision, options: decision?.options ?? NONE };
}

const NONE: readonly MendOption[] = [];

function Options({
  view,
  stage,
  parts,
  decision: { options, turning, stop, uncured },
  shown,
}: Props & { readonly decision: ReturnType<typeof decide>; readonly shown: readonly MendOption[] }) {
  const money = useMoney();
  const path = useJobFind()?.path ?? null;
  const hourMoney = useSettings().data?.hourMoney ?? HOUR_MONEY;
  const [reason, setReason] = useState('');
  const open = options.filter((one) => one.forbidden === null);
  const chosen = view.state.decision;
  const keep = (one: Kept) => {
    const beside = open.find((other) => other.id !== one.id && !one.also.includes(other.id))?.name ?? '';
    void submitLines(view.job.id, makeLine(stage, decisionOf(one, reason.trim(), beside)));
    // What the choice before had set aside goes back, unless this one wants it as well.
    const ids = [one.id, ...one.also];
    const before = chosen ? decisionIds(chosen).filter((id) => !ids.includes(id)) : [];
    parts.giveBack(mendsOf(path, before));
    parts.setAside(mendsOf(path, ids));
    setReason('');
  };
  return (
    <>
      {stop.map((words) => (
        <p key={words} className={classes.stop} role="alert">
          {words}
        </p>
      ))}
      <div className={classes.scroll}>
        <table className={classes.options}>
          <thead>
            <tr>
              <th scope="col">{say`mend`}</th>
              <th scope="col">{say`cures it`}</th>
              <th scope="col">{say`hands`}</th>
              <th scope="col">{say`parts`}</th>
              <th scope="col">{say`until it works`}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {shown.map((one, i) => (
              <OptionRow
                key={[one.id, ...one.also].join(' ')}
                view={view}
                stage={stage}
                one={one}
                best={i === 0 && one.forbidden === null}
                chosen={chosen?.optionId === one.id && (chosen.also ?? []).join() === one.also.join()}
                money={money}
                onChoose={() => keep(one)}
              />
            ))}
            <LeaveRow chosen={chosen?.optionId === LEAVE} onChoose={() => keep(NOTHING)} />
          </tbody>
        </table>
      </div>
      <p className="quiet">{say`Cures it: it works then, with no second fault beside it. Until it works: begun with that one, the usual
          others after it, an hour of hands at ${money(hourMoney)}, ten minutes to see whether it did, and what waiting costs here.${uncured >= 0.01 ? say` With ${percent(uncured)} % none of the usual ones cures it.` : ''}${
            turning
              ? say` “${turning.best}” comes before “${turning.other}” while its parts cost less than
            ${money(turning.partsMoney)}.`
              : ''
          }`}</p>
      <Field
        label={say`Why this one (kept with the choice)`}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
    </>
  );
}

const mendsOf = (path: DrivePath | null, ids: readonly string[]) => ids.flatMap((id) => mendOf(path, id) ?? []);

type Kept = Pick<MendOption, 'id' | 'also' | 'name' | 'chance' | 'minutes' | 'money' | 'expectedCost'>;

/** To mend nothing costs nothing and cures nothing. */
const NOTHING: Kept = {
  id: LEAVE,
  also: [],
  name: say`Mend nothing`,
  chance: 0,
  minutes: 0,
  money: 0,
  expectedCost: 0,
};

function LeaveRow({ chosen, onChoose }: { readonly chosen: boolean; readonly onChoose: () => void }) {
  return (
    <tr>
      <th scope="row">
        <span className={classes.way}>{say`leave`}</span>
        {say`Mend nothing, it goes back as it is`}
      </th>
      <td data-head="cures it">
        <span className="mono">0 %</span>
      </td>
      <td data-head="hands">
        <span className="mono">0 min</span>
      </td>
      <td data-head="parts">
        <span className="mono">{say`none`}</span>
      </td>
      <td data-head="until it works">
        <span className="mono">{say`never`}</span>
      </td>
      <td>
        <Button
          variant="outlined"
          disabled={chosen}
          onClick={onChoose}
          aria-label={say`Mend nothing, it goes back as it is`}
        >
          {chosen ? say`Chosen` : say`Choose`}
        </Button>
      </td>
    </tr>
  );
}

const cents = (amount: number): number => Math.round(100 * amount) / 100;

/** A line holds so many signs of a name. */
const MOST_NAME = 400;

/** The choice with the figures known now. */
const decisionOf = (
  { id, also, name, chance, minutes, money, expectedCost }: Kept,
  reason: string,
  beside: string,
): DecisionBody => ({
  kind: 'decision',
  optionId: id,
  ...(also.length > 0 ? { also } : {}),
  name: name.slice(0, MOST_NAME),
  reason,
  chance,
  minutes,
  money: cents(money),
  expectedCost: cents(expectedCost),
  beside: beside.slice(0, MOST_NAME),
});
