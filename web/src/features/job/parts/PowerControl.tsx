/** The power state: word and shape, changed here or by its key, logged with its time; live goes through the gate. */
import { gateHolds, isLive, POWER_WORDS, powerNowWords, type PowerState, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef, useState } from 'react';
import { PowerShape } from '../../../shared/shapes/PowerShape.js';
import { serverNow } from '../../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { arePressing } from '../find/Bans.js';
import { useJobFind } from '../find/findContext.js';
import { Gate } from '../gate/Gate.js';
import type { JobView } from '../useJobView.js';
import { usePowerUndo, type PowerUndo } from './powerUndo.js';
import { toldOf } from './told.js';
import { useGoLive, type LiveState } from './goLive.js';
import { POWER_KEY } from './useJobKeys.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

const MAINS: readonly PowerState[] = ['unplugged-unknown', 'live-isolated', 'live-direct'];
const PACK: readonly PowerState[] = ['pack-out', 'pack-in'];

/** The undo of a power change stands this long, seconds. */
const UNDO_S = 10;

export function PowerControl({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [asked, setAsked] = useState<LiveState | null>(null);
  const { last, offer } = usePowerUndo();
  const { power, gates } = view.state;
  const find = useJobFind();
  const pressing = arePressing(find?.answer?.advice.bans ?? []);
  const states = view.job.powerKind === 'pack' ? PACK : MAINS;
  const set = (state: PowerState, conditions: readonly string[]) => {
    const line = makeLine(stage, { kind: 'power', state, conditions });
    void submitLines(view.job.id, line);
    // A slip of the key never was power: the state goes back, what is known of the charge does not get better by it.
    const back = power === 'unplugged-discharged' ? 'unplugged-unknown' : power;
    const undone = [say`undone: it was pressed by mistake`];
    offer({
      id: line.key,
      words: state === 'unplugged-unknown' ? say`Unplugged` : POWER_WORDS[state],
      undo: () =>
        void submitLines(
          view.job.id,
          makeLine(stage, { kind: 'power', state: back, conditions: undone, wasOn: isLive(back) }),
        ),
    });
  };
  const choose = (state: PowerState) => {
    setAnchor(null);
    if (state === power && view.state.doubt === null) return;
    if (!isLive(state)) set(state, []);
    // What speaks against power now was not known when the gate was passed: it is asked again.
    else if (!pressing && gateHolds(gates, state as LiveState, serverNow()).holds)
      set(state, [say`the gate passed before holds`]);
    else setAsked(state as LiveState);
  };
  const latest = useRef(choose);
  const toggled = isLive(power) ? (states[0] as PowerState) : lastLive(view);
  useEffect(() => {
    latest.current = choose;
  });
  useEffect(
    () =>
      useGoLive.subscribe(({ wanted, ask }) => {
        if (wanted === null) return;
        ask(null);
        // A key toggles; a line or a test names the state it wants.
        latest.current(wanted === 'last' ? toggled : wanted);
      }),
    [toggled],
  );
  const words = powerNowWords(toldOf(view.state), view.job);
  return (
    <>
      <Button
        color="inherit"
        variant="outlined"
        className={classes.power ?? ''}
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={say`Power: ${words}`}
        title={say`Change the power state, key ${POWER_KEY}`}
        data-danger={view.state.charge !== null || view.state.doubt !== null}
      >
        <PowerShape state={power} />
        {words}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {states.map((state) => (
          <MenuItem key={state} selected={state === power} onClick={() => choose(state)}>
            <span className={classes.power}>
              <PowerShape state={state} /> {state === 'unplugged-unknown' ? say`Unplugged` : POWER_WORDS[state]}
            </span>
          </MenuItem>
        ))}
      </Menu>
      {last && <Undo key={last.id} last={last} onGone={() => offer(null)} />}
      {asked && (
        <Gate
          view={view}
          stage={stage}
          to={asked}
          onCancel={() => setAsked(null)}
          onPassed={(confirmed) => {
            set(asked, confirmed);
            setAsked(null);
          }}
        />
      )}
    </>
  );
}

function Undo({ last, onGone }: { readonly last: PowerUndo; readonly onGone: () => void }) {
  const [left, setLeft] = useState(UNDO_S);
  useEffect(() => {
    const timer = setInterval(() => setLeft((one) => one - 1), 1000);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    if (left <= 0) onGone();
  }, [left, onGone]);
  const undo = () => {
    last.undo();
    onGone();
  };
  return (
    <div className={classes.undo} role="status">
      <span>{say`Logged: ${last.words}`}</span>
      <Button variant="contained" onClick={undo}>{say`Undo, ${Math.max(0, left)} s`}</Button>
    </div>
  );
}

/** The live state that was gone to last, or the safest there is. */
function lastLive(view: JobView): LiveState {
  const last = view.state.gates.map((pass) => pass.body.to).findLast((to) => to !== 'hand-back');
  return last ?? (view.job.powerKind === 'pack' ? 'pack-in' : 'live-isolated');
}
