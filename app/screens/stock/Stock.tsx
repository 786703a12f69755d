import { useEffect, useMemo, useState } from 'react';
import { addDays, type StockedPlace } from '../../../record/index.ts';
import { namesOf, useCatalogue } from '../../ui/held/index.ts';
import { coilsOf } from '../../ui/units/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { Here } from './Here.tsx';
import { History } from './History.tsx';
import { Load } from './Load.tsx';
import { NewPlace } from './NewPlace.tsx';
import { ToBuy } from './ToBuy.tsx';

interface Props {
  /** As the server has it, until this device has said; only so many rows as are shown first. */
  initial: { places: StockedPlace[]; names: Record<string, string> };
  today: string;
  timeZone: string;
  address: Record<string, string>;
}

const VIEWS = [
  ['here', 'What lies here'],
  ['buy', 'To buy'],
  ['load', 'Load the van'],
] as const;
type View = (typeof VIEWS)[number][0];

/** Shelves and vans: what lies there, what is to be bought, what to load for a day. */
export default function Stock({ initial, today, timeZone, address }: Props) {
  const asked = useAddress(address);
  const catalogue = useCatalogue();
  const places = catalogue?.places ?? initial.places;
  const names = useMemo(() => (catalogue ? namesOf(catalogue) : initial.names), [catalogue, initial]);
  const coils = useMemo(() => coilsOf(catalogue?.parts ?? []), [catalogue]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [view, setView] = useState<View | null>(null);
  const [isNew, setNew] = useState(false);
  const shown: View = view ?? (asked.load ? 'load' : asked.view === 'buy' ? 'buy' : 'here');
  const place = places.find((p) => p.id === (chosen ?? asked.place)) ?? places[0];
  const nameOf = (item: string) => names[item] ?? item;
  const go = (to: View) => {
    setView(to);
    history.replaceState(null, '', to === 'here' ? '/stock' : to === 'buy' ? '/stock?view=buy' : `/stock?load=${asked.load ?? addDays(today, 1)}`);
  };
  // A place that was just made is the one that is meant.
  const [made, setMade] = useState<string | null>(null);
  useEffect(() => {
    if (made && places.some((p) => p.id === made)) {
      setChosen(made);
      setMade(null);
    }
  }, [made, places]);
  if (places.length === 0) {
    return (
      <div className="max-w-160">
        <h1>Stock</h1>
        <p className="mt-3 text-lg">
          Nothing is kept account of yet. Write down your van first, then count what is on it, or receive what you buy: chains then say what is at
          hand, joints take their parts from it, and what runs low stands on one list.
        </p>
        <NewPlace kind="van" onMade={setMade} />
      </div>
    );
  }
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3">
        <h1>Stock</h1>
        <nav aria-label="Of stock" className="flex flex-wrap gap-2 print:hidden">
          {VIEWS.map(([id, name]) => (
            <button key={id} type="button" className={`key ${shown === id ? 'key-main' : ''}`} aria-pressed={shown === id} onClick={() => go(id)}>
              {name}
            </button>
          ))}
        </nav>
        <a className="ml-auto inline-flex min-h-12 items-center print:hidden" href="/parts">
          Parts and prices
        </a>
      </div>
      {shown === 'here' && place && (
        <>
          <nav className="mt-4 flex flex-wrap items-center gap-2 print:hidden" aria-label="Shelves and vans">
            {places.map((p) => (
              <button
                key={p.id}
                type="button"
                className="key"
                aria-pressed={p.id === place.id}
                data-on={p.id === place.id || undefined}
                onClick={() => setChosen(p.id)}
              >
                {p.id === place.id ? '■' : '□'} {p.name}
              </button>
            ))}
            <button type="button" className="ml-2 min-h-12 cursor-pointer underline" aria-expanded={isNew} onClick={() => setNew(!isNew)}>
              Another shelf or van
            </button>
          </nav>
          {isNew && (
            <NewPlace
              kind="shelf"
              onMade={(id) => {
                setNew(false);
                setMade(id);
              }}
            />
          )}
          <Here key={place.id} {...{ place, places, nameOf, coils, catalogue }} asked={asked.find ?? ''} />
          <History key={`h ${place.id}`} {...{ place, places, nameOf, coils, timeZone }} />
        </>
      )}
      {shown === 'buy' && <ToBuy {...{ places, nameOf, coils, catalogue }} />}
      {shown === 'load' && <Load {...{ places, nameOf, coils, catalogue, today }} day={asked.load ?? addDays(today, 1)} />}
    </div>
  );
}
