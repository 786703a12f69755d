/** What was just recorded, on whatever screen, and its way back: for ten seconds, over a change of page too. */
import { pressReason, type SubjectRef, WITHDRAWN } from '../../../record/index.ts';
import { newBookEntry, newEntry } from '../../../sync/entry.ts';
import { sync } from '../../../sync/run.ts';
import { ofThisShop } from '../../../sync/shop-here.ts';

/** How long a press can be taken back at once, ms. */
const STANDS_MS = 10_000;
const AT_ONCE = pressReason('at-once');
const KEY = ofThisShop('brass-nut-last-press-2');

/** An entry that a press recorded: of a run in a visit, or of the book. */
export type Pressed = { id: string; visitId: string; runId: string } | { id: string; subject: SubjectRef };

/** What one press recorded. */
export interface Press {
  /** In the order in which they were entered. */
  entries: Pressed[];
  words: string;
  /** It took something back itself: taking it back puts that in its place again. */
  isBack: boolean;
  /** The words tell all of it. */
  isWhole?: boolean;
  atMs: number;
}

/** Writes a withdrawal, its id; null where it was refused. A visit's page shows it at once by its own way of keeping. */
type Withdraw = (visitId: string, runId: string, id: string, reason: string) => string | null;

const plainly: Withdraw = (visitId, runId, id, reason) => {
  const entry = newEntry({ deviceId: sync.deviceId, visitId, runId }, 'withdrawn', { reason }, { correctsId: id });
  sync
    .keep((deviceId) => [{ ...entry, deviceId }])
    .catch(() => {
      // Said on the strip.
    });
  return entry.id;
};

/** What was taken back here: by its id, that of its withdrawal, which may be taken back itself. */
const withdrawals = new Map<string, string>();

let withdraw: Withdraw = plainly;
let last: Press | null = restored();
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setTimeout> | null = null;
if (last) fade(last);

function restored(): Press | null {
  try {
    const press = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Press | null;
    return press && Date.now() - press.atMs < STANDS_MS ? press : null;
  } catch {
    return null;
  }
}

function set(press: Press | null): void {
  last = press;
  try {
    if (press) sessionStorage.setItem(KEY, JSON.stringify(press));
    else sessionStorage.removeItem(KEY);
  } catch {
    // It is forgotten with the page.
  }
  if (press) fade(press);
  for (const listener of listeners) listener();
}

function fade(press: Press): void {
  if (timer) clearTimeout(timer);
  timer = setTimeout(() => last === press && set(null), Math.max(0, STANDS_MS - (Date.now() - press.atMs)));
}

/** Entries that were recorded by one press. */
export function noteNewPress(press: Omit<Press, 'atMs'>): void {
  set({ ...press, atMs: Date.now() });
}

/** Another entry of the press that was noted last: one press may write several, one after another. */
export function noteOfSamePress(entry: Pressed): void {
  if (last) set({ ...last, entries: [...last.entries, entry] });
}

/** Takes back all that the last press recorded, the last of it first; or puts back what it took back. */
export function takeBack(): void {
  if (!last) return;
  const { entries, words, isBack, isWhole } = last;
  set(null);
  const backs = [...entries].reverse().flatMap((entry): Pressed[] => {
    const id = 'subject' in entry ? withdrawFromBook(entry) : withdraw(entry.visitId, entry.runId, entry.id, AT_ONCE);
    if (id === null) return [];
    withdrawals.set(entry.id, id);
    return [{ ...entry, id }];
  });
  if (backs.length === 0) return;
  noteNewPress({ entries: backs, words: isBack ? `${words}: put back` : `${words}: taken back`, isBack: !isBack, isWhole });
}

function withdrawFromBook({ id, subject }: { id: string; subject: SubjectRef }): string {
  const entry = newBookEntry(sync.deviceId, subject, WITHDRAWN, { reason: AT_ONCE }, id);
  sync
    .keep((deviceId) => [{ ...entry, deviceId }])
    .catch(() => {
      // Said on the strip.
    });
  return entry.id;
}

/** Whether an entry that was recorded on this page was taken back since, and not put back. */
export function isTakenBack(id: string): boolean {
  const by = withdrawals.get(id);
  return by !== undefined && !isTakenBack(by);
}

export const lastPress = (): Press | null => last;

/** While a visit's page is open it withdraws by its own way; the function ends that. */
export function withdrawBy(by: Withdraw): () => void {
  withdraw = by;
  return () => {
    if (withdraw === by) withdraw = plainly;
  };
}

export function onPress(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
