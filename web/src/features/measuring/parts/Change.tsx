/** What changed from the earlier run to this one, and whether it is more than uncertainty. */
import { runOfFigures, type RunFigures } from '@amber-gauge/contract';
import { decimalsFor, fixed, signed } from '@amber-gauge/core/quantity';
import { compareRuns } from '@amber-gauge/core/speed';

interface Props {
  readonly before: RunFigures;
  readonly now: RunFigures;
  readonly sameSource: boolean;
}

export function Change({ before, now, sameSource }: Props) {
  const change = compareRuns(runOfFigures(before), runOfFigures(now), sameSource);
  if (change.changePercent === null) return <p>These two runs have no common measure.</p>;
  const decimals = Math.min(3, Math.max(2, decimalsFor(change.expandedPercent)));
  const spread = change.expandedPercent < 0.0005 ? 'less than 0.001' : fixed(change.expandedPercent, decimals);
  return (
    <p>
      <strong>
        {signed(change.changePercent, decimals)} ± {spread} % from before:{' '}
        {change.significant ? 'a real change' : 'no more than its uncertainty'}.
      </strong>{' '}
      <span className="quiet">{change.why}</span>
    </p>
  );
}
