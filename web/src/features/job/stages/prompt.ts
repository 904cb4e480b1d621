/** The one thing asked for on a stage, computed from what the stage owes. */
import type { PromptAsked, StageId } from '@amber-gauge/core/bench';
import { CHARGE_PLACE, storesOf } from '@amber-gauge/core/bench';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

/** The one thing wanted now, and the place it is read at. */
export interface Prompt {
  readonly text: string;
  /** Where a reading typed without a place belongs; null when it is a speed or has none. */
  readonly place: string | null;
}

/** The prompt as a typed line may answer it. */
export const askedBy = ({ text, place }: Prompt): PromptAsked => ({
  testId: null,
  name: text,
  place,
  unit: place === CHARGE_PLACE ? 'V' : null,
});

const tell = (text: string, place: string | null = null): Prompt => ({ text, place });

/** The prompt of a stage. */
export function promptOf(view: JobView, stage: StageId, speedId: string): Prompt {
  const speed = view.state.speeds.find((one) => one.speedId === speedId);
  const label = speed?.label ?? '';
  switch (stage) {
    case 'take-in':
      return tell(
        speed?.asFound || view.state.work.length > 0 ? say`As found, ${label}` : say`Measure as found, ${label}`,
      );
    case 'make-safe':
      return safePrompt(view);
    case 'open-up':
      return tell(say`Write what comes off, and where it goes`);
    case 'find':
      return view.state.holds[0]
        ? tell(say`Type the value held: ${view.state.holds[0].prompt}`)
        : tell(say`Measure, and say where`);
    case 'mend':
      return tell(view.state.work.length === 0 ? say`Choose what to mend` : say`Choose what to mend next`);
    case 'set-speed':
      return tell(
        view.state.work.length === 0 ? say`Clean first, then trim ${label}` : say`Trim ${label}, then measure`,
      );
    case 'prove':
      return tell(speed?.asLeft ? say`As left, ${label}` : say`Measure as left, ${label}`);
    case 'hand-back':
      return tell(
        view.owed[0] && view.owed[0].stage !== 'hand-back'
          ? say`Still owed: ${view.owed[0].text}`
          : say`Hand it back with its sheet`,
      );
  }
}

function safePrompt(view: JobView): Prompt {
  const { charge } = view.state;
  if (charge) return tell(say`Charge ${Math.round(charge.volts)} V: bleed it, then measure again`, CHARGE_PLACE);
  const stores = storesOf(view.job).map((one) => one.store.name);
  const left = say`what is left on the ${stores.join(' and the ')}`;
  switch (view.state.power) {
    case 'unplugged-unknown':
      return tell(view.state.powerSince ? say`Measure ${left}, d.c.` : say`Unplug, then measure ${left}`, CHARGE_PLACE);
    case 'unplugged-discharged':
      if (view.state.powerSince === null) return tell(say`Unplug it`);
      return stores.length === 0
        ? tell(say`Unplugged, and nothing in it holds a charge`)
        : tell(say`Unplugged and discharged: safe to touch`, CHARGE_PLACE);
    case 'pack-in':
      return tell(say`Take the pack out`);
    case 'pack-out':
      if (stores.length === 0) return tell(say`Pack out, and nothing in it holds a charge`);
      return view.state.chargeProved
        ? tell(say`Pack out and discharged: safe to touch`, CHARGE_PLACE)
        : tell(say`Pack out. Measure ${left}, d.c.`, CHARGE_PLACE);
    default:
      return tell(say`Live: clip dead, step back, power, read, unplug`);
  }
}
