import { visitStatus } from '../../../../../../record/visit/record-rows.ts';
import { statesOf, visitSheet } from '../../../../../../store/queries/visits.ts';
import { database, THE_SHOP } from '../../../../../http/database.ts';
import { get } from '../../../../../http/endpoint.ts';
import { runAnswer } from '../../../../../http/run-answer.ts';
import { visitAsked } from '../../../../../http/visit-asked.ts';

export const GET = get(async ({ params }) => {
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), THE_SHOP, id));
  const reads = statesOf(sheet);
  return { ...sheet.visit, status: visitStatus(reads, sheet.entries), runs: reads.map(runAnswer), entries: sheet.entries };
});
