import type { APIRoute } from 'astro';
import { uuid } from '../../../../../../store/entry-shape.ts';
import { visitSheet } from '../../../../../../store/visits.ts';
import { database, THE_SHOP } from '../../../../../http/database.ts';
import { answerOf } from '../../../../../http/faults.ts';
import { json, problem } from '../../../../../http/problem.ts';

export const GET: APIRoute = async ({ params }) => {
  try {
    const id = uuid.safeParse(params.id);
    const sheet = id.success ? await visitSheet(database(), THE_SHOP, id.data) : null;
    return sheet ? json(sheet) : problem(404, 'no-visit', 'No such visit', 'There is no visit of that id in this shop.');
  } catch (error) {
    return answerOf(error);
  }
};
