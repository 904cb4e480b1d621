/** The power states by shape; the word always stands beside it. */
import type { PowerState } from '@amber-gauge/core/bench';

const BLOCKS = 'M1 8h6v8H1zM17 8h6v8h-6z';

export function PowerShape({ state, size = 28 }: { readonly state: PowerState; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true" fill="currentColor" stroke="none">
      {shape(state)}
    </svg>
  );
}

function shape(state: PowerState) {
  const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 2 };
  switch (state) {
    case 'unplugged-discharged':
      return <path d={BLOCKS} />;
    case 'unplugged-unknown':
      return (
        <>
          <path d={BLOCKS} />
          <circle cx={12} cy={12} r={3} {...line} />
        </>
      );
    case 'live-isolated':
      return (
        <>
          <path d="M0 8h4v8H0zM20 8h4v8h-4z" />
          <circle cx={9.5} cy={12} r={4.5} {...line} />
          <circle cx={14.5} cy={12} r={4.5} {...line} />
        </>
      );
    case 'live-direct':
      return <path d="M1 8h7L12 2L16 8h7v8h-7L12 22L8 16H1Z" />;
    case 'pack-out':
      return <path d="M4 2h16v8H4zM2 16v6h20v-6" {...line} />;
    case 'pack-in':
      return (
        <>
          <path d="M4 6h16v12H4z" />
          <path d="M2 16v6h20v-6" {...line} />
        </>
      );
  }
}
