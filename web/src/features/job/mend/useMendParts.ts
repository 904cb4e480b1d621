/** Parts of a mend on the shelf: what they cost and take, set aside when it is chosen, built in when it is done. */
import { lotsServing, offerOf, PARTS_DAYS, servesMend, type Lot, type Offer } from '@amber-gauge/core/bench';
import type { PathRepair } from '@amber-gauge/core/families';
import { useSettings } from '../../../shared/api/queries.js';
import { today, useAddToShelf, useShelf } from '../../shelf/useShelf.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

/** Parts of a mend: on the shelf, on order, set aside. */
export interface MendParts {
  readonly offer: (repair: PathRepair) => Offer;
  /** Lots with pieces set aside for this job that serve one of these mends. */
  readonly aside: (repairs: readonly PathRepair[]) => readonly { readonly lot: Lot; readonly repair: PathRepair }[];
  readonly setAside: (repairs: readonly PathRepair[]) => void;
  readonly giveBack: (repairs: readonly PathRepair[]) => void;
  readonly buildIn: (repairs: readonly PathRepair[]) => void;
  readonly problem: string | null;
}

/** A practice unit takes nothing real: its offers are the family's guesses, and nothing moves on the shelf. */
export function useMendParts(view: JobView): MendParts {
  const { shelf: real } = useShelf();
  const { mutate, error } = useAddToShelf();
  const partsDays = useSettings().data?.partsDays ?? PARTS_DAYS;
  const { number, familyId, practice } = view.job;
  const shelf = practice ? null : real;
  const basis = { familyId, shelf, quotes: view.state.quotes, jobNumber: number, partsDays, today: today() };
  const offer = (repair: PathRepair) => offerOf(repair, basis);
  const aside: MendParts['aside'] = (repairs) =>
    repairs.flatMap((repair) =>
      (shelf ? lotsServing(shelf, servesMend(familyId, repair.id)) : [])
        .filter((lot) => lot.reserved.has(number))
        .map((lot) => ({ lot, repair })),
    );
  const move = (kind: 'reserved' | 'released' | 'used', lots: readonly { lot: Lot; repair: PathRepair }[]) => {
    if (lots.length > 0)
      mutate(
        lots.map(({ lot, repair }) => ({
          kind,
          lot: lot.key,
          quantity: kind === 'reserved' ? 1 : (lot.reserved.get(number) ?? 1),
          job: number,
          serves: servesMend(familyId, repair.id),
        })),
      );
  };
  return {
    offer,
    aside,
    setAside: (repairs) =>
      move(
        'reserved',
        repairs.flatMap((repair) => {
          const { lot } = offer(repair);
          return lot && !lot.reserved.has(number) ? [{ lot, repair }] : [];
        }),
      ),
    giveBack: (repairs) => move('released', aside(repairs)),
    // What is still on its way cannot be in the unit.
    buildIn: (repairs) =>
      move(
        'used',
        aside(repairs).filter(({ lot }) => lot.onHand > 0),
      ),
    problem: error ? say`${error.message} Nothing was moved on the shelf.` : null,
  };
}
