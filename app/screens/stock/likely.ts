/** What runs will likely take whose ends are known and whose chain is not accepted yet. */
import { useEffect, useState } from 'react';
import { itemsOf } from '../../../record/run/kinds/chain-accepted.ts';
import { type Needed, neededFor } from '../../../record/run/summary.ts';
import type { DayRun, DayVisit } from '../../../record/visit/day-run.ts';
import type { ClientCatalogue } from '../../ui/catalogue.ts';

interface Ends {
  from: string;
  to: string;
  rejoin: string | null;
}

/** By visit and run; null while it is worked out. Runs that have a chain, or whose ends nobody said, are not in it. */
export function useLikelyNeeds(visits: DayVisit[] | null, catalogue: ClientCatalogue | null): Map<string, Record<string, Needed>> | null {
  const [found, setFound] = useState<{ key: string; needs: Map<string, Record<string, Needed>> } | null>(null);
  const asked = (visits ?? []).flatMap((v) =>
    v.runs.flatMap((r) => (endsOf(r) ? [{ id: `${v.visit.id} ${r.id}`, water: r.water, ...endsOf(r)! }] : [])),
  );
  const key = JSON.stringify(asked);
  const { parts, loose, rules } = catalogue ?? {};
  useEffect(() => {
    if (!parts || !loose || !rules) return;
    let isOver = false;
    const work = async () => {
      const { matchChains } = await import('../../../core/match/chains.ts');
      const needs = new Map<string, Record<string, Needed>>();
      for (const { id, water, from, to, rejoin } of JSON.parse(key) as (Ends & { id: string; water: 'cold' | 'hot' })[]) {
        const [chain] = matchChains({ from, to, ...(rejoin ? { rejoin } : {}), need: { water }, parts, loose, rules, k: 1 }).chains;
        if (chain) needs.set(id, neededFor({ chain, items: itemsOf([...chain.parts, ...Object.keys(chain.loose)], parts, loose) }));
        // Others have their turn between two.
        await new Promise((wake) => setTimeout(wake));
        if (isOver) return;
      }
      setFound({ key, needs });
    };
    work();
    return () => {
      isOver = true;
    };
  }, [key, parts, loose, rules]);
  return found?.key === key ? found.needs : null;
}

/** Ends of a run without a chain: as they were seen, else as they were told. */
function endsOf(run: DayRun): Ends | null {
  if (run.summary.acceptedId !== null || run.summary.offList !== null) return null;
  if (run.summary.ends) return run.summary.ends;
  const side = (s: 'from' | 'to' | 'rejoin') => run.told?.find((t) => t.side === s)?.end;
  const [from, to] = [side('from'), side('to')];
  return from && to ? { from, to, rejoin: side('rejoin') ?? null } : null;
}
