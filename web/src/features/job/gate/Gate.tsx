/** Before power, and before hand-back: what is open, measured, limited and held down. Nothing is assumed. */
import {
  gateAsks,
  gateProblems,
  NO_CIRCUIT,
  POWER_WORDS,
  type GateAnswers,
  type GateTo,
  type StageId,
} from '@amber-gauge/core/bench';
import { banWords, familyOf } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useState } from 'react';
import { useSettings } from '../../../shared/api/queries.js';
import { PowerShape } from '../../../shared/shapes/PowerShape.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { arePressing } from '../find/Bans.js';
import { useJobFind } from '../find/findContext.js';
import { Check } from './Check.js';
import { GateEnds } from './GateEnds.js';
import { GateLimit } from './GateLimit.js';
import { GateShort } from './GateShort.js';
import type { JobView } from '../useJobView.js';
import classes from './Gate.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly to: GateTo;
  readonly onCancel: () => void;
  readonly onPassed: (confirmed: readonly string[]) => void;
}

const NOTHING: GateAnswers = { accepted: [], inPlace: [], shortOhm: null, limit: null, confirmed: [] };

export function Gate({ view, stage, to, onCancel, onPassed }: Props) {
  const [answers, setAnswers] = useState<GateAnswers>(NOTHING);
  const narrow = useMediaQuery('(max-width: 900px)');
  const mainsVolts = useSettings().data?.mainsVolts ?? 230;
  const volts = view.job.ratedVolts ?? mainsVolts;
  const asks = gateAsks(view.job, view.state, to);
  const problems = gateProblems(asks, answers, volts);
  const put = (more: Partial<GateAnswers>) => setAnswers({ ...answers, ...more });
  const confirm = (id: string, on: boolean) =>
    put({ confirmed: on ? [...answers.confirmed, id] : answers.confirmed.filter((other) => other !== id) });
  const pass = () => {
    void submitLines(view.job.id, makeLine(stage, { kind: 'gate', to, ...answers }));
    onPassed([
      ...asks.conditions.filter((one) => answers.confirmed.includes(one.id)).map((one) => one.text),
      ...bans.map((ban) => say`against the advice: ${ban.why}`),
    ]);
  };
  const hand = to === 'hand-back';
  const found = useJobFind();
  const bans = hand ? [] : (found?.answer?.advice.bans ?? []);
  const pressing = arePressing(bans);
  const [known, setKnown] = useState(false);
  const left = problems.length + Number(pressing && !known);
  return (
    <Dialog open onClose={onCancel} maxWidth="lg" fullWidth fullScreen={narrow} aria-labelledby="gate">
      <DialogContent className={classes.content ?? ''}>
        <h2 id="gate" className={classes.title}>
          {!hand && <PowerShape state={to} size={56} />}
          {hand ? say`Before it goes back` : say`Before power: ${POWER_WORDS[to]}`}
        </h2>
        {view.state.holds.length > 0 && <p className="danger">{say`A held value is still to be typed.`}</p>}
        <GateEnds view={view} stage={stage} asks={asks} answers={answers} onChange={put} />
        {asks.shortTest && (
          <GateShort
            work={asks.shortTest.after}
            ohm={answers.shortOhm}
            onOhm={(shortOhm) => put({ shortOhm })}
            noCircuit={asks.shortTest.sure ? null : answers.confirmed.includes(NO_CIRCUIT)}
            onNoCircuit={(on) => confirm(NO_CIRCUIT, on)}
          />
        )}
        {asks.limitNeeded && (
          <GateLimit
            limit={answers.limit}
            volts={volts}
            usualWatts={familyOf(view.job.familyId).usualWatts}
            pack={to === 'pack-in'}
            onLimit={(limit) => put({ limit })}
          />
        )}
        {bans.length > 0 && (
          <section className={classes.first} aria-label={say`Find says no power`}>
            <p className="danger">
              <strong>{say`Find says: no power yet.`}</strong>
            </p>
            <ul>
              {bans.map((ban) => (
                <li key={ban.id}>{banWords(ban)}</li>
              ))}
            </ul>
            {pressing && (
              <Check text={say`I know this, and go live through a limit of current.`} on={known} onChange={setKnown} />
            )}
          </section>
        )}
        {asks.unsafe.length > 0 && (
          <p
            className="danger"
            role="alert"
          >{say`Failed: ${asks.unsafe.join(', ')}. Mend it and read it again, unplugged, before mains.`}</p>
        )}
        {asks.conditions.map((one) => (
          <Check
            key={one.id}
            text={one.text}
            on={answers.confirmed.includes(one.id)}
            onChange={(on) => confirm(one.id, on)}
          />
        ))}
        {!hand && <FirstSeconds asks={asks} />}
        {to !== 'live-isolated' && !hand && (
          <p
            className={classes.note}
          >{say`Clip dead, step back, power, read, unplug. Only for those used to live work; local rules and licensed
            practice decide.`}</p>
        )}
      </DialogContent>
      <DialogActions className={classes.actions ?? ''}>
        <Button variant="outlined" onClick={onCancel}>
          {hand ? say`Not yet` : say`Stay unplugged`}
        </Button>
        <Button variant="contained" className={classes.go ?? ''} disabled={left > 0} onClick={pass}>
          {left > 0 ? say`${left} still open` : hand ? say`Nothing left over` : say`Go live`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function FirstSeconds({ asks }: { readonly asks: ReturnType<typeof gateAsks> }) {
  return (
    <section className={classes.first} aria-label={say`The first seconds`}>
      <p>
        <strong>{say`In the first seconds:`}</strong> {asks.firstSeconds.expect}
      </p>
      <p className="danger">{asks.firstSeconds.otherwise}</p>
    </section>
  );
}
