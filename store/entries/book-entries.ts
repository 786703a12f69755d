/** Entries of the book on the one way in. */
import { isDeepStrictEqual } from 'node:util';
import {
  type BookEntry,
  type BookNow,
  bookRefusal,
  type Refusal,
  type SentBookEntry,
  type States,
  type SubjectKind,
  type SubjectRef,
  stateOf,
  subjectOf,
  WITHDRAWN,
} from '../../record/index.ts';
import { groupBy, type Sql, type Tx } from '../database/index.ts';
import { deriveBook, deriveLevels } from '../projections/index.ts';
import { hangingOn, stockEntriesFor } from '../queries/index.ts';
import {
  type BookRow,
  bookColumns,
  bookEntryOf,
  digestOf,
  entriesOfSubjects,
  insertBookEntries,
  ofShop,
  type PlacedBookEntry,
  shopKey,
} from '../rows/index.ts';
import { type Answer, type Ingestion, ingest } from './ingest.ts';
import { isOtherPerson } from './run-entries.ts';

/** Takes entries of the book in the order given, each whole or not at all, each with its own answer. */
export const ingestBookEntries = (sql: Sql, shopId: string, entries: SentBookEntry[], at: Date): Promise<Answer[]> =>
  ingest(
    sql,
    shopId,
    entries.map((e) => ofShop(shopId, e)),
    at,
    bookIngestion,
  );

const bookIngestion: Ingestion<SentBookEntry> = {
  isSame: sameSaid,
  known: async (tx, shopId, entries) => {
    const rows = await tx<(Omit<BookRow, 'subject_kind'> & { subject_kind: SubjectKind | null })[]>`
      select ${tx(bookColumns)} from entry where shop_id = ${shopId} and entry_id = any(${entries.map((e) => e.id)}::uuid[])`;
    const key = rows.some((r) => r.erased !== null) ? await shopKey(tx, shopId) : '';
    return new Map(
      rows.map((row) => {
        const isSame = (sent: SentBookEntry): boolean => {
          if (row.subject_kind === null) return false;
          return row.erased === null ? sameSaid(bookEntryOf(row as BookRow), sent) : digestOf(sent, key) === row.erased;
        };
        return [row.entry_id, { recordedAt: row.recorded_at.toISOString(), isSame }];
      }),
    );
  },
  open: async (tx, shopId, entries, at) => {
    const book = await bookAtHand(tx, shopId, entries);
    const points = await checkPointsAtHand(tx, shopId, entries);
    return {
      // Its place among the others follows from when it is recorded.
      judge: (entry) => bookRefusal({ ...entry, recordedAt: at.toISOString() }, book.entriesOf(entry.subject.id), book.now) ?? points.judge(entry),
      take: (placed) => {
        points.take(placed);
        book.add(placed);
      },
      derive: async (on, kept) => {
        await deriveBook(on, shopId, distinct(kept.map((e) => e.subject)), book.entriesOf);
        await deriveLevels(on, shopId, kept, book.entriesOf);
      },
    };
  },
  insert: insertBookEntries,
  // What hangs on a subject is read from the tables: they are brought up to what came before.
  isCutBefore: (entry) => entry.change === WITHDRAWN,
};

const distinct = (refs: SubjectRef[]): SubjectRef[] => [...new Map(refs.map((r) => [`${r.kind} ${r.id}`, r])).values()];

/** When it was sent and recorded may differ between two tries, and the one sent again may leave out who said it; what was said may not. */
function sameSaid(a: BookEntry, b: BookEntry): boolean {
  if (isOtherPerson(a, b)) return false;
  const said = ({ sentAt: _s, recordedAt: _r, erased: _e, personId: _w, ...rest }: BookEntry & { position?: number }) => {
    const { position: _p, ...own } = rest;
    return JSON.parse(JSON.stringify(own));
  };
  return isDeepStrictEqual(said(a), said(b));
}

interface BookAtHand {
  now: BookNow;
  entriesOf: (subjectId: string) => PlacedBookEntry[];
  add: (entry: PlacedBookEntry) => void;
}

/** The subjects that entries are about and those that they name, with all that was said of them. */
async function bookAtHand(tx: Tx, shopId: string, entries: SentBookEntry[]): Promise<BookAtHand> {
  const named = entries.flatMap((e) => [e.subject, ...namesOf(e)]);
  const stock = entries.filter((e) => e.subject.kind === 'stock');
  const stockIds = new Set(named.filter((r) => r.kind === 'stock').map((r) => r.id));
  const said = await entriesOfSubjects(
    tx,
    shopId,
    [...new Set(named.map((r) => r.id))].filter((id) => !stockIds.has(id)),
  );
  // A run is judged by its appliance too.
  const have = new Set(named.map((r) => r.id));
  const owners = [...said, ...entries].flatMap((e) => ('applianceId' in e.body ? [e.body.applianceId as string] : [])).filter((id) => !have.has(id));
  const [more, ofStock, hanging, records] = await Promise.all([
    entriesOfSubjects(tx, shopId, [...new Set(owners)]),
    stockEntriesFor(tx, shopId, [...stockIds], stock),
    hangingOn(tx, shopId, distinct(entries.filter((e) => e.change === WITHDRAWN).map((e) => e.subject))),
    recordsOf(tx, shopId, entries),
  ]);
  const bySubject = groupBy([...said, ...more, ...ofStock], (e) => e.subject.id);
  const states = new Map<string, unknown>();
  return {
    entriesOf: (id) => bySubject.get(id) ?? [],
    add: (entry) => {
      const list = bySubject.get(entry.subject.id);
      if (list) list.push(entry);
      else bySubject.set(entry.subject.id, [entry]);
      states.delete(entry.subject.id);
    },
    now: {
      get: <K extends SubjectKind>(kind: K, id: string): States[K] | null => {
        if (!states.has(id)) {
          const own = (bySubject.get(id) ?? []).filter((e) => e.subject.kind === kind);
          states.set(id, stateOf(kind, id, own));
        }
        return states.get(id) as States[K] | null;
      },
      hangsOn: (ref) => hanging.get(ref.id) ?? null,
      hasChain: (visitId, runId) => records.get(`${visitId} ${runId}`)?.hasChain ?? false,
      hasRecord: (visitId, runId) => records.has(`${visitId} ${runId}`),
    },
  };
}

/** Check points belong to one run for good. */
async function checkPointsAtHand(tx: Tx, shopId: string, entries: SentBookEntry[]) {
  const idsOf = (e: SentBookEntry) => (e.subject.kind === 'run' ? ((e.body.checkPoints as { id: string }[] | undefined) ?? []).map((c) => c.id) : []);
  const ids = entries.flatMap(idsOf);
  const rows =
    ids.length === 0
      ? []
      : await tx<{ check_point_id: string; run_id: string }[]>`
    select check_point_id, run_id from check_point where shop_id = ${shopId} and check_point_id = any(${ids}::uuid[])`;
  const runOf = new Map(rows.map((r) => [r.check_point_id, r.run_id]));
  return {
    judge: (entry: SentBookEntry): Refusal | null =>
      idsOf(entry).some((id) => (runOf.get(id) ?? entry.subject.id) !== entry.subject.id)
        ? { rule: 'other-run', why: 'body.checkPoints: another run has a check point of that id.' }
        : null,
    take: (entry: SentBookEntry) => {
      for (const id of idsOf(entry)) runOf.set(id, entry.subject.id);
    },
  };
}

function namesOf(entry: SentBookEntry): SubjectRef[] {
  const change = subjectOf(entry.subject.kind).changes[entry.change];
  return change?.names?.(entry.body as never) ?? [];
}

/** Which runs of the visits at hand something is recorded on, and whether a chain is accepted there. */
async function recordsOf(tx: Tx, shopId: string, entries: SentBookEntry[]): Promise<Map<string, { hasChain: boolean }>> {
  const visitIds = [...new Set(entries.filter((e) => e.change === 'run-added' || e.change === WITHDRAWN).map((e) => e.subject.id))];
  if (visitIds.length === 0) return new Map();
  const rows = await tx<{ visit_id: string; run_id: string; has_chain: boolean }[]>`
    select visit_id, run_id, accepted_id is not null as has_chain from derived_run
    where shop_id = ${shopId} and visit_id = any(${visitIds}::uuid[]) and up_to > 0`;
  return new Map(rows.map((r) => [`${r.visit_id} ${r.run_id}`, { hasChain: r.has_chain }]));
}
