/** Lines of mending in words. */
import { THIN } from '../../quantity/index.js';
import type { MendBody, TermsBody } from './body.js';
import { say } from '../../words/index.js';

/** "worth 120, ceiling 60, wanted by 2026-12-01"; money has no currency in the log, the shop's stands in Set-up. */
function termsWords({ worth, price, ceiling, wantedBy }: TermsBody): string {
  const parts = [
    worth === null ? '' : say`worth ${worth}`,
    price === null ? '' : say`price ${price}`,
    ceiling === null ? '' : say`ceiling ${ceiling}`,
    wantedBy === null ? '' : say`wanted by ${wantedBy}`,
  ].filter(Boolean);
  return parts.length === 0 ? say`agreed: nothing yet` : say`agreed: ${parts.join(', ')}`;
}

/** A line of mending in words. */
export function mendWords(body: MendBody): string {
  switch (body.kind) {
    case 'terms':
      return termsWords(body);
    case 'working':
      return say`reckoned: ${body.name}: ${body.words}${body.verdict ? ` (${body.verdict})` : ''}`;
    case 'mend-step':
      return say`done: ${body.what}`;
    case 'quote':
      return say`asked: parts of ${body.name}
        ${body.money}${body.days === null ? '' : say`, in ${body.days === 1 ? say`a day` : say`${body.days} days`}`}`;
    case 'decision-dropped':
      return say`left: ${body.name}`;
    case 'decision':
      return say`decided: ${body.name}, cures with
        ${Math.round(100 * body.chance)}${THIN}%${body.reason ? `: ${body.reason}` : ''}`;
  }
}
