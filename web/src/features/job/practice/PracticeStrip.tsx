/** The practice bench over the entry line: its clock, what is asked done with one key, instruments put anywhere. */
import { doTest, heldAs, waysToHold, type Done, type Scoped } from '@amber-gauge/core/training';
import { writeWav } from '@amber-gauge/core/formats';
import { traceCsv } from '@amber-gauge/core/instruments';
import type { StageId } from '@amber-gauge/core/bench';
import { fixed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { usePracticeStands } from '../../measuring/ways/practiceStands.js';
import { useAsked } from '../asked.js';
import { useTypeAgain } from '../parts/typeAgain.js';
import type { JobView } from '../useJobView.js';
import { Checks } from './Checks.js';
import { Instruments } from './Instruments.js';
import { ScopeScreen } from './ScopeScreen.js';
import { Hands } from './Hands.js';
import { Heard } from './Heard.js';
import { Strobe } from './Strobe.js';
import { SetTo, type Stands } from './SetTo.js';
import { TrimKnobs } from './TrimKnobs.js';
import { useMarking } from './useMarking.js';
import { usePracticeSound, usePracticeVisit } from './usePracticeVisit.js';
import classes from './Practice.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
}

export function PracticeStrip({ view, stage, speedId }: Props) {
  const visit = usePracticeVisit(view);
  const [open, setOpen] = useState(stage === 'take-in');
  const [done, setDone] = useState<Done | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [trace, setTrace] = useState<Scoped['trace']>(null);
  const standing = usePracticeStands((state) => state.set);
  useEffect(() => () => standing({ csv: null, wav: null }), [standing]);
  const [stands, setStands] = useStands(visit?.map.machine.settings ?? NO_SETTINGS, speedId);
  const condition = useMemo(() => (visit ? heldAs(visit, stands) : NO_CONDITION), [visit, stands]);
  usePracticeSound(view, visit, condition);
  const asked = useAsked((state) => state.asked);
  const type = useTypeAgain((state) => state.ask);
  const { mark, busy } = useMarking(view, stage);
  const spec = view.job.practice;
  if (!spec) return null;
  if (!visit)
    return (
      <p
        className={classes.strip}
      >{say`This practice unit’s machine is not known to this version: it cannot be measured.`}</p>
    );
  const test = asked?.testId ? visit.path.tests.find(({ id }) => id === asked.testId) : undefined;
  const measured = ({ done: made, trace: seen, sound: taken }: Scoped) => {
    keep(made);
    setTrace(seen);
    const wav = taken ? writeWav([taken.samples], taken.sampleRate).buffer : null;
    standing({ csv: seen && traceCsv(seen), wav });
  };
  const keep = (made: Done | { readonly refused: string }) => {
    if ('refused' in made) {
      setRefused(made.refused);
      return;
    }
    const { typed: _typed, outcome: _outcome, ...body } = made;
    setRefused(null);
    setDone(made);
    void submitLines(view.job.id, makeLine(stage, { kind: 'practice-act', ...body }));
  };
  return (
    <section className={classes.strip} aria-label={say`Practice bench`}>
      <div className={classes.row}>
        <span className={classes.clock}>
          <span className="mono" data-testid="practice-clock">
            {fixed(visit.clockMin, 0)}
          </span>
          {say` min of practice`}
        </span>
        <Button
          variant="contained"
          disabled={!test}
          onClick={() => test && keep(doTest(visit, test, spec.seed))}
        >{say`Do what is asked`}</Button>
        <span
          className={classes.shown}
          role="status"
          data-testid="practice-shown"
          // The prompt above says it already: a narrow screen leaves it out.
          data-asked={!refused && !done && test ? true : undefined}
        >
          {refused ??
            (done ? `${done.name}: ${done.words}` : (test?.name ?? say`The owner says: ${view.job.complaint}`))}
        </span>
        {done?.typed && !refused && (
          <Button variant="outlined" onClick={() => type(done.typed)}>{say`Into the entry line`}</Button>
        )}
        <Button onClick={() => setOpen(!open)} aria-expanded={open}>{say`Instruments`}</Button>
        <Button variant="outlined" disabled={busy || visit.ended} onClick={mark}>
          {visit.ended ? say`Ended` : busy ? say`Marking` : say`I am done`}
        </Button>
      </div>
      {visit.harm.length > 0 && (
        <p className={classes.harm} role="alert">
          {visit.harm.map(({ key, words }) => (
            <span key={`${key} ${words}`}>{words}. </span>
          ))}
        </p>
      )}
      {open && (
        <div className={classes.row}>
          <SetTo machine={visit.map.machine} ways={waysToHold(visit)} stands={stands} onStands={setStands} />
          <Hands view={view} stage={stage} visit={visit} />
          <Checks visit={visit} onDo={(one) => keep(doTest(visit, one, spec.seed))} />
          <Instruments visit={visit} condition={condition} seed={spec.seed} onDone={measured} />
          <Strobe visit={visit} view={view} condition={condition} speedId={speedId} onDone={keep} />
          {trace && <ScopeScreen trace={trace} />}
          <Heard />
          {stage === 'set-speed' && <TrimKnobs view={view} stage={stage} trims={visit.map.machine.trims} />}
        </div>
      )}
    </section>
  );
}

const NO_SETTINGS: readonly string[] = [];
const NO_CONDITION = {};

/** How the unit is set; choosing a speed on the screen sets it too. */
function useStands(settings: readonly string[], speedId: string): [Stands, (to: Stands) => void] {
  const [kept, setKept] = useState<{ readonly speedId: string; readonly stands: Stands }>({
    speedId: '',
    stands: { setting: '', warm: 0, tapped: false, loaded: false, damp: false, held: {} },
  });
  const follows =
    kept.speedId === speedId ? kept.stands.setting : settings.includes(speedId) ? speedId : kept.stands.setting;
  const setting = settings.includes(follows) ? follows : (settings[0] ?? '');
  const stands = useMemo(() => ({ ...kept.stands, setting }), [kept.stands, setting]);
  return [stands, (to) => setKept({ speedId, stands: to })];
}
