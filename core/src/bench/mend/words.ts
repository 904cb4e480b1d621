/** Lines of mending in words. */
import { THIN } from '../../quantity/index.js';
import type { MendBody, TermsBody } from './body.js';

/** "worth 120, ceiling 60, wanted by 2026-12-01"; money has no currency in the log, the shop's stands in Set-up. */
function termsWords({ worth, price, ceiling, wantedBy }: TermsBody): string {
  const parts = [
    worth === null ? '' : `worth ${worth}`,
    price === null ? '' : `price ${price}`,
    ceiling === null ? '' : `ceiling ${ceiling}`,
    wantedBy === null ? '' : `wanted by ${wantedBy}`,
  ].filter(Boolean);
  return parts.length === 0 ? 'agreed: nothing yet' : `agreed: ${parts.join(', ')}`;
}

/** A line of mending in words. */
export function mendWords(body: MendBody): string {
  switch (body.kind) {
    case 'terms':
      return termsWords(body);
    case 'working':
      return `reckoned: ${body.name}: ${body.words}${body.verdict ? ` (${body.verdict})` : ''}`;
    case 'mend-step':
      return `done: ${body.what}`;
    case 'quote':
      return `asked: parts of ${body.name} ${body.money}${body.days === null ? '' : `, in ${body.days === 1 ? 'a day' : `${body.days} days`}`}`;
    case 'decision-dropped':
      return `left: ${body.name}`;
    case 'decision':
      return `decided: ${body.name}, cures with ${Math.round(100 * body.chance)}${THIN}%${body.reason ? `: ${body.reason}` : ''}`;
  }
}
