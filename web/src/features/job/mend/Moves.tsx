/** Usual tests and mends of the family: the first line opens their ends, the last line closes them. */
import { isDead, isLive, openEnds, workSaid, type OpenMove, type StageId } from '@amber-gauge/core/bench';
import { familyOf, type FamilyMove } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Cautions } from '../safe/Cautions.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import classes from '../ledger/Ledger.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly kind: FamilyMove['kind'];
  /** Mends that stand in the list above already, by id. */
  readonly without?: readonly string[];
}

export function Moves({ view, stage, kind, without = [] }: Props) {
  const family = familyOf(view.job.familyId);
  const begun = view.state.ledger.moves;
  const free = family.moves.filter(
    (move) =>
      move.kind === kind &&
      !begun.some((one) => one.move.moveId === move.id) &&
      ![move.id, ...move.mends].some((id) => without.includes(id)),
  );
  const open = begun.filter((one) => family.moves.find((move) => move.id === one.move.moveId)?.kind === kind);
  const live = isLive(view.state.power);
  const begin = (move: FamilyMove) => {
    const first = makeLine(stage, { kind: 'move', moveId: move.id, name: move.name, began: null });
    const ends = move.opens.flatMap((id) => {
      const usual = family.openEnds.find((end) => end.id === id);
      if (!usual) return [];
      const { what, how } = usual;
      return [makeLine(stage, { kind: 'open-end', what, how, usualId: id, stepKey: null, moveKey: first.key })];
    });
    void submitLines(view.job.id, first, ...ends);
  };
  if (free.length + open.length === 0) return null;
  return (
    <section className="stack" aria-label={kind === 'mend' ? say`Usual mends` : say`Usual tests`}>
      {open.map((one) => (
        <Begun key={one.key} view={view} stage={stage} one={one} />
      ))}
      {free.length > 0 &&
        (kind === 'mend' ? <h3>{say`Usual here, while it is open`}</h3> : <h2>{say`Usual tests here`}</h2>)}
      <ul>
        {free.map((move) => (
          <li key={move.id} className={classes.step} style={{ gridTemplateColumns: 'minmax(0, 1fr) auto' }}>
            <div>
              <p className={classes.what}>{move.name}</p>
              <p className="quiet small">{needsWords(move)}</p>
            </div>
            <Button
              variant="outlined"
              disabled={move.needs === 'dead' && !isDead(view.state)}
              onClick={() => begin(move)}
              aria-label={say`Begin: ${move.name}`}
            >
              {move.needs === 'dead' && live
                ? say`Unplug first`
                : move.needs === 'dead' && !view.state.chargeProved
                  ? say`Prove the charge gone`
                  : say`Begin`}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const needsWords = (move: FamilyMove): string =>
  [
    move.needs === 'dead' ? say`dead` : move.needs === 'live' ? say`live, through the gate` : '',
    move.opens.length > 0 && say`opens what its last line closes`,
  ]
    .filter(Boolean)
    .join(' · ');

function Begun({ view, stage, one }: { readonly view: JobView; readonly stage: StageId; readonly one: OpenMove }) {
  const move = familyOf(view.job.familyId).moves.find((other) => other.id === one.move.moveId);
  const ends = openEnds(view.state.ledger).filter((end) => end.end.moveKey === one.key);
  const finish = () => {
    const lines = ends.map((end) => makeLine(stage, { kind: 'close', target: end.key, how: `with ${one.move.name}` }));
    const work = move?.work ? [makeLine(stage, workSaid(view.job.familyId, move.work))] : [];
    const last = makeLine(stage, { kind: 'move', moveId: one.move.moveId, name: one.move.name, began: one.key });
    void submitLines(view.job.id, ...work, ...lines, last);
  };
  const drop = () =>
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'move', moveId: one.move.moveId, name: one.move.name, began: one.key, dropped: true }),
    );
  return (
    <div className="stack">
      <p className="prompt">{one.move.name}</p>
      <Cautions text={one.move.name} familyId={view.job.familyId} />
      <div className="row">
        <Button variant="contained" className={stages.keep ?? ''} onClick={finish}>
          {ends.length > 0 ? say`Done, and closed: ${ends.map((end) => end.end.what).join(', ')}` : say`Done`}
        </Button>
        <Button
          variant="outlined"
          className={stages.big ?? ''}
          onClick={drop}
          aria-label={say`Drop it: ${one.move.name}`}
        >
          {ends.length > 0 ? say`Drop it, ends stay open` : say`Drop it`}
        </Button>
      </div>
    </div>
  );
}
