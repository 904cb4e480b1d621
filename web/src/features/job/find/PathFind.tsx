/** Find on a family that has a drive path: the path as one list with rails, and beside it one next test. */
import { betweenRows, isLive, standing, type StageId } from '@amber-gauge/core/bench';
import { reasonOf, type MendAdvice, type TestAdvice } from '@amber-gauge/core/diagnosis';
import type { PathBlock } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useMemo, useRef, useState } from 'react';
import type { JobView } from '../useJobView.js';
import { Bans } from './Bans.js';
import { BlockInside } from './BlockInside.js';
import { Enough } from './Enough.js';
import { FitModel } from './FitModel.js';
import { FunctionGrid } from './FunctionGrid.js';
import { NextTest } from './NextTest.js';
import { OwnFinding } from './OwnFinding.js';
import { PathList, type BlockView } from './PathList.js';
import { foundBlocks, suspicionOf } from '@amber-gauge/core/bench';
import { percent, type Find } from './useFind.js';
import { useNextTest } from './useNextTest.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly find: Find;
  readonly onStage: (stage: StageId) => void;
}

/** Shares under this are not spoken of below the list. */
const LEAST_SHARE = 0.02;

export function PathFind({ view, stage, speedId, find, onStage }: Props) {
  const { path, evidence, answer } = find;
  const [opened, setOpened] = useState<string | null>(null);
  const heading = useRef<HTMLDivElement>(null);
  const lines = useMemo(() => standing(view.lines.map((line) => line.event)), [view.lines]);
  const found = useMemo(() => foundBlocks(path, lines), [path, lines]);
  const between = useMemo(() => betweenRows(path, evidence, lines), [path, evidence, lines]);
  const blocks = useMemo(
    () =>
      new Map(
        (answer?.suspects ?? []).map((one): [string, BlockView] => [
          one.block,
          { share: one.share, suspicion: suspicionOf(one, found) },
        ]),
      ),
    [answer, found],
  );
  const asked = useNextTest(find);
  if (!answer) return <p className="quiet">{say`Reading the drive path.`}</p>;
  // What was found is mended before anything else is asked.
  const mendFirst = answer.advice.next === 'mend' && !asked.chosen;
  const { open, next } = asked;
  const choose = (testId: string) => {
    asked.choose(testId);
    // After the test is drawn: what is above it may have changed its height.
    requestAnimationFrame(() => heading.current?.scrollIntoView({ block: 'start' }));
  };
  const inside = (block: PathBlock) => {
    const one = answer.suspects.find((suspect) => suspect.block === block.id);
    const checks = open.filter(
      ({ test }) => test.block === block.id || (test.signal !== null && block.outputs.includes(test.signal)),
    );
    return (
      one && (
        <BlockInside
          view={view}
          stage={stage}
          path={path}
          one={one}
          words={evidence.words}
          checks={checks}
          mends={answer.advice.mends.filter((mend) => curesBlock(mend, block.id))}
          onChoose={choose}
          onMend={() => onStage('mend')}
        />
      )
    );
  };
  return (
    <div className={classes.panes} data-testid="find-panes">
      <div className={classes.path}>
        <PathList
          path={path}
          blocks={blocks}
          between={between}
          asked={askedBlocks(path.blocks, next)}
          askedSignal={next?.test.signal ?? null}
          opened={opened}
          onOpen={setOpened}
          inside={inside}
        />
        <Beyond healthy={answer.healthy} outside={answer.outside} />
        <OwnFinding view={view} stage={stage} />
      </div>
      <div className={classes.find} ref={heading}>
        <Reports find={find} answer={answer} />
        <Bans bans={answer.advice.bans} live={isLive(view.state.power)} />
        {mendFirst && <Enough advice={answer.advice} onStage={onStage} />}
        {next ? (
          <NextTest
            key={next.test.id}
            view={view}
            stage={stage}
            speedId={speedId}
            path={path}
            advice={next}
            justCame={asked.justCame}
            onBegun={asked.begun}
            onDone={asked.done}
            onOther={asked.other}
            onStage={onStage}
          />
        ) : (
          !mendFirst && (
            <h1 className="prompt">{answer.advice.mends[0] ? say`Nothing more to test` : say`Nothing left to ask`}</h1>
          )
        )}
        {!mendFirst && <Enough advice={answer.advice} onStage={onStage} />}
        {evidence.since && <p className="quiet">{say`Since: ${evidence.since}`}</p>}
        <WhyNot tests={open.filter((one) => one !== next)} onChoose={choose} />
        <FunctionGrid view={view} stage={stage} find={find} />
        <FitModel view={view} find={find} />
      </div>
    </div>
  );
}

/** What is left beside the parts of the path: nothing wrong, or something that it does not know. */
function Beyond({ healthy, outside }: { readonly healthy: number; readonly outside: number }) {
  return (
    <>
      {healthy >= LEAST_SHARE && (
        <p className={classes.beyond}>
          {say`nothing wrong in this path `}
          <span className="mono">{percent(healthy)} %</span>
        </p>
      )}
      {outside >= LEAST_SHARE && (
        <p className={classes.beyond}>
          {say`something this path does not know `}
          <span className="mono">{percent(outside)} %</span>
        </p>
      )}
    </>
  );
}

/** What the last line moved, what could not be read, and what does not fit. */
function Reports({ find, answer }: { readonly find: Find; readonly answer: NonNullable<Find['answer']> }) {
  const { evidence, change } = find;
  return (
    <>
      <p className={classes.change} role="status">
        {change ?? ''}
      </p>
      {evidence.problems.map((problem) => (
        <p key={problem.key} className="danger" role="alert">
          {problem.message}
        </p>
      ))}
      {answer.unexplained.length > 0 && (
        <p className={classes.odd}>{say`Take again, nothing likely explains it:
          ${answer.unexplained.map((id) => evidence.words.get(id) ?? '').join('; ')}`}</p>
      )}
      {answer.outside > 0.5 && (
        <p
          className={classes.odd}
        >{say`What was seen fits nothing this path knows. Take the readings again that do not fit, or log what you
          find.`}</p>
      )}
    </>
  );
}

/** Rows that the test reads: the block it looks at, or the one that gives the signal. */
function askedBlocks(blocks: readonly PathBlock[], next: TestAdvice | undefined): ReadonlySet<string> {
  if (!next) return new Set();
  const { block, signal } = next.test;
  return new Set(
    blocks.filter((one) => one.id === block || (signal !== null && one.outputs.includes(signal))).map((one) => one.id),
  );
}

const curesBlock = ({ repair }: MendAdvice, block: string): boolean =>
  repair.cures.some((ref) => ref.startsWith(`${block}.`));

/** Why not another test: every test still open, each can be chosen. */
function WhyNot({
  tests,
  onChoose,
}: {
  readonly tests: readonly TestAdvice[];
  readonly onChoose: (id: string) => void;
}) {
  const [open, setOpen] = useState(false);
  if (tests.length === 0) return null;
  return (
    <section aria-label={say`Tests that would follow`}>
      <Button onClick={() => setOpen(!open)} aria-expanded={open}>{say`Why not another test?`}</Button>
      {open && (
        <ul className={classes.following}>
          {tests.map((one) => (
            <li key={one.test.id} className={classes.check}>
              <Button variant="outlined" onClick={() => onChoose(one.test.id)}>
                {one.test.name}
              </Button>
              <span className="quiet">
                {one.forbidden ??
                  (one.putBack.length > 0 ? say`put back first: ${one.putBack.join(', ')}` : reasonOf(one))}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
