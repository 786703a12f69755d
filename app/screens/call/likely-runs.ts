import type { PremisesBook } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { type ApplianceRow, type DraftItem, toldIn } from '../../ui/book/index.ts';
import type { LikelyRun } from '../../ui/chains/index.ts';

/** Ends of the runs as they were told, or as they were last time. */
export function likelyRuns(items: DraftItem[], book: PremisesBook | null, last: Map<string, LastState>, appliances: ApplianceRow[]): LikelyRun[] {
  return items.flatMap((item, i): LikelyRun[] => {
    const { told } = toldIn(item.said);
    const side = (s: 'from' | 'to' | 'rejoin') => told.find((t) => t.side === s)?.end;
    const runs = book?.runs.filter((r) => r.applianceId === item.applianceId && r.retired === null) ?? [];
    const waters = appliances.find((a) => a.id === item.kind)?.water ?? ['cold'];
    const of =
      runs.length > 0 ? runs.map((r) => ({ water: r.water, before: last.get(r.id)?.chain })) : waters.map((water) => ({ water, before: null }));
    return of.flatMap(({ water, before }, j) => {
      const [from, to] = [side('from') ?? before?.from, side('to') ?? before?.to];
      return from && to ? [{ id: `${i} ${j}`, water, from, to, rejoin: side('rejoin') ?? null }] : [];
    });
  });
}
