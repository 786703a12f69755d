import { visitSheet } from '../../../../../../store/queries/visits.ts';
import { database, THE_SHOP } from '../../../../../http/database.ts';
import { get } from '../../../../../http/endpoint.ts';
import { visitAsked } from '../../../../../http/visit-asked.ts';

export const GET = get(({ params }) => visitAsked(params.id, (id) => visitSheet(database(), THE_SHOP, id)));
