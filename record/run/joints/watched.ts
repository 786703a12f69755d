/** How long a joint was watched. */
import type { Stamped } from '../../entry.ts';

/** In words, rounded down, never up: '9 min', '40 s'. */
export function watchedWords(minutes: number): string {
  const seconds = Math.floor(minutes * 60 + 1e-6);
  return seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min`;
}

/** Minutes of a look: the smaller of what the device's clock and its stopwatch say, so that a clock set wrong never flatters. */
export function minutesWatched(begun: Pick<Stamped, 'seenAt'>, ended: Pick<Stamped, 'seenAt'> & { body: { elapsedS: number | null } }): number {
  const byClockS = (Date.parse(ended.seenAt) - Date.parse(begun.seenAt)) / 1000;
  const seconds = ended.body.elapsedS === null ? byClockS : Math.min(byClockS, ended.body.elapsedS);
  return Math.max(0, seconds) / 60;
}
