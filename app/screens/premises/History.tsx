import { useState } from 'react';
import { type BookEntry, NO_WORDS, type PremisesBook, type SubjectRef } from '../../../record/index.ts';
import type { Holding } from '../../../sync/protocol.ts';
import { get, sync } from '../../../sync/run.ts';
import { SaidOf } from '../../ui/book/index.ts';
import { nameMade, namesIn } from './names-in.ts';

/** Everything that was said of the premises and of what belongs to them, in plain words; each can be taken back with a reason, and put back. */
export function History({ id, book }: { id: string; book: PremisesBook }) {
  const [entries, setEntries] = useState<BookEntry[] | null>(null);
  const read = async () => {
    // Visits of years gone by are with the server alone.
    const visits = book.visits.map((v) => `visit=${v.id}`).slice(-100);
    const asked = await get<Holding>(`/api/v1/book/holding?premises=${id}${visits.map((v) => `&${v}`).join('')}`);
    const own = await sync
      .device()
      .then((store) => store.bookEntries(id))
      .catch(() => []);
    const all = [...(asked?.books.find((b) => b.id === id)?.entries ?? []), ...own.filter((e) => isHere(e, book))];
    setEntries([...new Map(all.map((e) => [e.id, e])).values()]);
  };
  const nameOf = ({ id: subjectId, kind }: SubjectRef) =>
    namesIn(book).get(subjectId) ?? nameMade(entries, subjectId) ?? NO_WORDS.subject({ id: subjectId, kind });
  return (
    <details className="why" onToggle={(e) => e.currentTarget.open && entries === null && read()}>
      <summary>What was said of it, and by which device</summary>
      {entries && <SaidOf entries={entries} words={{ ...NO_WORDS, subject: nameOf }} timeZone={book.premises.timeZone} onChanged={read} />}
    </details>
  );
}

/** What waits on this device may be of other premises. */
const isHere = (entry: BookEntry, book: PremisesBook): boolean =>
  'rootId' in entry || entry.body.premisesId === book.premises.id || namesIn(book).has(entry.subject.id);
