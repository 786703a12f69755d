import * as z from 'zod/mini';
import { localDay } from '../../../../../record/shapes.ts';
import { withRuns } from '../../../../../store/queries/day.ts';
import { visitsBetween } from '../../../../../store/queries/visits.ts';
import { database, THE_SHOP } from '../../../../http/database.ts';
import { get } from '../../../../http/endpoint.ts';

const asked = z.object({ day: localDay });

/** Visits of a day with where their runs stand: what a van is loaded by. */
export const GET = get(async ({ url }) => {
  const { day } = z.parse(asked, Object.fromEntries(url.searchParams));
  return { visits: await withRuns(database(), THE_SHOP, await visitsBetween(database(), THE_SHOP, day, day)) };
});
