import { KNOWN_IDS } from '../../../core/index.ts';
import { type History, lastOf, ofKind } from '../history.ts';
import { endSeen } from '../kinds/end-seen.ts';
import { needChanged } from '../kinds/need-changed.ts';
import { stubSeen } from '../kinds/stub-seen.ts';

/** Changes and stubs as they stand, of a run's history. */
export function needFactsOf(history: History) {
  const stub = (side: 'from' | 'to') => {
    const entry = lastOf(history, stubSeen, side);
    // What was seen of one tube says nothing of another read since.
    if (entry === null || endWhen(history, side, entry.id) !== (lastOf(history, endSeen, side)?.body.end ?? null)) return null;
    const seen = entry.body;
    return { stub: { finish: seen.finish, ...(seen.inches === undefined ? {} : { lengthIn: seen.inches }) }, text: seen.text };
  };
  const [from, to] = [stub('from'), stub('to')];
  const changes = KNOWN_IDS.flatMap((id) => {
    const entry = lastOf(history, needChanged, id);
    return entry ? [{ ...entry.body, entryId: entry.id }] : [];
  });
  const stubs = { ...(from ? { from: from.stub } : {}), ...(to ? { to: to.stub } : {}) };
  return { stubs, stubTexts: { from: from?.text, to: to?.text }, changes };
}

/** The end of a side as it was read when an entry that stands was made. */
function endWhen({ log }: History, side: 'from' | 'to', entryId: string): string | null {
  const before = log.slice(
    0,
    log.findIndex((e) => e.id === entryId),
  );
  return ofKind(before, endSeen).findLast((e) => e.body.side === side)?.body.end ?? null;
}
