/** Visits for connections that are to be looked at again: one for each premises, on the day the last of them is due. */
import { localDayOf, type Recheck } from '../../../record/index.ts';
import { newId, type Saying, saying } from './book.ts';

const STARTS_AT = '09:00';

/** @param today no visit is booked on a day gone by */
export function sayingsOfRechecks(due: readonly Recheck[], today: string): Saying[] {
  const byPremises = new Map<string, Recheck[]>();
  for (const r of due) byPremises.set(r.premisesId, [...(byPremises.get(r.premisesId) ?? []), r]);
  return [...byPremises].flatMap(([premisesId, list]) => {
    const id = newId();
    const onDate = [today, ...list.map((r) => localDayOf(r.dueMs, r.timeZone))].sort().at(-1)!;
    return [
      saying('visit', id, 'made', { premisesId, onDate, startsAt: STARTS_AT, title: 'Recheck' }),
      ...list.map((r) => saying('visit', id, 'run-added', { runId: r.runId, work: r.work, recheckOf: r.visitId })),
    ];
  });
}
