/** Days of the calendar as whole numbers, so that they can be added and compared. */

/** A day in milliseconds. */
export const DAY_MS = 86_400_000;

/** A day as YYYY-MM-DD as the number of days since 1970-01-01; NaN for another text. */
export const dayNumber = (day: string): number => Date.parse(`${day}T00:00:00Z`) / DAY_MS;

/** The number of a day as YYYY-MM-DD. */
export const dayText = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);
