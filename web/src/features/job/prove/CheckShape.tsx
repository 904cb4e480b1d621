/** How a check stands, by shape: the word always stands beside it. */
import type { CheckStatus } from '@amber-gauge/core/bench';

export function CheckShape({ status }: { readonly status: CheckStatus }) {
  return (
    <svg width={20} height={20} viewBox="0 0 24 24" aria-hidden="true">
      {shape(status)}
    </svg>
  );
}

const LINE = { fill: 'none', stroke: 'currentColor', strokeWidth: 2 };

function shape(status: CheckStatus) {
  switch (status) {
    case 'met':
      return (
        <>
          <path d="M12 3a9 9 0 1 0 0 18a9 9 0 1 0 0-18Z" fill="currentColor" />
          <path d="M7.5 12.5L10.8 15.8L16.8 8.6" fill="none" stroke="var(--sheet)" strokeWidth={2.5} />
        </>
      );
    case 'bad':
      return <path d="M4 4L20 20M20 4L4 20" {...LINE} strokeWidth={3} />;
    case 'undecided':
      return <path d="M3 12h4M10 12h4M17 12h4" {...LINE} strokeWidth={3} />;
    case 'undone':
      return <path d="M19 8a8 8 0 1 0 1 7M19 3v6h-6" {...LINE} />;
    case 'waived':
      return <path d="M4 12h16" {...LINE} />;
    case 'untouched':
      return <path d="M4 4h16v16H4Z" {...LINE} strokeDasharray="3 3" />;
    case 'owed':
      return <path d="M4 4h16v16H4Z" {...LINE} />;
  }
}
