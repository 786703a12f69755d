import * as z from 'zod/mini';
import { uuid } from '../../../record/index.ts';
import { RefusedError } from '../door/index.ts';

/** What `read` finds for the visit named in a path. @throws RefusedError for an id that is none, or of no visit */
export async function visitAsked<T>(id: string | undefined, read: (id: string) => Promise<T | null>): Promise<T> {
  const asked = z.safeParse(uuid, id);
  const found = asked.success ? await read(asked.data) : null;
  if (found === null) throw new RefusedError(404, 'no-visit', 'No such visit', 'There is no visit of that id in this shop.', 'id');
  return found;
}
