import * as z from 'zod/mini';
import { localDay } from '../../../../../record/index.ts';
import { visitsBetween, withRuns } from '../../../../../store/queries/index.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/index.ts';

const asked = z.object({ day: localDay });

/** Visits of a day with where their runs stand: what a van is loaded by. */
export const GET = get(async ({ url, locals }) => {
  const { day } = z.parse(asked, Object.fromEntries(url.searchParams));
  const visits = await withRuns(database(), locals.shop, await visitsBetween(database(), locals.shop, day, day));
  return { visits: visits.map(({ own: _, ...visit }) => visit) };
});
