/** Whether a run is signed off: by a sign-off that names what was open, and that nothing has undone since. */
import { happenedAt } from '../entry.ts';
import type { Told } from '../kind.ts';
import type { Bodies } from '../kinds.ts';
import { acceptances, eachOf, type History, historyBefore, historyKnownBefore, lastOf, ofKind } from './history.ts';
import { recheckClosed } from './kinds/recheck-closed.ts';
import { reopened } from './kinds/reopened.ts';
import { signedOff, unnamed } from './kinds/signed-off.ts';
import type { OpenItem } from './now.ts';

const HOUR_MS = 3_600_000;

export type SignOff = Bodies['signed-off'] & {
  entryId: string;
  deviceId: string;
  atMs: number;
  recheckDueMs: number;
  /** Why nobody will look again; null unless it was closed so. */
  recheckClosed: string | null;
};

export interface SignOffs {
  /** In force; null where there is none. */
  inForce: SignOff | null;
  /** The last that was signed, and why it is in force no more; null where none was, or the last one is. */
  undone: { entryId: string; atMs: number; why: string } | null;
}

/**
 * @param openBefore what was open as a history left it
 */
export function signOffsOf(history: History, openBefore: (before: History) => OpenItem[]): SignOffs {
  const signs = eachOf(history, signedOff);
  const last = signs.at(-1);
  if (!last) return { inForce: null, undone: null };
  const place = (id: string) => history.log.findIndex((e) => e.id === id);
  const undone = (why: string): SignOffs => ({ inForce: null, undone: { entryId: last.id, atMs: happenedAt(last), why } });
  const since = history.log.slice(place(last.id) + 1);
  const again = ofKind(since, reopened).at(-1);
  if (again) return undone(`reopened: ${again.body.reason}`);
  if (since.some((e) => e.kind === 'chain-accepted')) return undone('another chain was accepted since');
  // Where two devices signed, the first counts until it is said which does.
  const begins = Math.max(
    ...[...ofKind(history.log, reopened), ...acceptances(history)].map((e) => place(e.id)).filter((at) => at < place(last.id)),
    -1,
  );
  const first = signs.find((s) => place(s.id) > begins) ?? last;
  const lacking = lackingSince(history, first, openBefore);
  if (lacking.length > 0) return undone(`${lacking.map((o) => o.label).join(', ')} was open, as came in later, and no reason was given for it`);
  const atMs = happenedAt(first);
  const closed = lastOf(history, recheckClosed);
  const isClosed = closed !== null && place(closed.id) > place(first.id);
  const { id: entryId, deviceId, body } = first;
  const recheckDueMs = atMs + body.recheckHours * HOUR_MS;
  return { inForce: { ...body, entryId, deviceId, atMs, recheckDueMs, recheckClosed: isClosed ? closed.body.reason : null }, undone: null };
}

/**
 * What was open and not named at a sign-off, and only came to be so by what came in after it was taken. What was so when it was taken stands as it
 * was judged then: by the rules and the catalogue of its day.
 */
function lackingSince(history: History, sign: Told<Bodies['signed-off']>, openBefore: (before: History) => OpenItem[]): OpenItem[] {
  const lacking = (before: History) => unnamed(openBefore(before), sign.body.exceptions);
  const now = lacking(historyBefore(history, sign.id));
  if (now.length === 0) return now;
  const then = new Set(lacking(historyKnownBefore(history, sign.id)).map(nameOf));
  return now.filter((item) => !then.has(nameOf(item)));
}

const nameOf = (item: OpenItem): string => ('stage' in item ? item.stage : item.targetId);
