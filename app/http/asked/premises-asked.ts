import * as z from 'zod/mini';
import { uuid } from '../../../record/index.ts';
import type { PremisesQuery } from '../../../store/queries/index.ts';
import { RefusedError } from '../door/index.ts';
import { askedOf } from './asked-of.ts';

const list = z.object({
  q: z.optional(z.string().check(z.maxLength(200, 'is longer than 200 characters'))),
  limit: z.optional(
    z.coerce.number('wants a number').check(z.int('wants a whole number'), z.gte(1, 'must be 1 or more'), z.lte(200, 'is more than 200')),
  ),
  after: z.optional(uuid),
});

/** Which premises an address asks for. @throws ZodError naming the field */
export const premisesQuery = (url: URL): PremisesQuery => askedOf(list, url);

/** What `read` finds for the premises named in a path. @throws RefusedError for an id that is none, or of no premises */
export async function premisesAsked<T>(id: string | undefined, read: (id: string) => Promise<T | null>): Promise<T> {
  const asked = z.safeParse(uuid, id);
  const found = asked.success ? await read(asked.data) : null;
  if (found === null) throw new RefusedError(404, 'no-premises', 'No such premises', 'There are no premises of that id in this shop.', 'id');
  return found;
}
