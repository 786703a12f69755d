/** What was just recorded, on whatever screen, and its way back: for ten seconds, over a change of page too. */
import { newEntry } from '../../sync/entry.ts';
import { sync } from '../../sync/run.ts';

/** How long a press can be taken back at once, ms. */
const STANDS_MS = 10_000;
const AT_ONCE = 'taken back at once';
const KEY = 'brass-nut-last-press';

/** What one press recorded. */
export interface Press {
  visitId: string;
  runId: string;
  ids: string[];
  words: string;
  /** It took something back itself: taking it back puts that in its place again. */
  isBack: boolean;
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
export function noteOfSamePress(id: string): void {
  if (last) set({ ...last, ids: [...last.ids, id] });
}

/** Takes back all that the last press recorded, the last of it first; or puts back what it took back. */
export function takeBack(): void {
  if (!last) return;
  const { visitId, runId, ids, words, isBack } = last;
  set(null);
  const backs = [...ids].reverse().flatMap((id) => withdraw(visitId, runId, id, AT_ONCE) ?? []);
  if (backs.length === 0) return;
  noteNewPress({ visitId, runId, ids: backs, words: isBack ? `${words}: put back` : `${words}: taken back`, isBack: !isBack });
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
