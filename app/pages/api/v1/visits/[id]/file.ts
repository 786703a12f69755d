import { exportVisit } from '../../../../../../store/files/index.ts';
import { visitAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { file } from '../../../../../http/door/index.ts';

export const GET = file({ type: 'application/json', name: ({ params }) => `visit-${params.id}.json` }, ({ params, locals }) =>
  visitAsked(params.id, (id) => exportVisit(database(), locals.shop, id)),
);
