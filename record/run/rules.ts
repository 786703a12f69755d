/** Rules that several kinds share. */
import { type EntryBase, targetOf } from '../entry.ts';
import type { Refusal } from '../kind.ts';
import type { RunNow } from './now.ts';

export function wantsChain(_: EntryBase, run: RunNow): Refusal | null {
  if (run.accepted !== null || !run.joins) return null;
  return { rule: 'no-chain', why: 'No chain is accepted for this run yet: choose one in Match first.' };
}

/** It is about a joint of a chain that was accepted for this run, or about one of its check points. */
export function wantsTarget(entry: EntryBase, run: RunNow): Refusal | null {
  const lacks = wantsChain(entry, run);
  if (lacks) return lacks;
  const target = targetOf(entry);
  if (target !== null && (run.jointIds.has(target) || run.hasCheckPoint(target))) return null;
  return entry.checkPointId === null
    ? { rule: 'unknown-joint', why: 'The joint belongs to a chain that was not kept.' }
    : { rule: 'unknown-check-point', why: 'This run has no such check point.' };
}

const LEAST_LETTERS = 5;
const LEAST_DIFFERENT = 3;

/** A reason says something to who reads it in a year: "x", "ok" and "n/a" do not. */
export function isRealReason(text: string): boolean {
  const letters = text.toLowerCase().match(/\p{L}/gu) ?? [];
  return letters.length >= LEAST_LETTERS && new Set(letters).size >= LEAST_DIFFERENT;
}

export const realReason = (text: string): Refusal | null =>
  isRealReason(text)
    ? null
    : { rule: 'no-reason', why: `"${text.trim().slice(0, 40)}" is no reason: say in a few words why, for whoever reads it in a year.` };
