/** What counts of the entries of a run: folded once, by what each kind declares. */

import { type Resolved, resolved } from '../effective.ts';
import type { EntryBase } from '../entry.ts';
import type { Kind, Told } from '../kind.ts';
import { type Entry, type EntryOf, kindOf, upcast } from '../kinds.ts';
import { chainAccepted } from './kinds/chain-accepted.ts';

export interface History {
  /** Everything that was entered, in order, with what became of it. */
  all: Resolved<Entry>[];
  /** What stands of it. */
  log: Entry[];
  /** By kind, and where a kind counts the last of each by that too. */
  last: Map<string, Entry>;
}

/** Entries of other kinds than this program knows are left out: what they mean it cannot say. */
export function historyOf(entries: readonly Entry[], runId: string): History {
  return folded(resolved(entries.filter((e) => e.runId === runId && kindOf(e.kind) !== undefined).map(upcast)));
}

/** Of what was entered before one that stands. */
export function historyBefore({ all }: History, entryId: string): History {
  return folded(
    all.slice(
      0,
      all.findIndex(({ first }) => first.id === entryId),
    ),
  );
}

/**
 * Of what was entered before one that stands, what was on record when that one was taken: what its own device had made by then, and what others
 * had sent before.
 */
export function historyKnownBefore({ all }: History, entryId: string): History {
  const at = all.findIndex(({ first }) => first.id === entryId);
  const { recordedAt, deviceId } = all[at]!.first;
  const isKnown = (e: Entry) =>
    recordedAt === null || (e.recordedAt !== null && (e.recordedAt < recordedAt || (e.deviceId === deviceId && e.recordedAt === recordedAt)));
  return folded(
    resolved(
      all
        .slice(0, at)
        .flatMap(({ first, later }) => [first, ...later])
        .filter(isKnown),
    ),
  );
}

function folded(all: Resolved<Entry>[]): History {
  const log = all.flatMap(({ stands }) => (stands ? [stands] : []));
  const last = new Map<string, Entry>();
  for (const entry of log) {
    const { counts } = kindOf(entry.kind)!;
    if (counts !== 'all' && counts !== 'by field') last.set(counts === 'last' ? entry.kind : keyOf(entry.kind, counts.lastOf(entry.body)), entry);
  }
  return { all, log, last };
}

const keyOf = (kind: string, of: string): string => `${kind} ${of}`;

/** The last entry of a kind that counts, or its last of `of`. */
export function lastOf<Name extends string, B>(history: History, kind: Kind<Name, B>, of?: string): Told<B> | null {
  return (history.last.get(of === undefined ? kind.name : keyOf(kind.name, of)) as unknown as Told<B> | undefined) ?? null;
}

/** Entries of a kind that stand, in order. */
export const eachOf = <Name extends string, B>(history: History, kind: Kind<Name, B>): Told<B>[] => ofKind(history.log, kind);

/** Entries of a kind among those given, in order. */
export function ofKind<Name extends string, B>(log: readonly EntryBase[], kind: Kind<Name, B>): Told<B>[] {
  return (log as Told<B>[]).filter((e) => e.kind === kind.name);
}

/** What entries say together: of each field what was said last, nothing of one that was emptied. */
export type Together<B> = { [K in keyof B]?: NonNullable<B[K]> };

/** Of a kind that counts by field, what stands; null when nothing was entered. */
export function togetherOf<Name extends string, B extends object>(history: History, kind: Kind<Name, B>): Together<B> | null {
  const said = eachOf(history, kind);
  if (said.length === 0) return null;
  const fields = said.flatMap(({ body }) => Object.entries(body)).filter(([, value]) => value !== undefined);
  return Object.fromEntries([...new Map(fields)].filter(([, value]) => value !== null)) as Together<B>;
}

/** Acceptances that stand, oldest first. */
export const acceptances = (history: History): EntryOf<'chain-accepted'>[] => eachOf(history, chainAccepted) as EntryOf<'chain-accepted'>[];

/** What was accepted for a run, oldest first. */
export const acceptancesOf = (entries: readonly Entry[], runId: string) => acceptances(historyOf(entries, runId)).map((e) => e.body);
