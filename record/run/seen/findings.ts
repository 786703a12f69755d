/** What is seen on a thing, by the ids of the catalogue's findings. */
import * as z from 'zod/mini';
import { id } from '../../shapes.ts';

export const findingIds = z.array(id).check(z.maxLength(30, 'are more than 30'));

/** In words, good enough where the catalogue's own are not at hand. */
export const findingWords = (seen: readonly string[]): string =>
  seen.length === 0 ? 'nothing found on it' : seen.map((s) => s.replaceAll('-', ' ')).join(', ');
