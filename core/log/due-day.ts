/** Days that lie some months apart, as a calendar has them: the last of a shorter month stands for a day that it does not have. */

const DAY_MS = 86_400_000;
const asDay = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** Local day `months` after a local day ('YYYY-MM-DD'); the same as the database's own reckoning. */
export function monthsAfter(day: string, months: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const first = Date.UTC(year, month - 1 + months, 1);
  const last = new Date(Date.UTC(year, month + months, 0)).getUTCDate();
  return asDay(first + (Math.min(date, last) - 1) * DAY_MS);
}

/** The last day from which `months` later is not after `until`: what began by then is due by then. */
export function lastBegun(until: string, months: number): string {
  // A month has 31 days at most, and four that a shorter one lacks.
  let ms = Date.parse(monthsAfter(until, -months)) + 4 * DAY_MS;
  while (monthsAfter(asDay(ms), months) > until) ms -= DAY_MS;
  return asDay(ms);
}
