import * as z from 'zod/mini';
import { uuid } from '../../../../../record/index.ts';
import { holding } from '../../../../../store/queries/index.ts';
import { database } from '../../../../http/database.ts';
import { get } from '../../../../http/door/index.ts';

const ids = z.array(uuid).check(z.maxLength(200, 'holds more than 200'));
const asked = z.object({ premises: ids, visit: ids });

/** What a device holds of premises and visits that it is asked for: `premises` and `visit`, each once or more. */
export const GET = get(({ url, locals }) => {
  const { premises, visit } = z.parse(asked, { premises: url.searchParams.getAll('premises'), visit: url.searchParams.getAll('visit') });
  return holding(database(), locals.shop, { premisesIds: premises, visitIds: visit });
});
