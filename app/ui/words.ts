import { boundDigits, remember } from '../../core/index.ts';
import type { RunState } from '../../record/index.ts';

/** Wording that more than one screen uses. */
export const money = (cents: number, currency: string): string =>
  remember(currencies, 20, currency, () => new Intl.NumberFormat('en', { style: 'currency', currency })).format(cents / 100);

const currencies = new Map<string, Intl.NumberFormat>();

/** A volume a day with no false digits: '0.3', '8.6', '43'. */
export const mlPerDay = boundDigits;

/** m:ss of a number of seconds. */
export function clock(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds));
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
}

/** Making one costs more than using it a hundred times. */
const formats = new Map<string, Intl.DateTimeFormat>();

/** A moment on the clock of a place: '2026-11-24 10:41'. */
export function localTime(ms: number, timeZone: string): string {
  return remember(formats, 40, timeZone, () => new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' })).format(ms);
}

/** When it is looked at again: a bound says nothing of what comes after. */
export function recheckWords({ signedOff, recheck, accepted }: Pick<RunState, 'signedOff' | 'recheck' | 'accepted'>, timeZone: string): string {
  if (!signedOff) return `recheck due ${accepted?.rules.recheckHours ?? 24} h after sign-off`;
  if (recheck === 'dry') return 'looked at again: dry';
  return `recheck ${recheck === 'closed' ? 'closed, was due' : 'due'} ${localTime(signedOff.recheckDueMs, timeZone)}`;
}

/** What the looks at a joint prove: a bound with its confidence and its recheck, never "dry" alone. */
export const provenWords = (ml: number | null, recheck: string): string =>
  ml === null ? 'nothing proven yet' : `under ${mlPerDay(ml)} mL a day at 95 %, ${recheck}`;

/** What the looks at a joint, a stem or a joint of the drain prove. A drain stands under no pressure: it stayed dry while it worked, or that is not seen yet. */
export function proofWords(t: { mlPerDay: number | null; proven: boolean; drain?: unknown }, recheck: string): string {
  if (t.drain === undefined) return provenWords(t.mlPerDay, recheck);
  return t.proven ? 'stayed dry while it worked' : 'not seen at work yet';
}

const shortDay = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', timeZone: 'UTC' });
const withYear = new Intl.DateTimeFormat('en', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });

/** A day as lists show it: 'today', 'Nov 25', 'Nov 25, 2024' of another year. */
export function dayWords(day: string, today: string): string {
  if (day === today) return 'today';
  return (day.slice(0, 4) === today.slice(0, 4) ? shortDay : withYear).format(new Date(`${day}T00:00:00Z`));
}

/** Minutes as one says them: '45 min', '4 h', '1 h 20'. */
export function hoursWords(minutes: number): string {
  const [h, min] = [Math.floor(Math.round(minutes) / 60), Math.round(minutes) % 60];
  if (h === 0) return `${min} min`;
  return min === 0 ? `${h} h` : `${h} h ${String(min).padStart(2, '0')}`;
}
