/**
 * The one clock of the server. BRASS_NUT_CLOCK_AHEAD_MIN moves it on, so that "tomorrow" can be tried out.
 */
export function now(): Date {
  const ahead = Number(process.env.BRASS_NUT_CLOCK_AHEAD_MIN ?? 0);
  return new Date(Date.now() + (Number.isFinite(ahead) ? ahead : 0) * 60_000);
}

/** The local day at a place, 'YYYY-MM-DD'. */
export function localDay(at: Date | number, timeZone: string): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at);
}

/** The shop's time zone: that of the machine it runs on, which TZ overrides. Premises have zones of their own. */
export function shopTimeZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** The shop's day. */
export function shopDay(at: Date): string {
  return localDay(at, shopTimeZone());
}

/** A day some days later: '2026-02-28' + 1 -> '2026-03-01'. */
export function addDays(day: string, days: number): string {
  const [y, m, d] = day.split('-').map(Number);
  return new Date(Date.UTC(y as number, (m as number) - 1, (d as number) + days)).toISOString().slice(0, 10);
}
