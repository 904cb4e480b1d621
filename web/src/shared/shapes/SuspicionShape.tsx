/** Suspicion by shape and colour: not judged, suspect in four steps, found, cleared. */
import type { Suspicion } from '@amber-gauge/core/bench';
import { say } from '@amber-gauge/core/words';

/** The word that always goes with the shape. */
export const SUSPICION_WORDS: Readonly<Record<Suspicion, string>> = {
  'not-judged': say`not judged`,
  'suspect-1': say`suspect`,
  'suspect-2': say`suspect`,
  'suspect-3': say`strong suspect`,
  'suspect-4': say`prime suspect`,
  found: say`found`,
  cleared: say`cleared`,
};

const DIAMOND = 'M12 2L22 12L12 22L2 12Z';

/** Suspicion by shape, beside its word. */
export function SuspicionShape({ suspicion, size = 20 }: { readonly suspicion: Suspicion; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true">
      {shape(suspicion)}
    </svg>
  );
}

function shape(suspicion: Suspicion) {
  if (suspicion === 'not-judged')
    return <path d="M12 4a8 8 0 1 0 0 16a8 8 0 1 0 0-16Z" fill="none" stroke="var(--edge)" strokeWidth={2} />;
  if (suspicion === 'found') return <path d="M3 3H8L12 9L16 3H21V21H3Z" fill="var(--s4)" />;
  if (suspicion === 'cleared')
    return (
      <>
        <path d="M12 3a9 9 0 1 0 0 18a9 9 0 1 0 0-18Z" fill="var(--cleared)" />
        <path d="M7.5 12.5L10.8 15.8L16.8 8.6" fill="none" stroke="var(--sheet)" strokeWidth={2.5} />
      </>
    );
  const step = Number(suspicion.slice(-1));
  const colour = `var(--s${step})`;
  return (
    <>
      <clipPath id={`filled-${step}`}>
        <rect x={0} y={22 - 5 * step} width={24} height={24} />
      </clipPath>
      <path d={DIAMOND} fill={colour} clipPath={`url(#filled-${step})`} />
      <path d={DIAMOND} fill="none" stroke={colour} strokeWidth={2} />
    </>
  );
}
