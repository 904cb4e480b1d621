/** What changed from the earlier run to this one, and whether it is more than uncertainty. */
import { runOfFigures, type RunFigures } from '@amber-gauge/contract';
import { decimalsFor, fixed, signed } from '@amber-gauge/core/quantity';
import { compareRuns } from '@amber-gauge/core/speed';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly before: RunFigures;
  readonly now: RunFigures;
  readonly sameSource: boolean;
}

export function Change({ before, now, sameSource }: Props) {
  const change = compareRuns(runOfFigures(before), runOfFigures(now), sameSource);
  if (change.changePercent === null) return <p>{say`These two runs have no common measure.`}</p>;
  const decimals = Math.min(3, Math.max(2, decimalsFor(change.expandedPercent)));
  const spread = change.expandedPercent < 0.0005 ? say`less than 0.001` : fixed(change.expandedPercent, decimals);
  return (
    <p>
      <strong>{say`${signed(change.changePercent, decimals)} ± ${spread} % from before:
        ${change.significant ? say`a real change` : say`no more than its uncertainty`}.`}</strong>{' '}
      <span className="quiet">{change.why}</span>
    </p>
  );
}
