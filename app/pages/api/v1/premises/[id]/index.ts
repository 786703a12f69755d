import { lastStates, premisesWhole } from '../../../../../../store/queries/index.ts';
import { premisesAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { get } from '../../../../../http/door/index.ts';

/** A premises with all that stands and happens there, each run with how it stood last. */
export const GET = get(async ({ params, locals }) => {
  const book = await premisesAsked(params.id, (id) => premisesWhole(database(), locals.shop, id));
  const last = new Map((await lastStates(database(), locals.shop, book.premises.id)).map((l) => [l.runId, l]));
  const { premises, runs, ...rest } = book;
  return { ...premises, ...rest, runs: runs.map((run) => ({ ...run, last: last.get(run.id) ?? null })) };
});
