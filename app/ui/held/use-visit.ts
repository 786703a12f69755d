/** A visit in the browser: what the device's store holds of it, what waits there among it. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Bodies, Entry, EntryKind, VisitSheet } from '../../../record/index.ts';
import { newEntry, type Target } from '../../../sync/entry.ts';
import type { Holding } from '../../../sync/protocol.ts';
import { get, sync } from '../../../sync/run.ts';

/** Place in the device's count of what has none yet: after everything. */
const NEWEST = Number.MAX_SAFE_INTEGER;

/** Notes what happened; the id of the entry. It is on its way to the disk when this returns, or said to be refused. */
export type Write = <K extends EntryKind>(kind: K, runId: string, body: Bodies[K], target?: Target) => string;

/** An entry made on this page is put on its way to the disk. */
export type Keep = (entry: Entry) => void;

export interface VisitRecord {
  /** null while the store is read, and when this device does not hold the visit. */
  sheet: VisitSheet | null;
  /** The store was read. */
  isRead: boolean;
  /** An entry of this visit, of now and of this device; kept only by `keep`. */
  make: <K extends EntryKind>(kind: K, runId: string, body: Bodies[K], target?: Target) => Entry;
  keep: Keep;
}

/** @param initial the server's own sheet; null on a page that was kept for use without a connection */
export function useVisit(id: string | null, initial: VisitSheet | null): VisitRecord {
  const [held, setHeld] = useState<VisitSheet | null>(null);
  /** On their way to the disk: shown, so that a control stays as it was pressed, and taken back where they are not kept. */
  const [pressed, setPressed] = useState<Entry[]>([]);
  const [isRead, setIsRead] = useState(false);
  const turn = useRef(0);
  const reload = useCallback(async () => {
    if (id === null) return;
    turn.current += 1;
    const mine = turn.current;
    try {
      const store = await sync.device();
      const sheet = (await store.visit(id)) ?? (initial && { ...initial, entries: await store.entriesOf(id) });
      const own = await store.outgoing();
      // Another reading that was begun later knows more.
      if (mine === turn.current) {
        // What the server refused is in the store too, and shown no more.
        const ids = new Set([...(sheet?.entries ?? []).map((e) => e.id), ...own.map((o) => o.entry.id)]);
        setHeld(sheet);
        setPressed((list) => (list.some((e) => ids.has(e.id)) ? list.filter((e) => !ids.has(e.id)) : list));
      }
    } catch {
      // Without a store there is what the server gave; that nothing can be kept is said where it is tried.
    }
    setIsRead(true);
  }, [id, initial]);
  useEffect(() => {
    const begin = async () => {
      if (initial) await hold(initial.visit.id);
    };
    begin()
      .catch(() => {})
      .then(reload);
    return sync.subscribe(reload);
  }, [initial, reload]);
  const make: VisitRecord['make'] = useCallback(
    (kind, runId, body, target) => {
      if (id === null) throw new Error('There is no visit to note it on.');
      return newEntry({ deviceId: sync.deviceId, visitId: id, runId }, kind, body, target);
    },
    [id],
  );
  const keep: Keep = useCallback(
    (entry) => {
      setPressed((list) => [...list, { ...entry, seq: NEWEST }]);
      // Kept, it is shown from the store once that is read; what is not kept is taken back, and said on the strip of every screen.
      sync.keep((deviceId) => [{ ...entry, deviceId }]).then(reload, () => setPressed((list) => list.filter((e) => e.id !== entry.id)));
    },
    [reload],
  );
  const sheet = useMemo(() => joined(initial, held, pressed), [initial, held, pressed]);
  return { sheet, isRead, make, keep };
}

/** A visit that was opened is kept, though it is not of the next days. */
async function hold(visitId: string): Promise<void> {
  const store = await sync.device();
  if (await store.visit(visitId)) return;
  const holding = await get<Holding>(`/api/v1/book/holding?visit=${visitId}`);
  if (holding) await store.keepHolding(holding);
}

/** What the server gave and what the store holds, each entry once: the one that is recorded where there is a choice. */
function joined(initial: VisitSheet | null, held: VisitSheet | null, pressed: Entry[]): VisitSheet | null {
  const of = held ?? initial;
  if (!of) return null;
  const entries = new Map<string, Entry>((initial?.entries ?? []).map((e) => [e.id, e]));
  for (const e of held?.entries ?? []) if (e.recordedAt !== null || !entries.has(e.id)) entries.set(e.id, e);
  for (const e of pressed) if (!entries.has(e.id)) entries.set(e.id, e);
  return { ...of, entries: [...entries.values()] };
}
