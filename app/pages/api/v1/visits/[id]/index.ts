import { catalogue } from '../../../../../../catalog/index.ts';
import { dayVisitOf, statusOf } from '../../../../../../record/index.ts';
import { statesOf, visitSheet } from '../../../../../../store/queries/index.ts';
import { runAnswer } from '../../../../../http/answers/index.ts';
import { visitAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { get } from '../../../../../http/door/index.ts';

export const GET = get(async ({ params, locals }) => {
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), locals.shop, id));
  const reads = statesOf(sheet);
  const { visit, runs } = dayVisitOf(sheet, catalogue());
  const { gathered, mainValve } = sheet;
  return { ...visit, status: statusOf(visit, runs), runs: reads.map(runAnswer), entries: sheet.entries, gathered, mainValve };
});
