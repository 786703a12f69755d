import { exportVisit } from '../../../../../../store/files/visit-file.ts';
import { visitAsked } from '../../../../../http/asked/visit-asked.ts';
import { database } from '../../../../../http/database.ts';
import { file } from '../../../../../http/door/endpoint.ts';

export const GET = file({ type: 'application/json', name: ({ params }) => `visit-${params.id}.json` }, ({ params, locals }) =>
  visitAsked(params.id, (id) => exportVisit(database(), locals.shop, id)),
);
