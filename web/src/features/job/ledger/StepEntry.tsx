/** One line or one photo a step: quick enough for dirty hands, with room for what must be set back. */
import {
  endWords,
  parseStep,
  refusalOf,
  saidEnds,
  stepWords,
  usualAfter,
  type SaidEnd,
  type StageId,
  type StepBody,
} from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useStored } from '../../../shared/ui/useStored.js';
import { PhotoAdd } from '../photos/PhotoAdd.js';
import { Cautions } from '../safe/Cautions.js';
import { Refused } from '../safe/Refused.js';
import type { JobView } from '../useJobView.js';
import { EMPTY_MORE, moreOf, StepMore, type MoreFields } from './StepMore.js';
import stages from '../stages/Stages.module.css';
import classes from './Ledger.module.css';
import { say } from '@amber-gauge/core/words';

const TRAYS = ['A', 'B', 'C', 'D'] as const;
const COUNTS = [1, 2, 3, 4, 6, 8] as const;

export function StepEntry({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const [text, setText] = useStored(`amber-gauge-step-${view.job.id}`, '');
  const [more, setMore] = useStored<MoreFields>(`amber-gauge-step-more-${view.job.id}`, EMPTY_MORE);
  const [open, setOpen] = useState(false);
  const parsed = parseStep(text, usualAfter(view.state.ledger));
  const { step, problem } = moreOf(parsed, more);
  const [notEnds, setNotEnds] = useState<readonly string[]>([]);
  const ends = saidEnds(text).filter((end) => !notEnds.includes(endWords(end)));
  const onlyEnds =
    ends.length > 0 && isOnlyEnds(text, ends) && step.fasteners.length === 0 && step.distances.length === 0;
  const refusal = refusalOf(text);
  const empty = text.trim() === '';
  const blocked = empty || refusal !== null || problem !== null;
  const keep = (body: StepBody = step) => {
    if (blocked) return null;
    const line = makeLine(stage, body);
    const opened = ends.map((end) =>
      makeLine(stage, { kind: 'open-end', ...end, usualId: null, stepKey: onlyEnds ? null : line.key, moveKey: null }),
    );
    // A line that is nothing but ends takes nothing off: "unsoldered motor red".
    void submitLines(view.job.id, ...(onlyEnds ? [] : [line]), ...opened);
    setText('');
    setNotEnds([]);
    setMore(EMPTY_MORE);
    setOpen(false);
    return line;
  };
  return (
    <section className="stack" aria-label={say`What comes off`}>
      <div className={stages.ask}>
        <input
          className={`${stages.field} ${stages.words}`}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
          placeholder={say`cover 4 x 30 mm, tray B`}
          aria-label={say`What comes off`}
          autoComplete="off"
          spellCheck={false}
        />
        <Button
          variant="contained"
          className={stages.keep ?? ''}
          disabled={blocked}
          onClick={() => keep()}
        >{say`Keep step`}</Button>
      </div>
      <p className={stages.understood} role="status">
        {!empty && !refusal && !onlyEnds && `→ ${stepWords(step)}${step.earth ? say`, earth goes back with it` : ''}`}
        {step.distances.map((one) => say` · set back: ${one.what} ${one.value} ± ${one.tolerance} ${one.unit}`)}
        {problem && <span className="danger"> {problem}</span>}
      </p>
      {!refusal && ends.length > 0 && (
        <div className="row" aria-label={say`Ends this opens`}>
          <span>{say`Opens, until it is closed:`}</span>
          {ends.map((end) => (
            <Button
              key={endWords(end)}
              variant="outlined"
              onClick={() => setNotEnds([...notEnds, endWords(end)])}
              aria-label={say`Not an open end: ${endWords(end)}`}
              title={say`Not an open end`}
            >
              {endWords(end)} ×
            </Button>
          ))}
        </div>
      )}
      {refusal && <Refused rule={refusal} />}
      <Cautions text={text} familyId={view.job.familyId} />
      <div className={classes.quick}>
        {COUNTS.map((count) => (
          <Button key={count} variant="outlined" onClick={() => setText(withCount(text, count))}>
            {count} ×
          </Button>
        ))}
        <span className={classes.gap} />
        {TRAYS.map((tray) => (
          <Button
            key={tray}
            variant="outlined"
            onClick={() => setText(withTray(text, tray))}
            aria-label={say`Tray ${tray}`}
          >
            {tray}
          </Button>
        ))}
        <span className={classes.gap} />
        <PhotoAdd view={view} stage={stage} about={null} onBefore={() => keep()?.key ?? null} word={say`Photo`} />
        <Button variant="outlined" onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? say`Less` : say`Gap, wires, marks`}
        </Button>
      </div>
      {open && <StepMore view={view} parsed={parsed} value={more} onChange={setMore} />}
    </section>
  );
}

/** As it is typed: the line is read again. */
const TRAY = ', tray ' as const;
const withTray = (text: string, tray: string): string =>
  /,?\s*tray\s+\w+\s*$/i.test(text)
    ? text.replace(/,?\s*tray\s+\w+\s*$/i, `, tray ${tray}`)
    : `${text.trimEnd()}${TRAY}${tray}`.replace(/^, /, '');

const withCount = (text: string, count: number): string => {
  const plain = text.trimEnd();
  const open = /(^|\s)\d+ x( screws)?$/.test(plain);
  return open ? plain.replace(/\d+ x( screws)?$/, `${count} x screws`) : `${plain} ${count} x screws`.trimStart();
};

/** Nothing is left of the line once its ends are taken out of it. */
function isOnlyEnds(text: string, ends: readonly SaidEnd[]): boolean {
  const left = ends.reduce((rest, end) => rest.replace(end.what, ' '), text);
  const verbs =
    /\b(?:un-?soldered|de-?soldered|unplugged|disconnected|lifted|cut|bridged|jumpered|shorted|swapped|taped|off|for a test|and|the|is|was|then)\b|[,;.+]/gi;
  return left.replace(verbs, ' ').trim() === '';
}
