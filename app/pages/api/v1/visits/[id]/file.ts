import type { APIRoute } from 'astro';
import { uuid } from '../../../../../../store/entry-shape.ts';
import { exportVisit } from '../../../../../../store/visit-file.ts';
import { database, THE_SHOP } from '../../../../../http/database.ts';
import { answerOf } from '../../../../../http/faults.ts';
import { problem } from '../../../../../http/problem.ts';

export const GET: APIRoute = async ({ params }) => {
  try {
    const id = uuid.safeParse(params.id);
    const text = id.success ? await exportVisit(database(), THE_SHOP, id.data) : null;
    if (text === null) return problem(404, 'no-visit', 'No such visit', 'There is no visit of that id in this shop.');
    return new Response(text, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="visit-${params.id}.json"`,
        'cache-control': 'no-store',
      },
    });
  } catch (error) {
    return answerOf(error);
  }
};
