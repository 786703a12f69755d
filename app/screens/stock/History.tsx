import { useState } from 'react';
import { type BookEntry, type BookWords, NO_WORDS, type StockedPlace } from '../../../record/index.ts';
import { get, sync } from '../../../sync/run.ts';
import { SaidOf } from '../../ui/book/index.ts';
import { amountWords, type Coils, useUnits } from '../../ui/units/index.ts';

interface Props {
  place: StockedPlace;
  places: StockedPlace[];
  nameOf: (item: string) => string;
  coils: Coils;
  timeZone: string;
}

/** What came and went at a place, newest last, each to be taken back with a reason. */
export function History({ place, places, nameOf, coils, timeZone }: Props) {
  const [entries, setEntries] = useState<BookEntry[] | null>(null);
  const [isWhole, setWhole] = useState(true);
  const read = async () => {
    // What waits here is read first: what is sent meanwhile is in the server's answer.
    const own = await sync
      .device()
      .then((store) => store.outgoing())
      .catch(() => []);
    const asked = await get<{ entries: BookEntry[] }>(`/api/v1/stock/entries?place=${place.id}`);
    const waiting = own.flatMap(({ entry }) => ('subject' in entry && isOf(entry, place.id) ? [entry] : []));
    setWhole(asked !== null);
    setEntries([...new Map([...(asked?.entries ?? []), ...waiting].map((e) => [e.id, e])).values()]);
  };
  const units = useUnits();
  const words: BookWords = {
    item: nameOf,
    amount: (item, quantity, isBare) => {
      const amount = amountWords(quantity, coils.has(item), units);
      return isBare ? amount : `${amount} ${coils.has(item) ? 'of' : 'x'} ${nameOf(item)}`;
    },
    subject: (ref) => places.find((p) => p.id === ref.id)?.name ?? NO_WORDS.subject(ref),
  };
  return (
    <details className="why mt-4 print:hidden" onToggle={(e) => e.currentTarget.open && read()}>
      <summary>What came and went on {place.name}</summary>
      {!isWhole && <p>Without the connection only what waits here is known.</p>}
      {entries && <SaidOf {...{ entries, words, timeZone }} onChanged={read} />}
    </details>
  );
}

const isOf = (entry: BookEntry, placeId: string): boolean => entry.subject.id === placeId || entry.body.toId === placeId;
