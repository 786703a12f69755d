import { useEffect, useMemo, useState } from 'react';
import {
  type DayRun,
  type DayVisit,
  type LoadRow,
  loadOf,
  type Move,
  movesFor,
  type Needed,
  runsWithoutChain,
  type StockedPlace,
} from '../../../record/index.ts';
import { get } from '../../../sync/run.ts';
import { say } from '../../ui/book/index.ts';
import { type LikelyRun, useLikelyNeeds } from '../../ui/chains/index.ts';
import { useHeldVisits } from '../../ui/day/index.ts';
import { askLastTime, type ClientCatalogue, heldLastTime } from '../../ui/held/index.ts';
import { amountWords, type Coils, useUnits } from '../../ui/units/index.ts';
import { dayWords } from '../../ui/words.ts';
import { moved } from './changes.ts';

interface Props {
  places: StockedPlace[];
  nameOf: (item: string) => string;
  coils: Coils;
  catalogue: ClientCatalogue | null;
  today: string;
  day: string;
}

/** What the vans want for a day: by the chains that are accepted, and where the ends are known and none is, by the likeliest. */
export function Load({ places, nameOf, coils, catalogue, today, day: begun }: Props) {
  const units = useUnits();
  const [day, setDay] = useState(begun);
  useEffect(() => setDay(begun), [begun]);
  const visits = useDayVisits(catalogue, day);
  const known = useGuessable(visits);
  const likely = useLikelyNeeds(known?.runs ?? null, catalogue);
  const unknown = known?.unknown ?? [];
  const loads = useMemo(() => {
    if (!visits || !likely) return null;
    const asked = visits
      .filter((v) => v.visit.cancelled === null)
      .map((v) => ({
        vanId: v.visit.vanId,
        runs: v.runs.filter((r) => r.summary.offList === null).map((r) => needsOf(v, r, likely)),
      }));
    return loadOf(asked, places);
  }, [visits, likely, places]);
  const unjoined = likely && known ? known.runs.length - likely.size : 0;
  const move = (moves: Move[], words: string) => say(moves.map(moved), words);
  return (
    <section aria-label="Load the van" className="mt-4">
      <label className="grid w-56 gap-1">
        <span className="label">For the visits of</span>
        <input className="field" type="date" value={day} onChange={(e) => e.target.value && setDay(e.target.value)} />
      </label>
      {visits === null && (
        <p className="mt-3">Reading the visits of {dayWords(day, today)}. A day that this device does not hold wants the connection.</p>
      )}
      {visits?.length === 0 && <p className="mt-3 text-lg">No visits on {dayWords(day, today)}.</p>}
      {visits !== null && visits.length > 0 && loads === null && <p className="mt-3">Working out the likely chains.</p>}
      {loads?.map((load) => {
        const missing = load.rows.filter((r) => r.missing > 0).sort((a, b) => b.elsewhere.length - a.elsewhere.length);
        const moves = movesFor(load);
        return (
          <div key={load.van?.id ?? 'none'} className="mt-5">
            <div className="flex flex-wrap items-center gap-3 border-b border-ink pb-1">
              <h2>{load.van?.name ?? 'No van is written down'}</h2>
              {moves.length > 0 && (
                <button
                  type="button"
                  className="key key-main ml-auto print:hidden"
                  onClick={() => move(moves, `${moves.length} items loaded on ${load.van?.name}`)}
                >
                  Loaded all that lies elsewhere ({moves.length})
                </button>
              )}
            </div>
            {load.rows.length === 0 && <p className="py-2">No chain is accepted for these visits, and no ends are known.</p>}
            {load.rows.length > 0 && missing.length === 0 && <p className="py-2 text-lg">Nothing to load: all {load.rows.length} items are on it.</p>}
            <ul>
              {missing.map((row) => (
                <Missing key={row.item} {...{ row, nameOf, coils }} onMove={(m, words) => move([m], words)} vanId={load.van?.id ?? null} />
              ))}
            </ul>
            {load.rows.length > missing.length && (
              <details className="why">
                <summary>On it already ({load.rows.length - missing.length})</summary>
                <ul className="list-disc pl-5">
                  {load.rows
                    .filter((r) => r.missing === 0)
                    .map((r) => (
                      <li key={r.item}>
                        {amountWords(r.quantity, coils.has(r.item), units)} of {amountWords(r.onVan, coils.has(r.item), units)}: {nameOf(r.item)}
                      </li>
                    ))}
                </ul>
              </details>
            )}
          </div>
        );
      })}
      {unjoined > 0 && (
        <p className="mt-4">Of {unjoined === 1 ? 'one run' : `${unjoined} runs`} the ends are known, and no parts that are known join them.</p>
      )}
      {unknown.length > 0 && (
        <p className="mt-4 text-soft">
          Of {unknown.length === 1 ? 'one run' : `${unknown.length} runs`} no ends are known, so nothing can be said: {unknown.join(', ')}.
        </p>
      )}
    </section>
  );
}

const keyOf = (visitId: string, runId: string): string => `${visitId} ${runId}`;

/** Runs without a chain whose ends are known: seen or told, else as they were the last time; and the names of those of which nothing can be said. */
function useGuessable(visits: DayVisit[] | null): { runs: LikelyRun[]; unknown: string[] } | null {
  const [found, setFound] = useState<{ key: string; runs: LikelyRun[]; unknown: string[] } | null>(null);
  const open =
    visits && runsWithoutChain(visits).map(({ visit, run, ends }) => ({ visitId: visit.id, runId: run.id, name: run.name, water: run.water, ends }));
  const key = JSON.stringify(open);
  useEffect(() => {
    let isOver = false;
    const work = async () => {
      const asked = JSON.parse(key) as NonNullable<typeof open>;
      const all = await Promise.all(asked.map(async (r) => ({ ...r, ends: r.ends ?? (await lastEnds(r.visitId, r.runId)) })));
      if (isOver) return;
      setFound({
        key,
        runs: all.flatMap(({ visitId, runId, water, ends }) => (ends ? [{ id: keyOf(visitId, runId), water, ...ends }] : [])),
        unknown: all.flatMap(({ name, ends }) => (ends ? [] : [name])),
      });
    };
    if (key !== 'null') work();
    return () => {
      isOver = true;
    };
  }, [key]);
  return found?.key === key ? found : null;
}

async function lastEnds(visitId: string, runId: string): Promise<Pick<LikelyRun, 'from' | 'to' | 'rejoin'> | null> {
  const held = await heldLastTime(visitId, runId);
  // That nobody was there before is known too.
  const last = held === undefined ? await askLastTime(visitId, runId) : held;
  return last?.from && last.to ? { from: last.from, to: last.to, rejoin: last.rejoin } : null;
}

function needsOf(v: DayVisit, r: DayRun, likely: Map<string, Record<string, Needed>>) {
  const guess = likely.get(keyOf(v.visit.id, r.id));
  return { name: guess ? `${r.name} (likely)` : r.name, summary: { needs: guess ?? r.summary.needs } };
}

interface MissingProps {
  row: LoadRow;
  vanId: string | null;
  nameOf: (item: string) => string;
  coils: Coils;
  onMove: (move: Move, words: string) => void;
}

function Missing({ row, vanId, nameOf, coils, onMove }: MissingProps) {
  const units = useUnits();
  const isCoil = coils.has(row.item);
  const words = (n: number) => amountWords(n, isCoil, units);
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-faint py-2">
      <div className="min-w-0 flex-1 basis-72">
        <b className="font-head text-2xl">{words(row.missing)}</b> {nameOf(row.item)}
        <div className="text-soft">
          need {words(row.quantity)}, on the van {words(row.onVan)} · {row.forRuns.join(', ')}
        </div>
      </div>
      {row.elsewhere.length === 0 && <b>▲ to buy</b>}
      {vanId &&
        row.elsewhere.map((e) => {
          const quantity = Math.min(row.missing, e.quantity);
          return (
            <button
              key={e.placeId}
              type="button"
              className="key"
              onClick={() =>
                onMove({ item: row.item, quantity, fromId: e.placeId, toId: vanId }, `${words(quantity)} ${nameOf(row.item)} loaded from ${e.place}`)
              }
            >
              {words(quantity)} from {e.place}
            </button>
          );
        })}
    </li>
  );
}

/** Visits of a day as this device holds them, else as the server says; null while neither has said. */
function useDayVisits(catalogue: ClientCatalogue | null, day: string): DayVisit[] | null {
  const held = useHeldVisits(catalogue, day, day);
  const [asked, setAsked] = useState<{ day: string; visits: DayVisit[] } | null>(null);
  const holds = held?.span != null && day >= held.span.from && day <= held.span.to;
  useEffect(() => {
    if (holds || !held) return;
    let isOver = false;
    get<{ visits: DayVisit[] }>(`/api/v1/stock/day?day=${day}`).then((answer) => {
      if (answer && !isOver) setAsked({ day, visits: answer.visits });
    });
    return () => {
      isOver = true;
    };
  }, [day, holds, held]);
  if (holds && held) return held.visits.filter((v) => v.visit.onDate === day);
  return asked?.day === day ? asked.visits : null;
}
