/** Money says its currency: the shop's, from Set-up. */
import { THIN } from '@amber-gauge/core/quantity';
import { useSettings } from '../api/queries.js';

/** "12 EUR"; whole units, since prices of parts are guesses until they are bought. */
const moneyWords = (amount: number, currency: string): string => `${Math.round(amount)}${THIN}${currency}`;

/** Amounts in the shop's currency. */
export function useMoney(): (amount: number) => string {
  const currency = useSettings().data?.currency ?? 'EUR';
  return (amount) => moneyWords(amount, currency);
}
