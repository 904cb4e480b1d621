/** The power state: word and shape, changed here or by the key p, logged with its time; live goes through the gate. */
import {
  gateHolds,
  isLive,
  POWER_WORDS,
  powerWords,
  type GateTo,
  type PowerState,
  type StageId,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useState } from 'react';
import { PowerShape } from '../../../shared/shapes/PowerShape.js';
import { serverNow } from '../../../shared/outbox/clock.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { fieldHasFocus } from '../../../shared/ui/focus.js';
import { Gate } from '../gate/Gate.js';
import type { JobView } from '../useJobView.js';
import classes from '../Job.module.css';

type LiveState = Exclude<GateTo, 'hand-back'>;
const MAINS: readonly PowerState[] = ['unplugged-unknown', 'live-isolated', 'live-direct'];
const PACK: readonly PowerState[] = ['pack-out', 'pack-in'];

export function PowerControl({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [asked, setAsked] = useState<LiveState | null>(null);
  const { power, gates } = view.state;
  const states = view.job.powerKind === 'pack' ? PACK : MAINS;
  const set = (state: PowerState, conditions: readonly string[]) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'power', state, conditions }));
  const choose = (state: PowerState) => {
    setAnchor(null);
    if (state === power) return;
    if (!isLive(state)) set(state, []);
    else if (gateHolds(gates, state as LiveState, serverNow()).holds) set(state, ['the gate passed before holds']);
    else setAsked(state as LiveState);
  };
  usePowerKey(() => choose(isLive(power) ? (states[0] as PowerState) : lastLive(view)));
  return (
    <>
      <Button
        color="inherit"
        variant="outlined"
        className={classes.power ?? ''}
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-label={`Power: ${powerWords(power, view.job)}`}
        title="Change the power state, key p"
      >
        <PowerShape state={power} />
        {powerWords(power, view.job)}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {states.map((state) => (
          <MenuItem key={state} selected={state === power} onClick={() => choose(state)}>
            <span className={classes.power}>
              <PowerShape state={state} /> {state === 'unplugged-unknown' ? 'Unplugged' : POWER_WORDS[state]}
            </span>
          </MenuItem>
        ))}
      </Menu>
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

/** The live state that was gone to last, or the safest there is. */
function lastLive(view: JobView): LiveState {
  const last = view.state.gates.map((pass) => pass.body.to).findLast((to) => to !== 'hand-back');
  return last ?? (view.job.powerKind === 'pack' ? 'pack-in' : 'live-isolated');
}

function usePowerKey(onKey: () => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key !== 'p' || event.repeat || event.ctrlKey || event.metaKey || event.altKey || fieldHasFocus())
        return;
      event.preventDefault();
      onKey();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  });
}
