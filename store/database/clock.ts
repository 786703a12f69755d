import { zoneForAll } from '../../record/index.ts';

/**
 * The one clock of the server. BRASS_NUT_CLOCK_AHEAD_MIN moves it on, so that "tomorrow" can be tried out.
 */
export function now(): Date {
  const ahead = Number(process.env.BRASS_NUT_CLOCK_AHEAD_MIN ?? 0);
  return new Date(Date.now() + (Number.isFinite(ahead) ? ahead : 0) * 60_000);
}

/** The time zone of the machine it runs on, which TZ overrides. Shops and premises have zones of their own. */
export function machineZone(): string {
  return zoneForAll(Intl.DateTimeFormat().resolvedOptions().timeZone);
}
