/** The book of a premises as a device keeps it: its entries in one piece, with what finds it. */
import { ordered, type PremisesBook, premisesBook, saysContact } from '../record/index.ts';
import type { PlacedBook } from './protocol.ts';

export interface KeptBook {
  /** The premises, the shop or the stock place. */
  id: string;
  entries: PlacedBook[];
  /** All that belongs to it, and the days of its visits: what it is found by. */
  subjectIds: string[];
  days: string[];
}

/** A book with more entries: those that are there already are put again as they came last. */
export function bookKept(id: string, more: PlacedBook[], before: PlacedBook[]): KeptBook {
  const entries = erased(id, [...new Map([...before, ...more].map((e) => [e.id, e])).values()]);
  const visits: PremisesBook['visits'] = premisesBook(id, entries)?.visits ?? [];
  return { id, entries, subjectIds: [...new Set(entries.map((e) => e.subject.id))], days: [...new Set(visits.map((v) => v.onDate))] };
}

/** A contact that was erased goes from what this device holds too. */
function erased(id: string, entries: PlacedBook[]): PlacedBook[] {
  const own = ordered(entries.filter((e) => e.subject.id === id));
  const at = own.findLastIndex((e) => e.change === 'contact-erased');
  if (at === -1) return entries;
  const before = new Set(own.slice(0, at).map((e) => e.id));
  return entries.map((e) => (before.has(e.id) && saysContact(e.body) ? { ...e, body: { ...e.body, contact: null } } : e));
}

/** What of the device's store this asks for. */
interface Books {
  get: (id: string) => Promise<KeptBook | undefined>;
  put?: (book: KeptBook) => Promise<unknown>;
  index: (name: 'subject') => { get: (subjectId: string) => Promise<KeptBook | undefined> };
}

/**
 * Puts entries that came in among the books that are held. Those of premises that this device does not hold are left out.
 *
 * @param keepsParts  they are kept: their premises are expected
 * @returns visits that something was said of and that are not held
 */
export async function joinBook(books: Books, entries: PlacedBook[], { keepsParts = false } = {}): Promise<string[]> {
  const byRoot = new Map<string, PlacedBook[]>();
  const rootOf = new Map<string, string>();
  for (const entry of entries) {
    const root = entry.rootId || (await rootFound(books, entry, rootOf));
    if (!root) continue;
    rootOf.set(entry.subject.id, root);
    byRoot.set(root, [...(byRoot.get(root) ?? []), { ...entry, rootId: root }]);
  }
  const missing: string[] = [];
  for (const [root, more] of byRoot) {
    const held = await books.get(root);
    const isWhole = keepsParts || held !== undefined || more.some((e) => e.subject.id === root && e.change === 'made');
    const joined = isWhole ? bookKept(root, more, held?.entries ?? []) : null;
    if (joined) await books.put!(joined);
    const made = new Set(joined?.entries.filter((e) => e.change === 'made').map((e) => e.subject.id));
    missing.push(...more.filter((e) => e.subject.kind === 'visit' && !made.has(e.subject.id)).map((e) => e.subject.id));
  }
  return [...new Set(missing)];
}

/** The premises that an entry belongs to: as it says itself, as what it is of or what it names belongs. */
async function rootFound(books: Books, { subject, body }: PlacedBook, known: ReadonlyMap<string, string>): Promise<string | undefined> {
  if (subject.kind === 'premises' || subject.kind === 'shop' || subject.kind === 'stock') return subject.id;
  if (typeof body.premisesId === 'string') return body.premisesId;
  const ids = [subject.id, ...(typeof body.applianceId === 'string' ? [body.applianceId] : [])];
  for (const id of ids) {
    const root = known.get(id) ?? (await books.index('subject').get(id))?.id;
    if (root) return root;
  }
  return undefined;
}
