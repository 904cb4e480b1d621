/** What the job's state says of the power, as the words of it are made. */
import type { JobState, PowerNow } from '@amber-gauge/core/bench';

export const toldOf = ({
  power,
  chargeProved,
  charge,
  doubt,
}: JobState): Pick<PowerNow, 'state' | 'chargeProved' | 'charge' | 'doubt'> => ({
  state: power,
  chargeProved,
  charge,
  doubt,
});
