/** Days of the calendar without a clock: dates as year-month-day, days of the week from 0 Monday to 6 Sunday. */
const DAY_MS = 86_400_000;

const timeOf = (date: string): number => Date.parse(`${date}T00:00:00Z`);

export const weekdayOf = (date: string): number => (Math.round(timeOf(date) / DAY_MS) + 3) % 7;

export const dateAfter = (date: string, days: number): string =>
  new Date(timeOf(date) + days * DAY_MS).toISOString().slice(0, 10);
