/** Which entries stand: what was corrected stands as it was corrected, in its old place; what was withdrawn does not stand, until the withdrawal is. */
import { happenedAt, type Stamped } from './entry.ts';

/** Takes an entry back; declared among the kinds, named here because what stands is worked out before any kind is asked. */
export const WITHDRAWN = 'withdrawn';

/** An entry of a run says its kind, one of the book its change. */
type Any = Stamped & ({ kind: string } | { change: string });

const takesBack = (entry: Any): boolean => ('kind' in entry ? entry.kind : entry.change) === WITHDRAWN;

/** Something that was entered, and what became of it. */
export interface Resolved<E> {
  /** As it was first entered. */
  first: E;
  /** As it counts now, by the first one's id and times; null when it was withdrawn. */
  stands: E | null;
  /** The entry whose content counts: the first, or its last correction that stands. */
  by: E;
  /** The withdrawal that counts; null when there is none. */
  withdrawnBy: E | null;
  /** All that was said of it later, and of that: corrections and withdrawals, in order. */
  later: E[];
}

/**
 * Everything that was entered, in the order it happened, those not yet sent last, each with what became of it.
 *
 * One device's entries keep the order in which it made them, whatever its clock did in between; those of several are merged by the time
 * put right. The order in which the entries are given does not matter.
 */
export function resolved<E extends Any>(entries: readonly E[]): Resolved<E>[] {
  const inOrder = ordered(entries);
  // Mostly nothing was corrected.
  if (!inOrder.some((e) => e.correctsId !== null)) {
    return inOrder.filter((e) => !takesBack(e)).map((first) => ({ first, by: first, withdrawnBy: null, stands: first, later: [] }));
  }
  const { about, fateOf, isLater } = named(inOrder);
  return inOrder
    .filter((e) => !isLater(e) && !takesBack(e))
    .map((first) => {
      if (!about.has(first.id)) return { first, by: first, withdrawnBy: null, stands: first, later: [] };
      const { by, withdrawnBy } = fateOf(first);
      return { first, by, withdrawnBy, stands: withdrawnBy ? null : inPlaceOf(first, by), later: laterOf(first, about) };
    });
}

/** Whether something that stands corrects an entry or takes it back: then that is the one to be named, not the entry. */
export function isNamed(entries: readonly Any[], id: string): boolean {
  const { about, fateOf } = named(ordered(entries));
  return (about.get(id) ?? []).some((later) => fateOf(later).withdrawnBy === null);
}

/** Which entries name which, and what becomes of one by those that name it. */
function named<E extends Any>(inOrder: E[]) {
  const known = new Set(inOrder.map((e) => e.id));
  const isLater = (e: E) => e.correctsId !== null && known.has(e.correctsId) && e.correctsId !== e.id;
  const about = new Map<string, E[]>();
  for (const entry of inOrder) {
    if (!isLater(entry)) continue;
    const list = about.get(entry.correctsId as string);
    if (list) list.push(entry);
    else about.set(entry.correctsId as string, [entry]);
  }
  const fateOf = (entry: E, seen: ReadonlySet<string> = new Set([entry.id])): { by: E; withdrawnBy: E | null } => {
    for (const later of about.get(entry.id) ?? []) {
      if (seen.has(later.id)) continue;
      const fate = fateOf(later, new Set([...seen, later.id]));
      // What took it back, or stood in its place, was itself taken back.
      if (fate.withdrawnBy !== null) continue;
      return takesBack(later) ? { by: entry, withdrawnBy: later } : fate;
    }
    return { by: entry, withdrawnBy: null };
  };
  return { about, fateOf, isLater };
}

function laterOf<E extends Any>(first: E, about: ReadonlyMap<string, E[]>): E[] {
  const found = new Set<E>();
  const open = [first];
  for (let entry = open.pop(); entry; entry = open.pop()) {
    for (const later of about.get(entry.id) ?? []) {
      if (found.has(later) || later === first) continue;
      found.add(later);
      open.push(later);
    }
  }
  return [...found];
}

/** Entries that stand, in order: what a correction says, in the place of what it corrects. */
export const effective = <E extends Any>(entries: readonly E[]): E[] => resolved(entries).flatMap(({ stands }) => (stands ? [stands] : []));

/** A correction counts by the name and at the time of what it corrects. */
function inPlaceOf<E extends Any>(first: E, by: E): E {
  if (first === by) return first;
  const { id, deviceId, seq, seenAt, sentAt, recordedAt, correctsId } = first;
  return { ...by, id, deviceId, seq, seenAt, sentAt, recordedAt, correctsId };
}

/** Entries in the order they happened. */
export function ordered<E extends Stamped>(entries: readonly E[]): E[] {
  const devices = new Map<string, E[]>();
  for (const entry of entries) {
    const own = devices.get(entry.deviceId);
    if (own) own.push(entry);
    else devices.set(entry.deviceId, [entry]);
  }
  const timed: { entry: E; at: number }[] = [];
  for (const device of [...devices.keys()].sort()) {
    let latest = Number.NEGATIVE_INFINITY;
    for (const entry of asMade(devices.get(device)!)) {
      latest = entry.recordedAt === null ? Number.POSITIVE_INFINITY : Math.max(latest, happenedAt(entry));
      timed.push({ entry, at: latest });
    }
  }
  return timed.sort((a, b) => (a.at === b.at ? 0 : a.at - b.at)).map(({ entry }) => entry);
}

/**
 * Entries of one device in the order it made them: by its count; those without a number are put among them as they were recorded, for a
 * device sends in order, and then by id.
 */
function asMade<E extends Stamped>(entries: E[]): E[] {
  const recordedAt = (e: E) => e.recordedAt ?? '9';
  let latest = '';
  const counted = entries
    .filter((e) => e.seq !== undefined)
    .sort((a, b) => a.seq! - b.seq!)
    .map((entry, place) => {
      if (recordedAt(entry) > latest) latest = recordedAt(entry);
      return { entry, at: latest, place };
    });
  const others = entries
    .filter((e) => e.seq === undefined)
    .sort((a, b) => (a.id < b.id ? -1 : 1))
    .map((entry, i) => ({ entry, at: recordedAt(entry), place: counted.length + i }));
  return [...counted, ...others].sort((a, b) => (a.at === b.at ? a.place - b.place : a.at < b.at ? -1 : 1)).map(({ entry }) => entry);
}
