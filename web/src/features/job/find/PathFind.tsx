/** Find on a family that has a drive path: the run of blocks, one next test, the suspects, the tests after it. */
import { standing, type StageId } from '@amber-gauge/core/bench';
import { reasonOf, type MendAdvice, type TestAdvice } from '@amber-gauge/core/diagnosis';
import Button from '@mui/material/Button';
import '@xyflow/react/dist/base.css';
import { useMemo, useRef, useState } from 'react';
import { lazyPart } from '../../../shared/ui/lazyPart.js';
import type { SuspectView } from '../../../workers/find.worker.js';
import type { JobView } from '../useJobView.js';
import { FitModel } from './FitModel.js';
import { FunctionGrid } from './FunctionGrid.js';
import { NextTest } from './NextTest.js';
import { latestReadings } from './latest.js';
import type { PathBlockView } from './PathRun.js';
import { Suspects } from './Suspects.js';
import { foundBlocks, suspicionOf } from './suspicion.js';
import { percent, type Find } from './useFind.js';
import classes from './Find.module.css';

const PathRun = lazyPart(() => import('./PathRun.js').then((module) => module.PathRun), 'Drawing the path.');

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly find: Find;
  readonly onStage: (stage: StageId) => void;
}

export function PathFind({ view, stage, find, onStage }: Props) {
  const { path, evidence, answer, change } = find;
  const [opened, setOpened] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const heading = useRef<HTMLDivElement>(null);
  const [skipped, setSkipped] = useState<readonly string[]>([]);
  const lines = useMemo(() => standing(view.lines.map((line) => line.event)), [view.lines]);
  const found = useMemo(() => foundBlocks(path, lines), [path, lines]);
  const readings = useMemo(() => latestReadings(path, evidence), [path, evidence]);
  const blocks = useMemo(
    () =>
      new Map(
        (answer?.suspects ?? []).map((one): [string, PathBlockView] => [
          one.block,
          { id: one.block, name: one.name, suspicion: suspicionOf(one, found) },
        ]),
      ),
    [answer, found],
  );
  if (!answer) return <p className="quiet">Reading the drive path.</p>;
  const open = [...answer.advice.tests, ...answer.advice.rest];
  const tests = answer.advice.tests.filter((one) => !skipped.includes(one.test.id));
  const next = open.find((one) => one.test.id === chosen) ?? tests[0] ?? answer.advice.tests[0];
  const checksOf = (block: string) => {
    const gives = path.blocks.find((one) => one.id === block)?.outputs ?? [];
    return open.filter(({ test }) => test.block === block || (test.signal !== null && gives.includes(test.signal)));
  };
  const openFromPath = (block: string) => {
    setOpened(block);
    requestAnimationFrame(() => document.getElementById(`suspect-${block}`)?.scrollIntoView({ block: 'nearest' }));
  };
  const choose = (testId: string) => {
    setChosen(testId);
    // After the test is drawn: what is above it may have changed its height.
    requestAnimationFrame(() => heading.current?.scrollIntoView({ block: 'start' }));
  };
  const mend = answer.advice.mends[0];
  const suspicion = (one: SuspectView) => suspicionOf(one, found);
  return (
    <div className={classes.panes} data-testid="find-panes">
      <div className={classes.path}>
        <PathRun path={path} blocks={blocks} readings={readings} opened={opened} onOpen={openFromPath} />
        <p className={classes.change} role="status">
          {change ?? ''}
        </p>
      </div>
      <div className={classes.find} ref={heading}>
        <p className={classes.swipe}>Swipe for the path ›</p>
        {evidence.problems.map((problem) => (
          <p key={problem.key} className="danger" role="alert">
            {problem.message}
          </p>
        ))}
        {answer.unexplained.length > 0 && (
          <p className={classes.odd}>
            Take again, nothing likely explains it:{' '}
            {answer.unexplained.map((id) => evidence.words.get(id) ?? '').join('; ')}
          </p>
        )}
        {answer.advice.next === 'mend' && mend && <MendFirst mend={mend} onStage={onStage} />}
        {next && (
          <NextTest
            key={next.test.id}
            view={view}
            stage={stage}
            path={path}
            advice={next}
            onOther={() => {
              setChosen(null);
              setSkipped([...skipped, next.test.id]);
            }}
          />
        )}
        {!next && <h1 className="prompt">{mend ? 'Nothing more to test' : 'Nothing left to ask'}</h1>}
        {evidence.since && <h2>Since: {evidence.since}</h2>}
        <Suspects
          view={view}
          stage={stage}
          answer={answer}
          suspicion={suspicion}
          words={evidence.words}
          opened={opened}
          onOpen={setOpened}
          checksOf={checksOf}
          onChoose={choose}
        />
        <FunctionGrid view={view} stage={stage} find={find} />
        <FitModel view={view} find={find} />
        <Following tests={answer.advice.tests} />
      </div>
    </div>
  );
}

function MendFirst({ mend, onStage }: { readonly mend: MendAdvice; readonly onStage: (stage: StageId) => void }) {
  return (
    <p className={classes.mend}>
      <strong>{mend.repair.name}</strong>: {percent(mend.chance)} %, {Math.round(mend.minutes)} min. Trying it costs
      less than knowing more.{' '}
      <Button variant="contained" onClick={() => onStage('mend')}>
        Go to Mend
      </Button>
    </p>
  );
}

/** Why not another test: every test still open with its numbers. */
function Following({ tests }: { readonly tests: readonly TestAdvice[] }) {
  const [open, setOpen] = useState(false);
  if (tests.length < 2) return null;
  return (
    <section aria-label="Tests that would follow">
      <Button onClick={() => setOpen(!open)} aria-expanded={open}>
        Why not another test?
      </Button>
      {open && (
        <ul className={classes.following}>
          {tests.slice(1, 12).map((one) => (
            <li key={one.test.id}>
              {one.test.name} <span className="quiet">{one.forbidden ?? reasonOf(one)}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
