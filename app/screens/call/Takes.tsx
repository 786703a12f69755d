import { useEffect, useState } from 'react';
import { ownVisits, type PremisesBook, workMinutes } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { type ApplianceRow, type DraftItem, toldIn } from '../../ui/book/index.ts';
import { type ClientCatalogue, namesOf } from '../../ui/held/index.ts';

interface Props {
  items: DraftItem[];
  book: PremisesBook | null;
  last: Map<string, LastState>;
  appliances: ApplianceRow[];
  catalogue: ClientCatalogue | null;
}

/** What the call will take: minutes with their spread, and what the van lacks for the chains it will likely be. */
export function Takes({ items, book, last, appliances, catalogue }: Props) {
  const works = items.map((i) => i.work);
  const { usual, slow } = workMinutes(works, catalogue?.ownMinutes);
  const own = ownVisits(works, catalogue?.ownMinutes);
  const pairs = pairsOf(items, book, last, appliances);
  const lacks = useLikelyLacks(pairs, catalogue);
  const names = namesOf(catalogue);
  return (
    <section aria-label="What it will take" className="grid border border-ink bg-sheet sm:grid-cols-[10rem_minmax(0,1fr)]">
      <div className="border-rule p-3 max-sm:border-b sm:border-r">
        <p className="font-head text-3xl font-semibold">{usual} min</p>
        <p className="text-soft">
          to {slow} where it goes slowly: {own === 0 ? 'a first guess' : `from ${own} of your own ${own === 1 ? 'visit' : 'visits'}`}
        </p>
      </div>
      <div className="p-3">
        <h3>To bring</h3>
        {pairs.length === 0 && <p className="text-soft">Not known before the ends are: say them above, or look first.</p>}
        {pairs.length > 0 && lacks === null && <p className="text-soft">Working it out.</p>}
        {pairs.length > 0 && lacks?.length === 0 && (
          <p>
            Nothing beside the van, for the likely chains of {pairs.length} {pairs.length === 1 ? 'run' : 'runs'}.
          </p>
        )}
        <ul>
          {lacks?.map((item) => (
            <li key={item}>▲ {names[item] ?? item}: not on the van</li>
          ))}
        </ul>
      </div>
    </section>
  );
}

interface Pair {
  from: string;
  to: string;
  water: 'cold' | 'hot';
}

/** Ends of the runs as they were told, or as they were last time. */
function pairsOf(items: DraftItem[], book: PremisesBook | null, last: Map<string, LastState>, appliances: ApplianceRow[]): Pair[] {
  return items.flatMap((item): Pair[] => {
    const { told } = toldIn(item.said);
    const side = (s: 'from' | 'to') => told.find((t) => t.side === s)?.end;
    const runs = book?.runs.filter((r) => r.applianceId === item.applianceId && r.retired === null) ?? [];
    const waters = appliances.find((a) => a.id === item.kind)?.water ?? ['cold'];
    const of =
      runs.length > 0 ? runs.map((r) => ({ water: r.water, before: last.get(r.id)?.chain })) : waters.map((water) => ({ water, before: null }));
    return of.flatMap(({ water, before }) => {
      const [from, to] = [side('from') ?? before?.from, side('to') ?? before?.to];
      return from && to ? [{ from, to, water }] : [];
    });
  });
}

/** Items of the best chains that the van does not have; null while that is worked out. */
function useLikelyLacks(pairs: Pair[], catalogue: ClientCatalogue | null): string[] | null {
  const [found, setFound] = useState<{ key: string; items: string[] } | null>(null);
  const key = JSON.stringify(pairs);
  useEffect(() => {
    if (!catalogue) return;
    let isOver = false;
    const work = async () => {
      const { matchChains } = await import('../../../core/match/chains.ts');
      const { parts, loose, stock, rules, callbackRates } = catalogue;
      const items = (JSON.parse(key) as Pair[]).flatMap(
        ({ from, to, water }) => matchChains({ from, to, need: { water }, parts, loose, stock, rules, callbackRates, k: 1 }).chains[0]?.offVan ?? [],
      );
      if (!isOver) setFound({ key, items: [...new Set(items)] });
    };
    work();
    return () => {
      isOver = true;
    };
  }, [key, catalogue]);
  return found?.key === key ? found.items : null;
}
