import { exportVisit } from '../../../../../../store/visit-file.ts';
import { database } from '../../../../../http/database.ts';
import { file } from '../../../../../http/endpoint.ts';
import { visitAsked } from '../../../../../http/visit-asked.ts';

export const GET = file({ type: 'application/json', name: ({ params }) => `visit-${params.id}.json` }, ({ params, locals }) =>
  visitAsked(params.id, (id) => exportVisit(database(), locals.shop, id)),
);
