/** Work on an appliance as it is put on a visit: on one that stands there, or on one that is written down with it. */
import { endLabel, readQuestion, usualWork, type WorkKindId, workFor } from '../../../core/index.ts';
import type { PremisesBook, Told } from '../../../record/index.ts';
import { newId, type Saying, saying } from './book.ts';

/** An appliance that something is to be done to: one that stands there, or one that is written down with the call. */
export interface DraftItem {
  key: string;
  /** null for a new one. */
  applianceId: string | null;
  kind: string;
  name: string;
  /** Name of the room; a new one where the premises has none of that name. */
  room: string;
  work: WorkKindId;
  /** As it was said: '3/8 comp to plastic nut'. */
  said: string;
}

export interface ApplianceRow {
  id: string;
  name: string;
  water: ('cold' | 'hot')[];
}

/** Where nobody says in which room it stands. */
const ANY_ROOM = 'House';

export const itemOf = (appliance: { id: string; kind: string; name: string }, room: string): DraftItem => ({
  key: appliance.id,
  applianceId: appliance.id,
  kind: appliance.kind,
  name: appliance.name,
  room,
  work: usualWork(appliance.kind),
  said: '',
});

export const newItem = (kind: ApplianceRow, book: PremisesBook | null): DraftItem => ({
  key: newId(),
  applianceId: null,
  kind: kind.id,
  // 'toilet (tank)' is the catalogue's; people say 'Toilet'.
  name: plainName(kind.name),
  room: book?.places.find((p) => p.retired === null)?.name ?? ANY_ROOM,
  work: usualWork(kind.id),
  said: '',
});

export const plainName = (name: string): string => {
  const plain = name.replace(/ \(.*\)$/, '');
  return plain.charAt(0).toUpperCase() + plain.slice(1);
};

/** Ends that were said on the telephone, each with its words. */
export function toldIn(said: string): { told: Told[]; words: string[]; unread: string[] } {
  if (said.trim() === '') return { told: [], words: [], unread: [] };
  const { from, to, unread } = readQuestion(said);
  const told: Told[] = [];
  const words: string[] = [];
  for (const [side, readings] of [
    ['from', from],
    ['to', to],
  ] as const) {
    const end = readings[0]?.end;
    if (!end) continue;
    told.push({ side, end });
    words.push(`${side} ${endLabel(end)}`);
  }
  return { told, words, unread };
}

/**
 * What the book is told of work that is put on a visit: the room, the appliance and its runs where they are new, and the runs on the list.
 *
 * @param book the premises; null for new ones
 */
export function sayingsOfWork(
  items: readonly DraftItem[],
  { visitId, premisesId, book, appliances }: { visitId: string; premisesId: string; book: PremisesBook | null; appliances: ApplianceRow[] },
): { standing: Saying[]; onList: Saying[] } {
  const standing: Saying[] = [];
  const rooms = new Map(book?.places.map((p) => [p.name.toLowerCase(), p.id]));
  const onList = items.flatMap((item) => {
    const known = item.applianceId ? runsOf(book, item.applianceId) : [];
    return listed(visitId, item, known.length > 0 ? known : made(item, premisesId, rooms, appliances, standing));
  });
  return { standing, onList };
}

const runsOf = (book: PremisesBook | null, applianceId: string): string[] =>
  (book?.runs ?? []).filter((r) => r.applianceId === applianceId && r.retired === null).map((r) => r.id);

/** Writes down an appliance with its runs, and its room where there is none of that name; the ids of the runs. */
function made(item: DraftItem, premisesId: string, rooms: Map<string, string>, appliances: ApplianceRow[], all: Saying[]): string[] {
  const room = item.room.trim() || ANY_ROOM;
  let placeId = rooms.get(room.toLowerCase());
  if (!placeId) {
    placeId = newId();
    rooms.set(room.toLowerCase(), placeId);
    all.push(saying('place', placeId, 'made', { premisesId, name: room }));
  }
  const applianceId = item.applianceId ?? newId();
  if (!item.applianceId) all.push(saying('appliance', applianceId, 'made', { premisesId, placeId, kind: item.kind, name: item.name.trim() }));
  const waters = appliances.find((a) => a.id === item.kind)?.water ?? ['cold'];
  return waters.map((water) => {
    const runId = newId();
    all.push(saying('run', runId, 'made', { applianceId, water, name: waters.length > 1 ? `${item.name.trim()}, ${water}` : item.name.trim() }));
    return runId;
  });
}

function listed(visitId: string, item: DraftItem, runIds: string[]): Saying[] {
  const { told } = toldIn(item.said);
  return runIds.map((runId) => saying('visit', visitId, 'run-added', { runId, work: item.work, ...(told.length > 0 ? { told } : {}) }));
}

/** Kinds of work of an item, by their names as its card says them: without the appliance, which stands above. */
export const worksOf = (kind: string): [WorkKindId, string][] =>
  workFor(kind).map((w) => [w.id, w.name.includes(': ') ? plainName(w.name.slice(w.name.indexOf(': ') + 2)) : plainName(w.name)]);
