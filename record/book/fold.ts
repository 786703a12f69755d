/** How a subject of the book stands: what was said of it, each thing by who said it last. */

import { resolved } from '../effective.ts';
import { happenedAt } from '../entry.ts';
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
  // The shop and its house rules share an id.
  const stand = resolved(entries.filter((e) => e.subject.kind === kind)).flatMap(({ stands, by }) => (stands ? [{ entry: stands, saidBy: by }] : []));
  const made = subject.making === null ? undefined : stand.find(({ entry }) => entry.change === subject.making);
  if (subject.making !== null && !made) return { state: null, conflicts: [] };
  const begins = subject.begins as (id: string, body: unknown) => AnyState;
  let state = begins(id, made?.entry.body);
  const setters = new Map<string, Setter[]>();
  if (made) noteSetters(setters, made, made.entry.body);
  for (const one of stand) {
    if (one === made) continue;
    const declared = subject.changes[one.entry.change];
    if (!declared) continue;
    const fields = declared.sets?.(one.entry.body as never);
    if (fields) noteSetters(setters, one, fields);
    if (declared.apply) state = declared.apply(state, one.entry.body as never, one.entry as never);
    else if (fields) state = { ...state, ...fields } as AnyState;
  }
  return { state: state as unknown as States[K], conflicts: conflictsOf(setters) };
}

export const stateOf = <K extends SubjectKind>(kind: K, id: string, entries: readonly BookEntry[]): States[K] | null =>
  standingOf(kind, id, entries).state;

interface Setter {
  fields: Readonly<Record<string, unknown>>;
  /** In the place of what it corrects. */
  entry: BookEntry;
  /** As it was said: a correction by the device that corrected. */
  saidBy: BookEntry;
}

function noteSetters(setters: Map<string, Setter[]>, said: Omit<Setter, 'fields'>, fields: object): void {
  const one: Setter = { ...said, fields: fields as Setter['fields'] };
  for (const field of Object.keys(fields)) {
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
    return [{ field, entries: [other.saidBy.id, last.saidBy.id], values: [other.fields[field], last.fields[field]] }];
  });
}

const isOther = (a: Setter, b: Setter, field: string): boolean =>
  a.saidBy.deviceId !== b.saidBy.deviceId && JSON.stringify(a.fields[field]) !== JSON.stringify(b.fields[field]);

/** Each was said before the other was on record. */
function knewNothing(a: BookEntry, b: BookEntry): boolean {
  const recordedAt = (e: BookEntry) => (e.recordedAt === null ? Number.POSITIVE_INFINITY : Date.parse(e.recordedAt));
  return happenedAt(a) < recordedAt(b) && happenedAt(b) < recordedAt(a);
}
