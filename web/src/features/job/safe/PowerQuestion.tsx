/** The log shows it was on while it was said to be unplugged: one question, one key, every answer is logged. */
import type { PowerState, StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useWindowEvent } from '../../../shared/ui/useWindowEvent.js';
import { usePowerUndo } from '../parts/powerUndo.js';
import type { JobView } from '../useJobView.js';
import classes from './Safe.module.css';
import { say } from '@amber-gauge/core/words';

/** Function keys: a letter would be the beginning of a line. */
const ANSWER_KEYS = { on: 'F6', off: 'F7' } as const;

export function PowerQuestion({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const { doubt } = view.state;
  const pack = view.job.powerKind === 'pack';
  const offer = usePowerUndo((state) => state.offer);
  const tell = (state: PowerState, answer: string, wasOn: boolean) => {
    const conditions = [say`asked, since ${doubt?.what ?? ''}: ${answer}`];
    const line = makeLine(stage, { kind: 'power', state, conditions, wasOn });
    void submitLines(view.job.id, line);
    // Taken back, the question stands again, and the unit is taken for live.
    const reason = say`undone: it was pressed by mistake`;
    offer({
      id: line.key,
      words: answer,
      undo: () => void submitLines(view.job.id, makeLine(stage, { kind: 'strike', target: line.key, reason })),
    });
  };
  const off: PowerState = pack ? 'pack-out' : 'unplugged-unknown';
  const on = () => tell(pack ? 'pack-in' : 'live-direct', say`it is on`, true);
  const was = () => tell(off, pack ? say`it was in, and is out again` : say`it was on, and is unplugged again`, true);
  useWindowEvent('keydown', (event) => {
    if (!doubt || event.repeat) return;
    const answer = event.key === ANSWER_KEYS.on ? on : event.key === ANSWER_KEYS.off ? was : null;
    if (!answer) return;
    event.preventDefault();
    answer();
  });
  if (!doubt) return null;
  const word = pack ? 'in' : 'on';
  return (
    <section className={classes.question} role="alert" aria-label={say`Is it on?`}>
      <p
        className={classes.questionText}
      >{say`${capital(doubt.what)}, and the log says ${doubt.said === 'pack-out' ? say`pack out` : say`unplugged`}.
        Taken for live until you say.`}</p>
      <div className="row">
        <Button variant="contained" className={classes.big ?? ''} onClick={on} title={say`Key ${ANSWER_KEYS.on}`}>
          {say`It is ${word} now `}
          <kbd>{ANSWER_KEYS.on}</kbd>
        </Button>
        <Button variant="outlined" className={classes.big ?? ''} onClick={was} title={say`Key ${ANSWER_KEYS.off}`}>
          {say`It was, ${pack ? say`pack out` : say`unplugged`} again `}
          <kbd>{ANSWER_KEYS.off}</kbd>
        </Button>
        <Button
          className={classes.big ?? ''}
          onClick={() => tell(off, say`it was not on: turned or read without power`, false)}
        >{say`It was not ${word}`}</Button>
      </div>
    </section>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
