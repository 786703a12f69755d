/** Whether an entry may be taken: what every kind must obey, then the kind's own rule on the run as it stands. */

import { isNamed, ordered, WITHDRAWN } from './effective.ts';
import { type EntryBase, targetOf } from './entry.ts';
import type { Refusal, Told } from './kind.ts';
import { type AnyKind, type Entry, kindOf } from './kinds.ts';
import type { RunNow } from './run/now.ts';

const UNKNOWN_JOINT: Refusal = { rule: 'unknown-joint', why: 'The joint belongs to a chain that was not kept.' };
const UNKNOWN_POINT: Refusal = { rule: 'unknown-check-point', why: 'This run has no such check point.' };

/**
 * @param run     the run as it stands
 * @param entries what is recorded on it
 * @returns why the entry is not taken; null when it is
 */
export function validate(entry: Entry, run: RunNow, entries: readonly Entry[]): Refusal | null {
  const kind = kindOf(entry.kind);
  if (!kind) return { rule: 'unknown-kind', why: `There is no kind of entry "${entry.kind}".` };
  if (entry.jointId !== null && !run.jointIds.has(entry.jointId)) return UNKNOWN_JOINT;
  if (entry.checkPointId !== null && !run.hasCheckPoint(entry.checkPointId)) return UNKNOWN_POINT;
  if (entry.jointId !== null && entry.checkPointId !== null) {
    return { rule: 'two-targets', why: 'An entry is about a joint or a check point, not both.' };
  }
  if (kind.about === 'run' && targetOf(entry) !== null) return { rule: 'other-target', why: 'This is said of a run, not of one of its joints.' };
  if (kind.about === 'joint' && entry.jointId === null) return { rule: 'no-joint', why: 'Say at which joint.' };
  const told = entry as Told<unknown>;
  return correctionRefusal(entry, entries) ?? signedRefusal(told, kind, run, entries) ?? kind.holds(told, run);
}

/** A signed-off run is read-only; what another device did before that still comes in, in its place. */
function signedRefusal(entry: Told<unknown>, kind: AnyKind, run: RunNow, entries: readonly Entry[]): Refusal | null {
  if (!run.signedOff || kind.onSigned?.(entry, run)) return null;
  const { id } = run.signedOff;
  const order = ordered<EntryBase>([...entries, entry]).map((e) => e.id);
  if (order.indexOf(entry.id) < order.indexOf(id)) return null;
  return { rule: 'signed-off', why: 'This run is signed off, and only read until it is reopened with a reason.' };
}

function correctionRefusal(entry: Entry, entries: readonly Entry[]): Refusal | null {
  if (entry.correctsId === null) return null;
  const wrong = entries.find((e) => e.id === entry.correctsId);
  if (!wrong) return { rule: 'unknown-entry', why: 'What this entry names was not kept on this run.' };
  if (entry.kind !== WITHDRAWN && wrong.kind !== entry.kind) {
    return { rule: 'other-kind', why: 'A correction says the same kind of thing as what it corrects.' };
  }
  if (isNamed(entries, wrong.id)) {
    return { rule: 'corrected-already', why: 'That entry was corrected or taken back already. Name the newer one.' };
  }
  if (entry.kind !== WITHDRAWN && (wrong.jointId !== entry.jointId || wrong.checkPointId !== entry.checkPointId)) {
    return { rule: 'other-target', why: 'A correction is about the same joint as what it corrects.' };
  }
  return null;
}
