/** The strip-down played backwards: one step at a time, in an order that shuts nothing in. */
import { reassembly, shutsIn, stepWords, type RefitItem, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { JobView } from '../useJobView.js';
import { Findings } from './Findings.js';
import { RefitForm } from './RefitForm.js';
import { TrayTable } from './TrayTable.js';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

export function PutBack({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const { ledger } = view.state;
  const [chosen, setChosen] = useState<string | null>(null);
  const plan = reassembly(ledger);
  const present = plan.find((item) => item.step.key === chosen) ?? plan[0];
  if (ledger.steps.length === 0) return <p className="quiet">{say`Nothing came off.`}</p>;
  return (
    <>
      {present ? (
        <RefitForm
          key={present.step.key}
          view={view}
          stage={stage}
          item={present}
          shuts={shutsIn(ledger, present.step.key)}
          onDone={() => setChosen(null)}
        />
      ) : (
        <h1 className="prompt">{say`Everything is back on`}</h1>
      )}
      <Findings view={view} stage={stage} />
      <TrayTable ledger={ledger} />
      {plan.length > 1 && (
        <ol className={classes.steps} aria-label={say`The way back`}>
          {plan.map((item) => (
            <OtherStep
              key={item.step.key}
              item={item}
              present={item === present}
              onChoose={() => setChosen(item.step.key)}
            />
          ))}
        </ol>
      )}
    </>
  );
}

function OtherStep({
  item,
  present,
  onChoose,
}: {
  readonly item: RefitItem;
  readonly present: boolean;
  readonly onChoose: () => void;
}) {
  const { step, waitsFor, closeFirst } = item;
  return (
    <li className={classes.step}>
      <span className={`mono ${classes.number}`}>{step.number}</span>
      <div>
        <p className={classes.what}>{stepWords(step.step)}</p>
        <p className="quiet small">
          {[
            waitsFor.length > 0 && say`after step ${waitsFor.map((one) => one.number).join(', ')}`,
            closeFirst.length > 0 && say`close first: ${closeFirst.map((one) => one.end.what).join(', ')}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      {present ? (
        <span className="quiet">{say`now`}</span>
      ) : (
        <Button onClick={onChoose} aria-label={say`Do step ${step.number} now`}>{say`This one now`}</Button>
      )}
    </li>
  );
}
