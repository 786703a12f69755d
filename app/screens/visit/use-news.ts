/** What other devices recorded on a run since this device last saw it. */
import { useEffect, useMemo, useState } from 'react';
import type { Entry } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';

const keyOf = (runId: string) => `seen ${runId}`;

/** @returns entries of others, in no order, and what says that they were seen */
export function useNews(entries: Entry[], runId: string, isRead: boolean): { news: Entry[]; markSeen: () => void } {
  /** null until it is read: a run that was never opened here has no news. */
  const [seen, setSeen] = useState<{ runId: string; ids: ReadonlySet<string> } | null>(null);
  const foreign = useMemo(() => entries.filter((e) => e.runId === runId && e.recordedAt !== null && e.deviceId !== sync.deviceId), [entries, runId]);
  const remember = (ids: string[]) => {
    setSeen({ runId, ids: new Set(ids) });
    sync
      .device()
      .then((store) => store.put(keyOf(runId), ids))
      .catch(() => {
        // Without a store nothing is remembered: it is shown again.
      });
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once a run; what comes later is news
  useEffect(() => {
    if (!isRead) return;
    let isGone = false;
    sync
      .device()
      .then((store) => store.get<string[]>(keyOf(runId)))
      .then((ids) => {
        if (isGone) return;
        if (ids) setSeen({ runId, ids: new Set(ids) });
        else remember(foreign.map((e) => e.id));
      })
      .catch(() => {});
    return () => {
      isGone = true;
    };
  }, [runId, isRead]);
  const news = seen?.runId === runId ? foreign.filter((e) => !seen.ids.has(e.id)) : [];
  return { news, markSeen: () => remember(foreign.map((e) => e.id)) };
}
