/** What was found at a run the last time: asked when it is looked at, and before, so that it is there in a cellar too. */
import { addDays } from '../../../record/index.ts';
import type { LastTime } from '../../../store/queries/index.ts';
import { get, localToday, sync } from '../../../sync/run.ts';
import { heldAnswer, hold } from './held.ts';

const keyOf = (visitId: string, runId: string): string => `last ${visitId} ${runId}`;

/** As this device holds it: null where nobody was there before, undefined where it was never asked. */
export const heldLastTime = (visitId: string, runId: string): Promise<LastTime | null | undefined> => heldAnswer(keyOf(visitId, runId));

/** As the server says, and held from then on; undefined where it does not answer. */
export async function askLastTime(visitId: string, runId: string): Promise<LastTime | null | undefined> {
  const answer = await get<{ last: LastTime | null }>(`/api/v1/runs/${runId}/last?before=${visitId}`);
  if (!answer) return undefined;
  await hold(keyOf(visitId, runId), answer.last);
  return answer.last;
}

/** As many as a page asks for in one go, one after another. */
const MOST = 200;

/** Asks for the runs of today and tomorrow that nobody has looked at on this device, with their small pictures: the worker keeps those. */
export async function keepLastTimes(): Promise<void> {
  const today = localToday();
  const store = await sync.device();
  const [from, to] = [today, addDays(today, 1)];
  const visits = (await store.books({ from, to })).flatMap((book) =>
    book.visits.filter((v) => v.onDate >= from && v.onDate <= to && v.cancelled === null),
  );
  const runs = visits.flatMap((v) => v.runs.filter((r) => r.removed === null).map((r) => ({ visitId: v.id, runId: r.runId })));
  for (const { visitId, runId } of runs.slice(0, MOST)) {
    if ((await heldLastTime(visitId, runId)) !== undefined) continue;
    const last = await askLastTime(visitId, runId);
    // No connection: another page tries again.
    if (last === undefined) return;
    for (const { picture } of last?.pictures ?? []) await fetch(`/api/v1/pictures/${picture}/small`).catch(() => null);
  }
}
