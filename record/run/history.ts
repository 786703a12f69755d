/** What counts of the entries of a run: folded once, by what each kind declares. */
import { type EntryBase, standing } from '../entry.ts';
import type { Kind, Told } from '../kind.ts';
import { broughtUp, type Entry, kindOf } from '../kinds.ts';
import { chainAccepted } from './kinds/chain-accepted.ts';

export interface History {
  /** Entries that stand, in order, corrections in place of what they correct. */
  log: Entry[];
  /** Those from the acceptance in force on, it among them; none where there is none. */
  ofChain: Entry[];
  /** By kind, and where a kind counts the last of each by that too. */
  last: Map<string, Entry>;
}

/** Entries of other kinds than this program knows are left out: what they mean it cannot say. */
export function historyOf(entries: readonly Entry[], runId: string): History {
  const log = standing(entries.filter((e) => e.runId === runId && kindOf(e.kind) !== undefined)).map(broughtUp);
  const at = log.findLastIndex((e) => e.kind === chainAccepted.name);
  const last = new Map<string, Entry>();
  for (const [i, entry] of log.entries()) {
    const { counts, ofChain } = kindOf(entry.kind)!;
    if (counts === 'all' || (ofChain && i < at)) continue;
    last.set(counts === 'last' ? entry.kind : keyOf(entry.kind, counts.lastOf(entry.body)), entry);
  }
  return { log, ofChain: at === -1 ? [] : log.slice(at), last };
}

const keyOf = (kind: string, of: string): string => `${kind} ${of}`;

/** The last entry of a kind that counts, or its last of `of`. */
export function lastOf<Name extends string, B>(history: History, kind: Kind<Name, B>, of?: string): Told<B> | null {
  return (history.last.get(of === undefined ? kind.name : keyOf(kind.name, of)) as unknown as Told<B> | undefined) ?? null;
}

/** Entries of a kind that count, in order: of the chain in force, where a kind counts only for that. */
export const eachOf = <Name extends string, B>(history: History, kind: Kind<Name, B>): Told<B>[] =>
  ofKind(kind.ofChain ? history.ofChain : history.log, kind);

/** Entries of a kind among those given, in order. */
export function ofKind<Name extends string, B>(log: readonly EntryBase[], kind: Kind<Name, B>): Told<B>[] {
  return (log as Told<B>[]).filter((e) => e.kind === kind.name);
}
