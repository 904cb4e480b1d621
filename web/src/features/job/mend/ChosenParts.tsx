/** Parts of the chosen mend and what it uses up: what lies set aside, what has to come, what has run out. */
import { hereFor, lotsServing, servesUse, type Offer, type StageId } from '@amber-gauge/core/bench';
import { CONSUMABLES, recipeOf, type ConsumableId, type PathRepair } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useAddToShelf, useShelf } from '../../shelf/useShelf.js';
import type { JobView } from '../useJobView.js';
import { TimerAsk } from './TimerAsk.js';
import type { MendParts } from './useMendParts.js';
import { said, say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly parts: MendParts;
  /** Those of the chosen mends that are not done yet. */
  readonly repairs: readonly PathRepair[];
}

/** A day in minutes; a timer runs for sixty days at most. */
const DAY_MIN = 1440;
const MOST_DAYS = 60;

export function ChosenParts({ view, stage, parts, repairs }: Props) {
  const aside = parts.aside(repairs);
  const offers = repairs.map((repair) => ({ repair, offer: parts.offer(repair) }));
  const coming = offers.filter(({ offer }) => offer.days > 0);
  const days = Math.max(0, ...coming.map(({ offer }) => offer.days));
  const uses = [...new Set(repairs.flatMap((repair) => recipeOf(repair.id)?.usesUp ?? []))];
  return (
    <>
      {aside.length > 0 && (
        <p>{say`Set aside: ${aside
          .map(
            ({ lot }) =>
              `${lot.lot.part}${lot.onHand > 0 ? (lot.lot.place ? say`, in ${lot.lot.place}` : '') : say`, on its way`}`,
          )
          .join('; ')}.`}</p>
      )}
      {coming.length > 0 && (
        <div className="row">
          <span>
            <span className="quiet">{say`Parts. `}</span>
            {coming.map(({ repair, offer }) => `${repair.name}: ${comingWords(offer)}`).join('; ')}
          </span>
          {!view.job.practice && (
            <TimerAsk
              view={view}
              stage={stage}
              timer="parts"
              name={coming.map(({ repair }) => repair.name).join('; ')}
              minutes={Math.min(days, MOST_DAYS) * DAY_MIN}
              label={say`Ordered: wait for the parts`}
            />
          )}
        </div>
      )}
      {uses.length > 0 && <ToHand view={view} uses={uses} />}
      {parts.problem && (
        <p role="alert" className="danger">
          {parts.problem}
        </p>
      )}
    </>
  );
}

const comingWords = ({ days, from }: Offer): string =>
  `${days === 1 ? say`in a day` : say`in ${days} days`}${from === 'ordered' ? say`, on its way` : from === 'usual' ? say`, usually` : ''}`;

/** What it uses up: counted where the shelf knows it; one key says that one is used up. */
function ToHand({ view, uses }: { readonly view: JobView; readonly uses: readonly ConsumableId[] }) {
  const { shelf } = useShelf();
  const add = useAddToShelf();
  const known = view.job.practice ? null : shelf;
  return (
    <ul className="row" aria-label={say`To hand`} style={{ listStyle: 'none', margin: 0, padding: 0 }}>
      <li className="quiet">{say`To hand:`}</li>
      {uses.map((id) => {
        const what = servesUse(id);
        const lots = known ? lotsServing(known, what) : [];
        const here = known ? hereFor(known, what, null) : 0;
        const lot = lots.find((one) => one.free > 0);
        return (
          <li key={id} className="row" style={{ gap: 8 }}>
            <span>
              {said(CONSUMABLES[id])}
              {lots.length > 0 && (
                <span className={here > 0 ? 'quiet' : 'danger'}>
                  {here > 0 ? say`, ${here} here` : say`, none left`}
                </span>
              )}
            </span>
            {lot && (
              <Button
                size="small"
                disabled={add.isPending}
                onClick={() =>
                  add.mutate([{ kind: 'used', lot: lot.key, quantity: 1, job: view.job.number, serves: what }])
                }
                aria-label={say`Used up one: ${said(CONSUMABLES[id])}`}
              >{say`One used up`}</Button>
            )}
          </li>
        );
      })}
      {add.error && <li role="alert" className="danger">{say`${add.error.message} Nothing was changed.`}</li>}
    </ul>
  );
}
