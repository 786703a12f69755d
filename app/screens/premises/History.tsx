import { useState } from 'react';
import type { BookEntry, SubjectRef } from '../../../record/book/entry.ts';
import { bookHappenings, NO_WORDS } from '../../../record/book/words.ts';
import type { Happening } from '../../../record/index.ts';
import type { PremisesBook } from '../../../record/premises/book.ts';
import type { Holding } from '../../../sync/protocol.ts';
import { get, sync } from '../../../sync/run.ts';
import { type Saying, say } from '../../ui/book.ts';
import { Happened } from '../../ui/Happened.tsx';
import { ReasonForm } from '../../ui/ReasonForm.tsx';

const FINAL = 'premises contact-erased';

/** Everything that was said of the premises and of what belongs to them, in plain words; each can be taken back with a reason, and put back. */
export function History({ id, book }: { id: string; book: PremisesBook }) {
  const [entries, setEntries] = useState<BookEntry[] | null>(null);
  const [asks, setAsks] = useState<string | null>(null);
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
  const rows = entries ? bookHappenings(entries, { ...NO_WORDS, subject: nameOf }) : [];
  const subjects = new Map(entries?.map((e) => [e.id, e.subject]));
  const takeBack = (row: Happening, ids: string[], reason: string, isBack: boolean) => {
    const subject = subjects.get(row.id);
    if (!subject) return;
    const all = ids.map((correctsId): Saying => ({ subject, change: 'withdrawn', body: { reason }, correctsId }));
    say(all, `${row.who}: ${isBack ? 'taken back' : 'put back'}`, isBack).then(read);
  };
  return (
    <details className="why" onToggle={(e) => e.currentTarget.open && entries === null && read()}>
      <summary>What was said of it, and by which device</summary>
      {entries && (
        <Happened
          rows={rows}
          timeZone={book.premises.timeZone}
          device={(deviceId) => `device ${[...new Set(rows.map((r) => r.deviceId))].indexOf(deviceId) + 1}`}
          actions={(row) =>
            row.kind === FINAL ? null : row.withdrawn ? (
              <button type="button" className="key" onClick={() => takeBack(row, row.withdrawn!.ids, 'put back', false)}>
                Put back
              </button>
            ) : (
              <button type="button" className="key" onClick={() => setAsks(asks === row.id ? null : row.id)}>
                Take back
              </button>
            )
          }
          below={(row) =>
            asks === row.id && (
              <ReasonForm
                label="Why it is taken back"
                submit="Take it back"
                onReason={(reason) => {
                  setAsks(null);
                  takeBack(row, row.wholeIds, reason, true);
                }}
              />
            )
          }
        />
      )}
    </details>
  );
}

/** What waits on this device may be of other premises. */
const isHere = (entry: BookEntry, book: PremisesBook): boolean =>
  'rootId' in entry || entry.body.premisesId === book.premises.id || namesIn(book).has(entry.subject.id);

/** The name of what was made and taken back. */
function nameMade(entries: BookEntry[] | null, subjectId: string): string | undefined {
  const made = entries?.find((e) => e.subject.id === subjectId && e.change === 'made')?.body;
  return (made?.name ?? made?.title ?? made?.text) as string | undefined;
}

const namesIn = ({ premises, places, appliances, runs, visits, followUps }: PremisesBook): Map<string, string> =>
  new Map([
    ...[premises, ...places, ...appliances, ...runs].map((one) => [one.id, one.name] as const),
    ...visits.map((v) => [v.id, v.title] as const),
    ...followUps.map((f) => [f.id, f.text.slice(0, 60)] as const),
  ]);
