/** The visit's entries in the browser: what the server knows, and what waits in the outbox, as one list. */
import { useCallback, useEffect, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Bodies, Entry, EntryKind } from '../../../core/index.ts';
import type { VisitSheet } from '../../../store/visits.ts';
import { deviceId, drop, keep, send, waiting } from '../../ui/outbox.ts';

export type Write = <K extends EntryKind>(
  kind: K,
  runId: string,
  body: Bodies[K],
  target?: { jointId?: string; checkPointId?: string; correctsId?: string },
) => string;

export interface VisitRecord {
  sheet: VisitSheet;
  entries: Entry[];
  write: Write;
  /** Not yet kept by the server. */
  unsent: number;
  connected: boolean;
  refused: { id: string; why: string }[];
  forget: (id: string) => void;
}

const POLL_MS = 15_000;

export function useVisitRecord(initial: VisitSheet): VisitRecord {
  const [sheet, setSheet] = useState(initial);
  const [own, setOwn] = useState<Entry[]>([]);
  const [connected, setConnected] = useState(true);
  const [refused, setRefused] = useState<{ id: string; why: string }[]>([]);
  const saving = useRef(Promise.resolve());

  const reload = useCallback(async () => {
    try {
      const response = await fetch(`/api/v1/visits/${initial.visit.id}`);
      if (response.ok) setSheet((await response.json()) as VisitSheet);
      setConnected(response.ok);
    } catch {
      setConnected(false);
    }
  }, [initial.visit.id]);

  const flush = useCallback(async () => {
    const result = await send();
    setConnected(result.connected);
    if (result.sent.length > 0) {
      const times = new Map(result.sent.map((s) => [s.id, s]));
      setOwn((list) =>
        list.map((e) => {
          const known = times.get(e.id);
          return known ? { ...e, sentAt: known.sentAt, recordedAt: known.recordedAt } : e;
        }),
      );
    }
    if (result.refused.length > 0) {
      const gone = new Set(result.refused.map((r) => r.id));
      setOwn((list) => list.filter((e) => !gone.has(e.id)));
      setRefused((list) => [...list, ...result.refused.filter((r) => !list.some((l) => l.id === r.id))]);
      await reload();
    }
  }, [reload]);

  useEffect(() => {
    waiting().then((all) => {
      const mine = all.filter((w) => w.entry.visitId === initial.visit.id);
      setOwn((list) => [...list, ...mine.filter((w) => !w.refused && !list.some((e) => e.id === w.entry.id)).map((w) => w.entry)]);
      setRefused(mine.flatMap((w) => (w.refused ? [{ id: w.entry.id, why: w.refused }] : [])));
      flush();
    });
    const tick = () => {
      if (document.visibilityState === 'visible') flush().then(reload);
    };
    const timer = setInterval(tick, POLL_MS);
    const events = ['online', 'focus'] as const;
    for (const e of events) window.addEventListener(e, tick);
    return () => {
      clearInterval(timer);
      for (const e of events) window.removeEventListener(e, tick);
    };
  }, [initial.visit.id, flush, reload]);

  const write: Write = (kind, runId, body, target = {}) => {
    const id = uuidv7();
    const base = { id, visitId: initial.visit.id, runId, jointId: target.jointId ?? null, checkPointId: target.checkPointId ?? null };
    const times = { seenAt: new Date().toISOString(), sentAt: null, recordedAt: null };
    const entry = { ...base, correctsId: target.correctsId ?? null, deviceId: deviceId(), ...times, kind, body } as Entry;
    setOwn((list) => [...list, entry]);
    saving.current = saving.current.then(() => keep([entry])).then(flush);
    return id;
  };

  const known = new Set(sheet.entries.map((e) => e.id));
  const extra = own.filter((e) => !known.has(e.id));
  return {
    sheet,
    entries: [...sheet.entries, ...extra],
    write,
    unsent: extra.filter((e) => e.recordedAt === null).length,
    connected,
    refused,
    forget: (id) => {
      drop([id]);
      setRefused((list) => list.filter((r) => r.id !== id));
    },
  };
}
