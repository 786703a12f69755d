/** How a subject of the book stands: what was said of it, each thing by who said it last. */
import { happenedAt } from '../entry.ts';
import { fates } from '../standing.ts';
import type { BookEntry, SubjectKind } from './entry.ts';
import type { AnyState, States } from './states.ts';
import { subjectOf } from './subjects.ts';

/** Two devices, neither knowing of the other, said something else of the same field: the later stands, and both are shown. */
export interface FieldConflict {
  field: string;
  /** The one that does not stand, and the one that does. */
  entries: [string, string];
  values: [unknown, unknown];
}

export interface Standing<S> {
  /** null where it was never made, or its making was taken back. */
  state: S | null;
  conflicts: FieldConflict[];
}

/**
 * A subject from its entries, in whatever order they are given.
 *
 * @param entries all that was said of it, withdrawals and corrections among it, and nothing of another
 */
export function standingOf<K extends SubjectKind>(kind: K, id: string, entries: readonly BookEntry[]): Standing<States[K]> {
  const subject = subjectOf(kind);
  const stand = fates(entries).flatMap(({ stands, by }) => (stands ? [{ entry: stands, saidBy: by }] : []));
  const made = subject.making === null ? undefined : stand.find(({ entry }) => entry.change === subject.making);
  if (subject.making !== null && !made) return { state: null, conflicts: [] };
  const begins = subject.begins as (id: string, body: unknown) => AnyState;
  let state = begins(id, made?.entry.body);
  const setters = new Map<string, Setter[]>();
  if (made) noteSetters(setters, made);
  for (const one of stand) {
    if (one === made) continue;
    const declared = subject.changes[one.entry.change];
    if (!declared) continue;
    if (declared.sets) {
      state = { ...state, ...one.entry.body } as AnyState;
      noteSetters(setters, one);
    } else if (declared.apply) state = declared.apply(state, one.entry.body as never, one.entry as never);
  }
  return { state: state as unknown as States[K], conflicts: conflictsOf(setters) };
}

export const stateOf = <K extends SubjectKind>(kind: K, id: string, entries: readonly BookEntry[]): States[K] | null =>
  standingOf(kind, id, entries).state;

interface Setter {
  /** In the place of what it corrects. */
  entry: BookEntry;
  /** As it was said: a correction by the device that corrected. */
  saidBy: BookEntry;
}

function noteSetters(setters: Map<string, Setter[]>, one: Setter): void {
  for (const field of Object.keys(one.entry.body)) {
    const list = setters.get(field);
    if (list) list.push(one);
    else setters.set(field, [one]);
  }
}

function conflictsOf(setters: ReadonlyMap<string, Setter[]>): FieldConflict[] {
  return [...setters].flatMap(([field, list]): FieldConflict[] => {
    const last = list.at(-1)!;
    const other = list.slice(0, -1).findLast((o) => isOther(o, last, field) && knewNothing(o.saidBy, last.saidBy));
    if (!other) return [];
    return [{ field, entries: [other.saidBy.id, last.saidBy.id], values: [other.entry.body[field], last.entry.body[field]] }];
  });
}

const isOther = (a: Setter, b: Setter, field: string): boolean =>
  a.saidBy.deviceId !== b.saidBy.deviceId && JSON.stringify(a.entry.body[field]) !== JSON.stringify(b.entry.body[field]);

/** Each was said before the other was on record. */
function knewNothing(a: BookEntry, b: BookEntry): boolean {
  const recordedAt = (e: BookEntry) => (e.recordedAt === null ? Number.POSITIVE_INFINITY : Date.parse(e.recordedAt));
  return happenedAt(a) < recordedAt(b) && happenedAt(b) < recordedAt(a);
}
